import { errorFigures, seasonalNaiveScale } from './check/errorFigures'
import { seasonLabel } from './calendar/labels'
import { formatPeriod, parsePeriod, periodAt, timeCodeOf } from './calendar/period'
import { prepareStretch } from './care/prepare'
import { decompose, type AnyDecomposition } from './decompose/decompose'
import { indexStability } from './decompose/indexStability'
import { putBack, takeOut } from './model'
import { strengthsOf } from './seasonality/strength'
import { careFindings } from './findings/careFindings'
import { leftoverFindings } from './findings/leftoverFindings'
import { loessFindings } from './findings/loessFindings'
import { lookFindings } from './findings/lookFindings'
import { methodFindings } from './findings/methodFindings'
import { seasonFindings } from './findings/seasonFindings'
import { spanFindings } from './findings/spanFindings'
import { forecastByDecomposition } from './forecast/byDecomposition/calculate'
import { examineLeftover } from './leftover/leftover'
import { completeMethod } from './completeMethod'
import type { Method, MethodDocument } from './method'
import { equation } from './trend/equation'
import type { Model } from './model'
import { Refusal } from './refusal'
import { regressionFigures } from './regression/report'
import { fitTrend } from './trend/fit'
import type { TrendLine } from './trend/trendLine'
import { RESULT_FORMAT, type Result, type SeasonRow, type StraightLine } from './result'
import { testSeason } from './seasonality/seasonTests'
import { whichModel, type WhichModel } from './seasonality/whichModel'
import type { Series, Value } from './series/series'
import { standardErrorOfMean } from './statistics/spread'
import type { Stretch } from './series/stretch'
import { readIndex } from './words/reading'

