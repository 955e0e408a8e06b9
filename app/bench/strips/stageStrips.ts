import type { Inspected } from '../inspect/inspectionStore'
import type { Column, Component, Mark } from '~~/core/column/column'
import { isResult, ledgerOf } from '~~/core/ledger/ledger'
import { MODEL, type ModelTerms } from '~~/core/model'
import type { Looked, Result } from '~~/core/result'
import type { PeakSpacing } from '~~/core/seasonality/peakSpacing'
import type { Value } from '~~/core/series/series'
import { mean } from '~~/core/statistics/average'
import { formatChange } from '~/figures/format'
import type { DisplayScale } from '~/figures/displayScale'
import type { Stage } from '../path/stages'
import { layer, type Layer, type Point, type Strip } from './strips'
import { comparisonOf, onOneScale, withSpans } from './spans'

/** What strips are made from beside the result itself. */
export interface StripSources {
  readonly scale: DisplayScale
  /** Columns that are looked at beside the ledger. */
  readonly inspected: readonly Inspected[]
  /** Look only: where the series turns. */
  readonly peaks: PeakSpacing | null
  /** A pinned result, drawn pale beneath. */
  readonly ghost: Result | null
  /** Whether all strips of components are drawn on one scale. */
  readonly oneScale: boolean
}

const GHOST = 0.38
/** Compared averages are told apart by their lines. */
const COMPARED: readonly Mark[] = ['line-thick', 'line-dashed', 'line-dotted', 'line-thin']

/** The strips of a stage; of a refused method those that need only the series. */
export function stripsOf(stage: Stage, shown: Looked | Result, sources: StripSources): Strip[] {
  const sales = salesLayers(shown)
  const averages = comparedAverages(shown, sources.inspected)
  if (stage === 'look') return lookStrips(shown, sales, sources)
  if (!isResult(shown)) return [mainStrip('Sales', sources, [...sales, ...averages])]
  const parts = componentsOf(shown, sources)
  switch (stage) {
    case 'smooth':
      return [
        mainStrip('Sales', sources, [
          ...sales,
          ...(averages.length === 0 ? parts.trendCycle : averages),
        ]),
      ]
    case 'season':
      return compared(
        [
          mainStrip('Sales', sources, [
            ...parts.pinned.trendCycle,
            ...sales,
            ...parts.trendCycle,
            ...parts.recomposed,
            ...parts.limits,
            ...parts.forecast,
          ]),
          ...parts.season,
          ...parts.irregular,
          ...parts.weights,
        ],
        shown,
        sources,
      )
    case 'deseasonalize':
      return [
        mainStrip('Sales', sources, [
          ...parts.pinned.deseasonalized,
          ...sales,
          ...parts.deseasonalized,
          ...parts.trend,
        ]),
        growthStrip(shown, sources.inspected),
      ]
    case 'trend':
      return [
        mainStrip('Trend', sources, [
          ...parts.pinned.trendCycle,
          ...(parts.deseasonalized.length > 0 ? parts.deseasonalized : sales),
          ...parts.trend,
          ...parts.trendCycle,
        ]),
        ...parts.cycle,
      ]
    case 'project':
      return [
        mainStrip('Forecast', sources, [
          ...parts.pinned.forecast,
          ...sales,
          ...parts.trend,
          ...parts.limits,
          ...parts.forecastDeseasonalized,
          ...parts.forecast,
        ]),
        ...parts.season,
      ]
    case 'check':
      return [
        mainStrip('Fitted', sources, [...sales, ...parts.fitted]),
        ...parts.strip('residual', 'Residual', 2, ['sales − fitted']),
      ]
  }
}

/** Strips of components with what each spans in words, on one scale where that is wanted. */
function compared(strips: readonly Strip[], result: Result, sources: StripSources): Strip[] {
  const comparison = comparisonOf(result)
  const said = withSpans(strips, comparison, sources.scale)
  return sources.oneScale ? onOneScale(said, comparison) : said
}

