import { z } from 'zod'
import { Refusal } from '../refusal'
import {
  constantAllowed,
  FACTORS,
  lengthsOf,
  orderText,
  type ArimaConstant,
  type ArimaOrder,
  type ArmaCoefficients,
} from '../stateSpace/arima/order'

/** By hand orders may be larger than those that are tried. */
export const MOST_ORDER = 12
export const MOST_DIFFERENCES = 2
const term = z.int().min(0).max(MOST_ORDER)
const factor = z.array(z.number()).max(MOST_ORDER).readonly()
const difference = z.int().min(0).max(MOST_DIFFERENCES)
/** p, d, q. */
const orders = z.tuple([term, difference, term]).readonly()

/** How orders come about: by a walk to ever better neighbours, as the best of all, or as they are given. */
export const CHOICES = ['stepwise', 'full', 'given'] as const
export type OrderChoice = (typeof CHOICES)[number]

/** Orders without a season, as a person or a script writes them. */
export const ordersDocument = {
  /** (p, d, q) */
  orders: orders.optional(),
  /** Whether there is a mean, or with one difference a drift. */
  constant: z.boolean().optional(),
  choose: z.enum(CHOICES).optional(),
  /** Coefficients of given orders that the search begins from, in place of points all over. */
  near: z.strictObject({ ar: factor, ma: factor, sar: factor, sma: factor }).readonly().optional(),
}
/** The same with those of a season. */
export const seasonalOrdersDocument = {
  ...ordersDocument,
  /** (P, D, Q) */
  seasonalOrders: orders.optional(),
  /** Whether orders that are chosen may have a season. */
  seasonal: z.boolean().optional(),
}
type Orders = readonly [number, number, number]
export interface OrdersDocument {
  readonly orders?: Orders | undefined
  readonly seasonalOrders?: Orders | undefined
  readonly constant?: boolean | undefined
  readonly choose?: OrderChoice | undefined
  readonly seasonal?: boolean | undefined
  readonly near?: ArmaCoefficients | undefined
}

/** The same, complete. */
export interface OrderOptions {
  readonly choose: OrderChoice
  /** Of `given`: what is fitted. */
  readonly orders?: Orders
  readonly seasonalOrders?: Orders
  readonly constant?: boolean
  /** Of `given`: where the search begins; all over when left out. */
  readonly near?: ArmaCoefficients
  /** Of orders that are chosen. */
  readonly seasonal?: boolean
}

/** A model by its orders. */
export interface GivenModel {
  readonly order: ArimaOrder
  readonly constant: ArimaConstant
}

const NO_SEASON: Orders = [0, 0, 0]

/**
 * Fills in the defaults: orders chosen step by step, with a season where there is one; of given ones no season, and a constant
 * where so many differences leave room for one.
 *
 * @param seasons m; 1 where there is no season to have terms for
 * @throws Refusal for given orders that are to be chosen too, for a season where there is none, and for a constant that the
 *   differences take away
 */
export function completeOrders(document: OrdersDocument, seasons: number): OrderOptions {
  const { orders: own, seasonalOrders, constant, seasonal, near } = document
  const choose = document.choose ?? (own === undefined ? 'stepwise' : 'given')
  if (choose !== 'given') {
    for (const [key, value] of Object.entries({ orders: own, seasonalOrders, constant, near })) {
      if (value === undefined) continue
      throw new Refusal(
        `${key} belongs to orders that are given, and these are chosen. Take it out, or choose: "given".`,
        key,
      )
    }
    if (seasonal && seasons < 2) throw new Refusal('A yearly series has no season.', 'seasonal')
    return { choose, seasonal: seasonal ?? seasons > 1 }
  }
  if (own === undefined) throw new Refusal('Orders that are given must be named.', 'orders')
  if (seasonal !== undefined) {
    throw new Refusal(
      'seasonal belongs to orders that are chosen, and these are given. Take it out.',
      'seasonal',
    )
  }
  const season = seasonalOrders ?? NO_SEASON
  if (seasons < 2 && season.some((one) => one > 0)) {
    throw new Refusal('A yearly series has no season.', 'seasonalOrders')
  }
  const allowed = constantAllowed(orderOf(own, season))
  if (constant && allowed === 'none') {
    throw new Refusal(
      'With two differences there is no constant: it would be a curve. Take fewer, or none.',
      'constant',
    )
  }
  const order = orderOf(own, season)
  if (near && FACTORS.some((one, i) => near[one].length !== lengthsOf(order)[i])) {
    throw new Refusal(
      `The coefficients to begin from are not those of ${orderText(order, 'none')}.`,
      'near',
    )
  }
  return {
    choose,
    orders: own,
    seasonalOrders: season,
    constant: constant ?? allowed !== 'none',
    ...(near ? { near } : {}),
  }
}

/** The model of given orders; null where they are chosen. */
export function givenModel({
  orders: own,
  seasonalOrders = NO_SEASON,
  constant,
}: OrderOptions): GivenModel | null {
  if (!own) return null
  const order = orderOf(own, seasonalOrders)
  return { order, constant: constant ? constantAllowed(order) : 'none' }
}

function orderOf([p, d, q]: Orders, [P, D, Q]: Orders): ArimaOrder {
  return { p, d, q, P, D, Q }
}

/** A model as a document names it; what belongs to a choice, or to the search of another model, goes with it. */
export function asDocument({ order: { p, d, q, P, D, Q }, constant }: GivenModel) {
  return {
    choose: 'given',
    orders: [p, d, q],
    seasonalOrders: [P, D, Q],
    constant: constant !== 'none',
    ...{ seasonal: undefined, near: undefined },
  } as const satisfies OrderOptions
}

/** The same of a model that has no season. */
export function asPlainDocument(model: GivenModel) {
  const { seasonalOrders: _, seasonal: __, ...plain } = asDocument(model)
  return plain
}
