import { axisOf } from '../calendar/axis'
import { listed } from '../words/listed'
import type { Cell } from '../column/cell'
import type { Expression } from '../column/expression'
import type { Column } from '../column/column'
import { seriesRun, type Run, type SeriesRun } from '../column/run'
import { wayOf } from '../decompose/ways'
import {
  bentColumns,
  scenarioColumn,
  statisticalRun,
  STATISTICAL_FORECAST,
} from '../forecast/assumptions/columns'
import type { ForecastParts } from '../forecast/way'
import { forecastWayOf, type Ahead, type ForecastOptions } from '../forecast/ways'
import { exclusionsOf } from '../method'
import { MODEL } from '../model'
import { columnsBeside } from '../prepare/beside'
import { columnsOfValues, columnsTakenOut, putBackArithmetic } from '../prepare/columns'
import type { Looked, Result } from '../result'
import type { Value } from '../series/series'
import { trendColumns } from '../trend/columns'
import { trendWayOf } from '../trend/ways'
import { calendarOfResult, startOfResult } from './calendarOfResult'
import { columnsPutBack, FORECAST_INSIDE } from './putBack'
import { costOf, namesTakenOut } from '../prepare/prepare'

/** The columns of a result in the order of the calculation. */
export interface Ledger {
  readonly columns: readonly Column[]
  /** What columns that are laid beside may know of it. */
  readonly run: SeriesRun
  find(name: string): Column | undefined
}

/** Made once a result: every strip, row and explanation asks for it. */
const LEDGERS = new WeakMap<Looked, Ledger>()

/**
 * The ledger of a result, or of what can be looked at of a series whose method is refused.
 *
 * Columns that a method does not have are not there: no off-centre average for an odd number of seasons, no
 * cycle where the trend-cycle is a line.
 */
export function ledgerOf(result: Looked | Result): Ledger {
  const known = LEDGERS.get(result)
  if (known) return known
  const made = makeLedger(result)
  LEDGERS.set(result, made)
  return made
}

function makeLedger(result: Looked | Result): Ledger {
  const byName = new Map<string, Column>()
  const find = (name: string) => byName.get(name)
  const { t } = result.columns
  const lastT = t.at(-1)!
  const isWhole = isResult(result)
  const series = seriesRun(
    {
      calendar: calendarOfResult(result),
      start: startOfResult(result),
      unit: result.series.unit,
      noun: result.series.noun,
      firstT: t[0]!,
      lastT,
      endT: isWhole ? (result.forecast.t.at(-1) ?? lastT) : lastT,
    },
    find,
  )
  const columns = [
    ...columnsOfValues(series, {
      ...result.columns,
      adjustments: result.adjustments,
      filled: result.filled,
      missing: result.method.missing,
      restore: isWhole ? MODEL[result.method.decompose.model].restore : '+',
    }),
    ...(isWhole ? columnsOfMethod(result, series) : []),
  ]
  for (const column of columns) byName.set(column.name, column)
  return { columns, run: series, find }
}

/** The steps of the method: decomposition, trend, forecast. */
function columnsOfMethod(result: Result, series: SeriesRun): Column[] {
  const { method, columns, forecast, trendFit } = result
  const { decompose } = method
  const forecastWay = forecastWayOf(method.forecast.by)
  const trendWay = trendWayOf(method.trend.form)
  const design = trendWay.design(method.trend, series.calendar, series.start)
  const way = wayOf(decompose.by)
  const { hasSeason, trendIsLine } = way.traits
  const taken = columnsTakenOut(
    series,
    result.takenOut?.found,
    columns.value,
    columnsBeside(method.trend, { ...series, values: columns.original }),
  )
  const without = namesTakenOut(result.takenOut?.found)
  const known: Omit<Run, 'indexUncertainty'> = {
    ...series,
    columns,
    input: taken.input,
    without,
    inputNoun: [series.noun, ...(without.length > 0 ? [`without ${listed(without)}`] : [])].join(
      ' ',
    ),
    model: MODEL[decompose.model],
    leftOut: leftOutOf(result),
    hasSeason,
    indexAhead: forecastWay.indexAhead?.(forecast) ?? null,
  }
  const own = { ...known, options: decompose, taken: result.decomposition, indexUncertainty: null }
  const run: Run = { ...known, indexUncertainty: way.uncertainty?.(own) ?? null }
  const parts = {
    options: method.forecast,
    ahead: forecast,
    calendar: series.calendar,
    trendOptions: method.trend,
    trendFit,
    trendDesign: design,
    seasonCost: result.seasonCost,
    costBefore: costOf(result.takenOut?.found ?? null),
    report: result.regression,
  }
  return [
    ...taken.columns,
    ...way.columns({ ...run, options: decompose, taken: result.decomposition }),
    ...trendColumns(run, {
      fit: trendFit,
      design,
      ahead: forecastWay.extendsTrend ? trendWay.ahead(trendFit, design, forecast.t) : null,
      hasCycle: !trendIsLine,
      stages: forecastWay.hasOwnTrend ? [] : ['trend'],
    }),
    ...forecastColumns(result, run, parts),
  ]
}

