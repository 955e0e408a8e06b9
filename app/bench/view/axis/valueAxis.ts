/** The vertical scale of a strip as it is drawn: values at two heights of its chart, in pixels from the chart's top. */
export interface ValueAxis {
  readonly low: number
  readonly high: number
  /** Pixels at which the highest and the lowest value lie. */
  readonly top: number
  readonly bottom: number
}

/** Pixels from the chart's top to a value. */
export function yOf({ low, high, top, bottom }: ValueAxis, value: number): number {
  return bottom - ((value - low) / (high - low)) * (bottom - top)
}

/**
 * The value under a distance from the chart's top, as round as a pixel is fine.
 *
 * @example a pixel of 37 units: 41,843.2 is read as 41,840
 */
export function valueUnder({ low, high, top, bottom }: ValueAxis, y: number): number {
  const aPixel = (high - low) / (bottom - top)
  const step = 10 ** Math.floor(Math.log10(aPixel))
  const value = low + (bottom - y) * aPixel
  // Divided by what is a power of ten exactly, so that no 0.30000000000000004 is typed into a field.
  return step < 1
    ? Math.round(value * Math.round(1 / step)) / Math.round(1 / step)
    : Math.round(value / step) * step
}
