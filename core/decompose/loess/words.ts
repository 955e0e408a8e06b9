import type { Calendar } from '../../calendar/calendar'
import { countPeriods, onePeriod, oneCycle } from '../../calendar/labels'
import type { Field, Piece } from '../../word'
import { usualTrendWindow } from '../stl/windows'
import { MOST_PASSES, SEASONAL_WINDOW, type LoessOptions } from './options'

/** `season free to change over 13 years, trend over 21 months, outliers distrusted` */
export function wordsOfLoess(options: LoessOptions, calendar: Calendar): Piece[] {
  const { seasonalWindow, trendWindow, robust } = options
  const cycle = oneCycle(calendar)
  const season =
    seasonalWindow === 'periodic'
      ? `the same season every ${cycle}`
      : `season free to change over ${seasonalWindow} ${cycle}s`
  const outliers = robust ? 'outliers distrusted' : 'every value believed alike'
  return [
    ', ',
    {
      id: 'loess',
      text: `${season}, trend over ${countPeriods(trendWindow, calendar)}, ${outliers}`,
      ask: { kind: 'fields', fields: fieldsOf(options, calendar), usual: USUAL },
    },
  ]
}

/** Takes every parameter back to its default. */
const USUAL = {
  decompose: {
    ...{ seasonalWindow: undefined, trendWindow: undefined, lowPassWindow: undefined },
    ...{ seasonalDegree: undefined, trendDegree: undefined, lowPassDegree: undefined },
    ...{ robust: undefined, inner: undefined, outer: undefined },
  },
}

/** The parameters as fields; the bounds of the windows are the core's to say. */
function fieldsOf(options: LoessOptions, calendar: Calendar): Field[] {
  const per = `${onePeriod(calendar)}s`
  const isPeriodic = options.seasonalWindow === 'periodic'
  // Unless it is set by itself, the window of the trend follows that of the season.
  const follows =
    options.seasonalWindow !== 'periodic' &&
    options.trendWindow === usualTrendWindow(options.seasonalWindow, calendar.seasons)
  const window = (
    label: string,
    name: 'trendWindow' | 'lowPassWindow',
    rare: boolean,
    unit = per,
  ): Field => ({
    kind: 'number',
    label,
    path: ['decompose', name],
    value: options[name],
    ...{ least: 3, most: Infinity, step: 2, unit, rare },
  })
  const degree = (
    label: string,
    name: 'seasonalDegree' | 'trendDegree' | 'lowPassDegree',
  ): Field => ({
    kind: 'choice',
    label: `local fit of the ${label}`,
    path: ['decompose', name],
    value: options[name],
    options: [
      { value: 0, text: 'a level' },
      { value: 1, text: 'a line' },
    ],
    rare: true,
  })
  return [
    {
      kind: 'choice',
      label: 'the season',
      path: ['decompose', 'seasonalWindow'],
      value: isPeriodic ? 'periodic' : SEASONAL_WINDOW,
      options: [
        { value: SEASONAL_WINDOW, text: `may change over the ${oneCycle(calendar)}s` },
        { value: 'periodic', text: `is the same every ${oneCycle(calendar)}` },
      ],
    },
    ...(options.seasonalWindow === 'periodic'
      ? []
      : [
          {
            kind: 'number',
            label: 'smoothed over',
            path: ['decompose', 'seasonalWindow'],
            value: options.seasonalWindow,
            ...{ least: 7, most: Infinity, step: 2, unit: `${oneCycle(calendar)}s` },
          } satisfies Field,
        ]),
    window('trend over', 'trendWindow', false, follows ? `${per}, as the season’s asks` : per),
    {
      kind: 'choice',
      label: 'outliers',
      path: ['decompose', 'robust'],
      value: options.robust,
      options: [
        { value: true, text: 'lose weight' },
        { value: false, text: 'are believed like any value' },
      ],
    },
    window('low pass over', 'lowPassWindow', true),
    // A season that never changes is a level whatever is asked.
    ...(isPeriodic ? [] : [degree('season', 'seasonalDegree')]),
    degree('trend', 'trendDegree'),
    degree('low pass', 'lowPassDegree'),
    {
      kind: 'number',
      label: 'inner passes',
      path: ['decompose', 'inner'],
      value: options.inner,
      ...{ least: 1, most: MOST_PASSES.inner, unit: '', rare: true },
    },
    // Weights are formed where outliers lose some, and nowhere else.
    ...(options.robust
      ? [
          {
            kind: 'number',
            label: 'outer passes, forming weights',
            path: ['decompose', 'outer'],
            value: options.outer,
            ...{ least: 1, most: MOST_PASSES.outer, unit: '', rare: true },
          } satisfies Field,
        ]
      : []),
  ]
}
