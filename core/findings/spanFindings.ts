import { countPeriods, periodLabel } from '../calendar/labels'
import { formatPeriod, parsePeriod } from '../calendar/codes'
import type { Calendar } from '../calendar/calendar'
import type { Exclusion } from '../decompose/commonOptions'
import type { Finding } from '../finding'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { missingFindings, type Gaps } from './missingFindings'

/**
 * What is in the data and what is not: missing periods, values left out, where the trend-cycle
 * ends, the last actual period and what is forecast from it.
 *
 * @param exclusions what is left out of its season
 * @param trendCycle one entry a period of the stretch, undefined where no average reaches
 * @param seasonalIrregular likewise; where it is undefined, nothing is left out by leaving out
 * @param horizon periods that are forecast
 * @param gaps how periods came to be without a value
 * @param lastCame label of the last period with a value, where the span ends before it; null where it does not
 */
export function spanFindings(
  stretch: Stretch,
  exclusions: readonly Exclusion[],
  trendCycle: readonly Value[],
  seasonalIrregular: readonly Value[],
  horizon: number,
  lastCame: string | null,
  gaps: Gaps,
): Finding[] {
  const { calendar, values } = stretch
  const findings: Finding[] = []
  const lastActual = values.findLastIndex((value) => value !== null)
  if (lastActual >= 0) {
    const actual = stretch.periodOf(lastActual)
    const first = stretch.periodOf(values.length)
    const last = stretch.periodOf(values.length + horizon - 1)
    const range = first.label === last.label ? first.label : `${first.label} to ${last.label}`
    findings.push({
      code: 'last-actual',
      severity: 'note',
      stage: 'project',
      text: `${
        lastCame === null
          ? `The last actual period is ${actual.label}`
          : `The span ends in ${actual.label}, before the last actual period, ${lastCame}`
      }; ${range} ${horizon === 1 ? 'is' : 'are'} forecast from it.`,
      period: actual.code,
      figure: values[lastActual]!,
    })
  }
  const lastTrend = trendCycle.findLastIndex((value) => value !== null)
  if (lastTrend >= 0 && lastTrend < values.length - 1) {
    const at = stretch.periodOf(lastTrend)
    const without = values.length - 1 - lastTrend
    findings.push({
      code: 'trend-cycle-ends',
      severity: 'note',
      stage: 'smooth',
      text: `The moving average ends in ${at.label}: the last ${countPeriods(without, calendar)} have none.`,
      period: at.code,
      figure: without,
    })
  }
  findings.push(...missingFindings(stretch, gaps))
  const hasRatio = (period: string) =>
    seasonalIrregular[values.findIndex((_, i) => stretch.periodOf(i).code === period)] !== null
  findings.push(
    ...exclusions.map((exclusion) => leftOut(exclusion, calendar, hasRatio(exclusion.period))),
  )
  return findings
}

function leftOut({ period, reason }: Exclusion, calendar: Calendar, hasRatio: boolean): Finding {
  const parsed = parsePeriod(period, calendar)!
  return {
    code: 'left-out',
    severity: 'note',
    stage: 'season',
    text: hasRatio
      ? `${periodLabel(parsed, calendar)} is left out of its season: ${reason}.`
      : `${periodLabel(parsed, calendar)} is left out of its season (${reason}), though it does not count there: it has no average to compare with.`,
    period: formatPeriod(parsed, calendar),
    figure: null,
  }
}
