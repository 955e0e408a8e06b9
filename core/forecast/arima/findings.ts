import { asDocument } from '../../arima/orderOptions'
import { lagsOfYear, loudestLag, testArimaResiduals, waves } from '../../arima/residuals'
import type { Calendar } from '../../calendar/calendar'
import { countPeriods } from '../../calendar/labels'
import { isClear } from '../../stateSpace/arima/fit'
import { orderText } from '../../stateSpace/arima/order'
import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { normalQuantile } from '../../statistics/distributions'
import { figure, probability } from '../../words/figure'
import type { ArimaForecast } from './calculate'

const LEVEL = 95

/** What roots on the unit circle mean, what still waves, what the drift is in a year, and what the limits leave out. */
export function findingsOfArima({ calendar }: Stretch, ahead: ArimaForecast): Finding[] {
  return [
    ...circleFindings(ahead),
    ...waveFinding(ahead, calendar),
    ...driftFinding(ahead, calendar.seasons),
    {
      code: 'limits-know-no-coefficients',
      severity: 'note',
      stage: 'project',
      text: 'The limits take the coefficients for known, so they are a little too narrow.',
      period: null,
      figure: null,
    },
  ]
}

/** A moving-average root on the circle takes back a difference; an autoregressive one asks for one more. */
function circleFindings({ arRoot, maRoot, order, constant }: ArimaForecast): Finding[] {
  const findings: Finding[] = []
  if (!isClear(maRoot)) {
    const isOfYears = order.D > 0 && (order.Q > 0 || order.d === 0)
    const less = isOfYears ? { ...order, D: order.D - 1 } : { ...order, d: order.d - 1 }
    const isThere = order.d + order.D > 0
    findings.push({
      code: 'moving-average-root-on-circle',
      severity: 'caution',
      stage: 'trend',
      text: `A moving-average root lies on the unit circle (${figure(maRoot!)}): ${isThere ? 'the model takes back a difference that it has taken, one too many' : 'what it says of the start is not told by the values'}.`,
      period: null,
      figure: maRoot,
      ...(isThere
        ? {
            actions: [
              {
                label: `Take one difference less: ${orderText(less, 'none')}`,
                change: {
                  forecast: {
                    ...asDocument({ order: less, constant }),
                    constant: undefined,
                  },
                },
              },
            ],
          }
        : {}),
    })
  }
  if (!isClear(arRoot)) {
    findings.push({
      code: 'autoregressive-root-on-circle',
      severity: 'caution',
      stage: 'trend',
      text: `An autoregressive root lies on the unit circle (${figure(arRoot!)}): the values wander as differences would have them, and one difference more says the same with a coefficient less.`,
      period: null,
      figure: arRoot,
    })
  }
  return findings
}

/** Residuals that still wave, with the lag that they are most alike at: something of the values is not in the model. */
function waveFinding({ residuals, order }: ArimaForecast, calendar: Calendar): Finding[] {
  const tests = testArimaResiduals(residuals, order, lagsOfYear(calendar.seasons))
  const found = tests.ljungBox.find(waves)
  if (!found) return []
  const { lag, q, df, p } = found
  const loudest = loudestLag(tests, lag)
  const where = loudest === null ? '' : `, most at ${countPeriods(loudest, calendar)} apart`
  return [
    {
      code: 'residuals-wave',
      severity: 'caution',
      stage: 'trend',
      text: `What the model leaves still waves${where} (Ljung–Box over ${lag} lags ${figure(q)}, ${df} df, p ${probability(p!)}): something is not in it. Take other orders, or let them be chosen.`,
      period: null,
      figure: p,
    },
  ]
}

/** The drift where one is fitted, in units a year, with what it may be off by. */
function driftFinding({ constant, beta, errors, transform }: ArimaForecast, m: number): Finding[] {
  if (constant !== 'drift' || m < 2) return []
  const [drift, error] = [beta[0]! * m, errors ? errors.beta[0]! * m : null]
  const unsure = error !== null && Math.abs(drift) < normalQuantile(LEVEL) * error
  return [
    {
      code: 'drift',
      severity: 'note',
      stage: 'trend',
      text: `The drift is ${figure(drift)} a year${transform ? ', on the scale of the model' : ''}${error === null ? '' : ` (standard error ${figure(error)})`}${unsure ? ': it cannot be told from nothing, and is carried on all the same' : ''}.`,
      period: null,
      figure: drift,
    },
  ]
}
