/**
 * The horizontal axis that strips and ledger share: a window of time codes on a width of pixels.
 * Period t is a column from t − ½ to t + ½.
 */
export interface TimeAxis {
  /** Left edge, in time codes. */
  readonly from: number
  /** Right edge, in time codes. */
  readonly to: number
  /** Pixels between the edges. */
  readonly width: number
}

/** Pixels of one period. */
export function columnWidth({ from, to, width }: TimeAxis): number {
  return width / (to - from)
}

/** Pixels from the left edge to the middle of a period, or to a half-period between two. */
export function xOf(axis: TimeAxis, t: number): number {
  return (t - axis.from) * columnWidth(axis)
}

/** The period under a distance from the left edge. */
export function periodUnder(axis: TimeAxis, x: number): number {
  // Rounding a hair below 0 gives −0, which is no period.
  return Math.round(axis.from + x / columnWidth(axis)) + 0
}

/** Whole periods that are at least partly inside the window. */
export function periodsInside({ from, to }: TimeAxis): number[] {
  const first = Math.round(from)
  const last = Math.ceil(to - 0.5)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i)
}

/** The edges of a window. */
export interface Window {
  readonly from: number
  readonly to: number
}

/** Fewer periods than this are no picture of a series. */
const FEWEST_PERIODS = 4

/**
 * A window moved and narrowed so that it lies within the whole, in whole or part periods.
 *
 * @param whole the outermost edges
 */
export function fitWindow(wanted: Window, whole: Window): Window {
  const most = whole.to - whole.from
  const size = Math.min(most, Math.max(Math.min(FEWEST_PERIODS, most), wanted.to - wanted.from))
  const from = Math.min(Math.max(wanted.from, whole.from), whole.to - size)
  return { from, to: from + size }
}

/**
 * A window zoomed around a period that keeps its place on the screen.
 *
 * @param factor below 1 zooms in, above 1 zooms out
 */
export function zoomWindow(window: Window, around: number, factor: number, whole: Window): Window {
  return fitWindow(
    {
      from: around - (around - window.from) * factor,
      to: around + (window.to - around) * factor,
    },
    whole,
  )
}
