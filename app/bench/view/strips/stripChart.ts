import { Chart, LinearScale, LineController, type ChartConfiguration } from 'chart.js'
import { retinaScale } from 'chart.js/helpers'
import type { Palette } from '~~/core/picture/draw/palette'
import type { DisplayScale } from '~~/core/words/displayScale'
import { formatDecimals, formatFactor } from '~/figures/format'
import type { TimeAxis } from '~~/core/picture/draw/timeAxis'
import { decimalsApart } from '~~/core/picture/draw/valueMarks'
import { layerPlugin } from './layerPlugin'
import { rangeOfStrip, type Point, type Strip } from '~~/core/picture/strips'

Chart.register(LinearScale, LineController)

/** Pixels that a figure of the vertical scale has to itself, and how many there are at the most. */
const PX_A_FIGURE = 18
const MOST_FIGURES = 6

/** What a strip's chart is drawn from. */
export interface StripDrawing {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
  readonly scale: DisplayScale
  /** Pixels left of the axis, for the figures of the vertical scale. */
  readonly gutter: number
  /** Pixels of the chart, from which the number of its figures follows. */
  readonly height: number
  /** Whether the vertical scale is that of what is in the window; else of the whole series. */
  readonly byWindow: boolean
}

type StripChart = Chart<'line', Point[]>

/**
 * Chart options under which the chart area begins exactly at the gutter and ends at the right
 * edge, so that a period stands at the pixel the shared axis says.
 *
 * @param present the drawing as it is when the chart paints, for its layers
 */
export function stripConfiguration(
  drawing: StripDrawing,
  present: () => StripDrawing,
): ChartConfiguration<'line', Point[]> {
  const { palette } = drawing
  return {
    type: 'line',
    // The layers are drawn by the plugin: the chart keeps scales, grid and figures.
    data: { datasets: [] },
    plugins: [layerPlugin(present)],
    options: {
      responsive: false,
      maintainAspectRatio: false,
      animation: false,
      events: [],
      layout: { padding: { top: 6, bottom: 5 }, autoPadding: false },
      scales: {
        // The shared axis is drawn once, below all strips: here it only places.
        x: {
          type: 'linear',
          display: false,
          ticks: { display: false, maxTicksLimit: 2 },
          ...horizontalRange(drawing),
        },
        y: {
          type: 'linear',
          beginAtZero: false,
          ...verticalRange(drawing),
          afterFit: (fitted) => {
            fitted.width = present().gutter
          },
          border: { display: false },
          grid: { color: palette.rule, drawTicks: false, lineWidth: 1 },
          ticks: {
            color: palette.muted,
            font: { family: 'Inter Variable', size: 11 },
            ...figuresOf(drawing),
            padding: 8,
            // The gutter is wide enough: nothing to measure, turn or leave out.
            autoSkip: false,
            // Where a scale is shared it ends anywhere: no figure for that.
            includeBounds: false,
            minRotation: 0,
            maxRotation: 0,
            sampleSize: 1,
          },
        },
      },
    },
  }
}

/**
 * Draws a strip again with other data, window, size or measure. The chart is kept: making it anew takes
 * several times as long. Where both scales stay as they are, the layers alone are drawn: laying a
 * chart out takes longer than drawing it.
 *
 * @param before what it was drawn from last
 */
export function redraw(chart: StripChart, drawing: StripDrawing, before: StripDrawing): void {
  const [width, height] = sizeOf(drawing)
  const isAsLarge = sizeOf(before).join() === `${width},${height}`
  if (isAsLarge && scalesOf(drawing) === scalesOf(before)) return chart.draw()
  const { x, y } = chart.options.scales as { x: object; y: { ticks: object } }
  Object.assign(x, horizontalRange(drawing))
  Object.assign(y, verticalRange(drawing))
  Object.assign(y.ticks, figuresOf(drawing))
  if (!isAsLarge) {
    // What the chart's own resize does beside this is to measure its surroundings, and to lay itself out once more.
    Object.assign(chart, { width, height })
    retinaScale(chart, chart.currentDevicePixelRatio, true)
  }
  chart.update('none')
}

/** Pixels of the whole picture, with the figures of its scale. */
export function sizeOf({ gutter, axis, height }: StripDrawing): readonly [number, number] {
  return [gutter + axis.width, height]
}

/** How many figures the vertical scale has, and how they are written. */
function figuresOf(drawing: StripDrawing) {
  const most = Math.max(2, Math.floor(drawing.height / PX_A_FIGURE))
  return { maxTicksLimit: Math.min(MOST_FIGURES, most), callback: tickLabel(drawing) }
}

/** What the scales and their figures go by. */
function scalesOf(drawing: StripDrawing): string {
  const { measure } = drawing.strip
  return JSON.stringify([horizontalRange(drawing), verticalRange(drawing), measure, drawing.scale])
}

function horizontalRange({ axis }: StripDrawing) {
  return { min: axis.from, max: axis.to }
}

/**
 * The vertical scale is that of what is seen, so that limits far ahead do not flatten it; or of the whole series, so
 * that moving the window changes nothing in it.
 */
function verticalRange({ strip, axis, byWindow }: StripDrawing) {
  const range = (byWindow ? rangeOfStrip(strip, axis) : null) ?? rangeOfStrip(strip)
  return {
    suggestedMin: range?.low,
    suggestedMax: range?.high,
    // Undefined takes back what an earlier drawing had fixed.
    min: strip.fixed?.low,
    max: strip.fixed?.high,
  }
}

function tickLabel({ strip, scale }: StripDrawing) {
  return (
    value: string | number,
    _: number,
    ticks: readonly { readonly value: number }[],
  ): string => {
    if (strip.measure === 'factor' || strip.measure === 'share') return formatFactor(Number(value))
    const isLevel = strip.measure === 'level' || strip.measure === 'difference'
    const divisor = isLevel ? scale.divisor : 1
    const shown = Number(value) / divisor
    const apart = ticks.length > 1 ? Math.abs(ticks[1]!.value - ticks[0]!.value) / divisor : 1
    // As many decimals as tell neighbours apart, the same for all: 0.5 apart they read 1.5, 1.0, 0.5.
    const decimals = Math.min(8, decimalsApart(apart))
    return formatDecimals(shown, decimals) + (strip.measure === 'percent' ? '%' : '')
  }
}

export { Chart }
