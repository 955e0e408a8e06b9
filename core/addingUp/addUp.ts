import { axisOf } from '../calendar/axis'
import type { Calendar } from '../calendar/calendar'
import { countPeriods } from '../calendar/labels'
import type { MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series, Value } from '../series/series'
import { addable, sumOfSeries, type LeftOut } from './addable'
import { AGREEMENT_WAYS, ofEveryWay, PLAINEST, type AgreeBy } from './agreement/ways'
import { nodesOf, type Grouped, type SumNode } from './nodes'
import { originsOf, ownForecast, ownTries, spanAhead, type Own, type Span } from './own'
import { triedWays, type WaysTried } from './tried'
import { weightsFrom, type Weights } from './weights'

export const ADDED_UP_FORMAT = 'elvant-added-up/1'

/** A series as it is added up. */
export interface ToAddUp extends Pick<Grouped, 'group'> {
  readonly series: Series
  /** What it is forecast by; left out, it is begun with as a new series is. */
  readonly method?: MethodDocument
}

/** The total, a group or a series, with its forecasts; its series by their places among all that were to be added up. */
export interface AddedNode extends SumNode {
  /** In a few words. */
  readonly method: string
  readonly values: readonly Value[]
  /** By itself, one entry a period ahead. */
  readonly own: readonly number[]
  /** The same made to add up. */
  readonly agreed: Readonly<Record<AgreeBy, readonly number[]>>
}

/** Series that were added up, with the forecasts of all that stands above them. Plain data. */
export interface AddedUp {
  readonly format: typeof ADDED_UP_FORMAT
  readonly unit: string
  readonly calendar: Calendar
  /** Codes of the periods ahead. */
  readonly ahead: readonly string[]
  /** Code of the last period with values. */
  readonly last: string
  /** What stands above comes before what stands below it; the total first. */
  readonly nodes: readonly AddedNode[]
  /** By which least squares takes the forecasts to be uncertain. */
  readonly weights: Weights
  /** Null where there is too little to try the ways on. */
  readonly tried: WaysTried | null
  /** How the forecasts are made to add up, unless somebody says otherwise. */
  readonly proposed: AgreeBy
  readonly leftOut: readonly LeftOut[]
  /** What is to be known of it, each a sentence. */
  readonly told: readonly string[]
}

/**
 * Adds series up, forecasts the sums by themselves too, and makes all of these forecasts agree.
 *
 * @param all at least two that add up
 * @throws Refusal where fewer do, and where a sum cannot be forecast
 * @example Satin and Matt of the group Wall, Oil of none: all together (Wall (Satin, Matt), Oil), each with four forecasts a period
 */
export function addUp(all: readonly ToAddUp[]): AddedUp {
  const { all: whole, leftOut } = addable(all.map((one, at) => ({ ...one, at })))
  const seasons = whole[0]?.series.calendar.seasons ?? 1
  const span = spanAhead(seasons)
  const refused: LeftOut[] = []
  const own = new Map<ToAddUp, Own>()
  for (const one of whole) {
    try {
      own.set(one, ownForecast(one.series, one.method, span))
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      refused.push({ name: one.series.name, because: `it cannot be forecast: ${error.because}` })
    }
  }
  const those = whole.filter((one) => own.has(one))
  if (those.length < 2) throw tooFew([...leftOut, ...refused])
  const nodes = nodesOf(those.map(({ series: { name }, group }) => ({ name, group })))
  const sums = nodes.map(({ name, members, series }) =>
    members.length === 0
      ? those[series[0]!]!.series
      : sumOfSeries(
          name,
          series.map((place) => those[place]!.series),
        ),
  )
  const forecasts = nodes.map(({ members, series }, i) =>
    members.length === 0 ? own.get(those[series[0]!]!)! : forecastOfSum(sums[i]!, span),
  )
  const originsOfEach = sums.map((sum, i) => originsOf(sum, forecasts[i]!, span))
  const origins = Math.min(...originsOfEach)
  const tries = sums.map((sum, i) =>
    origins > 0 ? ownTries(sum, forecasts[i]!, span, origins) : [],
  )
  const weights = weightsFrom(nodes, tries, span)
  const tried = triedWays(nodes, tries, span)
  const total = sums[0]!
  const { codeAt } = axisOf(total)
  const made = agreedAhead(nodes, forecasts, weights)
  return {
    format: ADDED_UP_FORMAT,
    ...{ unit: total.unit, calendar: total.calendar },
    ahead: Array.from({ length: span.horizon }, (_, h) => codeAt(total.values.length + h + 1)),
    last: codeAt(total.values.length),
    nodes: nodes.map((node, i) => ({
      ...node,
      series: node.series.map((place) => those[place]!.at),
      ...{ method: forecasts[i]!.method, values: sums[i]!.values, own: forecasts[i]!.forecast },
      agreed: made[i]!,
    })),
    ...{ weights, tried, proposed: tried?.proposed ?? PLAINEST },
    leftOut: [...leftOut, ...refused],
    told: [
      ...laterBeginnings(
        those.map(({ series }) => series),
        total,
      ),
      ...missingInSum(total),
      ...(tried ? [] : [tooShort(sums[originsOfEach.indexOf(origins)]!)]),
      ...belowNothing(made),
    ],
  }
}

