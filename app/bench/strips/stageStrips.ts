import type { Inspected } from '../inspect/inspectionStore'
import { baseline, takeOut, type Model } from '~~/core/model'
import type { Component } from '~~/core/ledger/rows'
import type { Result } from '~~/core/result'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import type { Value } from '~~/core/series/series'
import { mean } from '~~/core/statistics/average'
import { formatChange } from '~/figures/format'
import type { DisplayScale } from '~/figures/displayScale'
import type { Stage } from '../path/stages'
import { layer, type Layer, type Mark, type Point, type Strip } from './strips'
import { withYardsticks } from './yardstick'

/** What strips are made from beside the result itself. */
export interface StripSources {
  readonly scale: DisplayScale
  /** Columns that are looked at beside the ledger. */
  readonly inspected: readonly Inspected[]
  /** Look only: where the series turns. */
  readonly peaks: PeakSpacing | null
  /** A pinned result, drawn pale beneath. */
  readonly ghost: Result | null
}

const GHOST = 0.38
/** Compared averages are told apart by their lines. */
const COMPARED: readonly Mark[] = ['line-thick', 'line-dashed', 'line-dotted', 'line-thin']

/** The strips of a stage. */
export function stripsOf(stage: Stage, result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  switch (stage) {
    case 'look':
      return lookStrips(result, parts, sources)
    case 'smooth':
      return [
        parts.main('Sales', [
          ...parts.sales,
          ...(sources.inspected.length === 0 ? [parts.average] : []),
          ...comparedAverages(result, sources.inspected),
        ]),
      ]
    case 'season':
      return withYardsticks(
        [
          parts.main('Sales', [
            ...parts.pinned.trendCycle,
            ...parts.sales,
            parts.average,
            parts.recomposed,
            ...parts.limits,
            parts.forecast,
          ]),
          parts.season,
          parts.irregular,
          ...parts.weights,
        ],
        result,
        sources.scale,
      )
    case 'deseasonalize':
      return [
        parts.main('Sales', [
          ...parts.pinned.deseasonalized,
          ...parts.sales,
          parts.deseasonalized,
          parts.trend,
        ]),
        growthStrip(result, sources.inspected),
      ]
    case 'trend': {
      const lines = parts.main('Trend', [
        ...parts.pinned.trendCycle,
        parts.deseasonalized,
        parts.trend,
        parts.average,
      ])
      return result.columns.cycle.some((value) => value !== null) ? [lines, parts.cycle] : [lines]
    }
    case 'project':
      return [
        parts.main('Forecast', [
          ...parts.pinned.forecast,
          ...parts.sales,
          parts.trend,
          ...parts.limits,
          parts.forecastDeseasonalized,
          parts.forecast,
        ]),
        parts.season,
      ]
    case 'check':
      return [
        parts.main('Fitted', [...parts.sales, parts.fitted]),
        {
          id: 'residual',
          title: 'Residual',
          share: 2,
          unit: sources.scale.unit,
          isFactor: false,
          baseline: 0,
          layers: [parts.residual],
        },
      ]
  }
}

