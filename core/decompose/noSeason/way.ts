import { onePeriod } from '../../calendar/labels'
import { averageColumns } from '../averageColumns'
import { irregularColumn } from '../columns'
import type { DecompositionWay } from '../way'
import { decomposeWithoutSeason, type NoSeasonTaken } from './calculate'
import {
  completeNoSeason,
  LEAST_ORDER,
  MOST_ORDER,
  noSeasonDocument,
  type NoSeasonDocument,
  type NoSeasonOptions,
} from './options'

/** No season: for a yearly series, and for any other that has none worth the name. */
export const noSeason: DecompositionWay<NoSeasonDocument, NoSeasonOptions, NoSeasonTaken> = {
  name: 'none',
  home: 'without a season',
  document: noSeasonDocument,
  traits: { hasSeason: false, seasonMayChange: false, trendIsLine: false, followsLevel: true },
  steps: ({ order }, { periods }) => order * periods,
  complete: completeNoSeason,
  decompose: decomposeWithoutSeason,
  weights: () => null,
  stability: () => null,
  columns: (run) => [
    ...averageColumns(run, run.options.order, run.taken.offCentre),
    irregularColumn(run),
  ],
  findings: () => [],
  advice: (waves) =>
    waves === 'slowly' ? 'Try an average of fewer terms.' : 'Look at which years it comes back in.',
  // Of a series with seasons it is for the analyst to say that they are none.
  entersContest: ({ seasons }) => seasons < 2,
  says: () => ({
    lead: ', with ',
    text: 'no season',
    means: 'Smooths the series by a moving average, and takes no season out of it.',
  }),
  words: ({ order }, calendar) => [
    '; smoothed by ',
    {
      id: 'order',
      text: `a ${averageWords(order)} moving average`,
      ask: {
        kind: 'fields',
        fields: [
          {
            kind: 'number',
            label: 'an average of',
            path: ['decompose', 'order'],
            value: order,
            ...{ least: LEAST_ORDER, most: MOST_ORDER, unit: `${onePeriod(calendar)}s` },
          },
        ],
        usual: { decompose: { order: undefined } },
      },
    },
  ],
  smooths: ({ order }) => `${averageWords(order)}; ${Math.floor(order / 2)} lost at each end`,
  average: ({ order }) => ({ kind: 'centred', order }),
  whyNoSeason: ({ seasons }) =>
    seasons < 2
      ? 'A yearly series has one value a year, so there is no season in it.'
      : 'This method takes no season out, so there are no indices to form.',
  indices: () => null,
  ownKeys: () => ({}),
  indexSteps: () => [],
}

/** `2×12`, `5-term` */
function averageWords(order: number): string {
  return order % 2 === 0 ? `2×${order}` : `${order}-term`
}
