import { z } from 'zod'
import { Refusal } from '../../refusal'
import { constantAllowed, type ArimaConstant, type ArimaOrder } from '../../stateSpace/arima/order'
import {
  commonForecast,
  completeCommon,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'
import { completePower, powerDocument, type PowerOptions } from '../powerOptions'

/** By hand orders may be larger than those that are tried. */
export const MOST_ORDER = 12
export const MOST_DIFFERENCES = 2
const term = z.int().min(0).max(MOST_ORDER)
const difference = z.int().min(0).max(MOST_DIFFERENCES)
const orders = z.tuple([term, difference, term]).readonly()

/** How orders come about: by a walk to ever better neighbours, as the best of all, or as they are given. */
export const CHOICES = ['stepwise', 'full', 'given'] as const

/** Forecast by ARIMA, as a person or a script writes it. */
export const arimaDocument = z.strictObject({
  by: z.literal('arima'),
  ...commonForecast,
  /** (p, d, q) */
  orders: orders.optional(),
  /** (P, D, Q) */
  seasonalOrders: orders.optional(),
  /** Whether there is a mean, or with one difference a drift. */
  constant: z.boolean().optional(),
  choose: z.enum(CHOICES).optional(),
  /** Whether orders that are chosen may have a season. */
  seasonal: z.boolean().optional(),
  ...powerDocument,
})
export type ArimaDocument = z.infer<typeof arimaDocument>

/** A model by hand. */
export interface GivenModel {
  readonly order: ArimaOrder
  readonly constant: ArimaConstant
}

/** The same, complete. */
export interface ArimaOptions extends CommonForecast, PowerOptions {
  readonly by: 'arima'
  readonly choose: (typeof CHOICES)[number]
  /** Of `given`: what is fitted. */
  readonly orders?: readonly [number, number, number]
  readonly seasonalOrders?: readonly [number, number, number]
  readonly constant?: boolean
  /** Of orders that are chosen. */
  readonly seasonal?: boolean
}

/**
 * Fills in the defaults: orders chosen step by step, with a season where the series has one; of given ones no season, and a
 * constant where so many differences leave room for one.
 *
 * @throws Refusal for given orders that are to be chosen too, for a season of a yearly series, and for a constant that the
 *   differences take away
 */
export function completeArima(
  document: ArimaDocument,
  { calendar: { seasons } }: ForecastFacts,
): ArimaOptions {
  const { by, orders: own, seasonalOrders, constant, seasonal } = document
  const choose = document.choose ?? (own === undefined ? 'stepwise' : 'given')
  const common = {
    by,
    ...completeCommon(document, { seasons }),
    ...completePower(document),
    choose,
  }
  if (choose !== 'given') {
    for (const [key, value] of Object.entries({ orders: own, seasonalOrders, constant })) {
      if (value === undefined) continue
      throw new Refusal(
        `${key} belongs to orders that are given, and these are chosen. Take it out, or choose: "given".`,
        `forecast.${key}`,
      )
    }
    if (seasonal && seasons < 2) {
      throw new Refusal('A yearly series has no season.', 'forecast.seasonal')
    }
    return { ...common, seasonal: seasonal ?? seasons > 1 }
  }
  if (own === undefined) {
    throw new Refusal('Orders that are given must be named.', 'forecast.orders')
  }
  if (seasonal !== undefined) {
    throw new Refusal(
      'seasonal belongs to orders that are chosen, and these are given. Take it out.',
      'forecast.seasonal',
    )
  }
  const season = seasonalOrders ?? [0, 0, 0]
  if (seasons < 2 && season.some((one) => one > 0)) {
    throw new Refusal('A yearly series has no season.', 'forecast.seasonalOrders')
  }
  const allowed = constantAllowed(orderOf(own, season))
  if (constant && allowed === 'none') {
    throw new Refusal(
      'With two differences there is no constant: it would be a curve. Take fewer, or none.',
      'forecast.constant',
    )
  }
  return {
    ...common,
    orders: own,
    seasonalOrders: season,
    constant: constant ?? allowed !== 'none',
  }
}

/** The model of given orders; null where they are chosen. */
export function givenModel({
  orders: own,
  seasonalOrders,
  constant,
}: ArimaOptions): GivenModel | null {
  if (!own || !seasonalOrders) return null
  const order = orderOf(own, seasonalOrders)
  return { order, constant: constant ? constantAllowed(order) : 'none' }
}

function orderOf(
  [p, d, q]: readonly [number, number, number],
  [P, D, Q]: readonly [number, number, number],
): ArimaOrder {
  return { p, d, q, P, D, Q }
}

/** A model as a document names it. */
export function asDocument({
  order: { p, d, q, P, D, Q },
  constant,
}: GivenModel): Pick<ArimaDocument, 'choose' | 'orders' | 'seasonalOrders' | 'constant'> {
  return {
    choose: 'given',
    orders: [p, d, q],
    seasonalOrders: [P, D, Q],
    constant: constant !== 'none',
  }
}
