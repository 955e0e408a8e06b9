import { fitDesign } from '../../regression/fitDesign'
import { mean } from '../../statistics/average'
import type { OfKind, Regression, RegressionFigure } from '../expression'
import type { Kind } from './kind'

/** A figure of a least-squares regression. */
export const regression: Kind<OfKind<'regression'>> = {
  parts: () => [],
  evaluate: ({ of, gives }) => figureOfRegression(of, gives),
  print: ({ of, gives }, { number }) =>
    number ? number(figureOfRegression(of, gives)) : nameOf(of, gives),
  cells: ({ of }) => ({ cells: [], regressions: [of] }),
  formula: ({ of, gives }, _formulaOf, at) => at.regression(gives, of),
}

function figureOfRegression({ y, ofLog, columns }: Regression, gives: RegressionFigure): number {
  const firstT = y[0]!.cell.t
  const values = Array<number | null>(y.at(-1)!.cell.t - firstT + 1).fill(null)
  for (const { cell, value } of y) values[cell.t - firstT] = ofLog ? Math.log(value) : value
  const fit = fitDesign(values, firstT, columns, 'regression')
  switch (gives.figure) {
    case 'coefficient':
      return fit.coefficients[gives.at]!
    case 'sse':
      return fit.sse
    case 'leverage':
      return fit.leverageAt(gives.t)
    case 'part':
      return fit.varianceOf([0, ...columns.map(({ at }, j) => (j < gives.from ? 0 : at(gives.t)))])
    case 'smearing':
      return mean(fit.residuals.map(Math.exp))!
  }
}

/** What is said in place of the arithmetic of a whole regression. */
function nameOf(of: Regression, gives: RegressionFigure): string {
  switch (gives.figure) {
    case 'coefficient':
      return gives.at === 0 ? 'constant' : `coefficient of ${of.columns[gives.at - 1]!.label}`
    case 'sse':
      return 'sum of squared residuals'
    case 'leverage':
      return `leverage at time code ${gives.t}`
    case 'part':
      return `variance of the effects at time code ${gives.t}`
    case 'smearing':
      return 'mean of exp(residual)'
  }
}
