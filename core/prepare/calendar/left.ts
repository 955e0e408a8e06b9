import { orNull } from '../../refusal'
import type { PreparationBasis } from '../preparation'
import { calendar } from './calendar'
import { USUAL_EASTER, type CalendarDocument } from './options'
import { isBeyondChance, readEffects, type EffectRead } from './reading'
import type { CalendarTaken, GroupReport } from './taken'
import { hasCalendarEffects } from './words'

/** An effect of the calendar that is still in the values. */
export interface EffectLeft {
  /** How a method calls it. */
  readonly key: 'tradingDay' | 'length' | 'easter'
  /** What a method takes it out by. */
  readonly takenOutBy: CalendarDocument
  readonly joint: GroupReport['joint']
  /** Part of what season and trend leave that it explains, from 0 to 1. */
  readonly share: number
  /** What of it can be told from nothing best: one day of the week, or the days before Easter. */
  readonly foremost: Omit<EffectRead, 'weights'>
}

/** What is looked for: the name of its columns, and what of a method takes it out. */
const SOUGHT: readonly {
  readonly key: EffectLeft['key']
  readonly group: string
  readonly takenOutBy: CalendarDocument
  /** How the readings of its effects begin. */
  readonly reads: RegExp
}[] = [
  {
    ...{ key: 'tradingDay', group: 'tradingDay' },
    takenOutBy: { tradingDay: 'six' },
    reads: /^one .*day more$/,
  },
  {
    ...{ key: 'length', group: 'leapYear' },
    takenOutBy: { length: 'leap-year' },
    reads: /^29 February$/,
  },
  {
    key: 'easter',
    group: `easter${USUAL_EASTER}`,
    takenOutBy: { easter: USUAL_EASTER },
    reads: /before Easter$/,
  },
]
const MONTHS = 12

/**
 * Effects of the calendar that the values follow, as they are: before anything of it was taken out, or still after that.
 *
 * They are looked for by the regression that would take them out, so that taken out they are found no more; and again
 * without outliers, of which a single one before an Easter looks like an effect.
 *
 * @param basis with the values as the preparations have left them
 * @param outliers their time codes
 * @returns none for a series without days, and for one that is too short for an effect
 */
export function calendarLeft(
  basis: PreparationBasis,
  outliers: ReadonlySet<number>,
): readonly EffectLeft[] {
  if (!hasCalendarEffects(basis.series)) return []
  const all = estimated(basis)
  const ordinary =
    all && outliers.size > 0
      ? estimated({ ...basis, leftOut: new Set([...basis.leftOut, ...outliers]) })
      : all
  if (!all || !ordinary) return []
  return SOUGHT.flatMap(({ key, group, takenOutBy, reads }) => {
    const found = groupFound(all, group)
    const foremost = foremostOf(readEffects(all).filter(({ name }) => reads.test(name)))
    if (!found || !groupFound(ordinary, group) || !foremost) return []
    const { name, estimate, standardError } = foremost
    const told = { name, estimate, standardError }
    return [{ key, takenOutBy, joint: found.joint, share: found.share, foremost: told }]
  })
}

/** The test of one effect of the calendar. */
export type EffectTested = Pick<GroupReport, 'name' | 'says' | 'joint'>

/** Every effect that is looked for, tested beside the others, found or not; none of a series without days, or one that is too short. */
export function testedEffects(basis: PreparationBasis): readonly EffectTested[] {
  if (!hasCalendarEffects(basis.series)) return []
  const { groups = [] } = estimated(basis) ?? {}
  return groups.map(({ name, says, joint }) => ({ name, says, joint }))
}

/** Everything that is looked for, estimated beside each other; null where it cannot be. */
function estimated(basis: PreparationBasis): CalendarTaken | null {
  return orNull(() =>
    calendar.estimate(basis, {
      ...{ tradingDay: 'six', easter: USUAL_EASTER },
      // Quarters have one leap day in sixteen of them: any bend of the level there looks like it.
      ...(basis.series.calendar.seasons === MONTHS ? { length: 'leap-year' } : {}),
      // What the series is too short for is then left out.
      ifItHelps: [
        ...['tradingDay', 'easter'],
        ...(basis.series.calendar.seasons === MONTHS ? ['length'] : []),
      ],
    }),
  )
}

function groupFound({ groups }: CalendarTaken, name: string): GroupReport | null {
  const group = groups.find((one) => one.name === name)
  return group && isBeyondChance(group) ? group : null
}

/** The effect that lies furthest from nothing, by its standard error. */
function foremostOf(effects: readonly EffectRead[]): EffectRead | null {
  const size = ({ estimate, standardError }: EffectRead) => Math.abs(estimate) / standardError
  return effects.reduce<EffectRead | null>(
    (most, one) => (most === null || size(one) > size(most) ? one : most),
    null,
  )
}
