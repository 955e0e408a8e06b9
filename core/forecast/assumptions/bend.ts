import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import type { Value } from '../../series/series'
import { figure } from '../../words/figure'
import { limitOf, requireNumbers } from '../beyondNumbers'
import type { Level } from '../level'
import type { Limits } from '../limits'
import type { Assumption, GrowthAssumption, IndexAssumption } from './options'

/** Everything of a forecast that assumptions bend. */
export interface ToBend {
  /** Time codes of the forecast periods, and the season of each, from 1. */
  readonly t: readonly number[]
  readonly season: readonly number[]
  /** How many periods make a year. */
  readonly seasons: number
  readonly level: Level | null
  /** On the values as the preparations leave them. */
  readonly inside: readonly number[]
  /** The same with what the preparations took out in it again, and its limits. */
  readonly forecast: readonly number[]
  readonly limits: Readonly<Record<string, Limits>>
  putBack(value: number, t: number): number
  timeCode(code: string): number
  labelOf(t: number): string
}

/** What assumptions make of a forecast, one entry a forecast period in every list. Plain data. */
export interface Bent {
  /** Without the season; null where the forecast has no level of its own. */
  readonly level: readonly number[] | null
  readonly atOrigin: number | null
  readonly season: Model | null
  /** What the index of each period is multiplied by, or in an additive model what is added to it. */
  readonly index: readonly number[]
  readonly amount: readonly number[]
  /** How many times as far from the forecast its limits lie. */
  readonly spread: readonly number[]
  readonly forecast: readonly number[]
  readonly limits: Readonly<Record<string, Limits>>
}

/**
 * A forecast as the analyst's assumptions bend it.
 *
 * Growth from period f: D(t) = D(f−1) · (1 + p/100)^((t − f + 1)/m), until the next assumption of growth; one from a period
 * that is over begins with the forecast. An index is changed from its period on, several changes one after another.
 * Amounts come last, on the forecast as it is read. Limits keep their distance in the ratio of the bent level, and of a
 * changed factor, to the statistical one.
 *
 * @param path of the assumptions in their document
 * @throws Refusal for growth or an index where the forecast has no level or season apart from each other, for a factor where
 *   seasons are amounts and the reverse, and for growth of a level that is not above 0
 * @example level 100, 100, 100, multiplicative index 1.2 throughout, growth of 12% a year from the second of monthly
 *   periods: 120, 121.14, 122.29
 */
export function bend(
  of: ToBend,
  assumptions: readonly Assumption[],
  path = 'forecast.assumptions',
): Bent {
  const where = (one: Assumption) => `${path}.${assumptions.indexOf(one)}`
  const grown = ofKind(assumptions, 'growth')
  const changes = ofKind(assumptions, 'index')
  requireLevel(of, [...grown, ...changes], where)
  requireSeason(of, changes, where)
  const model = of.level?.season ?? null
  const isAdditive = model === 'additive'
  const level = of.level && bentLevel(of, of.level, grown, where)
  const moving = of.t.map((t, i) => assumptionsAt(assumptions, t, of.season[i]!, of.timeCode))
  const index = moving.map((own) =>
    ofKind(own, 'index').reduce(
      (changed, one) => (isAdditive ? changed + one.amount! : changed * one.factor!),
      isAdditive ? 0 : 1,
    ),
  )
  const amount = moving.map((own) =>
    ofKind(own, 'amount').reduce((sum, one) => sum + one.amount, 0),
  )
  const ratio = of.t.map((_, i) => (level ? ratioOf(level[i]!, of.level!.values[i]!) : 1))
  const spread = ratio.map((own, i) => (isAdditive ? own : own * index[i]!))
  const forecast = of.inside.map((value, i) => {
    const bent = isAdditive
      ? value + ((level?.[i] ?? 0) - (of.level?.values[i] ?? 0)) + index[i]!
      : value * spread[i]!
    // What no assumption moves stays the very figure that it was.
    const whole = bent === value ? of.forecast[i]! : of.putBack(bent, of.t[i]!)
    return whole + amount[i]!
  })
  requireNumbers(forecast)
  const limits = Object.fromEntries(
    Object.entries(of.limits).map(([name, { lower, upper }]) => {
      const moved = (side: readonly Value[]) =>
        side.map((limit, i) =>
          limit === null ? null : limitOf(forecast[i]! + (limit - of.forecast[i]!) * spread[i]!),
        )
      return [name, { lower: moved(lower), upper: moved(upper) }]
    }),
  )
  return {
    ...{ level, atOrigin: of.level?.atOrigin ?? null, season: model },
    ...{ index, amount, spread, forecast, limits },
  }
}