function tooFew(leftOut: readonly LeftOut[]): Refusal {
  const [first] = leftOut
  const why = first ? ` ${first.name.slice(0, 100)} is left out: ${first.because}.` : ''
  return new Refusal(`It takes two series that add up.${why}`, 'ids')
}

function forecastOfSum(sum: Series, span: Span): Own {
  try {
    return ownForecast(sum, undefined, span)
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    throw new Refusal(`The sum of ${sum.name} cannot be forecast: ${error.because}`, 'ids')
  }
}

/** Every way's forecasts: one entry a node. */
function agreedAhead(
  nodes: readonly SumNode[],
  forecasts: readonly Own[],
  { variances }: Weights,
): Record<AgreeBy, number[]>[] {
  const made = nodes.map(() => ofEveryWay((): number[] => []))
  forecasts[0]!.forecast.forEach((_, h) => {
    const own = forecasts.map(({ forecast }) => forecast[h]!)
    for (const { name, agree } of AGREEMENT_WAYS) {
      agree({ nodes, own, variances }).forEach((value, i) => made[i]![name].push(value))
    }
  })
  return made
}

function laterBeginnings(all: readonly Series[], total: Series): string[] {
  const later = all.filter(
    ({ values }) =>
      values.length - values.findIndex((value) => value !== null) < total.values.length,
  ).length
  if (later === 0) return []
  const those = later === 1 ? 'One series begins' : `${later} series begin`
  return [`${those} later than the others, and count${later === 1 ? 's' : ''} for nothing before.`]
}

function missingInSum({ values, calendar }: Series): string[] {
  const missing = values.filter((value) => value === null).length
  if (missing === 0) return []
  return [
    `The total has no value in ${countPeriods(missing, calendar)}, as one of its series has none there.`,
  ]
}

function tooShort({ name, values, calendar }: Series): string {
  return `Which way would have been nearest cannot be told: ${name.slice(0, 100)} has ${countPeriods(values.length, calendar)}, and all must be forecast from the same origin.`
}

function belowNothing(made: readonly Record<AgreeBy, readonly number[]>[]): string[] {
  const countBelow = (by: AgreeBy) =>
    made.filter((one) => one[by].some((value) => value < 0)).length
  const isOfItself = countBelow(PLAINEST)
  return AGREEMENT_WAYS.filter(({ canFallBelow }) => canFallBelow).flatMap(({ name, says }) => {
    const below = countBelow(name)
    if (below <= isOfItself) return []
    const those = below === 1 ? 'One forecast falls' : `${below} forecasts fall`
    return [`${those} below 0 ${says}: take another way for ${below === 1 ? 'it' : 'them'}.`]
  })
}
