import {
  BarController,
  BarElement,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  type ChartConfiguration,
  type ChartDataset,
} from 'chart.js'
import { faded, type Palette } from '~/theme/palette'
import type { DisplayScale } from '~/figures/displayScale'
import { formatDecimals } from '~/figures/format'
import { columnWidth, type TimeAxis } from '../axis/timeAxis'
import { rangeOfStrip, type Layer, type Mark, type Point, type Strip } from './strips'

Chart.register(
  BarController,
  BarElement,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
)

/** Points are left away when periods stand closer than this. */
const POINTS_FROM_PX = 7

type Dataset = ChartDataset<'line' | 'bar', Point[]>

/** What a strip's chart is drawn from. */
export interface StripDrawing {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
  readonly scale: DisplayScale
  /** Pixels left of the axis, for the figures of the vertical scale. */
  readonly gutter: number
}

/**
 * Chart options under which the chart area begins exactly at the gutter and ends at the right
 * edge, so that a period stands at the pixel the shared axis says.
 */
export function stripConfiguration(
  drawing: StripDrawing,
): ChartConfiguration<'line' | 'bar', Point[]> {
  const { axis, palette, strip, scale, gutter } = drawing
  const label = (value: number) =>
    strip.isFactor
      ? value.toLocaleString(undefined, { maximumFractionDigits: 3 })
      : formatDecimals(
          value / scale.divisor,
          Number.isInteger(value / scale.divisor) ? 0 : scale.decimals,
        )
  return {
    type: 'line',
    data: { datasets: datasetsOf(drawing) },
    options: {
      responsive: false,
      maintainAspectRatio: false,
      animation: false,
      events: [],
      normalized: true,
      layout: { padding: { top: 6, bottom: 5 }, autoPadding: false },
      plugins: { filler: { propagate: false } },
      scales: {
        // Bars would widen their axis by half a column on either side; here the axis is given.
        x: { type: 'linear', display: false, offset: false, min: axis.from, max: axis.to },
        y: {
          type: 'linear',
          beginAtZero: false,
          ...verticalRange(strip),
          afterFit: (fitted) => {
            fitted.width = gutter
          },
          border: { display: false },
          grid: { color: palette.rule, drawTicks: false, lineWidth: 1 },
          ticks: {
            color: palette.muted,
            font: { family: 'Inter Variable', size: 10.5 },
            maxTicksLimit: strip.share > 3 ? 6 : 4,
            padding: 8,
            callback: (value) => label(Number(value)),
          },
        },
      },
    },
  }
}

/**
 * The vertical scale is that of the whole series, so that moving the window changes nothing in it
 * and a small irregular is seen to be small.
 */
export function verticalRange(strip: Strip): { suggestedMin?: number; suggestedMax?: number } {
  const range = rangeOfStrip(strip)
  return range ? { suggestedMin: range.low, suggestedMax: range.high } : {}
}

/** The datasets of a strip at the present zoom. */
export function datasetsOf({ strip, axis, palette }: StripDrawing): Dataset[] {
  const column = columnWidth(axis)
  return strip.layers.flatMap((layer, i): Dataset[] =>
    layer.kind === 'band'
      ? bandDatasets(layer, palette)
      : seriesDatasets(layer, strip, column, palette, strip.layers.length - i),
  )
}

function seriesDatasets(
  layer: Layer & { kind: 'series' },
  strip: Strip,
  column: number,
  palette: Palette,
  order: number,
): Dataset[] {
  const colour = faded(palette[layer.component], layer.opacity ?? 1)
  const data = [...layer.points]
  if (layer.mark === 'bars') {
    return [
      {
        type: 'bar',
        data,
        base: strip.baseline ?? 0,
        barThickness: Math.max(1, column * 0.66),
        backgroundColor: data.map(({ x }) =>
          x >= (layer.paleFrom ?? Infinity)
            ? faded(palette[layer.component], 0.4)
            : faded(palette[layer.component], 0.82),
        ),
        order,
      },
    ]
  }
  if (layer.mark === 'stems') {
    return [
      {
        type: 'bar',
        data,
        base: strip.baseline ?? 0,
        barThickness: column > 4 ? 1.6 : 1,
        backgroundColor: colour,
        order: order + 1,
      },
      {
        type: 'line',
        data,
        showLine: false,
        pointRadius: column > POINTS_FROM_PX ? 2.6 : 1.2,
        pointBackgroundColor: colour,
        pointBorderWidth: 0,
        order,
      },
    ]
  }
  return [
    { type: 'line', data, order, borderColor: colour, ...lineStyle(layer.mark, colour, column) },
  ]
}

function lineStyle(
  mark: Mark,
  colour: string,
  column: number,
): Partial<ChartDataset<'line', Point[]>> {
  const plain = { pointRadius: 0, spanGaps: false, tension: 0 } as const
  switch (mark) {
    case 'line-points':
      return {
        ...plain,
        borderWidth: 1.3,
        // A value between two gaps has no line to stand on; its point must not go with the zoom.
        pointRadius: (context) =>
          column > POINTS_FROM_PX || isAlone(context.dataset.data as Point[], context.dataIndex)
            ? 2.3
            : 0,
        pointBackgroundColor: colour,
        pointBorderWidth: 0,
      }
    case 'line-thick':
      return { ...plain, borderWidth: 2.6 }
    case 'line-dotted':
      return { ...plain, borderWidth: 1.8, borderDash: [1.5, 3.5], borderCapStyle: 'round' }
    case 'line-dashed':
      return { ...plain, borderWidth: 1.8, borderDash: [6, 4] }
    default:
      return { ...plain, borderWidth: 1.4 }
  }
}

function isAlone(points: readonly Point[], i: number): boolean {
  return (points[i - 1]?.y ?? null) === null && (points[i + 1]?.y ?? null) === null
}

function bandDatasets(layer: Layer & { kind: 'band' }, palette: Palette): Dataset[] {
  const edge = { type: 'line', pointRadius: 0, borderWidth: 0, order: 100 } as const
  return [
    { ...edge, data: [...layer.lower] },
    {
      ...edge,
      data: [...layer.upper],
      fill: '-1',
      backgroundColor: faded(palette.forecast, 0.17),
    },
  ]
}

export { Chart }
