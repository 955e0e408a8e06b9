import { calculate } from '../calculate'
import { axisOf } from '../calendar/axis'
import { spanOf } from '../completeMethod'
import { changed, type MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'
import type { KeptForecast } from './kept'

/** What lies between two kept forecasts, one entry a period that both forecast, in units of the series. */
export interface Apart {
  /** Period codes. */
  readonly period: readonly string[]
  readonly before: readonly number[]
  readonly after: readonly number[]
  /** The old method on the new values, less the old statistical forecast. */
  readonly data: readonly number[]
  /** The new method on the new values, less the old one on them. */
  readonly method: readonly number[]
  /** What the hand adds now, less what it added then. */
  readonly hand: readonly number[]
}

/**
 * The difference of two kept forecasts in three steps that add up: new data, changed method, the hand.
 *
 * @returns null where they have no period in common
 * @throws Refusal where the old method cannot be carried out on the new values
 * @example before 100 (hand 5), old method on new values 103, after 110 (hand 0): data +8, method +7, hand −5
 */
export function apart(before: KeptForecast, after: KeptForecast): Apart | null {
  const common = before.forecast.period.filter((code) => after.forecast.period.includes(code))
  if (common.length === 0) return null
  const pick = ({ forecast: { period } }: KeptForecast, figures: readonly number[]) =>
    common.map((code) => figures[period.indexOf(code)]!)
  const figuresOf = (kept: KeptForecast) => {
    const { forecast, statistical } = kept.forecast
    return { bent: pick(kept, forecast), plain: pick(kept, statistical?.forecast ?? forecast) }
  }
  const [old, now] = [figuresOf(before), figuresOf(after)]
  const between = oldMethodOnNewValues(before, after.series, common)
  const each = (step: (i: number) => number) => common.map((_, i) => step(i))
  return {
    period: common,
    before: old.bent,
    after: now.bent,
    data: each((i) => between[i]! - old.plain[i]!),
    method: each((i) => now.plain[i]! - between[i]!),
    hand: each((i) => now.bent[i]! - now.plain[i]! - (old.bent[i]! - old.plain[i]!)),
  }
}

/** The statistical forecast that a kept method makes of newer values, over some periods. */
function oldMethodOnNewValues(
  { series: old, method }: KeptForecast,
  now: Series,
  codes: readonly string[],
): number[] {
  const { tOfCode } = axisOf(now)
  const document = throughTheEnd(method, old)
  const { lastT } = spanOf(document, now)
  const last = tOfCode(codes.at(-1)!)!
  const horizon = last - lastT
  if (horizon < 1) {
    throw new Refusal(
      'The old method ends after the periods that both forecast, so there is nothing that it could say of them.',
      'span.to',
    )
  }
  const { ahead } = calculate(
    now,
    changed(document, { forecast: { horizon, assumptions: undefined } }),
  )
  return codes.map((code) => {
    const i = ahead.t.indexOf(tOfCode(code)!)
    if (i >= 0) return ahead.forecast[i]!
    throw new Refusal(
      `With the old method ${code} would lie within the values and not ahead of them.`,
      'span.to',
    )
  })
}

/** A method whose span ended with the values of then goes to the end of those of now. */
function throughTheEnd(method: MethodDocument, series: Series): MethodDocument {
  const end = axisOf(series).codeAt(series.values.length)
  const { from, to } = method.span ?? {}
  if (to !== end) return method
  return { ...method, span: from === undefined ? {} : { from } }
}
