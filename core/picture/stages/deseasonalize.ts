import type { Mark } from '../../column/column'
import type { Result } from '../../result'
import type { Value } from '../../series/series'
import { capitalized } from '../../series/noun'
import { mean } from '../../statistics/average'
import { componentsOf } from '../components'
import { mainStrip, pointsOf, salesLayers } from '../salesLayers'
import type { StripSources } from '../sources'
import { layer, type Strip } from '../strips'
import { namesTakenOut } from '../../prepare/prepare'
import { seasonOut } from '../../words/seasonOut'

/** Marks of the second rate in the same picture. */
const SECOND: Readonly<Partial<Record<Mark, Mark>>> = {
  'line-thin': 'line-dashed',
  'line-thick': 'line-dotted',
}

/** The series without its season: which periods were really good or bad, and how it grew. */
export function deseasonalizeStrips(result: Result, sources: StripSources): Strip[] {
  const parts = componentsOf(result, sources)
  return [
    mainStrip(capitalized(sources.noun), sources, [
      ...parts.pinned.deseasonalized,
      ...salesLayers(result, sources),
      ...parts.deseasonalized,
      ...parts.besideDeseasonalized,
      ...parts.smoothedLevel,
      ...parts.trend,
    ]),
    ...partsStrip(result, sources),
    growthStrip(result, sources),
  ]
}

/** What lies between an adjusted whole and its adjusted parts, where they are laid beside. */
function partsStrip(result: Result, { inspected, scale }: StripSources): Strip[] {
  return inspected.flatMap(({ beside, column }): Strip[] =>
    column && beside.kind === 'parts-difference'
      ? [
          {
            ...{ id: 'parts', title: 'Whole less parts', share: 1.4, unit: scale.unit },
            ...{ baseline: 0, measure: 'difference' },
            layers: [
              layer(
                'whole less parts',
                column.component,
                column.mark,
                pointsOf(result, column.actual!),
              ),
            ],
          },
        ]
      : [],
  )
}

/**
 * Growth on one scale, every line ending at the same last period; the means beside the names are over the
 * periods that all lines have, since each rate loses other periods at the start.
 */
function growthStrip(result: Result, { inspected, noun, says }: StripSources): Strip {
  const growths = inspected.flatMap(({ beside, column }) =>
    column && beside.kind === 'growth' ? [{ beside, column, values: column.actual! }] : [],
  )
  const rates = [...new Set(growths.map(({ beside }) => beside.rate))]
  const shared = sharedPlaces(growths.map(({ values }) => values))
  const isOne = rates.length === 1
  const without = namesTakenOut(result.takenOut?.found)
  const withoutBoth = seasonOut(without).brief
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
      const of = beside.on === 'value' ? noun : withoutBoth
      const name = isOne ? of : `${of} ${column.means}`
      const mark = beside.rate === rates[0] ? column.mark : (SECOND[column.mark] ?? column.mark)
      return layer(
        average === null ? name : `${name}, mean ${says.change(average)}`,
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
