import type { Component } from '~~/core/ledger/rows'
import { baseline } from '~~/core/decomposition/model'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series'
import type { Stage } from '../path/stages'

/** A value at a time code. */
export interface Point {
  readonly x: number
  readonly y: Value
}

/** How a layer is drawn. A component is known by its mark as well as by its colour. */
export type Mark =
  | 'line-points'
  | 'line-thick'
  | 'line-thin'
  | 'line-dotted'
  | 'line-dashed'
  | 'bars'
  | 'stems'
  | 'rings'
  | 'dots'

/** One component in a strip. */
export type Layer =
  | {
      readonly kind: 'series'
      /** Empty for what another layer's name speaks for. */
      readonly label: string
      readonly component: Component
      readonly mark: Mark
      readonly points: readonly Point[]
      /** Time codes from here on are drawn paler: they are forecast. */
      readonly paleFrom?: number
      /** Of the line, from 0 to 1; 1 when left out. */
      readonly opacity?: number
    }
  | {
      readonly kind: 'band'
      readonly label: string
      readonly lower: readonly Point[]
      readonly upper: readonly Point[]
    }

/** One chart of the stack. */
export interface Strip {
  readonly id: string
  readonly title: string
  readonly unit: string
  /** Share of the height of all strips. */
  readonly share: number
  readonly layers: readonly Layer[]
  /** Where bars and stems begin. */
  readonly baseline: number | null
  /** Said in place of the layers' names, where there are too many to name. */
  readonly legend?: string
  /** Whether figures are shown on the display scale of the series, or as factors. */
  readonly isFactor: boolean
}

/**
 * The strips of a stage.
 *
 * @param result the result on the Bench
 * @param unit unit of the display scale: `thousand litres`
 */
export function stripsOf(stage: Stage, result: Result, unit: string): Strip[] {
  const { columns, forecast, method } = result
  const { t } = columns
  const { model } = method.decompose
  const multiplicative = model === 'multiplicative'
  const across = (values: readonly Value[]): Point[] => values.map((y, i) => ({ x: t[i]!, y }))
  const ahead = (values: readonly Value[]): Point[] =>
    values.map((y, i) => ({ x: forecast.t[i]!, y }))
  const level = { unit, baseline: null, isFactor: false }
  const part = {
    unit: multiplicative ? 'factor of the baseline' : unit,
    baseline: baseline(model),
    isFactor: multiplicative,
  }

  const sales = [
    layer('sales', 'original', 'line-points', across(columns.value)),
    ...careLayers(result),
  ]
  const average: Layer = layer(
    method.decompose.by === 'ratio-to-moving-average' ? 'centred average' : 'trend-cycle',
    'trendCycle',
    'line-thick',
    across(columns.trendCycle),
  )
  const deseasonalized = layer(
    'deseasonalized',
    'deseasonalized',
    'line-thin',
    across(columns.deseasonalized),
  )
  const trend = layer('trend', 'deseasonalized', 'line-dashed', across(columns.trend))
  const projected: Layer[] = [
    ...[...method.forecast.levels].reverse().map((wanted, i): Layer => ({
      kind: 'band',
      label: i === 0 ? `${method.forecast.levels.join('%, ')}% limits` : '',
      lower: ahead(forecast.limits[wanted]!.lower),
      upper: ahead(forecast.limits[wanted]!.upper),
    })),
    layer('deseas. forecast', 'deseasonalized', 'line-dotted', ahead(forecast.deseasonalized)),
    layer('forecast', 'forecast', 'line-dashed', [
      { x: t.at(-1)!, y: columns.value.at(-1)! },
      ...ahead(forecast.forecast),
    ]),
  ]
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
    ],
  }
  const irregular: Strip = {
    id: 'irregular',
    title: 'Irregular',
    share: 1.6,
    ...part,
    unit: multiplicative ? 'factor; what is left' : unit,
    layers: [layer('irregular', 'irregular', 'stems', across(columns.irregular))],
  }
  const cycle: Strip = {
    id: 'cycle',
    title: 'Cycle',
    share: 1.6,
    ...part,
    unit: multiplicative ? 'factor of the trend' : unit,
    layers: [layer('average against trend', 'trendCycle', 'line-thick', across(columns.cycle))],
  }
  const main = (title: string, layers: readonly Layer[], share = 4): Strip => ({
    id: 'main',
    title,
    share,
    ...level,
    layers,
  })

  switch (stage) {
    case 'look':
      return [main('Sales', sales)]
    case 'smooth':
      return [main('Sales', [...sales, average])]
    case 'season':
      return [main('Sales', [...sales, average, ...projected]), season, irregular]
    case 'deseasonalize':
      return [main('Sales', [...sales, deseasonalized]), irregular]
    case 'trend': {
      const lines = main('Trend', [deseasonalized, trend, average])
      return columns.cycle.some((value) => value !== null) ? [lines, cycle] : [lines]
    }
    case 'project':
      return [main('Forecast', [...sales, trend, ...projected]), season]
    case 'check':
      return [
        main('Fitted', [
          ...sales,
          layer('fitted', 'forecast', 'line-dashed', across(columns.fitted)),
        ]),
        {
          id: 'residual',
          title: 'Residual',
          share: 2,
          ...level,
          baseline: 0,
          layers: [layer('sales − fitted', 'irregular', 'stems', across(columns.residual))],
        },
      ]
  }
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

/**
 * Lowest and highest figure of a strip over all its periods; null when it has none. What was replaced
 * does not count: one slip of a digit would flatten everything else.
 */
export function rangeOfStrip({
  layers,
  baseline: base,
}: Strip): { low: number; high: number } | null {
  const counted = layers.filter((layer) => layer.kind === 'band' || layer.mark !== 'dots')
  const figures = counted.flatMap((layer) =>
    (layer.kind === 'band' ? [...layer.lower, ...layer.upper] : layer.points).flatMap(({ y }) =>
      y === null ? [] : [y],
    ),
  )
  if (figures.length === 0) return null
  const all = base === null ? figures : [...figures, base]
  return {
    low: all.reduce((a, b) => Math.min(a, b)),
    high: all.reduce((a, b) => Math.max(a, b)),
  }
}

/** The one strip of a series that the method refuses. */
export function salesStrip(values: readonly Value[], unit: string): Strip {
  return {
    id: 'main',
    title: 'Sales',
    unit,
    share: 4,
    baseline: null,
    isFactor: false,
    layers: [
      layer(
        'sales',
        'original',
        'line-points',
        values.map((y, i) => ({ x: i + 1, y })),
      ),
    ],
  }
}

function layer(
  label: string,
  component: Component,
  mark: Mark,
  points: readonly Point[],
): Layer & { kind: 'series' } {
  return { kind: 'series', label, component, mark, points }
}