/** An unbent level is as it was, also one of 0. */
function ratioOf(bent: number, level: number): number {
  return bent === level ? 1 : bent / level
}

/**
 * The assumptions that move the forecast of a period: of growth the latest, all of its index and its amounts.
 *
 * @param season of the period, from 1
 */
export function assumptionsAt(
  assumptions: readonly Assumption[],
  t: number,
  season: number,
  timeCode: (code: string) => number,
): Assumption[] {
  const grows = growthAt(ofKind(assumptions, 'growth'), t, timeCode)
  return assumptions.filter((one) => {
    switch (one.kind) {
      case 'growth':
        return one === grows
      case 'index':
        return timeCode(one.from) <= t && one.season === season
      case 'amount':
        return timeCode(one.from) <= t && t <= timeCode(one.to ?? one.from)
    }
  })
}

/** The assumption of growth that a period is under; null before the first. */
export function growthAt(
  grown: readonly GrowthAssumption[],
  t: number,
  timeCode: (code: string) => number,
): GrowthAssumption | null {
  let latest: GrowthAssumption | null = null
  for (const one of grown) {
    const from = timeCode(one.from)
    if (from <= t && (latest === null || from > timeCode(latest.from))) latest = one
  }
  return latest
}

function bentLevel(
  { t, seasons, timeCode, labelOf }: ToBend,
  { values, atOrigin }: Level,
  grown: readonly GrowthAssumption[],
  where: (one: Assumption) => string,
): number[] {
  const first = t[0]!
  const bent: number[] = []
  t.forEach((at, i) => {
    const own = growthAt(grown, at, timeCode)
    if (!own) {
      bent.push(values[i]!)
      return
    }
    const from = Math.max(first, timeCode(own.from))
    const base = from === first ? atOrigin : bent[from - first - 1]!
    // A share of a level below 0 would fall where it is to rise.
    if (!(base > 0)) {
      throw new Refusal(
        `Growth in per cent needs a level above 0; without its season it is ${figure(base)} in ${labelOf(from - 1)}. Take amounts instead.`,
        where(own),
      )
    }
    bent.push(base * (1 + own.percentPerYear / 100) ** ((at - from + 1) / seasons))
  })
  return bent
}

function requireLevel(
  { level }: ToBend,
  [first]: readonly Assumption[],
  where: (one: Assumption) => string,
): void {
  if (level || !first) return
  throw new Refusal(
    'This way of forecasting has no level apart from its season, so that neither growth nor an index can be assumed of it. Take amounts, or forecast by decomposition or regression.',
    where(first),
  )
}

function requireSeason(
  { level }: ToBend,
  changes: readonly IndexAssumption[],
  where: (one: Assumption) => string,
): void {
  for (const one of changes) {
    if (!level?.season) {
      throw new Refusal('This forecast has no season, so no index can be changed.', where(one))
    }
    const isAdditive = level.season === 'additive'
    if ((one.amount !== undefined) !== isAdditive) {
      throw new Refusal(
        isAdditive
          ? 'Indices of an additive model are amounts: say by which amount this one changes, not by which factor.'
          : 'Indices of a multiplicative model are factors: say by which factor this one changes, not by which amount.',
        `${where(one)}.${isAdditive ? 'factor' : 'amount'}`,
      )
    }
  }
}

export function ofKind<Kind extends Assumption['kind']>(
  assumptions: readonly Assumption[],
  kind: Kind,
): (Assumption & { readonly kind: Kind })[] {
  return assumptions.filter((one): one is Assumption & { readonly kind: Kind } => one.kind === kind)
}

/** By what share all periods together lie over the statistical forecast; undefined where that is not above 0. */
export function movedBy(bent: readonly number[], statistical: readonly number[]): Value {
  const sum = (figures: readonly number[]) => figures.reduce((all, one) => all + one, 0)
  const base = sum(statistical)
  return base > 0 ? sum(bent) / base - 1 : null
}
