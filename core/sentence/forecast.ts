import type { Calendar } from '../calendar/calendar'
import { countPeriods, onePeriod, countCycles } from '../calendar/labels'
import type { MethodChange } from '../finding'
import { LONGEST_HORIZON, type LimitKind } from '../forecast/commonOptions'
import { FORECAST_WAYS, forecastWayOf, type ForecastName } from '../forecast/ways'
import type { Method } from '../method'
import { LINE } from '../trend/formChange'
import { isFittedForm } from '../trend/leastSquares/forms'
import type { TrendOptions } from '../trend/ways'
import type { Piece, Word } from '../word'
import { listed } from '../words/listed'

/** How the forecast is made, and its own words. */
export function forecastPieces({ forecast, trend }: Method, calendar: Calendar): Piece[] {
  const way = forecastWayOf(forecast.by)
  return [
    {
      id: 'forecast',
      text: way.says.text,
      ask: {
        kind: 'pick',
        choices: FORECAST_WAYS.map(({ name, says }) => ({
          ...says,
          chosen: name === forecast.by,
          change: wayChange(name, trend, forecast.limits),
        })),
      },
    },
    ...way.words(forecast, { calendar, trend }),
  ]
}

/** Another way of forecasting, with what it could not do of the trend and the limits left behind. */
function wayChange(by: ForecastName, { form }: TrendOptions, limits: LimitKind): MethodChange {
  const way = forecastWayOf(by)
  const takesAnother = way.fitsTrend && !isFittedForm(form)
  return {
    ...(takesAnother ? { trend: LINE.trend } : {}),
    forecast: { by, ...(way.limits.includes(limits) ? {} : { limits: undefined }) },
  }
}

/** Years ahead that are often wanted. */
const YEARS_AHEAD = [1, 2, 3] as const

export function horizonWord(horizon: number, calendar: Calendar): Word {
  return {
    id: 'horizon',
    text: countPeriods(horizon, calendar),
    ask: {
      kind: 'fields',
      fields: [
        {
          kind: 'number',
          label: 'project',
          path: ['forecast', 'horizon'],
          value: horizon,
          ...{ least: 1, most: LONGEST_HORIZON, unit: `${onePeriod(calendar)}s` },
          shortcuts: YEARS_AHEAD.map((years) => ({
            text: countCycles(years, calendar),
            value: years * calendar.seasons,
          })),
        },
      ],
      usual: { forecast: { horizon: undefined } },
    },
  }
}

/** Levels that are often wanted. */
const USUAL_LEVELS = [50, 80, 90, 95, 99] as const

export function levelsWord(levels: readonly number[]): Word {
  return {
    id: 'levels',
    text: levelWords(levels),
    ask: {
      kind: 'fields',
      lead: 'Limits that hold the actual value in this share of cases:',
      fields: [
        {
          kind: 'several',
          label: 'limits',
          path: ['forecast', 'levels'],
          value: levels,
          offered: [...new Set([...USUAL_LEVELS, ...levels])].sort((a, b) => a - b),
          ...{ above: 0, below: 100, unit: '%' },
        },
      ],
      usual: { forecast: { levels: undefined } },
    },
  }
}

/** What limits are made of, in a word. */
export const LIMITS_SAY: Readonly<
  Record<LimitKind, { readonly text: string; readonly means: string }>
> = {
  model: {
    text: 'of the model',
    means: 'From the residuals of the fit, taken for independent and the form for true.',
  },
  'past-errors': {
    text: 'from past errors',
    means: 'As wide as earlier forecasts by this method were off, horizon by horizon.',
  },
}

export function limitsWord({ by, limits }: Method['forecast']): Word {
  const choices = forecastWayOf(by).limits.map((kind) => ({
    ...LIMITS_SAY[kind],
    chosen: kind === limits,
    change: { forecast: { limits: kind } },
  }))
  return { id: 'limits', text: LIMITS_SAY[limits].text, ask: { kind: 'pick', choices } }
}

/** `80% and 95%` */
export function levelWords(levels: readonly number[]): string {
  if (levels.length === 0) return 'no'
  return listed(levels.map((level) => `${level}%`))
}
