import { mean, median, trimmedMean } from '../../statistics/average'
import { standardDeviation } from '../../statistics/spread'
import type { AverageHow, OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'

/** Longer lists than this are shortened in the middle when they are printed. */
const LONGEST_LIST = 13

const AVERAGES: Record<
  AverageHow,
  {
    readonly of: (values: readonly number[]) => number
    readonly formula: (terms: readonly string[]) => string
  }
> = {
  mean: { of: (values) => mean(values)!, formula: (terms) => `AVERAGE(${terms.join()})` },
  median: { of: (values) => median(values)!, formula: (terms) => `MEDIAN(${terms.join()})` },
  // All but the lowest and the highest.
  'trimmed-mean': {
    of: (values) => trimmedMean(values)!,
    formula: (terms) => {
      const all = terms.join()
      if (terms.length < 3) return `AVERAGE(${all})`
      return `((SUM(${all})-MIN(${all})-MAX(${all}))/${terms.length - 2})`
    },
  },
  'geometric-mean': {
    of: (values) => Math.exp(mean(values.map(Math.log))!),
    formula: (terms) => `GEOMEAN(${terms.join()})`,
  },
  'standard-deviation': {
    of: (values) => standardDeviation(values)!,
    formula: (terms) => `STDEV(${terms.join()})`,
  },
}

/** A list of terms that becomes one figure. */
export const average: Kind<OfKind<'average'>> = {
  parts: ({ terms }) => terms,
  evaluate: ({ how, terms }, valueOf) => AVERAGES[how].of(terms.map(valueOf)),
  print: ({ how, terms }, { print }) =>
    `${how.replace('-', ' ')} of (${shortened(terms.map((term) => print(term)))})`,
  cells: () => NO_CELLS,
  formula: ({ how, terms }, formulaOf) =>
    formulaFrom(terms.map(formulaOf), (parts) => AVERAGES[how].formula(parts)),
}

function shortened(terms: readonly string[]): string {
  if (terms.length <= LONGEST_LIST) return terms.join(', ')
  return [...terms.slice(0, 5), `… ${terms.length - 10} more …`, ...terms.slice(-5)].join(', ')
}
