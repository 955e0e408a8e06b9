import { displayScale, withUnit } from '~/figures/displayScale'
import { capitalized } from '~~/core/series/noun'
import { formatChange, formatSigned } from '~/figures/format'
import { furthestFromTrend } from '~~/core/beside/furthest'
import type { Mark } from '~~/core/column/column'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { mean } from '~~/core/statistics/average'
import { componentsOf } from '../../view/strips/components'
import { mainStrip, pointsOf, salesLayers } from '../../view/strips/salesLayers'
import type { StripSources } from '../../view/strips/sources'
import { layer, type Strip } from '../../view/strips/strips'
import type { ResultStage } from '../stage'

/** Marks of the second rate in the same picture. */
const SECOND: Readonly<Partial<Record<Mark, Mark>>> = {
  'line-thin': 'line-dashed',
  'line-thick': 'line-dotted',
}

/** The series without its season: which periods were really good or bad, and how it grew. */
export const deseasonalize: ResultStage = {
  needs: 'result',
  label: 'Deseasonalize',
  focus: ['deseasonalized', 'value'],
  barHeight: 34,
  beside: ({ growthRates, growthOf }) =>
    growthRates.flatMap((rate) => growthOf.map((on) => ({ kind: 'growth' as const, rate, on }))),
  strips: (result, sources) => {
    const parts = componentsOf(result, sources)
    return [
      mainStrip(capitalized(sources.noun), sources, [
        ...parts.pinned.deseasonalized,
        ...salesLayers(result, sources),
        ...parts.deseasonalized,
        ...parts.smoothedLevel,
        ...parts.trend,
      ]),
      growthStrip(result, sources),
    ]
  },
  line: furthestLine,
}

/**
 * Growth on one scale, every line ending at the same last period; the means beside the names are over the
 * periods that all lines have, since each rate loses other periods at the start.
 */
function growthStrip(result: Result, { inspected, noun }: StripSources): Strip {
  const growths = inspected.flatMap(({ beside, column }) =>
    column && beside.kind === 'growth' ? [{ beside, column, values: column.actual! }] : [],
  )
  const rates = [...new Set(growths.map(({ beside }) => beside.rate))]
  const shared = sharedPlaces(growths.map(({ values }) => values))
  const isOne = rates.length === 1
  return {
    id: 'growth',
    title: 'Growth',
    share: isOne ? 2.4 : 3.2,
    unit: isOne ? `%, ${growths[0]?.column.means ?? ''}` : '%',
    baseline: 0,
    measure: 'percent',
    spans: isOne ? undefined : `means over the ${shared.length} periods that all have`,
    layers: growths.map(({ beside, column, values }) => {
      const average = mean(shared.map((place) => values[place]!))
      const of = beside.on === 'value' ? noun : 'deseas.'
      const name = isOne ? of : `${of} ${column.means}`
      const mark = beside.rate === rates[0] ? column.mark : (SECOND[column.mark] ?? column.mark)
      return layer(
        average === null ? name : `${name}, mean ${formatChange(average)}`,
        column.component,
        mark,
        pointsOf(result, values),
      )
    }),
  }
}

/** The places at which every list has a figure. */
function sharedPlaces(lists: readonly (readonly Value[])[]): number[] {
  const [first = []] = lists
  return first.flatMap((_, place) => (lists.every((list) => list[place] !== null) ? [place] : []))
}

/** The period that stands furthest from the trend once the season is out. */
function furthestLine(result: Result): string {
  const { over, under } = furthestFromTrend(result, 1)
  const [most] = [...over, ...under].sort((a, b) => Math.abs(b.distance) - Math.abs(a.distance))
  if (!most) return 'no trend to stand against'
  const scale = displayScale(result.columns.value, result.series.unit)
  const size =
    result.method.decompose.model === 'multiplicative'
      ? formatChange(most.distance * 100)
      : withUnit(formatSigned(most.distance / scale.divisor, scale.decimals), scale)
  return `furthest off: ${most.label}, ${size}`
}
