import type { Calendar } from '../../calendar/calendar'
import type { Choice, Piece, Word } from '../../word'
import { cycleName } from './names'
import { EACH, MOST_WIDTH, type ByAverages, type ByLoess, type TwoSeasonsOptions } from './options'

const EACH_SAYS = {
  averages: {
    text: 'averages, each of what the other leaves',
    means: 'Both are the same in every cycle; half of the longer is lost at each end.',
  },
  loess: {
    text: 'robust loess, one after the other',
    means: 'Both may change with time, outliers lose weight, and the ends are kept.',
  },
} as const

/** `, of the week and the year, by averages, each of what the other leaves, the longer smoothed over 7 neighbours` */
export function wordsOfTwoSeasons(options: TwoSeasonsOptions, calendar: Calendar): Piece[] {
  const [shorter, longer] = options.seasons.map((m) => cycleName(calendar, m))
  return [
    `, of the ${shorter} and the ${longer}, by `,
    {
      id: 'each',
      text: EACH_SAYS[options.each].text,
      ask: { kind: 'pick', choices: eachChoices(options) },
    },
    ', ',
    options.each === 'averages' ? widthWord(options, longer!) : outliersWord(options),
  ]
}

/** What belongs to the other is left behind. */
function eachChoices({ each }: TwoSeasonsOptions): Choice[] {
  return EACH.map((one) => ({
    ...EACH_SAYS[one],
    chosen: one === each,
    change: {
      decompose: {
        each: one,
        ...(one === 'averages'
          ? { seasonalWindow: undefined, robust: undefined, inner: undefined, outer: undefined }
          : { average: undefined, width: undefined }),
      },
    },
  }))
}

function widthWord({ width, seasons }: ByAverages, longer: string): Word {
  return {
    id: 'width',
    text:
      width === 0
        ? `that of the ${longer} as it is`
        : `that of the ${longer} smoothed over ${width} to either side`,
    ask: {
      kind: 'fields',
      fields: [
        {
          kind: 'number',
          label: `smooth that of the ${longer} over so many to either side`,
          path: ['decompose', 'width'],
          value: width,
          ...{ least: 0, most: Math.min(MOST_WIDTH, Math.floor((seasons[1] - 1) / 2)), unit: '' },
        },
      ],
      usual: { decompose: { width: undefined } },
    },
  }
}

function outliersWord({ robust }: ByLoess): Word {
  const choice = (wanted: boolean, text: string, means: string): Choice => ({
    ...{ text, means, chosen: robust === wanted },
    change: { decompose: { robust: wanted, outer: undefined, inner: undefined } },
  })
  return {
    id: 'robust',
    text: robust ? 'outliers distrusted' : 'every value believed alike',
    ask: {
      kind: 'pick',
      choices: [
        choice(true, 'outliers distrusted', 'What lies far off loses weight.'),
        choice(false, 'every value believed alike', 'Outliers move both seasons.'),
      ],
    },
  }
}
