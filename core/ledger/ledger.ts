import { timeCodeOfCode } from '../calendar/period'
import { columnsOfCare } from '../care/columns'
import type { Cell } from '../column/cell'
import type { Column } from '../column/column'
import { seriesRun, type Run, type SeriesRun } from '../column/run'
import { wayOf } from '../decompose/ways'
import { projected } from '../exponential/recursion'
import { forecastWayOf } from '../forecast/ways'
import { exclusionsOf } from '../method'
import { MODEL } from '../model'
import type { Looked, Result } from '../result'
import type { Value } from '../series/series'
import type { DesignColumn } from '../regression/design'
import { trendColumns } from '../trend/columns'
import { TREND_FORMS } from '../trend/forms'
import { trendDesign } from '../trend/options'
import { calendarOfResult, startOfResult } from './calendarOfResult'

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
    ...columnsOfCare(series, {
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
  const design =
    method.trend.form === 'smoothed' ? [] : trendDesign(method.trend, series.calendar, series.start)
  const way = wayOf(decompose.by)
  const { hasSeason, trendIsLine } = way.traits
  const run: Run = {
    ...series,
    columns,
    model: MODEL[decompose.model],
    leftOut: leftOutOf(result),
    hasSeason,
    indexAhead: 'index' in forecast ? forecast.index : null,
  }
  return [
    ...way.columns({ ...run, options: decompose, taken: result.decomposition }),
    ...trendColumns(run, {
      fit: trendFit,
      design,
      ahead: forecastWay.extendsTrend ? trendAhead(result, design) : null,
      hasCycle: !trendIsLine,
      stages: forecastWay.hasOwnTrend ? [] : ['trend'],
    }),
    ...forecastWay.columns(run, {
      options: method.forecast,
      ahead: forecast,
      calendar: series.calendar,
      trendOptions: method.trend,
      trendFit,
      trendDesign: design,
      seasonCost: result.seasonCost,
      report: result.regression,
    }),
  ]
}

/** The trend over the periods ahead, from its coefficients, or from where level and slope end. */
function trendAhead({ forecast, trendFit }: Result, design: readonly DesignColumn[]): number[] {
  if (trendFit.form === 'smoothed') {
    const { form, end, weights } = trendFit.smoothing
    return projected(form, end, weights.phi ?? 1, forecast.t.length)
  }
  const [constant, ...rest] = trendFit.terms.map(({ estimate }) => estimate)
  const { ofLog } = TREND_FORMS[trendFit.form]
  return forecast.t.map((t) => {
    const sum = rest.reduce((total, own, j) => total + own * design[j]!.at(t), constant!)
    return ofLog ? Math.exp(sum) : sum
  })
}

/** Whether a method was carried out. */
export function isResult(result: Looked | Result): result is Result {
  return 'decomposition' in result
}

/** Time codes that are left out of the season. */
export function leftOutOf(result: Result): ReadonlySet<number> {
  const calendar = calendarOfResult(result)
  const start = startOfResult(result)
  return new Set(
    exclusionsOf(result.method).map(({ period }) => timeCodeOfCode(period, calendar, start)),
  )
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
