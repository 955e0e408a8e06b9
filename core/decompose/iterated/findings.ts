import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import type { Decomposed } from '../parts'
import { figure, probability } from '../../words/figure'
import type { IteratedTaken } from './calculate'
import { adjustedOf } from './diagnosis'
import { isLeft, LATELY_YEARS, seasonLeft } from './left'
import { CHOSEN, type IteratedOptions } from './options'
import type { SeasonalFilterName } from './seasonalFilters'
import { filterName } from './words'

/** More periods than this are counted, not named. */
const MOST_NAMED = 6

/** What iterated averages found out: the filters that were chosen and why, the extremes that were taken back, and a season that it does not follow. */
export function findingsOfIterated(
  stretch: Stretch,
  options: IteratedOptions,
  { taken }: Decomposed<IteratedTaken>,
): Finding[] {
  return [...chosen(options, taken), ...takenBack(stretch, taken), ...leftLately(options, taken)]
}

/** A season that the last years have otherwise than the filter says, although over all years nothing is left of it. */
function leftLately({ model }: IteratedOptions, taken: IteratedTaken): Finding[] {
  const { whole, lately } = seasonLeft(adjustedOf(taken, model))
  if (!isLeft(lately)) return []
  const used = taken.used['round3.2']
  const shorter = SHORTER[used]
  const where = isLeft(whole)
    ? 'The adjusted values still hold a season'
    : `In the last ${LATELY_YEARS} years the adjusted values still hold a season`
  return [
    {
      ...{ code: 'season-left-lately', severity: 'caution', stage: 'season', period: null },
      text: `${where} (changes from one to the next, F(${lately.df.join(', ')}) = ${figure(lately.f)}, p ${probability(lately.p)}): it moved faster than a filter ${used === 'stable' ? 'of all years alike' : filterName(used)} follows.`,
      figure: lately.p,
      ...(shorter
        ? {
            actions: [
              {
                label: `Take a season filter ${filterName(shorter)}`,
                change: { decompose: { seasonalFilter: shorter } },
              },
            ],
          }
        : {}),
    },
  ]
}

/** The filter that follows a season faster, where there is one. */
const SHORTER: Readonly<Partial<Record<SeasonalFilterName, SeasonalFilterName>>> = {
  stable: '3x3',
  '3x15': '3x3',
  '3x9': '3x3',
  '3x5': '3x3',
  '3x3': '3x1',
}

function chosen(
  { seasonalFilter, trendFilter }: IteratedOptions,
  { used, ic, filterChoice }: IteratedTaken,
): Finding[] {
  const ratio = filterChoice.tries.at(-1)?.ratio ?? null
  const season =
    seasonalFilter !== CHOSEN
      ? []
      : [
          `the season by ${filterName(used['round3.2'])}${ratio === null ? '' : `, since chance moves a season ${times(ratio)} times as far from year to year as it moves itself`}`,
        ]
  const trend =
    trendFilter !== CHOSEN
      ? []
      : [
          `the trend by ${ic.final.length} terms${ic.final.ratio === null ? '' : `, since chance moves the series ${times(ic.final.ratio)} times as far from period to period as the trend`}`,
        ]
  const said = [...season, ...trend]
  if (said.length === 0) return []
  return [
    {
      ...{ code: 'filters-chosen', severity: 'note', stage: 'season', period: null },
      text: `Chosen: ${said.join('; ')}.`,
      figure: ic.final.length,
    },
  ]
}

function takenBack(stretch: Stretch, { rounds }: IteratedTaken): Finding[] {
  const { weight } = rounds.round2
  const none = stretch.values.flatMap((_value, i) => (weight[i] === 0 ? [i] : []))
  if (none.length === 0) return []
  const named = none.slice(0, MOST_NAMED).map((i) => stretch.periodOf(i).label)
  const more = none.length - named.length
  return [
    {
      ...{ code: 'extremes', severity: 'note', stage: 'season' },
      text: `Extremes taken back before trend and season were made: ${named.join(', ')}${more > 0 ? ` and ${more} more` : ''}. They stand in the irregular.`,
      period: stretch.periodOf(none[0]!).code,
      figure: none.length,
    },
  ]
}

/** A ratio in a sentence, to one decimal. */
function times(ratio: number): string {
  return figure(Number(ratio.toFixed(1)))
}
