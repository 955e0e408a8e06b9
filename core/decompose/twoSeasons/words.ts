import type { Calendar } from '../../calendar/calendar'
import type { Field, Piece } from '../../word'
import { cycleName } from './names'
import { EACH, type TwoSeasonsOptions } from './options'

const EACH_SAYS = {
  averages: 'averages, each of what the other leaves',
  loess: 'robust loess, one after the other',
} as const

/** `, of the week and the year, by averages, each of what the other leaves` */
export function wordsOfTwoSeasons(options: TwoSeasonsOptions, calendar: Calendar): Piece[] {
  const [shorter, longer] = options.seasons.map((m) => cycleName(calendar, m))
  return [
    `, of the ${shorter} and the ${longer}, by `,
    {
      id: 'twoSeasons',
      text: EACH_SAYS[options.each],
      ask: { kind: 'fields', fields: fieldsOf(options), usual: USUAL },
    },
  ]
}

/** Takes every choice back to its default. */
const USUAL = {
  decompose: {
    ...{ each: undefined, average: undefined, width: undefined },
    ...{ seasonalWindow: undefined, robust: undefined, inner: undefined, outer: undefined },
  },
}

function fieldsOf(options: TwoSeasonsOptions): Field[] {
  return [
    {
      kind: 'choice',
      label: 'each by',
      path: ['decompose', 'each'],
      value: options.each,
      options: EACH.map((each) => ({ value: each, text: EACH_SAYS[each] })),
    },
    ...(options.each === 'averages'
      ? [
          {
            kind: 'number',
            label: 'the longer smoothed over neighbours to either side',
            path: ['decompose', 'width'],
            value: options.width,
            ...{ least: 0, most: Math.min(60, Math.floor((options.seasons[1] - 1) / 2)), unit: '' },
          } satisfies Field,
        ]
      : [
          {
            kind: 'choice',
            label: 'outliers',
            path: ['decompose', 'robust'],
            value: options.robust,
            options: [
              { value: true, text: 'lose weight' },
              { value: false, text: 'are believed like any value' },
            ],
          } satisfies Field,
        ]),
  ]
}
