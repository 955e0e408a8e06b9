import type { TrendForm } from '../form'

export const SMOOTHED_FORMS = {
  smoothed: {
    words: 'smoothed level',
    called: 'smoothed level',
    says: 'a smoothed level',
    means: 'Level and slope follow the values, the newest counting most.',
    ofLog: false,
    isStraight: false,
    follows: true,
    countsDays: false,
    choices: [
      { key: 'smoothing', isPlural: false },
      { key: 'nearWeights', isPlural: true },
    ],
  },
} as const satisfies Record<string, TrendForm>

/** The form that others speak of. */
export const SMOOTHED = 'smoothed' satisfies keyof typeof SMOOTHED_FORMS
