import type { WeightName } from '../../stateSpace/forms'
import type { Finding } from '../../finding'
import type { Stretch } from '../../series/stretch'
import { countPeriods } from '../../calendar/labels'
import { backFrom } from '../../transform/boxCox'
import { figure, percent } from '../../words/figure'
import { LEAST_POWER, MOST_POWER } from '../../transform/guerrero'
import type { SmoothingForecast } from './calculate'
import type { Transform } from '../powerScale'

/** Years ahead from which a growth that goes on is told. */
const FAR_OUT = 1

/** What weights at their bounds mean, and what the limits leave out. */
export function findingsOfSmoothing(stretch: Stretch, ahead: SmoothingForecast): Finding[] {
  const { calendar } = stretch
  const { form, weights, atBound, interval, t, transform } = ahead
  const bounds = atBound.map((name): Finding => ({
    code: 'weight-at-bound',
    severity: 'note',
    stage: 'trend',
    text: boundWords(name, weights[name]!, form.trend),
    period: null,
    figure: weights[name]!,
  }))
  const runsAway =
    form.trend === 'multiplicative' && t.length > FAR_OUT * Math.max(1, calendar.seasons)
  return [
    ...bounds,
    ...powerFinding(transform),
    ...withoutWayBack(ahead),
    ...endedPaths(stretch, ahead),
    ...(runsAway
      ? [
          {
            code: 'growth-runs-away',
            severity: 'caution',
            stage: 'project',
            text: `The latest growth is carried on for ${countPeriods(t.length, calendar)}: far out such forecasts run away. A damped trend dies away instead.`,
            period: null,
            figure: t.length,
            actions: [
              {
                label: 'Take a damped trend',
                change: { forecast: { trend: 'damped', weights: undefined, initial: undefined } },
              },
            ],
          } as const,
        ]
      : []),
    interval.s === null
      ? {
          code: 'no-limits',
          severity: 'caution',
          stage: 'project',
          text: `No limits: the numbers estimated leave ${figure(interval.df)} values over.`,
          period: null,
          figure: interval.df,
        }
      : {
          code: 'limits-know-no-weights',
          severity: 'note',
          stage: 'project',
          text: 'The limits take weights and initial states for known, so they are a little too narrow.',
          period: null,
          figure: null,
        },
  ]
}

/** What a weight at a bound says of the series. */
function boundWords(
  name: WeightName,
  at: number,
  trend: SmoothingForecast['form']['trend'],
): string {
  switch (name) {
    case 'alpha':
      return at === 1
        ? 'α is 1: only the last value counts for the level.'
        : `α is 0: the level is fixed, so the fit is ${FIXED[trend]}.`
    case 'beta':
      return at === 1
        ? 'β is 1: only the last change counts for the trend.'
        : 'β is 0: the trend is never revised; what the start says holds to the end.'
    case 'gamma':
      return at === 1
        ? 'γ is 1: only the same season last year counts for the season.'
        : 'γ is 0: the season never changes.'
    case 'phi':
      return at < 0.9
        ? `φ is ${at}, the least that is searched: the trend dies away within a few periods.`
        : `φ is ${at}, the most that is searched: the trend is hardly damped.`
  }
}

const FIXED = {
  none: 'a horizontal line',
  additive: 'a straight line',
  damped: 'a line that flattens out',
  multiplicative: 'a curve of constant growth',
} as const

/** A chosen power at an end of what is searched. */
function powerFinding(transform: Transform | null): Finding[] {
  const lambda = transform?.chosen?.lambda
  if (lambda !== LEAST_POWER && lambda !== MOST_POWER) return []
  return [
    {
      code: 'power-at-bound',
      severity: 'note',
      stage: 'trend',
      text: `The power chosen is ${lambda === LEAST_POWER ? '−1' : '2'}, an end of what is searched: the spread goes with the level in a way that no usual power makes even.`,
      period: null,
      figure: lambda,
    },
  ]
}

/** Figures on the scale of a power that no value comes from: they take no part in errors and limits. */
function withoutWayBack({ transform, scaled, limits, interval }: SmoothingForecast): Finding[] {
  if (!transform || !scaled || interval.s === null) return []
  const { lambda } = transform
  const fitted = scaled.fitted.filter((z) => backFrom(z, lambda) === null).length
  const bounds = Object.values(limits)
    .flatMap(({ lower, upper }) => [...lower, ...upper])
    .filter((limit) => limit === null).length
  if (fitted + bounds === 0) return []
  const side = lambda > 0 ? 'below' : 'above'
  const parts = [
    ...(fitted > 0
      ? [`${fitted} fitted ${fitted === 1 ? 'value' : 'values'}, left out of the error figures`]
      : []),
    ...(bounds > 0 ? [`${bounds} ${bounds === 1 ? 'limit' : 'limits'}`] : []),
  ]
  return [
    {
      code: 'no-way-back',
      severity: 'caution',
      stage: 'project',
      text: `On the scale of the power some figures lie ${side} every value and cannot come back: ${parts.join(', and ')}. The logarithm always comes back.`,
      period: null,
      figure: fitted + bounds,
      actions: [{ label: 'Take the logarithm', change: { forecast: { transform: 'ln' } } }],
    },
  ]
}

/** Beyond this share of simulated paths that fall to 0 it is said. */
const MANY_ENDED = 0.05

function endedPaths(stretch: Stretch, { pathsEnded = [], t }: SmoothingForecast): Finding[] {
  const at = pathsEnded.findIndex((share) => share > MANY_ENDED)
  if (at < 0) return []
  const { code, label } = stretch.periodOf(t[at]! - stretch.firstT)
  return [
    {
      code: 'paths-end',
      severity: 'caution',
      stage: 'project',
      text: `By ${label} ${percent(pathsEnded[at]!)} of the simulated paths have fallen to 0, where this form ends. They count as below every limit; additive errors, or a shorter horizon, know no such end.`,
      period: code,
      figure: pathsEnded[at]!,
    },
  ]
}
