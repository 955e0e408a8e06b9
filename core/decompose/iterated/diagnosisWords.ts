import { countPeriods } from '../../calendar/labels'
import type { Calendar } from '../../calendar/calendar'
import type { Model } from '../../model'
import { figure, percent, probability } from '../../words/figure'
import type { Diagnosis } from './diagnosis'
import { isLeft, LATELY_YEARS, type LeftAfter } from './left'
import type { CombinedTest } from './tests'

/** Whether there is a season that can be taken out, by all tests together. */
export function verdictWords(combined: CombinedTest | null): string {
  switch (combined?.verdict) {
    case undefined:
      return 'Whether a season can be identified cannot be told: nothing varies beside it.'
    case 'present':
      return 'A season is there that can be identified.'
    case 'probably not present':
      return 'By the combined test, which is stricter than that of a stable season alone, it is doubtful whether a season can be identified.'
    case 'not present':
      return 'By the combined test, which is stricter than that of a stable season alone, no season can be identified.'
  }
}

/** `√((7 ÷ 45.2 + 3 × 1.2 ÷ 45.2) ÷ 2) = 0.34` */
export function combinedWorking({ tests: { stable, moving, combined } }: Diagnosis): string | null {
  if (!combined || stable.f === null || moving.f === null) return null
  const f = figure(stable.f)
  return `√((7 ÷ ${f} + 3 × ${figure(moving.f)} ÷ ${f}) ÷ 2) = ${figure(combined.t)}`
}

/** From which span on the trend leads. */
export function dominanceWords(
  { dominance, shares }: Diagnosis,
  calendar: Calendar,
  model: Model,
): string {
  if (dominance === null) {
    return 'Over no span within a year does the trend move more than the irregular.'
  }
  const { meanChange } = shares[dominance - 1]!
  const of = (change: number) => (model === 'multiplicative' ? percent(change) : figure(change))
  return `From ${countPeriods(dominance, calendar)} on the trend moves more than the irregular: there by ${of(meanChange.trendCycle)} on average, and the irregular by ${of(meanChange.irregular)}.`
}

/** What is left of the season in the adjusted values. */
export function seasonLeftWords({ whole, lately }: LeftAfter): string {
  const found = isLeft(whole) || isLeft(lately)
  const of = (test: typeof whole) =>
    test.f === null || test.p === null
      ? 'cannot be told'
      : `F(${test.df.join(', ')}) = ${figure(test.f)}, p ${probability(test.p)}`
  const said = [`over all years ${of(whole)}`]
  if (lately) said.push(`in the last ${LATELY_YEARS} years ${of(lately)}`)
  return `${found ? 'A season is left in the adjusted values' : 'No season is left in the adjusted values'}: ${said.join('; ')}.`
}
