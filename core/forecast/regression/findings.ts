import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { figure, probability } from '../../words/figure'
import type { JudgedForecast } from '../way'
import type { RegressionForecast } from './calculate'
import { eventAt, eventChange } from './eventChange'
import type { RegressionOptions } from './options'

/** A period whose Cook's distance is beyond this moves the whole fit. */
const SWAYS = 1

/** What the reader of a regression must know: whether its residuals still wave, and whether one period rules it. */
export function findingsOfRegression(
  stretch: Stretch,
  _: RegressionForecast,
  { report }: JudgedForecast,
  options: RegressionOptions,
): Finding[] {
  if (!report) return []
  const findings: Finding[] = []
  const year = report.tests.ljungBox[0]
  if (year?.waves) {
    findings.push({
      code: 'residuals-wave',
      severity: 'caution',
      stage: 'trend',
      text: `The residuals of the regression still wave: season or trend is missing something (Ljung–Box over ${year.lag} lags, p ${probability(year.allowedP)}). Try another form of trend, or make what happened an event.`,
      period: null,
      figure: year.allowedP,
    })
  }
  const code = (t: number) => stretch.periodOf(t - stretch.firstT).code
  // A period of an event decides what the event is found to be; that is what it is for.
  const furthest = report.influence.find(({ t }) => !eventAt(options, code(t)))
  if (furthest && furthest.cook > SWAYS) {
    const period = code(furthest.t)
    const { label } = stretch.periodOf(furthest.t - stretch.firstT)
    findings.push({
      code: 'one-period-rules',
      severity: 'caution',
      stage: 'trend',
      text: `${label} alone sways the regression (Cook’s distance ${figure(furthest.cook)}): see what it says without it.`,
      period,
      figure: furthest.cook,
      actions: [
        {
          label: `Leave ${label} out`,
          adjust: [{ period, value: null, reason: 'sways the regression' }],
        },
        {
          label: 'Make it an event',
          change: eventChange(options, { name: label, from: period }),
        },
      ],
    })
  }
  return findings
}
