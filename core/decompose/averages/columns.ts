import { trendedShort } from '../../trend/trendColumn'
import type { Column } from '../../column/column'
import {
  figureOf,
  meanOf,
  operation,
  parameterOf,
  plain,
  type Expression,
  type OfKind,
} from '../../column/expression'
import { once } from '../../column/once'
import type { Value } from '../../series/series'
import { lineThrough } from '../../trend/leastSquares/columns'
import { trendLine } from '../../trend/leastSquares/fit'
import { averageColumns } from '../averageColumns'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  seasonalIrregularColumn,
  trendCycleColumn,
} from '../columns'
import type { DecompositionRun } from '../way'
import type { AveragesTaken } from './calculate'
import type { GivenIndices } from './given'
import { areGiven, type AveragesOptions } from './options'

type AveragesRun = DecompositionRun<AveragesOptions, AveragesTaken>

/** The columns of a decomposition by averages, in the order of the work. */
export function columnsOfAverages(run: AveragesRun): Column[] {
  const { smooth, level, against } = levelOf(run)
  return [
    ...level,
    seasonalIrregularColumn(run, run.taken.seasonalIrregular, against),
    indexColumn(run, { means: indexWords(run.options), arithmetic: indexArithmetic(run) }),
    deseasonalizedColumn(run),
    irregularColumn(run),
    recomposedColumn(run, smooth),
  ]
}

/** What the season departs from: its columns, what it is called, and its cell or figure. */
function levelOf(run: AveragesRun): {
  smooth: string
  level: Column[]
  against: { name: string; at(t: number): Expression }
} {
  const { taken, calendar } = run
  const cell = (t: number) => run.cell('trendCycle', t)
  switch (taken.by) {
    case 'ratio-to-moving-average':
      return {
        smooth: 'average',
        level: averageColumns(run, calendar.seasons, taken.offCentre),
        against: { name: 'average', at: cell },
      }
    case 'ratio-to-trend':
      return {
        smooth: 'trend-cycle',
        level: [
          trendCycleColumn(run, {
            label: 'Trend-cycle',
            means: `line through ${run.inputNoun}`,
            arithmetic: lineThrough(run, taken.line, run.input.column),
          }),
        ],
        against: { name: 'trend-cycle', at: cell },
      }
    case 'simple-averages': {
      const overall = overallMean(run, taken.overallMean)
      return {
        smooth: 'trend-cycle',
        level: [
          trendCycleColumn(run, {
            label: 'Trend-cycle',
            means: `line through ${trendedShort(run)}`,
            arithmetic: lineThrough(
              run,
              trendLine(run.columns.deseasonalized, run.firstT),
              'deseasonalized',
            ),
          }),
        ],
        against: { name: 'overall mean', at: () => overall() },
      }
    }
  }
}

/** How the indices are formed: `mean, adjusted`. */
function indexWords(options: AveragesOptions): string {
  const from = areGiven(options) ? 'given' : options.average.replace('-', ' ')
  return `${from}, ${options.adjust ? 'adjusted' : 'not adjusted'}`
}

/** The average of a season's included values, or what is given, adjusted by the mean of all raw indices. */
function indexArithmetic(run: AveragesRun): (t: number) => Expression {
  const { options, calendar, model, taken } = run
  const raw = areGiven(options)
    ? givenOfSeasons(options.indices)
    : averagesOfSeasons(run, 'seasonalIrregular', taken.seasonalIrregular)
  const mean = once(() =>
    figureOf(
      `mean of the ${calendar.seasons} raw indices`,
      taken.rawIndexMean,
      meanOf(calendar.seasons, (k) => raw(k + 1)),
    ),
  )
  return (t) => {
    const own = raw(run.seasonOf(t))
    return options.adjust ? operation(own, model.remove, mean()) : own
  }
}

/** The mean of the season averages of the series itself. */
function overallMean(run: AveragesRun, value: number): () => Expression {
  const raw = averagesOfSeasons(run, run.input.column, run.input.values)
  return once(() =>
    figureOf(
      'overall mean',
      value,
      meanOf(run.calendar.seasons, (k) => raw(k + 1)),
    ),
  )
}

/** What is given for a season, with where it comes from. */
function givenOfSeasons({ given, source }: GivenIndices): (season: number) => Expression {
  return (season) => parameterOf(`index given (${source})`, given[season - 1]!)
}

/** The average of a season's cells that are not left out. */
function averagesOfSeasons(
  run: AveragesRun,
  column: string,
  values: readonly Value[],
): (season: number) => OfKind<'average'> {
  const { columns, leftOut, options } = run
  return (season) => {
    const own = columns.t.filter((_, i) => columns.season[i] === season && values[i] !== null)
    return {
      kind: 'average',
      how: areGiven(options) ? 'mean' : options.average,
      terms: own.filter((t) => !leftOut.has(t)).map((t) => run.cell(column, t)),
      leftOut: own.filter((t) => leftOut.has(t)).map((t) => run.cell(column, t)),
    }
  }
}

/** g of an average of a season: the variance of one value over as many as count; of a given index there is none. */
export function uncertaintyOfAverages(run: AveragesRun): ((t: number) => Expression) | null {
  if (areGiven(run.options)) return null
  const raw = averagesOfSeasons(run, 'seasonalIrregular', run.taken.seasonalIrregular)
  return (t) => operation(plain(1), '÷', { ...raw(run.seasonOf(t)), how: 'number' })
}
