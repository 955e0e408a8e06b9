import { median } from '../../core/statistics/average'
import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'

/** A thirteenth period that holds less than this share of the others is one of corrections, and no four weeks of sales. */
const LIKE_OTHERS = 0.5

/**
 * Asks what the thirteenth period of a year is: one of thirteen of four weeks each, which is taken where it holds as much as the
 * others, or one in which a year is closed.
 *
 * @param series with fiscal periods, one of them the thirteenth
 * @returns whether it is a season of its own; else it is left out
 * @throws Waiting for an answer
 */
export function isSeasonOfItsOwn(series: readonly ValuedSeries[], inquiry: Inquiry): boolean {
  const sizes = (isLast: boolean) =>
    series.flatMap(({ entries }) =>
      entries.flatMap(({ at: { period }, value }) =>
        period.kind === 'fiscal' && (period.period === 13) === isLast && value !== null
          ? [Math.abs(value)]
          : [],
      ),
    )
  const [last, others] = [sizes(true), sizes(false)]
  const isLike = (median(last) ?? 0) >= LIKE_OTHERS * (median(others) ?? Infinity)
  const answer = inquiry.ask({
    id: 'thirteenth',
    ask: 'Years have a thirteenth period. What is it?',
    options: [
      {
        value: 'season',
        consequence: 'One of thirteen of four weeks each: a year has 13 seasons.',
      },
      {
        value: 'leave-out',
        consequence:
          'What is booked when a year is closed: it is left out, and twelve months are read.',
      },
    ],
    ...(isLike ? { otherwise: 'season' } : {}),
  })
  if (answer === 'leave-out') {
    inquiry.note(
      'thirteenth',
      `The thirteenth period of each year was left out, ${last.length} values.`,
    )
  }
  return answer === 'season'
}
