import { mean, median, trimmedMean } from '../../statistics/average'
import { standardDeviation } from '../../statistics/spread'
import type { AverageHow, CellExpression, Expression, OfKind } from '../expression'
import { formulaFrom, NO_CELLS, type Kind } from './kind'
import { sumOverPeriods } from './sumOverPeriods'

/** Longer lists than this are shortened in the middle when they are printed. */
const LONGEST_LIST = 13

const AVERAGES: Record<
  AverageHow,
  {
    readonly of: (values: readonly number[]) => number
    /** @param all ranges of cells, which may be empty, or figures */
    readonly formula: (all: string) => string
  }
> = {
  mean: { of: (values) => mean(values)!, formula: (all) => `AVERAGE(${all})` },
  median: { of: (values) => median(values)!, formula: (all) => `MEDIAN(${all})` },
  // All but the lowest and the highest.
  'trimmed-mean': {
    of: (values) => trimmedMean(values)!,
    formula: (all) =>
      `IF(COUNT(${all})<3,AVERAGE(${all}),(SUM(${all})-MIN(${all})-MAX(${all}))/(COUNT(${all})-2))`,
  },
  'geometric-mean': {
    of: (values) => Math.exp(mean(values.map(Math.log))!),
    formula: (all) => `GEOMEAN(${all})`,
  },
  'standard-deviation': {
    of: (values) => standardDeviation(values)!,
    formula: (all) => `STDEV(${all})`,
  },
  'mean-square': {
    of: (values) => mean(values.map((value) => value * value))!,
    formula: (all) => `(SUMSQ(${all})/COUNT(${all}))`,
  },
  sum: {
    of: (values) => values.reduce((sum, value) => sum + value, 0),
    formula: (all) => `SUM(${all})`,
  },
  number: { of: (values) => values.length, formula: (all) => `COUNT(${all})` },
}

/** A list of terms that becomes one figure. */
export const average: Kind<OfKind<'average'>> = {
  parts: ({ terms }) => terms,
  evaluate: ({ how, terms }, valueOf) => AVERAGES[how].of(terms.map(valueOf)),
  print: ({ how, terms }, { print }) =>
    `${how.replace('-', ' ')} of (${shortened(terms.map((term) => print(term)))})`,
  cells: () => NO_CELLS,
  formula: ({ how, terms, leftOut }, formulaOf, at) => {
    if (terms.every(isCell)) {
      const all = [...terms, ...(leftOut ?? [])].map(({ cell }) => cell)
      const ranges = at.cells(all, leftOut !== undefined)
      return ranges && AVERAGES[how].formula(ranges.join())
    }
    // A formula takes 255 arguments at the most; a sum over ranges as many periods as there are.
    if (how === 'mean' && terms.length > MOST_ARGUMENTS) {
      const sum = sumOverPeriods(terms, formulaOf, at)
      return sum && `((${sum})/${terms.length})`
    }
    return formulaFrom(
      terms.map((term) => formulaOf(term)),
      (parts) => AVERAGES[how].formula(parts.join()),
    )
  },
}

const MOST_ARGUMENTS = 30

function isCell(term: Expression): term is CellExpression {
  return term.kind === 'cell'
}

function shortened(terms: readonly string[]): string {
  if (terms.length <= LONGEST_LIST) return terms.join(', ')
  return [...terms.slice(0, 5), `… ${terms.length - 10} more …`, ...terms.slice(-5)].join(', ')
}
