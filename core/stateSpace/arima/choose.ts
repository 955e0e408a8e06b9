import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import type { Steps, Tried } from '../../work/steps'
import { arimaColumns, ofTheSpan, type KnownColumn } from './columns'
import { fitArima, isClear, type ArimaFit } from './fit'
import { constantAllowed, numbersOf, orderText, type ArimaConstant, type ArimaOrder } from './order'
import { ON_THE_WAY, oneOfMany } from './search'

/** The largest orders that are tried. */
export interface OrderLimits {
  readonly p: number
  readonly q: number
  readonly P: number
  readonly Q: number
}

/** The limits that are usual. */
export const USUAL_LIMITS: OrderLimits = { p: 5, q: 5, P: 2, Q: 2 }
/** p + q + P + Q at the most, when all are tried. */
export const USUAL_TOTAL = 5

/** What orders are chosen for. */
export interface ToChoose {
  /** One a period, on the scale of the model, null = missing. */
  readonly values: readonly Value[]
  readonly beside: readonly KnownColumn[]
  readonly firstT: number
  /** m */
  readonly seasons: number
  readonly d: number
  readonly D: number
  /** Those of the season are 0 where none is allowed. */
  readonly limits: OrderLimits
  /** A sum of the orders up to which every model is tried; null for a walk from neighbour to neighbour. */
  readonly total: number | null
}

/** A model that was tried. */
export interface TriedModel {
  /** `(1,0,0)(0,1,1) with drift` */
  readonly name: string
  readonly order: ArimaOrder
  readonly constant: ArimaConstant
  /** null where it cannot be fitted. */
  readonly fit: ArimaFit | null
  /** Why it is passed over; null where it can be taken. */
  readonly because: string | null
}

/** The models that were tried, the best first, and the one to take. */
export interface ChosenModel {
  readonly taken: TriedModel
  readonly tried: readonly TriedModel[]
}

/** Models that a walk seldom needs more of. */
const WALKS = 40
/** AICc must fall by more than this for a walk to go on: below, it is rounding. */
const FALLS = 1e-9
/** Where a walk starts from, each cut to its limits: (p,q)(P,Q). */
const STARTS = [
  [2, 2, 1, 1],
  [0, 0, 0, 0],
  [1, 0, 1, 0],
  [0, 1, 0, 1],
] as const
/** One or two orders a step up or down together. */
const STEPS = [
  ...[
    [1, 0, 0, 0],
    [0, 1, 0, 0],
    [0, 0, 1, 0],
    [0, 0, 0, 1],
    [1, 1, 0, 0],
    [0, 0, 1, 1],
  ].flatMap((up) => [up, up.map((own) => -own)]),
] as readonly (readonly number[])[]

/** p, q, P, Q and whether there is a constant. */
interface Asked {
  readonly orders: readonly number[]
  readonly hasConstant: boolean
}

/**
 * Chooses orders by AICc, with the differences given: by a walk from the best of four models to its best neighbour until none
 * is better, or among all up to a sum of orders.
 *
 * Passed over is what cannot be fitted, what has too few values for AICc, and what has a root on the unit circle.
 *
 * @param where path in the document, for a refusal
 * @throws Refusal where no model can be taken
 * @see Hurvich, C. M. & Tsai, C.-L. (1989), Biometrika 76, 297–307 (AICc)
 */
export function* chooseOrders(own: ToChoose, where: string): Steps<ChosenModel> {
  const known = new Map<string, TriedModel>()
  const fitted = function* (all: readonly Asked[]): Steps<readonly TriedModel[]> {
    const models: TriedModel[] = []
    for (const [i, asked] of all.entries()) {
      const key = JSON.stringify(asked)
      const one = known.get(key) ?? tryModel(own, asked, where)
      known.set(key, one)
      models.push(one)
      yield {
        done: own.total === null ? known.size : i + 1,
        of: own.total === null ? Math.max(WALKS, known.size) : all.length,
        words: own.total === null ? 'models tried, or fewer' : 'models tried',
        tried: ordered([...known.values()]).map(asTried),
      }
    }
    return models
  }
  if (own.total !== null) yield* fitted(allUpTo(own, own.total))
  else yield* walk(own, fitted)
  const tried = ordered([...known.values()])
  const taken = tried.find(({ because }) => because === null)
  if (taken) return { taken, tried }
  throw new Refusal(
    `None of the ${tried.length} models that were tried can be taken: ${tried[0]?.because ?? 'there is none within the limits'}. Name the orders, or take another way.`,
    where,
  )
}

type Fit = (all: readonly Asked[]) => Steps<readonly TriedModel[]>

