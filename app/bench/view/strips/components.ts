import type { DisplayScale } from '~/figures/displayScale'
import type { Column } from '~~/core/column/column'
import { memberName } from '~~/core/forecast/combination/columns'
import { ledgerOf } from '~~/core/ledger/ledger'
import type { Result } from '~~/core/result'
import { ghostLayers } from './pinnedLayers'
import { pointsOf } from './salesLayers'
import type { StripSources } from './sources'
import { comparisonOf, onOneScale, withSpans } from './spans'
import { layer, type Layer, type Point, type Strip } from './strips'

/** What of the ledger a stage can draw; what the method does not have is an empty list. */
export function componentsOf(result: Result, { scale, ghost }: StripSources) {
  const { find } = ledgerOf(result)
  const { forecast, method } = result
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
  const aheadOnly = (name: string, label: string) => {
    const column = find(name)
    return column ? [layer(label, column.component, column.mark, aheadOf(result, column))] : []
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
        unit: stripUnit(column, scale),
        baseline: column.baseline,
        measure: column.measure,
        layers: [...drawn(name, label), ...more],
      },
    ]
  }
  const pinned = ghostLayers(ghost, result)
  const ratios = drawn('seasonalIrregular')
  const indices = drawn('index', undefined, true)
  const { columns } = result
  return {
    strip,
    pinned,
    trendCycle: drawn('trendCycle'),
    recomposed: drawn('recomposed').map((one) => ({ ...one, component: 'season' as const })),
    deseasonalized: drawn('deseasonalized'),
    trend: drawn('trend'),
    fitted: drawn('fitted'),
    limits: [...method.forecast.levels].reverse().map((wanted, i): Layer => ({
      kind: 'band',
      label: i === 0 ? `${method.forecast.levels.join('%, ')}% limits` : '',
      lower: aheadOf(result, find(`lower:${wanted}`)!),
      upper: aheadOf(result, find(`upper:${wanted}`)!),
    })),
    forecastDeseasonalized: drawn(
      'forecastDeseasonalized',
      result.regression ? 'forecast without season' : 'deseas. forecast',
    ),
    /** What the methods of a combination say, each for itself. */
    members: ('members' in forecast ? forecast.members : []).flatMap((_, i) =>
      aheadOnly(memberName(i), i === 0 ? 'each method' : ''),
    ),
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
    seasonEffect: strip('seasonEffect', 'Season, regression', 2, ['']).map((one) => ({
      ...one,
      layers: drawn('seasonEffect', 'against the average season', true).map((bars) => ({
        ...bars,
        paleFrom: forecast.t[0]!,
      })),
    })),
    irregular: strip('irregular', 'Irregular', 1.6, ['irregular'], pinned.irregular),
    /** States of a smoothing as they move. */
    states: [
      ...strip(
        find('scaledLevel') ? 'scaledLevel' : 'smoothedLevel',
        'Level',
        2,
        [find('scaledLevel') ? 'level' : 'smoothed'],
        drawn('transformed', 'transformed'),
      ),
      ...strip('trendSlope', 'Slope', 1.4, ['of the trend']),
      ...strip('slope', 'Slope', 1.4, ['smoothed']),
      ...strip('seasonState', 'Season', 1.6, ['smoothed']),
    ],
    smoothedLevel: drawn('smoothedLevel'),
    weights: strip('weight', 'Weight', 1, ['weight']),
    cycle: strip('cycle', 'Cycle', 1.6, ['average against trend']).map((one) => ({
      ...one,
      unit: one.measure === 'factor' ? 'factor of the trend' : one.unit,
    })),
  }
}

/** Strips of components with what each spans in words, on one scale where that is wanted. */
export function comparedStrips(
  strips: readonly Strip[],
  result: Result,
  { scale, oneScale, noun }: StripSources,
): Strip[] {
  const comparison = comparisonOf(result)
  const said = withSpans(strips, comparison, scale, noun)
  return oneScale ? onOneScale(said, comparison) : said
}

/** What the figures of a strip are counted in. */
export function stripUnit({ measure, unit }: Column, scale: DisplayScale): string {
  if (measure === 'factor') return 'factor'
  if (measure === 'number') return unit
  return measure === 'share' ? unit.replace('from ', '') : scale.unit
}

function aheadOf({ forecast }: Result, { ahead }: Column): Point[] {
  return (ahead ?? []).map((y, i) => ({ x: forecast.t[i]!, y }))
}
