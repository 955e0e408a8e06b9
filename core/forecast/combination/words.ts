import type { Piece } from '../../word'
import type { MemberMethod } from '../member'
import { COMBINED_BY, type CombinationOptions, type CombinedBy } from './options'

const MEANS: Readonly<Record<CombinedBy, string>> = {
  mean: 'Errors of different methods partly cancel out.',
  median: 'The same, and one method that goes astray does no harm; of two it is the mean.',
}

/** `, the mean of 3 methods` */
export function wordsOfCombination({ average, of }: CombinationOptions): Piece[] {
  return [
    ', the ',
    {
      id: 'average-of-methods',
      text: average,
      ask: {
        kind: 'pick',
        choices: COMBINED_BY.map((one) => ({
          text: one,
          means: MEANS[one],
          chosen: one === average,
          change: { forecast: { average: one } },
        })),
      },
    },
    ' of ',
    { id: 'members', text: `${of.length} methods`, ask: { kind: 'own' } },
  ]
}

/** `the mean of smoothing with a damped trend and repeating last year`; of more than two their number. */
export function labelOfCombination(
  { average, of }: CombinationOptions,
  { nameOf }: { nameOf(member: MemberMethod): string },
): string {
  if (of.length > 2) return `the ${average} of ${of.length} methods`
  const [first, second] = of.map(nameOf)
  return `the ${average} of (1) ${first} and (2) ${second}`
}
