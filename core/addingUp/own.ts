import { assume } from '../assume'
import { beginExamined } from '../begin'
import { calculate } from '../calculate'
import { settledSoon } from '../check/settledSoon'
import { checkTask, roll } from '../check/rolling'
import { firstOrigin } from '../checkPlan'
import { spanOf } from '../completeMethod'
import { changed, type MethodDocument } from '../method'
import { methodName } from '../methodName'
import type { Series, Value } from '../series/series'
import { withoutAgreement } from './takenOn'

/** What is forecast of a node by itself, whatever that of the others. */
export interface Own {
  /** In a few words. */
  readonly method: string
  /** What it is forecast by. */
  readonly document: MethodDocument
  /** The same as it is tried at earlier origins, with what takes long chosen already. */
  readonly triedAs: MethodDocument
  /** One entry a period ahead. */
  readonly forecast: readonly number[]
}

/** How far ahead, and over what, forecasts are made to add up. */
export interface Span {
  /** Periods ahead. */
  readonly horizon: number
  /** Periods from one origin to the next. */
  readonly step: number
}

/** Origins at which ways of adding up are tried, at the most. */
const MOST_ORIGINS = 12
/** A dozen origins a quarter of a cycle apart stand over three cycles of seasons. */
const STEPS_A_CYCLE = 4
const YEARLY_HORIZON = 3

/** A cycle of seasons ahead, from every quarter of one. @example months: 12 ahead, every third */
export function spanAhead(seasons: number): Span {
  if (seasons < 2) return { horizon: YEARLY_HORIZON, step: 1 }
  return { horizon: seasons, step: Math.max(1, Math.round(seasons / STEPS_A_CYCLE)) }
}

/**
 * The forecast of a series by itself, as the analyst has bent it; what made it agree with others before is taken out.
 *
 * @param method left out, it is begun with as a new series is
 * @throws Refusal as the method does
 */
export function ownForecast(
  series: Series,
  method: MethodDocument | undefined,
  { horizon }: Span,
): Own {
  const given = method ? withoutAgreement(method) : beginExamined(series).beginning.method
  // All are forecast from the same period on, and as far as the others.
  const { to: _, ...span } = given.span ?? {}
  const ahead = Math.max(horizon, given.forecast?.horizon ?? 0)
  const document = changed({ ...given, span }, { forecast: { horizon: ahead } })
  const figures = calculate(series, document)
  const { assumed } = assume(figures)
  return {
    document,
    // Chosen once and looked for nearby at every origin: a group has hundreds of series.
    triedAs: settledSoon(series, document, figures),
    method: methodName(figures.method, series.calendar),
    forecast: (assumed?.bent ?? figures.ahead).forecast.slice(0, horizon),
  }
}

/** At how many origins a method can be tried. */
export function originsOf(series: Series, { document }: Own, { step }: Span): number {
  const periods = periodsOf(series, document)
  const first = firstOrigin(periods, series.calendar.seasons, Infinity)
  return Math.max(0, Math.min(MOST_ORIGINS, Math.floor((periods - first) / step)))
}

/** A forecast as it would have been made, and what came. */
export interface OwnTry {
  readonly forecast: readonly number[]
  readonly actual: readonly Value[]
}

/**
 * The forecasts of a series by itself from so many origins, the last a step before its end.
 *
 * @returns one entry an origin, the earliest first; null where the method is refused there
 */
export function ownTries(
  series: Series,
  { triedAs: document }: Own,
  { horizon, step }: Span,
  origins: number,
): (OwnTry | null)[] {
  const first = periodsOf(series, document) - origins * step
  const task = checkTask(series, document, { rolling: { first, horizon, step } })
  if (!task) return Array.from({ length: origins }, () => null)
  const { tries } = roll(task)
  return task.origins.map((at) => tries.find(({ origin }) => origin === at) ?? null)
}

function periodsOf(series: Series, document: MethodDocument): number {
  const { firstT, lastT } = spanOf(document, series)
  return lastT - firstT + 1
}
