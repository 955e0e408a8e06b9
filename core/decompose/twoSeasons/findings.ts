import { dateOf } from '../../calendar/civil'
import { MONTHS } from '../../calendar/rhythms/monthNames'
import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { mean } from '../../statistics/average'
import { figure, probability } from '../../words/figure'
import { readIndex } from '../../words/reading'
import type { Decomposed } from '../parts'
import type { SeasonOfTwo, TwoSeasonsTaken } from './calculate'
import { stretchByCycle } from './cycle'
import { cycleName } from './names'
import type { TwoSeasonsOptions } from './options'

/** Each of the two seasons: where it is highest and lowest, how strong it is, or that it is not there. */
export function findingsOfTwoSeasons(
  stretch: Stretch,
  { model, seasons }: TwoSeasonsOptions,
  { taken }: Decomposed<TwoSeasonsTaken>,
): Finding[] {
  const told = taken.seasons.map((season, k): Finding => {
    const name = cycleName(stretch.calendar, season.seasons)
    const about = { period: null, stage: 'season', severity: 'note' } as const
    if (season.found === null) {
      return {
        ...about,
        ...{ code: 'longer-season', figure: null },
        text: `The ${name} has come round too seldom to tell its season from a level that wanders.`,
      }
    }
    if (!season.found) {
      const tested = season.p === null ? '' : ` (p ${probability(season.p)})`
      return {
        ...about,
        ...{ code: k === 0 ? 'shorter-season' : 'longer-season', figure: season.p },
        severity: 'caution',
        text: `No season of the ${name} can be told from chance beside the other${tested}.`,
      }
    }
    const groups = groupsOf(stretch, season)
    const [highest, lowest] = [
      groups.reduce((most, one) => (one.index > most.index ? one : most)),
      groups.reduce((least, one) => (one.index < least.index ? one : least)),
    ]
    const read = (index: number) => readIndex(index, model, '')
    const strength = season.strength === null ? '' : ` (strength ${figure(season.strength)})`
    return {
      ...about,
      ...{ code: k === 0 ? 'shorter-season' : 'longer-season', figure: season.strength },
      text: `Over the ${name}: every ${highest.name} ${read(highest.index)}, every ${lowest.name} ${read(lowest.index)}${strength}.`,
    }
  })
  if (seasons[1] % seasons[0] !== 0) return told
  const [shorter, longer] = seasons.map((m) => cycleName(stretch.calendar, m))
  return [
    ...told,
    {
      ...{ code: 'seasons-share', severity: 'note', stage: 'season', period: null, figure: null },
      text: `The ${longer} holds whole cycles of the ${shorter}: what both could take, the ${shorter} has.`,
    },
  ]
}

/** The seasons of a cycle; of a year of days its months, as a day of the year tells nobody much. */
function groupsOf(
  stretch: Stretch,
  { seasons, index }: SeasonOfTwo,
): { name: string; index: number }[] {
  const byCycle = stretchByCycle(stretch, seasons)
  if (stretch.calendar.frequency !== 'daily' || cycleName(stretch.calendar, seasons) !== 'year') {
    const { seasonName } = byCycle
    return index.map((one, k) => ({ name: seasonName(k + 1), index: one }))
  }
  const { axis, firstT } = stretch
  const month = index.map((_, k) => {
    const t = firstT + byCycle.seasonOf.indexOf(k + 1)
    return dateOf(axis.firstDay(t)!).month - 1
  })
  return MONTHS.map((name, k) => ({
    name,
    index: mean(index.filter((_, i) => month[i] === k))!,
  }))
}