function mainStrip(title: string, { scale }: StripSources, layers: readonly Layer[]): Strip {
  return {
    id: 'main',
    title,
    share: 4,
    unit: scale.unit,
    baseline: null,
    measure: 'level',
    layers,
  }
}

/** What of the ledger a stage can draw; what the method does not have is an empty list. */
function componentsOf(result: Result, { scale, ghost }: StripSources) {
  const { find } = ledgerOf(result)
  const { forecast, method } = result
  const model = MODEL[method.decompose.model]
  /** A column over the span, and as far as it has one over the forecast. */
  const drawn = (name: string, label?: string, ahead = false): (Layer & { kind: 'series' })[] => {
    const column = find(name)
    if (!column) return []
    const points = [
      ...pointsOf(result, column.actual ?? []),
      ...(ahead || column.actual === null ? aheadOf(result, column) : []),
    ]
    return [layer(label ?? column.label.toLowerCase(), column.component, column.mark, points)]
  }
  const strip = (
    name: string,
    title: string,
    share: number,
    [label]: readonly string[],
    more: readonly Layer[] = [],
  ): Strip[] => {
    const column = find(name)
    if (!column) return []
    return [
      {
        id: name,
        title,
        share,
        unit: unitOf(column, scale),
        baseline: column.baseline,
        measure: column.measure,
        layers: [...drawn(name, label), ...more],
      },
    ]
  }
  const pinned = ghostLayers(ghost, model)
  const ratios = drawn('seasonalIrregular')
  const indices = drawn('index', undefined, true)
  const { columns } = result
  return {
    strip,
    pinned,
    trendCycle: drawn('trendCycle'),
    recomposed: drawn('recomposed').map((one) => ({
      ...one,
      component: 'season' as const,
    })),
    deseasonalized: drawn('deseasonalized'),
    trend: drawn('trend'),
    fitted: drawn('fitted'),
    limits: [...method.forecast.levels].reverse().map((wanted, i): Layer => ({
      kind: 'band',
      label: i === 0 ? `${method.forecast.levels.join('%, ')}% limits` : '',
      lower: aheadOf(result, find(`lower:${wanted}`)!),
      upper: aheadOf(result, find(`upper:${wanted}`)!),
    })),
    forecastDeseasonalized: drawn('forecastDeseasonalized', 'deseas. forecast'),
    forecast: drawn('forecast').map((one) => ({
      ...one,
      points: [{ x: columns.t.at(-1)!, y: columns.value.at(-1)! }, ...one.points],
    })),
    season: strip('index', 'Season', 2, ['index'], [...ratios, ...pinned.season]).map((one) => ({
      ...one,
      id: 'season',
      layers: [
        ...indices.map((bars) => ({ ...bars, paleFrom: forecast.t[0]! })),
        ...one.layers.slice(1),
      ],
    })),
    irregular: strip('irregular', 'Irregular', 1.6, ['irregular'], pinned.irregular),
    weights: strip('weight', 'Weight', 1, ['weight']),
    cycle: strip('cycle', 'Cycle', 1.6, ['average against trend']).map((one) => ({
      ...one,
      unit: one.measure === 'factor' ? 'factor of the trend' : one.unit,
    })),
  }
}

function unitOf({ measure, unit }: Column, scale: DisplayScale): string {
  if (measure === 'factor') return 'factor'
  return measure === 'share' ? unit.replace('from ', '') : scale.unit
}

/**
 * The components of the pinned result, pale, on the scale of the present model: what its season makes of its
 * trend-cycle, and what it leaves over, as a share or as an amount.
 */
