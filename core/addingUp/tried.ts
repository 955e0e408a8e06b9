import { compare } from '../check/tie'
import { mean, sum } from '../statistics/average'
import { listed } from '../words/listed'
import { percent } from '../words/figure'
import { AGREE_BY, AGREEMENT_WAYS, agreementWay, PLAINEST, type AgreeBy } from './agreement/ways'
import type { SumNode } from './nodes'
import type { OwnTry, Span } from './own'
import { weightsFrom, type Weights } from './weights'

/** Forecasts as they are, each by itself, or made to add up. */
export type Agreement = 'own' | AgreeBy
export const AGREEMENTS = ['own', ...AGREE_BY] as const satisfies readonly Agreement[]

/** How far forecasts would have been off on one level, in per cent of what came. */
export interface LevelOff {
  /** `total`, `groups`, `series` */
  readonly level: string
  /** How many nodes it has. */
  readonly nodes: number
  readonly off: Readonly<Record<Agreement, number>>
}

/** How the ways of adding up would have done. */
export interface WaysTried {
  readonly origins: number
  readonly levels: readonly LevelOff[]
  /** The mean of the levels. */
  readonly off: Readonly<Record<Agreement, number>>
  /** From below, unless another is nearer beyond chance and by more than can be overlooked. */
  readonly proposed: AgreeBy
  readonly says: string
}

/**
 * Tries the ways of adding up at origins of the past: the forecasts of all nodes as they would have been made, made to add up as
 * they would have been, against what came. Weights are of errors that had been seen by then.
 *
 * @param tries one list a node, in it one entry an origin
 * @returns null where there is no origin from which all nodes can be forecast, or nothing came after it
 */
export function triedWays(
  nodes: readonly SumNode[],
  tries: readonly (readonly (OwnTry | null)[])[],
  span: Span,
): WaysTried | null {
  const levels = levelsOf(nodes)
  const origins = (tries[0] ?? []).flatMap((_, k) => {
    const sums = offAt(nodes, tries, levels, k, span)
    return sums ? [sums] : []
  })
  const came = levels.map((_, level) => sum(origins.map(({ actual }) => actual[level]!)))
  if (origins.length === 0 || came.some((all) => all <= 0)) return null
  const offOf = (by: Agreement) =>
    levels.map((_, at) => (100 * sum(origins.map(({ off }) => off[by][at]!))) / came[at]!)
  const byLevel = record(offOf)
  const off = record((by) => mean(byLevel[by])!)
  const nearest = [...AGREE_BY].sort((a, b) => off[a] - off[b])[0]!
  const perOrigin = (by: AgreeBy) =>
    origins.map((origin) =>
      mean(levels.map((_, at) => (origins.length * origin.off[by][at]!) / came[at]!))!,
    )
  const best = perOrigin(nearest)
  const comparison = compare(
    perOrigin(PLAINEST).map((value, i) => value - best[i]!),
    span.horizon,
    span.step,
  )
  const isTold = comparison !== null
  const isAsNear = !isTold || comparison.isTie || off[PLAINEST] <= AS_NEAR * off[nearest]
  const proposed = isAsNear ? PLAINEST : nearest
  return {
    origins: origins.length,
    levels: levels.map(({ label, places }, at) => ({
      ...{ level: label, nodes: places.length },
      off: record((by) => byLevel[by][at]!),
    })),
    ...{ off, proposed },
    says: saysOf(off, { nearest, proposed, isTold, origins: origins.length }),
  }
}

/** Up to this many times as far off, a difference is none to anybody who plans, though it may be beyond chance. */
const AS_NEAR = 1.02

/** What each way is called in a sentence. */
export const AGREEMENT_NAMES: Readonly<Record<Agreement, string>> = {
  own: 'each by itself',
  ...(Object.fromEntries(AGREEMENT_WAYS.map(({ name, says }) => [name, says])) as Record<
    AgreeBy,
    string
  >),
}

interface Outcome {
  readonly nearest: AgreeBy
  readonly proposed: AgreeBy
  readonly isTold: boolean
  readonly origins: number
}

function saysOf(off: WaysTried['off'], { nearest, proposed, isTold, origins }: Outcome): string {
  const of = (by: AgreeBy) => `${AGREEMENT_NAMES[by]} by ${percent(off[by] / 100)}`
  const others = AGREE_BY.filter((by) => by !== nearest)
  const figures = `forecasts made ${AGREEMENT_NAMES[nearest]} would have been off by ${percent(off[nearest] / 100)}, ${listed(others.map(of))}`
  const over = `Over ${origins === 1 ? 'one origin' : `${origins} origins`}`
  if (!isTold) return `${over} ${figures}: too few to tell them apart.`
  if (proposed !== nearest) {
    return `${over} ${figures}; ${AGREEMENT_NAMES[proposed]} is as near as can be told, and plainer.`
  }
  const next =
    nearest === PLAINEST ? '' : `; ${AGREEMENT_NAMES[PLAINEST]} is further off beyond chance`
  return `${over} ${figures}${next}.`
}

function record<T>(of: (by: Agreement) => T): Record<Agreement, T> {
  return Object.fromEntries(AGREEMENTS.map((by) => [by, of(by)])) as Record<Agreement, T>
}

interface Level {
  readonly label: string
  readonly places: readonly number[]
}

/** The total, the groups of each level, and all series, whatever level they stand on. */
function levelsOf(nodes: readonly SumNode[]): Level[] {
  const depths = new Map<number, number[]>()
  nodes.forEach(({ level, members }, place) => {
    if (level === 0 || members.length === 0) return
    depths.set(level, [...(depths.get(level) ?? []), place])
  })
  const groups = [...depths].sort(([a], [b]) => a - b)
  const series = nodes.flatMap(({ members }, place) => (members.length === 0 ? [place] : []))
  return [
    { label: 'total', places: [0] },
    ...groups.map(([level, places]) => ({
      label: groups.length === 1 ? 'groups' : `groups, level ${level}`,
      places,
    })),
    { label: 'series', places: series },
  ]
}

/** Sums of absolute errors, and of what came, on each level from one origin; null where nothing can be said of it. */
function offAt(
  nodes: readonly SumNode[],
  tries: readonly (readonly (OwnTry | null)[])[],
  levels: readonly Level[],
  k: number,
  span: Span,
) {
  const made = tries.map((own) => own[k] ?? null)
  if (made.some((one) => one === null)) return null
  const own = made as OwnTry[]
  const { variances }: Weights = weightsFrom(nodes, tries, span, k)
  const off = record(() => levels.map(() => 0))
  const actual = levels.map(() => 0)
  let isKnown = false
  own[0]!.actual.forEach((_, h) => {
    if (own.some((one) => (one.actual[h] ?? null) === null)) return
    isKnown = true
    const forecasts = own.map(({ forecast }) => forecast[h]!)
    const values = record((by) =>
      by === 'own' ? forecasts : agreementWay(by).agree({ nodes, own: forecasts, variances }),
    )
    levels.forEach(({ places }, at) => {
      for (const place of places) {
        const came = own[place]!.actual[h]!
        actual[at] = actual[at]! + Math.abs(came)
        for (const by of AGREEMENTS) off[by][at]! += Math.abs(came - values[by][place]!)
      }
    })
  })
  return isKnown ? { off, actual } : null
}