function componentsOf(result: Result, { scale, ghost }: StripSources) {
  const { columns, forecast, method } = result
  const { t } = columns
  const { model, by } = method.decompose
  const multiplicative = model === 'multiplicative'
  const across = (values: readonly Value[]) => pointsOf(result, values)
  const ahead = (values: readonly Value[]): Point[] =>
    values.map((y, i) => ({ x: forecast.t[i]!, y }))
  const level = { unit: scale.unit, baseline: null, isFactor: false }
  const part = {
    unit: multiplicative ? 'factor' : scale.unit,
    baseline: baseline(model),
    isFactor: multiplicative,
  }
  const averageName = by === 'ratio-to-moving-average' ? 'centred average' : 'trend-cycle'
  const pinned = ghostLayers(ghost, model)
  const season: Strip = {
    id: 'season',
    title: 'Season',
    share: 2,
    ...part,
    layers: [
      {
        ...layer('index', 'season', 'bars', [...across(columns.index), ...ahead(forecast.index)]),
        paleFrom: forecast.t[0]!,
      },
      layer(
        multiplicative ? 'ratio' : 'difference',
        'season',
        'dots',
        across(columns.seasonalIrregular),
      ),
      ...pinned.season,
    ],
  }
  return {
    sales: [
      layer('sales', 'original', 'line-points', across(columns.value)),
      ...careLayers(result),
    ],
    average: layer(averageName, 'trendCycle', 'line-thick', across(columns.trendCycle)),
    recomposed: layer(
      multiplicative ? `${averageName} × season` : `${averageName} + season`,
      'season',
      'line-dashed',
      across(columns.recomposed),
    ),
    deseasonalized: layer(
      'deseasonalized',
      'deseasonalized',
      'line-thin',
      across(columns.deseasonalized),
    ),
    trend: layer('trend', 'deseasonalized', 'line-dashed', across(columns.trend)),
    fitted: layer('fitted', 'forecast', 'line-dashed', across(columns.fitted)),
    residual: layer('sales − fitted', 'irregular', 'stems', across(columns.residual)),
    pinned,
    limits: [...method.forecast.levels].reverse().map((wanted, i): Layer => ({
      kind: 'band',
      label: i === 0 ? `${method.forecast.levels.join('%, ')}% limits` : '',
      lower: ahead(forecast.limits[wanted]!.lower),
      upper: ahead(forecast.limits[wanted]!.upper),
    })),
    forecastDeseasonalized: layer(
      'deseas. forecast',
      'deseasonalized',
      'line-dotted',
      ahead(forecast.deseasonalized),
    ),
    forecast: layer('forecast', 'forecast', 'line-dashed', [
      { x: t.at(-1)!, y: columns.value.at(-1)! },
      ...ahead(forecast.forecast),
    ]),
    season,
    irregular: {
      id: 'irregular',
      title: 'Irregular',
      share: 1.6,
      ...part,
      unit: multiplicative ? 'factor' : scale.unit,
      layers: [
        layer('irregular', 'irregular', 'stems', across(columns.irregular)),
        ...pinned.irregular,
      ],
    } satisfies Strip,
    weights:
      by === 'stl'
        ? [
            {
              id: 'weight',
              title: 'Weight',
              share: 1,
              unit: '0 to 1',
              baseline: 1,
              isFactor: true,
              layers: [layer('weight', 'irregular', 'bars', across(columns.weight))],
            } satisfies Strip,
          ]
        : [],
    cycle: {
      id: 'cycle',
      title: 'Cycle',
      share: 1.6,
      ...part,
      unit: multiplicative ? 'factor of the trend' : scale.unit,
      layers: [layer('average against trend', 'trendCycle', 'line-thick', across(columns.cycle))],
    } satisfies Strip,
    main: (title: string, layers: readonly Layer[], share = 4): Strip => ({
      id: 'main',
      title,
      share,
      ...level,
      layers,
    }),
  }
}

/**
 * The components of the pinned result, pale, on the scale of the present model: what its season makes of its
 * trend-cycle, and what it leaves over, as a share or as an amount.
 */
function ghostLayers(ghost: Result | null, model: Model) {
  const pale = (mark: Mark, component: Component, points: readonly Point[]): Layer[] => [
    { ...layer('pinned', component, mark, points), opacity: GHOST },
  ]
  if (!ghost) return { trendCycle: [], season: [], irregular: [], deseasonalized: [], forecast: [] }
  const { columns, forecast } = ghost
  const against = (of: readonly Value[], from: readonly Value[]) =>
    of.map((value, i) =>
      value === null || from[i] === null ? null : takeOut(model, value, from[i]!),
    )
  const across = (values: readonly Value[]) => pointsOf(ghost, values)
  return {
    trendCycle: pale('line-thick', 'trendCycle', across(columns.trendCycle)),
    season: pale('line-thin', 'season', across(against(columns.recomposed, columns.trendCycle))),
    irregular: pale('line-thin', 'irregular', across(against(columns.value, columns.recomposed))),
    deseasonalized: pale('line-thick', 'deseasonalized', across(columns.deseasonalized)),
    forecast: pale(
      'line-thick',
      'forecast',
      forecast.t.map((x, i) => ({ x, y: forecast.forecast[i]! })),
    ),
  }
}

function pointsOf({ columns }: Result, values: readonly Value[], offset = 0): Point[] {
  return values.map((y, i) => ({ x: columns.t[i]! + offset, y }))
}