function* walk(own: ToChoose, fitted: Fit): Steps<void> {
  const hasConstant = constantAllowed(own) !== 'none'
  const starts = STARTS.map((orders) => ({ orders: cut(orders, own.limits), hasConstant }))
  let current = bestOf(yield* fitted(distinct(starts)), distinct(starts))
  while (current) {
    const around: Asked[] = neighbours(current.asked, own, hasConstant)
    const next = bestOf(yield* fitted(around), around)
    if (!next || !(next.aicc < current.aicc - FALLS)) return
    current = next
  }
}

function bestOf(
  models: readonly TriedModel[],
  asked: readonly Asked[],
): { readonly asked: Asked; readonly aicc: number } | null {
  let best: { asked: Asked; aicc: number } | null = null
  models.forEach(({ fit, because }, i) => {
    if (because !== null || fit === null || fit.aicc === null) return
    if (!best || fit.aicc < best.aicc) best = { asked: asked[i]!, aicc: fit.aicc }
  })
  return best
}

function neighbours({ orders, hasConstant }: Asked, own: ToChoose, canHave: boolean): Asked[] {
  const moved = STEPS.map((step) => orders.map((order, i) => order + step[i]!)).filter((next) =>
    next.every((order, i) => order >= 0 && order <= limitsOf(own.limits)[i]!),
  )
  return [
    ...moved.map((next) => ({ orders: next, hasConstant })),
    ...(canHave ? [{ orders, hasConstant: !hasConstant }] : []),
  ]
}

/** Every model whose orders add up to no more than a total, with and without a constant. */
function allUpTo(own: ToChoose, total: number): Asked[] {
  const [p, q, P, Q] = limitsOf(own.limits) as [number, number, number, number]
  const upTo = (most: number) => Array.from({ length: most + 1 }, (_, i) => i)
  const orders = upTo(p)
    .flatMap((a) =>
      upTo(q).flatMap((b) => upTo(P).flatMap((c) => upTo(Q).map((e) => [a, b, c, e]))),
    )
    .filter((one) => one.reduce((sum, order) => sum + order, 0) <= total)
  const constants = constantAllowed(own) === 'none' ? [false] : [true, false]
  return orders.flatMap((one) => constants.map((hasConstant) => ({ orders: one, hasConstant })))
}

function tryModel(own: ToChoose, { orders, hasConstant }: Asked, where: string): TriedModel {
  const [p, q, P, Q] = orders as [number, number, number, number]
  const order = { p, d: own.d, q, P, D: own.D, Q }
  const constant = hasConstant ? constantAllowed(own) : 'none'
  const model = { name: orderText(order, constant), order, constant }
  const { values, firstT, seasons } = own
  const columns = arimaColumns(constant, own.beside, { length: values.length, firstT, horizon: 0 })
  try {
    const data = { values, columns: ofTheSpan(columns), seasons, order }
    const fit = fitArima(data, where, own.total === null ? ON_THE_WAY : oneOfMany(p + q + P + Q))
    return { ...model, fit, because: whyPassedOver(fit) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { ...model, fit: null, because: error.because }
  }
}

/** Why a model that was fitted is passed over; null where it can be taken. */
export function whyPassedOver({ aicc, arRoot, maRoot }: ArimaFit): string | null {
  if (aicc === null) return 'too few values for so many coefficients'
  if (!isClear(arRoot)) return 'an autoregressive root on the unit circle'
  return isClear(maRoot) ? null : 'a moving-average root on the unit circle'
}

/** The best first; what cannot be taken behind what can. */
function ordered(models: readonly TriedModel[]): TriedModel[] {
  const place = ({ fit, because }: TriedModel) =>
    (because === null ? 0 : 1e9) + (fit?.aicc ?? Number.MAX_VALUE)
  return models.toSorted((a, b) => place(a) - place(b))
}

function asTried({ name, order, constant, fit, because }: TriedModel): Tried {
  const numbers = fit?.k ?? numbersOf(order, constant === 'none' ? 0 : 1)
  return { name, numbers, aicc: fit?.aicc ?? null, because }
}

function cut(orders: readonly number[], limits: OrderLimits): number[] {
  return orders.map((order, i) => Math.min(order, limitsOf(limits)[i]!))
}

function limitsOf({ p, q, P, Q }: OrderLimits): readonly number[] {
  return [p, q, P, Q]
}

function distinct(all: readonly Asked[]): Asked[] {
  const seen = new Set<string>()
  return all.filter((one) => {
    const key = JSON.stringify(one)
    return !seen.has(key) && seen.add(key)
  })
}