function ghostLayers(ghost: Result | null, model: ModelTerms) {
  const pale = (mark: Mark, component: Component, points: readonly Point[]): Layer[] => [
    { ...layer('pinned', component, mark, points), opacity: GHOST },
  ]
  if (!ghost) return { trendCycle: [], season: [], irregular: [], deseasonalized: [], forecast: [] }
  const { columns, forecast } = ghost
  const against = (of: readonly Value[], from: readonly Value[]) =>
    of.map((value, i) =>
      value === null || from[i] === null ? null : model.takeOut(value, from[i]!),
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

function pointsOf({ columns }: Looked, values: readonly Value[]): Point[] {
  return values.map((y, i) => ({ x: columns.t[i]!, y }))
}

function aheadOf({ forecast }: Result, { ahead }: Column): Point[] {
  return (ahead ?? []).map((y, i) => ({ x: forecast.t[i]!, y }))
}

/** The values, those that are not as they came in ringed, and what came in in their place. */
function salesLayers(shown: Looked): Layer[] {
  const { columns } = shown
  const changed = columns.t.flatMap((x, i) =>
    columns.value[i] === columns.original[i]
      ? []
      : [{ x, used: columns.value[i]!, original: columns.original[i]! }],
  )
  const sales = layer('sales', 'original', 'line-points', pointsOf(shown, columns.value))
  if (changed.length === 0) return [sales]
  const used = changed.map(({ x, used }) => ({ x, y: used }))
  const original = changed.map(({ x, original }) => ({ x, y: original }))
  return [
    sales,
    layer('adjusted or filled', 'original', 'rings', used),
    ...(original.some(({ y }) => y !== null)
      ? [{ ...layer('', 'original', 'dots', original), opacity: 0.45 }]
      : []),
  ]
}

/** Look: turns with their distances, rolling mean and deviation, and what is left without a trend. */
function lookStrips(shown: Looked, sales: readonly Layer[], sources: StripSources): Strip[] {
  const { inspected, peaks, scale } = sources
  const of = (kind: string) => inspected.find(({ beside }) => beside.kind === kind)?.column ?? null
  const rest = of('detrended') ?? of('differenced')
  const deviation = of('rolling-deviation')
  const beside = (column: Column | null, label: string) =>
    column ? [layer(label, column.component, column.mark, pointsOf(shown, column.actual!))] : []
  const strips = [
    mainStrip('Sales', sources, [
      ...sales,
      ...beside(of('rolling-mean'), 'rolling mean'),
      ...(peaks ? turnLayers(shown, peaks) : []),
    ]),
  ]
  if (rest) {
    strips.push({
      id: 'rest',
      title: rest.label,
      share: 2.2,
      unit: `${unitOf(rest, scale)}; ${rest.means}`,
      baseline: rest.baseline,
      measure: rest.measure,
      layers: beside(rest, ''),
    })
  }
  if (deviation) {
    strips.push({
      id: 'deviation',
      title: deviation.label,
      share: 1.4,
      unit: scale.unit,
      baseline: null,
      measure: 'level',
      layers: beside(deviation, ''),
    })
  }
  return strips
}

function turnLayers({ columns }: Looked, { peaks, troughs }: PeakSpacing): Layer[] {
  const at = (places: readonly number[]): Point[] =>
    places.map((place) => ({ x: columns.t[place - 1]!, y: columns.value[place - 1]! }))
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
function comparedAverages(shown: Looked, inspected: readonly Inspected[]): Layer[] {
  const averages = inspected.flatMap(({ beside, column }) =>
    column && beside.kind === 'average' && beside.by.kind !== 'off-centre' ? [column] : [],
  )
  return averages.map(({ label, actual }, i) =>
    layer(label, 'trendCycle', COMPARED[i % COMPARED.length]!, pointsOf(shown, actual!)),
  )
}

/** Growth of sales and deseasonalized sales on one scale, their averages beside their names. */
function growthStrip(result: Result, inspected: readonly Inspected[]): Strip {
  const columns = inspected.flatMap(({ beside, column }) =>
    column && beside.kind === 'growth' ? [column] : [],
  )
  return {
    id: 'growth',
    title: 'Growth',
    share: 2.4,
    unit: `%, ${columns[0]?.means ?? ''}`,
    baseline: 0,
    measure: 'percent',
    layers: columns.map(({ component, mark, actual }) => {
      const average = mean(actual!.filter((value) => value !== null))
      const name = component === 'original' ? 'sales' : 'deseas.'
      return layer(
        average === null ? name : `${name}, mean ${formatChange(average)}`,
        component,
        mark,
        pointsOf(result, actual!),
      )
    }),
  }
}
