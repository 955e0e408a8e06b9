import type { Column } from '../column/column'
import { scenarioRow, STATISTICAL_FORECAST } from '../forecast/assumptions/columns'
import { memberName } from '../forecast/combination/columns'
import { forecastWayOf } from '../forecast/ways'
import { ledgerOf } from '../ledger/ledger'
import type { Result } from '../result'
import { membersOf } from './membersOf'
import { ghostLayers } from './pinnedLayers'
import { pointsOf } from './salesLayers'
import type { StripSources } from './sources'
import { comparisonOf, onOneScale, withSpans } from './spans'
import type { DisplayScale } from '../words/displayScale'
import { layer, type Layer, type Point, type Strip } from './strips'
import { listed } from '../words/listed'
import { namesTakenOut } from '../prepare/prepare'
import { seasonOut } from '../words/seasonOut'

/** What of the ledger a stage can draw; what the method does not have is an empty list. */
export function componentsOf(result: Result, { scale, ghost }: StripSources) {
  const ledger = ledgerOf(result)
  const { find } = ledger
  const { forecast, method } = result
  const without = namesTakenOut(result.takenOut?.found)
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
  /** The strips of the columns that declare such a one, in the order of the ledger. */
  const strips = (id: string, more: readonly Layer[] = [], usual: readonly Layer[] = []): Strip[] =>
    ledger.columns.flatMap((column): Strip[] => {
      const { strip, name, baseline, measure } = column
      if (strip?.id !== id) return []
      const { title, share, label, under } = strip
      return [
        {
          ...{ id: name, title, share, baseline, measure },
          unit: stripUnit(column, scale),
          layers: [
            ...drawn(name, label),
            ...(under ?? []).flatMap((other) => drawn(other, find(other)?.symbol)),
            // What a column says that it is laid over stands in place of what all of them are.
            ...(under ? [] : usual),
            ...more,
          ],
        },
      ]
    })
  /** The same as bars that run on into the forecast, paler. */
  const running = (name: string, label: string | undefined): Layer[] =>
    drawn(name, label, true).map((bars) => ({ ...bars, paleFrom: forecast.t[0]! }))
  const runningStrips = (id: string) =>
    strips(id).map((one) => ({ ...one, layers: running(one.id, one.layers[0]!.label) }))
  const pinned = ghostLayers(ghost, result)
  const ratios = drawn('seasonalIrregular')
  const { columns } = result
  return {
    pinned,
    trendCycle: drawn('trendCycle'),
    recomposed: drawn('recomposed').map((one) => ({ ...one, component: 'season' as const })),
    deseasonalized: drawn('deseasonalized'),
    /** What a way lays beside the deseasonalized values. */
    besideDeseasonalized: ledger.columns.flatMap(({ name, strip }) =>
      strip?.id === 'deseasonalized' ? drawn(name, strip.label) : [],
    ),
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
      forecastWayOf(method.forecast.by).fitsTrend
        ? `forecast without ${listed(['season', ...without])}`
        : without.length === 0
          ? 'deseas. forecast'
          : seasonOut(without).of('forecast'),
    ),
    /** What the methods of a combination say, each for itself. */
    members: membersOf(result).flatMap((_, i) =>
      aheadOnly(memberName(i), i === 0 ? 'each method' : ''),
    ),
    /** What other sets of assumptions say, each under its name. */
    scenarios: (result.scenarios ?? []).flatMap(({ name }) => drawn(scenarioRow(name), name)),
    /** What the statistics alone say, where the forecast is bent by hand. */
    statistical: drawn(STATISTICAL_FORECAST, 'statistical'),
    forecast: drawn('forecast').map((one) => ({
      ...one,
      points: [{ x: columns.t.at(-1)!, y: columns.value.at(-1)! }, ...one.points],
    })),
    season: strips('season', pinned.season, ratios).map((one) => ({
      ...one,
      layers: [...running(one.id, undefined), ...one.layers.slice(1)],
    })),
    seasonEffect: runningStrips('seasonEffect'),
    /** What the calendar does, and the values without it. */
    calendar: runningStrips('calendar'),
    withoutCalendar: drawn('withoutCalendar'),
    irregular: strips('irregular', pinned.irregular),
    /** States of a smoothing as they move. */
    states: strips('state'),
    smoothedLevel: drawn('smoothedLevel'),
    weights: strips('weight'),
    residual: strips('residual'),
    cycle: strips('cycle').map((one) => ({
      ...one,
      unit: one.measure === 'factor' ? 'factor of the trend' : one.unit,
    })),
  }
}

/** Strips of components with what each spans in words, on one scale where that is wanted. */
export function comparedStrips(
  strips: readonly Strip[],
  result: Result,
  sources: StripSources,
): Strip[] {
  const comparison = comparisonOf(result)
  const said = withSpans(strips, comparison, sources)
  return sources.oneScale ? onOneScale(said, comparison) : said
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
