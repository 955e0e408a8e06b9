import { axisOf } from './calendar/axis'
import type { CommonColumns } from './column/run'
import { completeMethod } from './completeMethod'
import type { Carrier, CarryOn } from './decompose/carryOn'
import type { Decomposed, SeasonParts } from './decompose/parts'
import { wayOf, type Taken } from './decompose/ways'
import type { WeightSection } from './stateSpace/sections'
import type { MemberFigures, MemberMethod } from './forecast/member'
import type { Level } from './forecast/level'
import { forecastWayOf, type Ahead } from './forecast/ways'
import { exclusionsOf, METHOD_FORMAT, type Method, type MethodDocument } from './method'
import { methodName } from './methodName'
import { MODEL, type Model } from './model'
import { columnsBeside } from './prepare/beside'
import type { PreparationBasis } from './prepare/preparation'
import { costOf, errorOfPuttingBack, prepare, putBack, type Prepared } from './prepare/prepare'
import { preparationsOf } from './prepare/preparations'
import type { Series, Value } from './series/series'
import { axisOfStretch } from './series/stretch'
import type { Forecasted } from './forecast/way'
import { normalQuantile } from './statistics/distributions'
import { trendWayOf, type Trend } from './trend/ways'
import type { Hear } from './work/steps'

/** What a method comes to on a series: numbers alone, no judgement and no words. */
export interface Figures {
  readonly series: Series
  readonly method: Method
  readonly prepared: Prepared
  /** Time codes of the first and the last analysed period. */
  readonly firstT: number
  readonly lastT: number
  /** Time codes that are left out of the season. */
  readonly leftOut: ReadonlySet<number>
  readonly decomposed: Decomposed<Taken>
  readonly trend: Trend
  readonly columns: CommonColumns
  readonly ahead: Ahead
  /** Fitted values and forecast before what the preparations took out was put back; null where nothing was. */
  readonly inside: Inside | null
  /** What assumptions of growth and of a season act on, inside the preparations. */
  readonly level: Level | null
  /** Numbers that were estimated from the values. */
  readonly estimated: number
  /** Whether errors of the forecast are shares of the level rather than amounts. */
  readonly inProportion: boolean
  /** The report of the forecast's own regression, made when it is asked for. */
  readonly report: Forecasted<Ahead>['report']
  /** How sharply the weights of a smoothing were chosen, likewise. */
  readonly sections: () => readonly WeightSection[] | null
}

/** What a forecast comes to on the values as the preparations leave them. */
export interface Inside {
  readonly fitted: readonly Value[]
  readonly forecast: readonly number[]
  readonly limits: Ahead['limits']
}

/** What a method comes to before anything is forecast. */
export type TakenApart = Pick<
  Figures,
  'series' | 'method' | 'prepared' | 'firstT' | 'lastT' | 'leftOut' | 'decomposed'
>

/**
 * Makes the values of a series ready and takes them apart: the first half of a method, for whoever needs no forecast.
 *
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function takeApart(series: Series, document: MethodDocument, hear?: Hear): TakenApart {
  const method = completeMethod(document, series)
  const { calendar, start } = series
  const { decompose } = method
  const { tOfCode } = axisOf(series)
  const timeCode = (code: string) => tOfCode(code)!
  const firstT = timeCode(method.span.from)
  const lastT = timeCode(method.span.to)
  const leftOut = new Set(exclusionsOf(method).map(({ period }) => timeCode(period)))

  const prepared = prepare(series, {
    ...{ firstT, lastT, choices: method, model: decompose.model },
    endT: lastT + method.forecast.horizon,
    beside: () =>
      columnsBeside(method.trend, {
        ...{ calendar, start, firstT },
        values: series.values.slice(firstT - 1, lastT),
      }),
    ...{ leftOut, hear },
    indexOf: (part) => wayOf(decompose.by).decompose(part, decompose, leftOut, carryOn).index,
  })
  const decomposed = wayOf(decompose.by).decompose(prepared.input, decompose, leftOut, carryOn)
  return { series, method, prepared, firstT, lastT, leftOut, decomposed }
}

/**
 * Runs a method on a series, numbers alone: what is checked and compared in thousands pays for nothing else.
 *
 * @param series values in units of `series.unit`, one a period
 * @param document the method; what it leaves out takes its default ({@link completeMethod})
 * @param hear is told how far a long choice has come
 * @returns limits are the model's, whatever the method asks; those from past errors need the check, which
 *   calculates many times ({@link withPastErrors})
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function calculate(series: Series, document: MethodDocument, hear?: Hear): Figures {
  const apart = takeApart(series, document, hear)
  const { method, prepared, firstT, lastT, decomposed } = apart
  const { calendar, start } = series
  const { seasonOf } = axisOf(series)
  const { decompose } = method
  const stretch = prepared.input
  const trend = trendWayOf(method.trend.form).fit(
    decomposed.deseasonalized,
    method.trend,
    { calendar, start, firstT },
    (t) => stretch.periodOf(t - firstT).label,
    hear,
  )
  const { season } = decomposed
  const seasonAt = ({ at, indices }: SeasonParts, t: number) => at?.(t) ?? indices[seasonOf(t) - 1]!
  const { estimated, inProportion, level, report, sections, ...made } = forecastWayOf(
    method.forecast.by,
  ).forecast(
    {
      stretch,
      start,
      model: decompose.model,
      trend,
      trendOptions: method.trend,
      lastT,
      index: decomposed.index,
      hasSeason: season !== null,
      seasonCost: season?.cost ?? 0,
      costBefore: costOf(prepared.takenOut),
      indexAt: (t) => (season ? seasonAt(season, t).index : MODEL[decompose.model].neutral),
      uncertaintyAt: (t) => (season ? seasonAt(season, t).uncertainty : 0),
      calculateMember: (member) => memberFigures(member, method, series),
      hear,
    },
    method.forecast,
  )
  const { ahead, fitted, inside } = whole(made, prepared, firstT)
  let reported: ReturnType<typeof report> = null
  return {
    ...apart,
    trend,
    ahead,
    inside,
    level,
    estimated,
    inProportion,
    report: () => (reported ??= report()),
    sections: () => sections?.() ?? null,
    columns: columnsOf(series, prepared, firstT, decomposed, trend, fitted),
  }
}

/** A forecast with everything in it again that the preparations took out of the values. */
function whole(
  { ahead, fitted }: Pick<Forecasted<Ahead>, 'ahead' | 'fitted'>,
  { takenOut }: Prepared,
  firstT: number,
): Pick<Forecasted<Ahead>, 'ahead' | 'fitted'> & Pick<Figures, 'inside'> {
  if (!takenOut) return { ahead, fitted, inside: null }
  const { t, forecast, limits } = ahead
  const back = (values: readonly Value[]) =>
    values.map((value, i) => putBack(takenOut, value, t[i]!))
  const whole = back(forecast) as number[]
  // Limits lie as far apart as before, and further by what is not known of what comes back.
  const wider = (side: readonly Value[], level: number) =>
    back(side).map((limit, i) => {
      if (limit === null) return null
      const error = errorOfPuttingBack(takenOut, whole[i]!, t[i]!)
      const apart = limit - whole[i]!
      if (error === 0) return limit
      return whole[i]! + Math.sign(apart) * Math.hypot(apart, normalQuantile(level) * error)
    })
  return {
    ahead: {
      ...ahead,
      forecast: whole,
      limits: Object.fromEntries(
        Object.entries(limits).map(([level, { lower, upper }]) => [
          level,
          { lower: wider(lower, Number(level)), upper: wider(upper, Number(level)) },
        ]),
      ),
    },
    fitted: fitted.map((value, i) => putBack(takenOut, value, firstT + i)),
    inside: { fitted, forecast, limits },
  }
}

