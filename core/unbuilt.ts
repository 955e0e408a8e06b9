import { Refusal } from './refusal'
import type { MethodDocument } from './method'

const REGRESSION_KEYS = [
  'season',
  'base',
  'pairs',
  'model',
  'indicators',
  'steps',
  'backTransform',
] as const

/**
 * Refuses, by name, every part of the method document that this version cannot carry out, so that
 * no wish in a document is passed over in silence.
 *
 * @throws Refusal whose `where` is the path of the first such part
 */
export function refuseUnbuilt(document: MethodDocument): void {
  const { trend = {}, forecast = {}, check } = document
  if (trend.form !== undefined && trend.form !== 'linear') {
    notBuilt(`The trend form ${trend.form}`, 'trend.form')
  }
  if (trend.breaks && trend.breaks.length > 0) notBuilt('A trend with breaks', 'trend.breaks')
  if (forecast.by === 'regression') notBuilt('Forecast by regression', 'forecast.by')
  for (const key of REGRESSION_KEYS) {
    if (forecast[key] !== undefined) {
      throw new Refusal(
        `${key} belongs to a forecast by regression, and the forecast is by decomposition. Take it out.`,
        `forecast.${key}`,
      )
    }
  }
  if (check !== undefined) notBuilt('A holdout or rolling check', 'check')
}

function notBuilt(what: string, where: string): never {
  throw new Refusal(`${what} is not available in this version.`, where)
}
