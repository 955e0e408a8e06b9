import { displayScale, withUnit } from '~/figures/displayScale'
import { formatDecimals, formatRough, inReadersFigures } from '~/figures/format'
import { calendarOf } from '~~/core/calendar/calendar'
import { onePeriod } from '~~/core/calendar/labels'
import { traitsOf } from '~~/core/decompose/ways'
import type { Result } from '~~/core/result'
import { TREND_FORMS } from '~~/core/trend/forms'
import { fittedReport } from '~~/core/trend/report'
import { r2Change, r2Words } from '../../figures/r2Words'
import type { TrendWords } from '../way'

/** The equation and how much of the variation it explains; `+212.6 litres a month; R² 0.18 → 0.90`, of a curve its name. */
export const leastSquares: TrendWords = {
  notes({ trendFit }) {
    const { equation, form, r2 } = fittedReport(trendFit)
    const fits = r2Words(r2)
    return [`${inReadersFigures(equation)}; ${fits}`, `${TREND_FORMS[form].words}; ${fits}`, fits]
  },
  line({ trendFit, series, method }: Result) {
    const { r2, r2Before, rates, form } = fittedReport(trendFit)
    const fits = traitsOf(method.decompose).hasSeason ? r2Change(r2Before, r2) : r2Words(r2)
    if (!rates) return `${TREND_FORMS[form].words}; ${fits}`
    const per = onePeriod(calendarOf(series.frequency, series))
    const { perPeriod } = rates
    const scale = displayScale([perPeriod], series.unit)
    const size = TREND_FORMS[form].ofLog
      ? `${formatDecimals(Math.abs(perPeriod) * 100, 2)}%`
      : withUnit(formatRough(Math.abs(perPeriod) / scale.divisor), scale)
    return `${perPeriod < 0 ? '−' : '+'}${size} a ${per}; ${fits}`
  },
}
