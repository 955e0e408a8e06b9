import type { Ref } from 'vue'
import { columnWidth, periodUnder, type Window } from '~~/core/picture/draw/timeAxis'
import { useSelection } from './selectionStore'
import { useWindow } from './windowStore'

/** A pointer that moves less than this is pressed, not dragged. */
const DRAG_FROM_PX = 4
/** Zoom for each unit that the wheel turns. */
const ZOOM_PER_UNIT = 0.002

type Dragged =
  | { readonly act: 'pan'; readonly x: number; readonly window: Window }
  | { readonly act: 'mark'; readonly t: number }

/**
 * What the pointer does on the plane: over a strip it shows the values of its period, drags the window, with
 * Shift marks a stretch; the wheel over a strip zooms around it, a double click goes back.
 */
export function usePlanePointer(plane: Readonly<Ref<HTMLElement | null>>) {
  const time = useWindow()
  const selection = useSelection()
  let dragged: Dragged | null = null

  /** Pixels from the left edge of the axis. */
  const xAt = (event: MouseEvent) =>
    event.clientX - plane.value!.getBoundingClientRect().left - time.gutter

  function move(event: PointerEvent) {
    const x = xAt(event)
    if (x < 0 || x > time.plotWidth) return
    if (dragged?.act === 'pan') return pan(event, dragged)
    const t = periodUnder(time.axis, x)
    if (dragged?.act === 'mark') selection.mark(dragged.t, t)
    if (t < time.whole.from || t > time.whole.to) return
    selection.cursor = t
    selection.pointed = isOnStrip(event) ? t : null
  }

  function leave() {
    selection.cursor = selection.selected?.t ?? null
    selection.pointed = null
  }

  function press(event: PointerEvent) {
    if (event.button !== 0 || !isOnStrip(event)) return
    if (event.shiftKey) {
      const t = periodUnder(time.axis, xAt(event))
      dragged = { act: 'mark', t }
      selection.mark(t, t)
      plane.value!.setPointerCapture(event.pointerId)
    } else {
      dragged = { act: 'pan', x: event.clientX, window: time.window }
    }
  }

  function pan(event: PointerEvent, { x, window: { from, to } }: Dragged & { act: 'pan' }) {
    const moved = x - event.clientX
    if (Math.abs(moved) < DRAG_FROM_PX) return
    // Only now: a click or double click that never moved belongs to what it was on.
    plane.value!.setPointerCapture(event.pointerId)
    selection.pointed = null
    const by = moved / columnWidth(time.axis)
    time.setWindow({ from: from + by, to: to + by })
  }

  function release() {
    dragged = null
  }

  /** Back to the window that the stage is first seen in. */
  function back(event: MouseEvent) {
    if (isOnStrip(event)) time.showAsAtFirst()
  }

  /** Over a strip the wheel zooms, sideways it moves the window; over the ledger the page scrolls. */
  function wheel(event: WheelEvent) {
    const sideways = event.shiftKey ? event.deltaY : event.deltaX
    if (sideways !== 0) {
      event.preventDefault()
      time.move(sideways / columnWidth(time.axis))
    } else if (isOnStrip(event) || event.ctrlKey || event.metaKey) {
      event.preventDefault()
      const around = time.axis.from + xAt(event) / columnWidth(time.axis)
      time.zoom(Math.exp(event.deltaY * ZOOM_PER_UNIT), around)
    }
  }

  return { move, leave, press, release, back, wheel }
}

/** Strips are dragged and shown values of; the ledger is clicked. */
function isOnStrip(event: Event): boolean {
  return (event.target as HTMLElement).closest('.strip') !== null
}
