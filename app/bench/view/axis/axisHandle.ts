import { computed, shallowRef } from 'vue'
import { periodUnder, type TimeAxis } from '~~/core/picture/draw/timeAxis'

/** Places on the time axis that are dragged, or moved by the arrows, each by its name. */
export interface AxisHandles<Id> {
  readonly axis: () => TimeAxis
  /** Periods of a year, which a page key moves by. */
  readonly year: () => number
  /** Where one stands. */
  at(id: Id): number
  /** The nearest period that it may stand at. */
  within(id: Id, t: number): number
  /** Puts it there. */
  take(id: Id, t: number): void
}

/**
 * What the pointer and the arrows do with handles on the time axis. While one is dragged it stands where the pointer
 * is; it is taken when it is let go, so that a drag is one change. The handles are children of what the axis starts at.
 */
export function useAxisHandles<Id>({ axis, year, at, within, take }: AxisHandles<Id>) {
  const dragged = shallowRef<{ readonly id: Id; readonly t: number } | null>(null)

  function down(event: PointerEvent, id: Id) {
    event.stopPropagation()
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
    dragged.value = { id, t: at(id) }
  }

  function move(event: PointerEvent) {
    if (!dragged.value) return
    event.stopPropagation()
    const { id } = dragged.value
    const frame = (event.currentTarget as HTMLElement).parentElement!.getBoundingClientRect()
    dragged.value = { id, t: within(id, periodUnder(axis(), event.clientX - frame.left)) }
  }

  function up(event: PointerEvent) {
    if (!dragged.value) return
    event.stopPropagation()
    const { id, t } = dragged.value
    dragged.value = null
    if (t !== at(id)) take(id, t)
  }

  function cancel() {
    dragged.value = null
  }

  function key(event: KeyboardEvent, id: Id) {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -year(), PageUp: year() }[event.key]
    if (by === undefined) return
    event.preventDefault()
    event.stopPropagation()
    const t = within(id, at(id) + by)
    if (t !== at(id)) take(id, t)
  }

  /** Where a handle is to be drawn. */
  const placeOf = computed(() => (id: Id) => (dragged.value?.id === id ? dragged.value.t : at(id)))
  return { dragged, placeOf, down, move, up, cancel, key }
}
