import { axisOf } from '../../calendar/axis'
import { axisByCycle } from '../../calendar/axisByCycle'
import { declare, type Column } from '../../column/column'
import { figureOf, meanOf, operation, plain, type Expression } from '../../column/expression'
import {
  deseasonalizedColumn,
  indexColumn,
  irregularColumn,
  recomposedColumn,
  trendCycleColumn,
  weightColumn,
} from '../columns'
import type { DecompositionRun } from '../way'
import type { SeasonOfTwo, TwoSeasonsTaken } from './calculate'
import { cycleName } from './names'
import type { TwoSeasonsOptions } from './options'

type TwoSeasonsRun = DecompositionRun<TwoSeasonsOptions, TwoSeasonsTaken>

/** Rows of the two indices. */
const INDEX_ROW = ['shorterIndex', 'longerIndex'] as const
const DEPARTURE_ROW = ['shorterDeparture', 'longerDeparture'] as const

/** The columns of a decomposition with two seasons, in the order of the work. */
export function columnsOfTwoSeasons(run: TwoSeasonsRun): Column[] {
  const { taken, options } = run
  return [
    trendCycleColumn(run, {
      label: 'Trend-cycle',
      means: options.each === 'averages' ? `average of ${options.seasons[1]}` : 'loess',
      arithmetic: (t) => levelAt(run, t),
      whyUndefined: () =>
        `No average here: it needs half of ${options.seasons[1]} periods on either side.`,
    }),
    ...taken.seasons.flatMap((season, k) => [
      ...(season.departures ? [departureColumn(run, season, season.departures, k)] : []),
      seasonColumn(run, season, k),
    ]),
    seasonalIrregularOfTwo(run),
    {
      ...indexColumn(run, {
        means: 'both seasons',
        arithmetic: (t) =>
          operation(run.cell(INDEX_ROW[0], t), run.model.restore, run.cell(INDEX_ROW[1], t)),
      }),
      // Each season has a strip of its own.
      strip: null,
    },
    deseasonalizedColumn(run),
    irregularColumn(run),
    recomposedColumn(run, 'trend-cycle'),
    ...(taken.weights ? [weightColumn(run, taken.weights, weightAt(run, taken.weights))] : []),
  ]
}

/** The average over the longer cycle of what both seasons leave. */
function levelAt(run: TwoSeasonsRun, t: number): Expression {
  const { options } = run
  if (options.each === 'loess') return figureOf('trend by loess', run.value('trendCycle', t)!)
  const m = options.seasons[1]
  const half = Math.floor(m / 2)
  const from = (first: number) => meanOf(m, (i) => run.cell('deseasonalized', first + i))
  return m % 2 === 1
    ? from(t - half)
    : operation(operation(from(t - half), '+', from(t - half + 1)), '÷', plain(2))
}

/** Values without the other season, beside their average over this cycle. */
function departureColumn(
  run: TwoSeasonsRun,
  { seasons }: SeasonOfTwo,
  values: NonNullable<SeasonOfTwo['departures']>,
  k: number,
): Column {
  const { model, calendar } = run
  const other = INDEX_ROW[1 - k]!
  const [name, length] = [cycleName(calendar, seasons), seasons]
  // Each season is made of what the other leaves: with both as cells they would be made of themselves.
  const otherAt = (t: number) =>
    k === 0
      ? figureOf('index of the other, from the round before', run.value(other, t)!)
      : run.cell(other, t)
  const own = (t: number) => operation(run.cell(run.input.column, t), model.remove, otherAt(t))
  return declare(run.unit, {
    name: DEPARTURE_ROW[k]!,
    label: `${model.measure === 'factor' ? 'Ratio' : 'Difference'}, ${name}`,
    means: `without the other, ${model.remove} average of ${length}`,
    measure: model.measure,
    component: 'season',
    mark: 'dots',
    stages: [],
    actual: values,
    arithmetic: (t) => {
      const without = model.takeOut(run.value(run.input.column, t)!, run.value(other, t)!)
      return operation(
        own(t),
        model.remove,
        figureOf(
          `average of ${length} of it`,
          model.takeOut(without, run.value(DEPARTURE_ROW[k]!, t)!),
        ),
      )
    },
    whyUndefined: (t) =>
      run.value(run.input.column, t) === null
        ? 'This period has no value.'
        : `No average of ${length} here: it needs half of them on either side.`,
  })
}

