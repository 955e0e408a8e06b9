import { axisOf } from './calendar/axis'
import { completeCheck, type CheckDocument, type CheckPlan } from './checkPlan'
import type { Exclusion } from './decompose/commonOptions'
import { completeDecomposition, exclusionsIn } from './decompose/ways'
import type { MemberDocument, MemberMethod } from './forecast/member'
import { COMBINING, completeForecast } from './forecast/ways'
import type { Method, MethodDocument } from './method'
import { fillsWithZero } from './prepare/fill/fillMissing'
import { completePreparations, preparationsOf } from './prepare/preparations'
import { Refusal } from './refusal'
import { adjustedValues } from './series/adjusted'
import type { Series, Value } from './series/series'
import { timeCodeFrom, timeCodeIn } from './series/timeCodeIn'
import { completeTrend } from './trend/options'

/**
 * Fills in every default of a method for a series.
 *
 * The defaults: the whole series; missing values left missing; a decomposition as
 * {@link completeDecomposition} has it, multiplicative where every value is above 0, else additive; a
 * straight line through all periods; one year ahead, three of a yearly series, with 80% and 95% limits.
 *
 * @throws Refusal for a period that the series does not have, and for a
 *   horizon or level out of range; `where` is the path in the document
 */
export function completeMethod(document: MethodDocument, series: Series): Method {
  const { decompose = {}, trend = {}, forecast = {} } = document
  const { calendar } = series
  const { span, firstT, lastT } = spanOf(document, series)
  requireUsable(exclusionsIn(decompose) ?? [], series, firstT, lastT)
  const preparations = completePreparations(document)
  // A gap filled with zero is a value that is not above 0.
  const isPositive = (value: Value) => (value === null ? !fillsWithZero(preparations) : value > 0)
  const inSpan = adjustedValues(series).slice(firstT - 1, lastT)
  const options = completeDecomposition(decompose, {
    model: inSpan.every(isPositive) ? 'multiplicative' : 'additive',
    periods: inSpan.length,
    seasons: calendar.seasons,
    frequency: calendar.frequency,
  })
  const timeCode = (code: string, where: string) => timeCodeIn(series, code, where)
  const facts = { calendar, start: series.start, firstT, lastT, timeCode }
  const completeMember = (member: MemberDocument, where: string) =>
    completedMember(member, where, document, series)
  const trendOptions = completeTrend(trend, facts)
  return {
    format: document.format,
    span,
    ...preparations,
    decompose: options,
    trend: trendOptions,
    forecast: completeForecast(forecast, {
      ...{ ...facts, decompose, completeMember },
      timeCode: (code, where) => timeCodeFrom(series, code, where),
      ...{ model: options.model, trend: trendOptions },
    }),
    ...(document.check ? { check: planOf(document.check, inSpan.length, calendar.seasons) } : {}),
  }
}

/**
 * What a method says with every default filled in, its check and the hand aside, as text: two documents that say the same
 * are one.
 *
 * @throws Refusal as {@link completeMethod} does
 */
export function methodSays(document: MethodDocument, series: Series): string {
  const { assumptions: _, scenarios: __, ...forecast } = document.forecast ?? {}
  const method = { ...document, check: undefined, forecast } as MethodDocument
  return JSON.stringify(completeMethod(method, series))
}

/**
 * A method within a method, complete.
 *
 * @param where its path in the document around it
 * @throws Refusal for a combination within a combination, and as the method itself does
 */
function completedMember(
  { decompose, trend, forecast = {} }: MemberDocument,
  where: string,
  outer: MethodDocument,
  series: Series,
): MemberMethod {
  if (forecast.by === COMBINING.name) {
    throw new Refusal('A combination cannot be part of another.', `${where}.forecast.by`)
  }
  const given = COMMON.find((key) => forecast[key] !== undefined)
  if (given) {
    throw new Refusal(
      `${given} is that of the combination, for all its methods. Take it out here.`,
      `${where}.forecast.${given}`,
    )
  }
  try {
    const document = {
      ...{ format: outer.format, span: outer.span, ...preparationsOf(outer), decompose, trend },
      forecast: { ...forecast, horizon: outer.forecast?.horizon, levels: [] },
    } as MethodDocument
    const complete = completeMethod(document, series)
    const { horizon: _, levels: __, limits: ___, ...own } = complete.forecast
    return { decompose: complete.decompose, trend: complete.trend, forecast: own }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { because, where: own, names } = error
    throw new Refusal(because, /^[a-z]/.test(own) ? `${where}.${own}` : own || where, names)
  }
}

/** What a combination says for all its methods. */
const COMMON = ['horizon', 'levels', 'limits', 'assumptions', 'scenarios'] as const

/** @throws Refusal for a check that is asked for where the series is too short for any */
function planOf(check: CheckDocument, periods: number, seasons: number): CheckPlan {
  const plan = completeCheck(check, { periods, seasons })
  if (plan) return plan
  throw new Refusal(
    `${periods} periods are too few to be checked: the first forecast needs ${Math.max(3 * seasons, 10)} before it, and one after.`,
    'check',
  )
}

/**
 * The analysed span of a method, the whole series when it names none.
 *
 * @throws Refusal for a period that the series does not have, and for a span that ends before it begins
 */
export function spanOf(document: Pick<MethodDocument, 'span'>, series: Series) {
  const { values } = series
  const code = axisOf(series).codeAt
  const span = { from: code(1), to: code(values.length), ...document.span }
  const firstT = timeCodeIn(series, span.from, 'span.from')
  const lastT = timeCodeIn(series, span.to, 'span.to')
  if (lastT < firstT) throw new Refusal('The span ends before it begins.', 'span')
  return { span, firstT, lastT }
}

/** Exclusions of periods that the span has, each once: any other would do nothing without a word. */
function requireUsable(
  exclude: readonly Exclusion[],
  series: Series,
  firstT: number,
  lastT: number,
): void {
  const seen = new Set<number>()
  exclude.forEach(({ period }, i) => {
    const where = `decompose.exclude.${i}.period`
    const t = timeCodeIn(series, period, where)
    if (seen.has(t)) throw new Refusal(`${period} is left out twice.`, where)
    if (t < firstT || t > lastT) {
      throw new Refusal(`${period} lies outside the periods that are analysed.`, where)
    }
    seen.add(t)
  })
}
