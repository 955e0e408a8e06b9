import { onePeriod, seasonLabel } from '../../calendar/labels'
import { DAYS_A_YEAR } from '../../regression/timeVariable'
import type { Term } from '../../regression/report'
import { figure, inUnit, percent } from '../../words/figure'
import { FITTED_FORMS } from '../../trend/leastSquares/forms'
import { requireFitted } from '../../trend/options'
import type { Reading, ReadingSeries, RegressionReadings } from '../reading'
import { designOfRegression, type RegressionDesign } from './design'
import type { RegressionOptions } from './options'
import type { RegressionReport, TermKind } from '../../regression/fullReport'

/** The same, with its options and columns at hand. */
interface ReadingTold extends ReadingSeries {
  readonly options: RegressionOptions
  readonly design: RegressionDesign
}

/** What a regression says, in words. */
export function readRegression(
  options: RegressionOptions,
  report: RegressionReport,
  series: ReadingSeries,
): RegressionReadings {
  const { trend, calendar, start } = series
  const told = { ...series, options, design: designOfRegression(options, trend, calendar, start) }
  return { terms: readingsOf(report, told), seasons: seasonReadings(report, told) }
}

const SIGNIFICANT = 0.05

/**
 * Every coefficient in words with its unit, in the order of the report; with effects the last season too, which is
 * minus the sum of the others.
 */
function readingsOf(report: RegressionReport, told: ReadingTold): Reading[] {
  const read = (term: Term, kind: TermKind, reads: string): Reading => ({
    ...{ term, kind, reads },
    range:
      report.ofLog && kind !== 'constant'
        ? `${signedShare(term.lower)} to ${signedShare(term.upper)}`
        : undefined,
    isTold: term.p === null ? term.estimate !== 0 : term.p <= SIGNIFICANT,
  })
  const readings = report.terms.map((term, j) =>
    read(term, report.kinds[j]!, readTerm(term, j, report, told)),
  )
  if (told.options.season !== 'effects') return readings
  const last = report.seasonEffects.at(-1)!
  const words = seasonWords(last, `the average ${onePeriod(told.calendar)}`, report.ofLog, told)
  const after = 1 + told.design.trend.length + told.design.season.length
  return [...readings.slice(0, after), read(last, 'season', words), ...readings.slice(after)]
}

/** Every season against the average one, in words. */
function seasonReadings({ seasonEffects, ofLog }: RegressionReport, told: ReadingTold): string[] {
  return seasonEffects.map((effect) =>
    seasonWords(effect, `the average ${onePeriod(told.calendar)}`, ofLog, told),
  )
}

function readTerm(term: Term, j: number, report: RegressionReport, told: ReadingTold): string {
  const { design, calendar, options, trend } = told
  const { ofLog } = report
  const { trend: trendColumns, season } = design
  const k = j - 1
  if (k < 0) {
    const level = Math.exp(term.estimate)
    const said = ofLog && Number.isFinite(level) ? `: ${inUnit(level, told.unit)}` : ''
    return `${constantWords(told)}${said}`
  }
  if (k < trendColumns.length) return trendTermWords(term, k, ofLog, told)
  const own = k - trendColumns.length
  if (own < season.length) {
    switch (options.season) {
      case 'effects':
        return seasonWords(term, `the average ${onePeriod(calendar)}`, ofLog, told)
      case 'fourier':
        return `${season[own]!.means}; read it with its pair, or the effects of the seasons below`
      case 'dummies-by-trend':
        if (own >= season.length / 2) {
          const per = trend.time === 'days' ? 'day' : onePeriod(calendar)
          return `in ${season[own - season.length / 2]!.label} each ${per} adds ${amount(term.estimate, ofLog, told)} ${term.estimate < 0 ? 'less' : 'more'} than in ${baseLabel(told)}`
        }
        return `${seasonWords(term, baseLabel(told), ofLog, told)}, at time ${trend.time === 'days' ? '0 days' : 'code 0'}`
      default:
        return seasonWords(term, baseLabel(told), ofLog, told)
    }
  }
  const at = own - season.length
  const isStep = at >= options.indicators.length
  return `${amount(term.estimate, ofLog, told)} ${term.estimate < 0 ? 'less' : 'more'} ${isStep ? 'from then on' : 'while it lasts'}, all else equal`
}

function constantWords({ trend, options, calendar }: ReadingTold): string {
  const where =
    options.season === 'none'
      ? ''
      : options.base === undefined
        ? ` in the average ${onePeriod(calendar)}`
        : ` in ${baseLabel({ options, calendar })}`
  const when =
    FITTED_FORMS[requireFitted(trend).form].degree === 0
      ? ''
      : trend.time === 'days'
        ? ' at day 0'
        : ' at time code 0'
  return `the level${where}${when}`
}

/** The season that dummies compare with. */
function baseLabel({ options, calendar }: Pick<ReadingTold, 'options' | 'calendar'>): string {
  return seasonLabel(options.base ?? 1, calendar)
}

function trendTermWords(term: Term, k: number, ofLog: boolean, told: ReadingTold): string {
  const { design, trend, calendar } = told
  const column = design.trend[k]!
  const isDays = trend.time === 'days'
  const per = isDays ? 'day' : onePeriod(calendar)
  const { estimate } = term
  if (column.bend !== undefined) {
    const by = amount(estimate, ofLog, told)
    return `from then on each ${per} adds ${by} ${estimate < 0 ? 'less' : 'more'} than before`
  }
  if (!column.power) {
    return `the level steps ${estimate < 0 ? 'down' : 'up'} by ${amount(estimate, ofLog, told)}`
  }
  if (FITTED_FORMS[requireFitted(trend).form].degree > 1) {
    return 'a part of the curve: read the powers of time together'
  }
  const yearly = estimate * (isDays ? DAYS_A_YEAR : calendar.seasons)
  const moves = estimate < 0 ? 'takes off' : 'adds'
  const inYear = amount(yearly, ofLog, told)
  const byOne = `each ${per} ${moves} ${amount(estimate, ofLog, told)}`
  return calendar.seasons === 1 && !isDays ? byOne : `${byOne} (${inYear} a year)`
}

/** `May sells 34% more than the average month, all else equal` */
function seasonWords(term: Term, than: string, ofLog: boolean, told: ReadingTold): string {
  const { estimate, label } = term
  const by = amount(estimate, ofLog, told)
  const isLess = estimate < 0
  return told.noun === 'sales'
    ? `${label} sells ${by} ${isLess ? 'less' : 'more'} than ${than}, all else equal`
    : `${label} is ${by} ${isLess ? 'below' : 'above'} ${than}, all else equal`
}

/** The size of a coefficient without its sign: an amount, or of a logarithm a share. */
function amount(estimate: number, ofLog: boolean, { unit }: ReadingTold): string {
  if (ofLog) return share(Math.abs(Math.expm1(estimate)))
  return unit === '' ? figure(Math.abs(estimate)) : inUnit(Math.abs(estimate), unit)
}

/** Beyond this a share is no figure any more. */
const LARGEST_SHARE = 99.99

/** A share as a per cent; a small one to two digits, so that a rate a day is not 0%. */
function share(size: number): string {
  if (!(size <= LARGEST_SHARE)) return `over ${percent(LARGEST_SHARE)}`
  return size < 0.01 ? `${figure(Number((size * 100).toPrecision(2)))}%` : percent(size)
}

function signedShare(estimate: number): string {
  const size = Math.expm1(estimate)
  return `${size < 0 ? '−' : ''}${share(Math.abs(size))}`
}
