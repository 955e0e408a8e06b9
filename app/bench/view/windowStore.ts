import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import { gutterFor } from './axis/gutter'
import { fitWindow, zoomWindow, type TimeAxis, type Window } from '~~/core/picture/draw/timeAxis'
import type { ValueAxis } from './axis/valueAxis'
import { narrowestColumn } from './ledger/fitting'
import { useLedger } from './ledgerStore'

/** Forecast periods in the window of a stage that does not forecast: so many, and no more than this share of it. */
const AHEAD_ELSEWHERE = 3
const SHARE_AHEAD = 1 / 6
/** Years before the forecast in the window of the stage that is about it. */
const YEARS_BEFORE = 2

/** The stretch of time on the screen, and the pixels that strips and ledger give it. */
export const useWindow = defineStore('bench-window', () => {
  const bench = useBench()
  const ledger = useLedger()

  /** Pixels of the axis, the same for every strip and the ledger. */
  const plotWidth = ref(648)
  /** Pixels left of it, where strips and rows are named. */
  const gutter = ref(gutterFor(Infinity))
  /** The vertical scale of the first strip, as it is drawn. */
  const valueAxis = shallowRef<ValueAxis | null>(null)
  const window = shallowRef<Window>({ from: 0.5, to: 24.5 })
  /** Whether the analyst chose the window; a stage then leaves it alone. */
  const isOwn = ref(false)

  /** From the first period of the series to the last of series and forecast. */
  const whole = computed<Window>(() => ({
    from: 0.5,
    to: Math.max(bench.series?.values.length ?? 1, ledger.lastT) + 0.5,
  }))
  const axis = computed<TimeAxis>(() => ({ ...window.value, width: plotWidth.value }))

  /** Columns this wide or wider show their figures as numbers; below, as shaded marks. */
  const numbersFrom = computed(() =>
    narrowestColumn(ledger.rows, (name) => ledger.figures.get(name) ?? [], ledger.scale),
  )

  function setWindow(wanted: Window): void {
    isOwn.value = true
    window.value = fitWindow(wanted, whole.value)
  }

  /** @param around the period that keeps its place on the screen; the middle of the window when left out */
  function zoom(factor: number, around = (window.value.from + window.value.to) / 2): void {
    isOwn.value = true
    window.value = zoomWindow(window.value, around, factor, whole.value)
  }

  function move(by: number): void {
    const { from, to } = window.value
    setWindow({ from: from + by, to: to + by })
  }

  /** Moves the window just as far as brings a period into it. */
  function bringIn(t: number): void {
    const { from, to } = window.value
    if (t - 0.5 < from) setWindow({ from: t - 0.5, to: t - 0.5 + (to - from) })
    if (t + 0.5 > to) setWindow({ from: t + 0.5 - (to - from), to: t + 0.5 })
  }

  /** How many periods fit as numbers. */
  const columns = computed(() => Math.floor(plotWidth.value / numbersFrom.value))

  /**
   * The latest periods that fit as numbers; of the forecast no more than what shows that it goes on, but for
   * the stage that is about it.
   *
   * @param last the period they end with at the latest
   */
  function showRecent(last = ledger.lastT): void {
    const ahead = stageOf(ledger.stage).seesForecast
      ? columns.value
      : Math.min(AHEAD_ELSEWHERE, Math.floor(SHARE_AHEAD * columns.value))
    const to = Math.min(last, ledger.lastT, ledger.lastActual + ahead) + 0.5
    setWindow({ from: to - columns.value, to })
  }

  /** The last actual period in which the row that the stage is about has a figure. */
  function lastOfFocus(): number {
    const focus = ledger.focusOf(ledger.stage)
    for (let t = ledger.lastActual; t >= ledger.firstT; t--) {
      if (ledger.valueAt(focus, t) !== null) return t
    }
    return ledger.lastActual
  }

  function showWhole(): void {
    setWindow(whole.value)
  }

  /**
   * The window a stage is best seen in, as long as the analyst has not chosen one. Where few columns fit, half of
   * them at the least have a figure of what the stage is about.
   */
  function showForStage(): void {
    if (isOwn.value) return
    const { seesWhole, seesForecast } = stageOf(ledger.stage)
    if (seesWhole) showWhole()
    else showRecent(seesForecast ? ledger.lastT : lastOfFocus() + Math.floor(columns.value / 2))
    if (seesForecast) showYearsBefore()
    isOwn.value = false
  }

  /** A forecast is read against the years before it, also where they are too many for numbers. */
  function showYearsBefore(): void {
    const years = YEARS_BEFORE * (bench.series?.calendar.seasons ?? 1)
    const from = Math.min(window.value.from, ledger.lastActual - years + 0.5)
    setWindow({ from, to: ledger.lastT + 0.5 })
  }

  /** Lets the stage choose the window again. */
  function showAsAtFirst(): void {
    isOwn.value = false
    showForStage()
  }

  // A method can move the end of the axis, and longer figures need wider columns.
  watch([whole, () => ledger.everyRow], ([now], [before]) => {
    window.value = fitWindow(takingIn(window.value, now.to, before.to), whole.value)
    showForStage()
  })

  /** A window that went to the end goes to the new one where newer values have come. */
  function takingIn({ from, to }: Window, now: number, before: number): Window {
    return to >= before && now > before ? { from, to: now } : { from, to }
  }

  /**
   * A window as it was left.
   *
   * @param end where the axis ended then
   */
  function showLeft(left: Window, end: number = whole.value.to): void {
    setWindow(takingIn(left, whole.value.to, end))
  }

  function scaleValues(next: ValueAxis | null): void {
    valueAxis.value = next
  }

  return {
    valueAxis,
    scaleValues,
    plotWidth,
    gutter,
    window,
    isOwn,
    whole,
    axis,
    numbersFrom,
    setWindow,
    zoom,
    move,
    bringIn,
    showRecent,
    showWhole,
    showLeft,
    showForStage,
    showAsAtFirst,
  }
})
