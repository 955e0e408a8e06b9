import type { ChartDataset } from 'chart.js'
import { faded, type Palette } from '~/theme/palette'
import { columnWidth, type TimeAxis } from '../axis/timeAxis'
import type { Layer, Mark, Point, Strip } from './strips'

/** Points are left away when periods stand closer than this. */
const POINTS_FROM_PX = 7
type Dataset = ChartDataset<'line', Point[]>

/**
 * The lines and bands of a strip in its window; bars and stems are drawn beside them. Only what the window shows is handed to the chart, and no
 * option depends on a single point: both cost most of the time of a repaint.
 */
export function datasetsOf({
  strip,
  axis,
  palette,
}: {
  readonly strip: Strip
  readonly axis: TimeAxis
  readonly palette: Palette
}): Dataset[] {
  return strip.layers.flatMap((layer, i): Dataset[] => {
    if (layer.kind === 'band') return band(layer, axis, palette)
    if (layer.mark === 'bars' || layer.mark === 'stems') return []
    const colour = faded(palette[layer.component], layer.opacity ?? 1)
    return line(layer.mark, inWindow(layer.points, axis), axis, colour, strip.layers.length - i)
  })
}

/** Points inside the window and one beyond either edge, to which lines run on. */
function inWindow(points: readonly Point[], { from, to }: TimeAxis): Point[] {
  return points.filter(({ x }) => x > from - 1.5 && x < to + 1.5)
}

function line(mark: Mark, data: Point[], axis: TimeAxis, colour: string, order: number): Dataset[] {
  const hasPoints = mark === 'line-points' && columnWidth(axis) > POINTS_FROM_PX
  const drawn: Dataset = {
    type: 'line',
    data,
    order,
    borderColor: colour,
    spanGaps: false,
    pointRadius: hasPoints ? 2.3 : 0,
    pointBackgroundColor: colour,
    pointBorderWidth: 0,
    ...STROKE[mark],
  }
  if (mark !== 'line-points' || hasPoints) return [drawn]
  // A value between two gaps has no line to stand on; its point must not go with the zoom.
  const alone = data.filter(
    ({ y }, i) =>
      y !== null && (data[i - 1]?.y ?? null) === null && (data[i + 1]?.y ?? null) === null,
  )
  return alone.length > 0 ? [drawn, dots(alone, 1.5, colour, order)] : [drawn]
}

const STROKE: Partial<Record<Mark, Partial<ChartDataset<'line', Point[]>>>> = {
  'line-points': { borderWidth: 1.3 },
  'line-thin': { borderWidth: 1.4 },
  'line-thick': { borderWidth: 2.6 },
  'line-dotted': { borderWidth: 1.8, borderDash: [1.5, 3.5], borderCapStyle: 'round' },
  'line-dashed': { borderWidth: 1.8, borderDash: [6, 4] },
}

function dots(data: Point[], radius: number, colour: string, order: number): Dataset {
  return {
    type: 'line',
    data,
    showLine: false,
    pointRadius: radius,
    pointBackgroundColor: colour,
    pointBorderWidth: 0,
    order,
  }
}

function band(layer: Layer & { kind: 'band' }, axis: TimeAxis, palette: Palette): Dataset[] {
  const edge = { type: 'line', pointRadius: 0, borderWidth: 0, order: 100 } as const
  return [
    { ...edge, data: inWindow(layer.lower, axis) },
    {
      ...edge,
      data: inWindow(layer.upper, axis),
      fill: '-1',
      backgroundColor: faded(palette.forecast, 0.17),
    },
  ]
}