/** What an effect of the calendar is looked for in once the preparations are done. */
export function basisAfter(apart: TakenApart): PreparationBasis {
  const { series, prepared, method, firstT, lastT, leftOut } = apart
  const { values } = prepared.original
  return {
    ...{ series, leftOut, stretch: prepared.input, model: method.decompose.model, endT: lastT },
    beside: () => columnsBeside(method.trend, { ...series, firstT, values }),
    indexOf: () => null,
  }
}

/** Carries a stretch on by the usual method of a way of forecasting, as if it were a series by itself. */
export const carryOn: CarryOn = (stretch, by, model, periods) => {
  const { calendar, start } = axisOfStretch(stretch)
  const { values } = stretch
  const series: Series = { name: '', unit: '', calendar, start, values }
  return calculate(series, carryingMethod(by, model, periods)).ahead.forecast
}

/** The method that a way of forecasting carries a series on by. */
export function carryingMethod(by: Carrier, model: Model, periods: number): MethodDocument {
  const forecast = forecastWayOf(by).carriesOn!(model)
  return {
    format: METHOD_FORMAT,
    decompose: { model },
    forecast: { ...forecast, horizon: periods, levels: [] },
  }
}

/** A method within a method by itself: over the same span, as far ahead, without limits of its own. */
export function memberAlone(
  { decompose, trend, forecast }: MemberMethod,
  around: Method,
): MethodDocument {
  const { format, span } = around
  return {
    ...{ format, span, ...preparationsOf(around), decompose, trend },
    forecast: { ...forecast, horizon: around.forecast.horizon, levels: [] },
  } as MethodDocument
}

/** What a method within a method comes to, on the values as the preparations leave them. @throws Refusal as it does by itself */
function memberFigures(member: MemberMethod, around: Method, series: Series): MemberFigures {
  const document = memberAlone(member, around)
  const { ahead, columns, inside, estimated, inProportion, method } = calculate(series, document)
  return {
    name: methodName(method, series.calendar),
    forecast: (inside ?? ahead).forecast,
    fitted: (inside ?? columns).fitted,
    ...{ estimated, inProportion },
  }
}

/** Every column that all results have, one entry a period. */
function columnsOf(
  { calendar, start }: Series,
  { original, used }: Prepared,
  firstT: number,
  { trendCycle, index, deseasonalized, irregular, recomposed }: Decomposed<Taken>,
  trend: Trend,
  fitted: readonly Value[],
): CommonColumns {
  const { values } = used
  const t = values.map((_, i) => firstT + i)
  const line = t.map((at): Value => (at < trend.from ? null : trend.at(at)))
  return {
    period: t.map(axisOf({ calendar, start }).codeAt),
    t,
    season: used.seasonOf,
    original: original.values,
    value: values,
    trendCycle,
    index,
    deseasonalized,
    irregular,
    recomposed,
    trend: line,
    fitted,
    residual: values.map((value, i) => {
      const fit = fitted[i]!
      return value === null || fit === null ? null : value - fit
    }),
  }
}
