import type { TrendForm } from '../form'

export const ARIMA_FORMS = {
  arima: {
    words: 'ARIMA',
    called: 'ARIMA model',
    says: 'an ARIMA model',
    means: 'A weighted sum of the latest values, their differences and their surprises.',
    ofLog: false,
    isStraight: false,
    follows: true,
    countsDays: false,
    choices: [
      { key: 'orders', isPlural: true },
      { key: 'constant', isPlural: false },
      { key: 'choose', isPlural: false },
      { key: 'near', isPlural: false },
    ],
  },
} as const satisfies Record<string, TrendForm>

/** The form that others speak of. */
export const OF_ARIMA = 'arima' satisfies keyof typeof ARIMA_FORMS
