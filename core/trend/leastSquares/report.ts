import {
  regressionFigures,
  termsOf,
  type RegressionFigures,
  type Term,
} from '../../regression/report'
import { DAYS_A_YEAR, type TimeKind } from '../../regression/timeVariable'
import type { Value } from '../../series/series'
import { orNull } from '../../refusal'
import type { TrendReported } from '../reported'
import { equation } from './equation'
import { fitTrend, type FittedTrend } from './fit'
import { FITTED_FORMS, type FittedFormName } from './forms'
import { fittedTo, type FittedTrendOptions } from './options'

/** How fast a straight trend moves: amounts in units of the series, or of an exponential one shares (0.01 is 1%). */
export interface Rates {
  readonly perDay: number
  /** A period of the axis. */
  readonly perPeriod: number
  readonly perYear: number
}

/** The regression report of the trend. */
export interface FittedTrendReport extends RegressionFigures {
  readonly form: FittedFormName
  /** In words, with the real figures. */
  readonly equation: string
  /** Time codes of the fitted periods. */
  readonly from: number
  readonly to: number
  /** R² of the same trend through the series before deseasonalizing; undefined where it cannot be fitted. */
  readonly r2Before: Value
  /** Of a form that is straight; null for a level and for a curve. */
  readonly rates: Rates | null
  /** The slope of every straight piece, per unit of time, of a trend with breaks; else none. */
  readonly segmentSlopes: readonly Term[]
}

/** What there is to say of a trend that was fitted by least squares. */
export function reportFitted(
  trend: FittedTrend,
  options: FittedTrendOptions,
  { to, before, time, name, periodLabel }: TrendReported,
): FittedTrendReport {
  const { form } = options
  const { degree, bends } = FITTED_FORMS[form]
  const figures = regressionFigures(trend.fit)
  return {
    form,
    equation: equation(trend.ofLog ? `ln(${name})` : name, figures.terms),
    from: trend.fit.from,
    to,
    // The values as they are may not allow it: one at 0 has no logarithm.
    r2Before: orNull(
      () => regressionFigures(fitTrend(before, time.firstT, fittedTo(options, time)).fit).r2,
    ),
    rates:
      degree === 1 && !bends
        ? ratesOf(figures.terms[1]!.estimate, trend.ofLog, options.time, time.calendar.seasons)
        : null,
    segmentSlopes: segmentSlopesOf(trend, periodLabel),
    ...figures,
  }
}

/**
 * The slope of every piece of a trend with breaks: that of the first, then with every bend so far added.
 *
 * @returns none for a trend that does not bend
 */
export function segmentSlopesOf(
  { fit }: Pick<FittedTrend, 'fit'>,
  periodLabel: (t: number) => string,
  confidence?: number,
): Term[] {
  const bends = fit.columns.flatMap(({ bend }, j) =>
    bend === undefined ? [] : [{ t: bend, column: j + 1 }],
  )
  if (bends.length === 0) return []
  const term = termsOf(fit, confidence)
  const slope = fit.columns.findIndex(({ power }) => power?.degree === 1) + 1
  const starts = [{ t: fit.from, column: slope }, ...bends.sort((a, b) => a.t - b.t)]
  return starts.map(({ t }, k) => {
    const counted = new Set(starts.slice(0, k + 1).map(({ column }) => column))
    return term(
      `from ${t}`,
      `from ${periodLabel(t)}`,
      Array.from({ length: fit.p }, (_, j) => (counted.has(j) ? 1 : 0)),
    )
  })
}

/** A slope said per day, per period and per year; of a logarithm as shares. */
export function ratesOf(slope: number, ofLog: boolean, time: TimeKind, seasons: number): Rates {
  const perYear = slope * (time === 'days' ? DAYS_A_YEAR : seasons)
  const share = (rate: number) => (ofLog ? Math.expm1(rate) : rate)
  return {
    perDay: share(perYear / DAYS_A_YEAR),
    perPeriod: share(perYear / seasons),
    perYear: share(perYear),
  }
}