/** The index of one of the two seasons, running on into the forecast. */
function seasonColumn(run: TwoSeasonsRun, season: SeasonOfTwo, k: number): Column {
  const { calendar, firstT, lastT, endT, indexAhead, options, model } = run
  const { seasonOf } = axisByCycle(axisOf(run), season.seasons)
  const name = cycleName(calendar, season.seasons)
  const ahead = Array.from(
    { length: endT - lastT },
    (_, i) => season.index[seasonOf(lastT + 1 + i) - 1]!,
  )
  return declare(run.unit, {
    name: INDEX_ROW[k]!,
    label: `Index, ${name}`,
    strip: {
      ...{ id: 'season', title: `Season of the ${name}`, share: 1.6, label: 'index' },
      under: season.departures ? [DEPARTURE_ROW[k]!] : [],
    },
    means: options.each === 'averages' ? options.average.replace('-', ' ') : 'loess',
    measure: model.measure,
    component: 'season',
    mark: season.seasons > MOST_BARS ? 'line-thin' : 'bars',
    stages: ['season'],
    actual: season.byPeriod,
    ahead: indexAhead ? ahead : null,
    arithmetic: (t) => {
      const own = seasonOf(t)
      const { rawIndexMean } = season
      if (rawIndexMean === null || !season.departures) {
        return figureOf(
          `season of the ${name} by loess`,
          t > lastT ? ahead[t - lastT - 1]! : season.byPeriod[t - firstT]!,
        )
      }
      const adjusted = operation(
        rawOf(run, season, k, own, seasonOf),
        model.remove,
        figureOf(`mean of the ${season.seasons} raw indices`, rawIndexMean),
      )
      const { sharedMeans } = season
      if (sharedMeans.length === 0) return adjusted
      const shared = sharedMeans[(own - 1) % sharedMeans.length]!
      return operation(
        adjusted,
        model.remove,
        figureOf('what the shorter season has of it', shared),
      )
    },
  })
}

/** More positions than that are a line rather than bars. */
const MOST_BARS = 60

/** A raw index: the average of its position's cells, or over its neighbours. */
function rawOf(
  run: TwoSeasonsRun,
  season: SeasonOfTwo,
  k: number,
  own: number,
  seasonOf: (t: number) => number,
): Expression {
  const { options, columns, leftOut, calendar } = run
  const raw = season.raw[own - 1]!
  if (options.each !== 'averages') return figureOf('raw index', raw)
  if (k === 1 && options.width > 0) {
    return figureOf(`mean over ${options.width} neighbours to either side`, raw)
  }
  const cells = columns.t.filter((t, i) => seasonOf(t) === own && season.departures![i] !== null)
  const cell = (t: number) => run.cell(DEPARTURE_ROW[k]!, t)
  return {
    kind: 'average',
    how: options.average,
    terms: cells.filter((t) => !leftOut.has(t)).map(cell),
    // The grid that values are left out in, by marks of a reader, has the seasons of the calendar.
    ...(season.seasons === calendar.seasons
      ? { leftOut: cells.filter((t) => leftOut.has(t)).map(cell) }
      : {}),
  }
}

/** What the series' own season is seen in: the values without the other season and the level. */
function seasonalIrregularOfTwo(run: TwoSeasonsRun): Column {
  const { model, taken, calendar } = run
  const own = taken.seasons.findIndex(({ seasons }) => seasons === calendar.seasons)
  return declare(run.unit, {
    name: 'seasonalIrregular',
    label: model.measure === 'factor' ? 'Ratio' : 'Difference',
    means: `${run.inputNoun} ${model.remove} the other season ${model.remove} trend-cycle`,
    measure: model.measure,
    component: 'season',
    mark: 'dots',
    stages: ['season'],
    actual: taken.seasons[own]!.seasonalIrregular,
    arithmetic: (t) =>
      operation(
        operation(run.cell(run.input.column, t), model.remove, run.cell('trendCycle', t)),
        model.remove,
        run.cell(INDEX_ROW[1 - own]!, t),
      ),
    whyUndefined: (t) =>
      run.value(run.input.column, t) === null
        ? 'This period has no value.'
        : run.whyUndefined('trendCycle', t),
  })
}

function weightAt({ firstT }: TwoSeasonsRun, weights: readonly number[]) {
  return (t: number) => figureOf('weight of the last pass', weights[t - firstT]!)
}