/** Values that are not as they came in, ringed, and what came in in their place. */
function careLayers({ columns }: Result): Layer[] {
  const changed = columns.t.flatMap((x, i) =>
    columns.value[i] === columns.original[i]
      ? []
      : [{ x, used: columns.value[i]!, original: columns.original[i]! }],
  )
  if (changed.length === 0) return []
  const used = changed.map(({ x, used }) => ({ x, y: used }))
  const original = changed.map(({ x, original }) => ({ x, y: original }))
  return [
    layer('adjusted or filled', 'original', 'rings', used),
    ...(original.some(({ y }) => y !== null)
      ? [{ ...layer('', 'original', 'dots', original), opacity: 0.45 }]
      : []),
  ]
}

/** Look: turns with their distances, rolling mean and deviation, and what is left without a trend. */
function lookStrips(
  result: Result,
  { main, sales }: ReturnType<typeof componentsOf>,
  { inspected, peaks, scale }: StripSources,
): Strip[] {
  const columns = inspected.flatMap((column) => (column.problem === null ? [column] : []))
  const of = (kind: string) => columns.find(({ beside }) => beside.kind === kind)
  const mean = of('rolling-mean')
  const deviation = of('rolling-deviation')
  const rest = of('detrended') ?? of('differenced')
  const strips = [
    main('Sales', [
      ...sales,
      ...(mean
        ? [layer('rolling mean', 'trendCycle', 'line-thick', pointsOf(result, mean.values))]
        : []),
      ...(peaks ? turnLayers(result, peaks) : []),
    ]),
  ]
  if (rest) {
    const isFactor = rest.row.baseline === 1
    strips.push({
      id: 'rest',
      title: rest.row.label,
      share: 2.2,
      unit: `${isFactor ? 'factor' : scale.unit}; ${rest.row.means}`,
      baseline: rest.row.baseline,
      isFactor,
      layers: [layer('', 'deseasonalized', 'stems', pointsOf(result, rest.values))],
    })
  }
  if (deviation) {
    strips.push({
      id: 'deviation',
      title: 'Rolling st. dev.',
      share: 1.4,
      unit: scale.unit,
      baseline: null,
      isFactor: false,
      layers: [layer('', 'irregular', 'line-thick', pointsOf(result, deviation.values))],
    })
  }
  return strips
}

function turnLayers(result: Result, { peaks, troughs }: PeakSpacing): Layer[] {
  const at = (places: readonly number[]): Point[] =>
    places.map((place) => ({
      x: result.columns.t[place - 1]!,
      y: result.columns.value[place - 1]!,
    }))
  const between = (points: readonly Point[]) =>
    points.slice(1).map((to, i) => {
      const from = points[i]!
      return { from, to, text: String(to.x - from.x) }
    })
  const [high, low] = [at(peaks), at(troughs)]
  return [
    layer('peak', 'season', 'peaks', high),
    layer('trough', 'season', 'troughs', low),
    { kind: 'gaps', label: '', side: 'above', gaps: between(high) },
    { kind: 'gaps', label: '', side: 'below', gaps: between(low) },
  ]
}

/** Smooth: every compared average in a line of its own; the steps before centring are the ledger's. */
function comparedAverages(result: Result, inspected: readonly Inspected[]): Layer[] {
  const averages = inspected.flatMap((column) =>
    column.problem === null &&
    column.beside.kind === 'average' &&
    column.beside.by.kind !== 'off-centre'
      ? [column]
      : [],
  )
  return averages.map(({ row, values }, i) =>
    layer(row.label, 'trendCycle', COMPARED[i % COMPARED.length]!, pointsOf(result, values)),
  )
}

/** Growth of sales and deseasonalized sales on one scale, their averages beside their names. */
function growthStrip(result: Result, inspected: readonly Inspected[]): Strip {
  const columns = inspected.flatMap((column) =>
    column.problem === null && column.beside.kind === 'growth' ? [column] : [],
  )
  return {
    id: 'growth',
    title: 'Growth',
    share: 2.4,
    unit: `%, ${columns[0]?.row.means ?? ''}`,
    baseline: 0,
    isFactor: false,
    inPercent: true,
    layers: columns.map(({ row, values }) => {
      const average = mean(values.filter((value) => value !== null))
      const name = row.component === 'original' ? 'sales' : 'deseas.'
      return layer(
        average === null ? name : `${name}, mean ${formatChange(average)}`,
        row.component,
        row.component === 'original' ? 'line-thin' : 'line-thick',
        pointsOf(result, values),
      )
    }),
  }
}