/** The rows of the forecast, with what the preparations took out in them again, and as the analyst's assumptions bend them. */
function forecastColumns(
  { method, takenOut, assumed, scenarios = [] }: Result,
  run: Run,
  parts: ForecastParts<ForecastOptions, Ahead>,
): Column[] {
  const way = forecastWayOf(method.forecast.by)
  const rows = (own: Run, ofWay: typeof parts) =>
    takenOut ? columnsPutBack(own, way, ofWay, takenOut) : way.columns(own, ofWay)
  const statistical = assumed ? STATISTICAL_FORECAST : 'forecast'
  const common = {
    ...{ run, statistical },
    inside: takenOut ? FORECAST_INSIDE : statistical,
    timeCode: (code: string) => axisOf(run).tOfCode(code)!,
    levelAtOrigin: way.levelAtOrigin && (() => way.levelAtOrigin!(run, parts)),
    putBack: (value: Expression, t: number) =>
      takenOut ? putBackArithmetic(run, takenOut.found, value, t) : value,
  }
  const beside = scenarios.map(({ name, bent }, i) =>
    scenarioColumn(name, i, {
      ...{ ...common, bent, hasRows: false },
      assumptions: method.forecast.scenarios![i]!.assumptions,
    }),
  )
  if (!assumed) return [...rows(run, parts), ...beside]
  const unbent = { ...parts, ahead: { ...parts.ahead, ...assumed.statistical } as Ahead }
  return [
    ...bentColumns(rows(statisticalRun(run), unbent), {
      ...{ ...common, bent: assumed.bent, hasRows: true },
      assumptions: method.forecast.assumptions!,
    }),
    ...beside,
  ]
}

/** Whether a method was carried out. */
export function isResult(result: Looked | Result): result is Result {
  return 'decomposition' in result
}

/** Time codes that are left out of the season. */
export function leftOutOf(result: Result): ReadonlySet<number> {
  const { tOfCode } = axisOf({ calendar: calendarOfResult(result), start: startOfResult(result) })
  return new Set(exclusionsOf(result.method).map(({ period }) => tOfCode(period)!))
}

/**
 * The figures of a column over the analysed span.
 *
 * @throws RangeError when the result has no such column
 */
export function actualOf(result: Looked | Result, name: string): readonly Value[] {
  const actual = ledgerOf(result).find(name)?.actual
  if (!actual) throw new RangeError(`The ledger has no figures ${name} over the span.`)
  return actual
}

/**
 * The figures of a column over all periods, actual ones first and then the forecast.
 *
 * @returns one entry a period, undefined (null) where the calculation has no figure
 */
export function columnValues({ run }: Ledger, { actual, ahead }: Column): Value[] {
  const { firstT, lastT, endT } = run
  const nothing = (count: number) => Array<Value>(count).fill(null)
  return [...(actual ?? nothing(lastT - firstT + 1)), ...(ahead ?? nothing(endT - lastT))]
}

/** The figure in a cell of the ledger. */
export function cellValue(result: Looked | Result, { column, t }: Cell): Value {
  return ledgerOf(result).run.value(column, t)
}