/**
 * Runs a method on a series: the one entrance that screen, HTTP and command line call.
 *
 * @param series values in units of `series.unit`, one a period
 * @param document the method; what it leaves out takes its default ({@link completeMethod})
 * @returns every column of the calculation over the analysed span, the indices, the trend report,
 *   the forecast with its limits, error figures and findings
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function analyse(series: Series, document: MethodDocument): Result {
  const method = completeMethod(document, series)
  const { calendar, start } = series
  const { model } = method.decompose
  const timeCode = (code: string) =>
    timeCodeOf(start, parsePeriod(code, calendar)!, calendar.seasons)
  const code = (t: number) => formatPeriod(periodAt(start, t, calendar.seasons), calendar)

  const firstT = timeCode(method.span.from)
  const lastT = timeCode(method.span.to)
  const excluded = new Set(method.decompose.exclude.map(({ period }) => timeCode(period)))
  const {
    original,
    used: stretch,
    filled,
  } = prepareStretch(series, method, firstT, lastT, excluded)
  const { values } = stretch
  const t = values.map((_, i) => firstT + i)

  const decomposition = decompose(stretch, method.decompose, excluded)
  const { deseasonalized, straightTrend, trendCycle, index } = decomposition

  const { line: trend, from: fitFrom } = fitTrend(deseasonalized, firstT, method.trend.last)
  const trendBefore = fitTrend(values, firstT, method.trend.last).line
  const trendColumn = t.map((at) => (at < fitFrom ? null : trend.at(at)))
  const fitted = trendColumn.map((value, i) =>
    value === null ? null : putBack(model, value, index[i]!),
  )

  const weights = decomposition.loess?.weights
  const counts = (i: number) => !excluded.has(firstT + i) && weights?.[i] !== 0
  const seasonTests = testSeason(stretch, decomposition.seasonalIrregular, counts, model)
  const leftover = examineLeftover(stretch, decomposition.irregular, counts)
  const strength = strengthOf(decomposition, model, excluded, firstT)
  const comparison = compareModels(stretch, series)

  const seasonOf = (at: number) => periodAt(start, at, calendar.seasons).season
  const forecast = forecastByDecomposition(
    trend,
    lastT,
    (at) => decomposition.indices.seasons[seasonOf(at) - 1]!.index,
    { model, ...method.forecast, seasons: calendar.seasons },
  )
  const seasons = seasonRows(stretch, decomposition, method, excluded, series.unit)

  return {
    format: RESULT_FORMAT,
    series: {
      name: series.name,
      unit: series.unit,
      frequency: calendar.frequency,
      seasons: calendar.seasons,
      yearStart: calendar.yearStart,
      start: code(1),
      end: code(series.values.length),
      periods: series.values.length,
      missing: series.values.filter((value) => value === null).length,
    },
    method,
    adjustments: series.adjustments ?? [],
    filled,
    columns: {
      period: t.map(code),
      t,
      season: stretch.seasonOf,
      original: original.values,
      value: values,
      movingAverage: decomposition.movingAverage ?? undefinedEverywhere(values),
      trendCycle,
      seasonalIrregular: decomposition.seasonalIrregular,
      index,
      deseasonalized,
      trend: trendColumn,
      // Against a line, a trend-cycle that is itself a line has no cycle to show.
      cycle:
        method.decompose.by === 'ratio-to-moving-average' || method.decompose.by === 'stl'
          ? trendCycle.map((value, i) => {
              const line = straightTrend.at(firstT + i)
              // A share of a line that is not above 0 has no meaning.
              const isMeaningless = model === 'multiplicative' && !(line > 0)
              return value === null || isMeaningless ? null : takeOut(model, value, line)
            })
          : undefinedEverywhere(values),
      irregular: decomposition.irregular,
      recomposed: decomposition.recomposed,
      fitted,
      residual: values.map((value, i) =>
        value === null || fitted[i] === null ? null : value - fitted[i]!,
      ),
      weight: weights ?? undefinedEverywhere(values),
    },
    seasons,
    rawIndexMean: decomposition.indices.rawIndexMean,
    strength,
    seasonTests,
    whichModel: comparison,
    leftover,
    lastPass: decomposition.loess?.lastPass ?? null,
    straightTrend: lineOf(straightTrend),
    trendOfOriginal: decomposition.trendOfOriginal && lineOf(decomposition.trendOfOriginal),
    overallMean: decomposition.seasonMeans?.overall ?? null,
    trendFit: {
      form: 'linear',
      equation: equation('deseasonalized', trend.intercept, trend.slope),
      from: fitFrom,
      to: lastT,
      r2Before: figuresOf(trendBefore).r2,
      ...figuresOf(trend),
    },
    forecast: {
      ...forecast,
      period: forecast.t.map(code),
      season: forecast.t.map(seasonOf),
    },
    accuracy: {
      fitted: errorFigures(values, fitted, seasonalNaiveScale(values, calendar.seasons)),
    },
    findings: [
      ...lookFindings(stretch, decomposition, comparison, model, series.unit),
      ...seasonFindings(seasons, model, values, seasonTests, strength),
      ...leftoverFindings(leftover, method),
      ...careFindings(stretch, series.adjustments ?? [], filled, method, series.unit),
      ...spanFindings(stretch, method, trendCycle, forecast),
      ...methodFindings(stretch, decomposition, forecast),
      ...loessFindings(stretch, decomposition, model),
    ],
  }
}

/** Each season's index with its spread over the years, how it hangs on either end, and its reading. */
function seasonRows(
  stretch: Stretch,
  decomposition: AnyDecomposition,
  method: Method,
  excluded: ReadonlySet<number>,
  unit: string,
): SeasonRow[] {
  const { withoutFirst, withoutLast } = indexStability(
    stretch,
    decomposition,
    method.decompose,
    excluded,
  )
  const errorOf = (season: number) =>
    standardErrorOfMean(
      decomposition.seasonalIrregular.filter(
        (value, i): value is number =>
          value !== null && stretch.seasonOf[i] === season && !excluded.has(stretch.firstT + i),
      ),
    )
  return decomposition.indices.seasons.map((row, k) => ({
    ...row,
    label: seasonLabel(row.season, stretch.calendar),
    withoutFirst: withoutFirst?.[k] ?? null,
    withoutLast: withoutLast?.[k] ?? null,
    standardError: decomposition.loess ? null : errorOf(row.season),
    reading: readIndex(row.index, method.decompose.model, unit),
  }))
}

/** Strengths over the periods that have an irregular and are not left out. */
function strengthOf(
  { trendCycle, index, irregular, loess }: AnyDecomposition,
  model: Model,
  excluded: ReadonlySet<number>,
  firstT: number,
): Result['strength'] {
  const kept = irregular.map((value, i) => (excluded.has(firstT + i) ? null : value))
  const over = (remainder: readonly Value[]) =>
    strengthsOf(model, { trend: trendCycle, seasonal: index, remainder })
  const believed = kept.map((value, i) => (loess?.weights[i] === 0 ? null : value))
  const distrusts = believed.some((value, i) => value !== kept[i])
  return { ...over(kept), withoutDistrusted: distrusts ? over(believed) : null }
}

/** Which model fits; null where the comparison needs more full years than there are. */
function compareModels(
  { values, firstT }: Stretch,
  { start, calendar }: Series,
): WhichModel | null {
  try {
    return whichModel(values, periodAt(start, firstT, calendar.seasons), calendar.seasons)
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

function figuresOf(line: TrendLine) {
  return regressionFigures(line.fit, line.fittedValues, ['constant', 't'], line.residuals)
}

function lineOf({ intercept, slope }: TrendLine): StraightLine {
  return { intercept, slope }
}

function undefinedEverywhere(values: readonly Value[]): Value[] {
  return values.map(() => null)
}
