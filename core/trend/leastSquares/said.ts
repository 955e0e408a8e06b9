import { r2Change, r2Words } from '../../regression/r2Words'
import { displayScale, withUnit } from '../../words/displayScale'
import type { ReadersFigures } from '../../words/readersFigures'
import type { TrendSaid, TrendTold } from '../said'
import { FITTED_FORMS } from './forms'
import type { FittedTrendReport } from './report'

/** The equation and how much of the variation it explains; `+212.6 litres a month; R² 0.18 → 0.90`, of a curve its name. */
export function saidOfFitted(
  { equation, form, r2, r2Before, rates }: FittedTrendReport,
  { hasSeason, unit, per }: TrendTold,
  says: ReadersFigures,
): TrendSaid {
  const { words, ofLog } = FITTED_FORMS[form]
  const fits = r2Words(r2, says)
  const both = hasSeason ? r2Change(r2Before, r2, says) : fits
  return {
    notes: [`${says.inText(equation)}; ${fits}`, `${words}; ${fits}`, fits],
    line: rates
      ? `${rateWords(rates.perPeriod, ofLog, unit, says)} a ${per}; ${both}`
      : `${words}; ${both}`,
  }
}

function rateWords(rate: number, ofLog: boolean, unit: string, says: ReadersFigures): string {
  const scale = displayScale([rate], unit)
  const size = ofLog
    ? `${says.decimals(Math.abs(rate) * 100, 2)}%`
    : withUnit(says.rough(Math.abs(rate) / scale.divisor), scale)
  return `${rate < 0 ? '−' : '+'}${size}`
}
