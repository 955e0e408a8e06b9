import type { Result } from '../../core/result'
import type { Progress, Steps } from '../../core/work/steps'
import { checkSheet } from './checkSheet'
import { forecastSheet } from './forecastSheet'
import { ledgerSheet } from './ledgerSheet'
import { parametersSheet } from './parametersSheet'
import { Places } from './places'
import { readMeSheet, type Told } from './readMeSheet'
import { seasonsSheet } from './seasonsSheet'
import type { Sheet } from './sheet'
import { trendSheet } from './trendSheet'

export type { Told } from './readMeSheet'

/**
 * The workbook of a result, from original value to forecast: every figure that has an arithmetic stands as a formula, written
 * from the same arithmetic that the working of its cell shows.
 *
 * The ledger, the forecast and the check are written first: what their formulas ask for has its place by then, on the sheets of
 * the seasons, the trend and the parameters.
 *
 * @param told the method in words, version and date
 */
export function* workbookSteps(result: Result, told: Told): Steps<Sheet[]> {
  const places = new Places(result)
  const ledger: Sheet = yield* ledgerSheet(places) as Generator<Progress, Sheet, void>
  const forecast = forecastSheet(places)
  const check = checkSheet(places)
  const parameters = parametersSheet(places)
  return [
    readMeSheet(result, told),
    ledger,
    seasonsSheet(places),
    trendSheet(places),
    forecast,
    parameters,
    check,
  ]
}
