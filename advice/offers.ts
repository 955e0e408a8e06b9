import { analyse } from '../core/analyse'
import { begin } from '../core/begin'
import { check, type Checked } from '../core/check/check'
import type { Action, Finding } from '../core/finding'
import type { MethodDocument } from '../core/method'
import { offersIn, taken } from '../core/offers'
import { orNull } from '../core/refusal'
import type { Result } from '../core/result'
import type { Series } from '../core/series/series'
import { KINDS, makeKind } from './kinds'
import type { Say } from './say'

const FORMAT = { format: 'elvant-method/1' } as const
/** A check that is this much worse after a click is worse. */
const WORSE = 1.1

/** What became of a click. */
export interface Clicked {
  readonly code: string
  readonly label: string
  /** Whether the caution, or the offer of a note, is still there. */
  readonly stays: boolean
  /** Cautions of the same stage that were not there before. */
  readonly brings: readonly string[]
  readonly worsens: boolean
}

/** Clicks every offer of a result, one at a time. */
export function clicksOf(series: Series, method: MethodDocument): Clicked[] {
  const own = { ...method, check: {} }
  // Too short a series cannot be checked, and what the method cannot do at all offers nothing here.
  const document = orNull(() => analyse(series, own)) ? own : method
  const before = orNull(() => analyse(series, document))
  if (!before) return []
  return before.findings.flatMap((finding) =>
    (finding.actions ?? []).map((action) => click(series, document, before, finding, action)),
  )
}

/** What is said, and how far the check is off, with every offer as it is before it is tried. */
function standing(series: Series, { check: plan, ...document }: MethodDocument) {
  const { findings } = analyse(series, document)
  const checked = plan ? check(series, { ...document, check: plan }) : null
  return { findings: [...findings, ...(checked?.findings ?? [])], check: checked }
}
type Standing = Pick<Result, 'findings'> & { readonly check?: Checked | null }

function click(
  series: Series,
  document: MethodDocument,
  before: Result,
  finding: Finding,
  action: Action,
): Clicked {
  const { code, stage, severity, period } = finding
  const next = taken({ series, document }, action)
  const after = orNull(() => standing(next.series, next.document))
  const clicked = { code, label: action.label }
  if (!after) return { ...clicked, stays: true, brings: ['refused'], worsens: false }
  const cautions = (of: Standing) => of.findings.filter((one) => one.severity === 'caution')
  const had = new Set(cautions(before).map((one) => one.code))
  const same = after.findings.filter((one) => one.code === code && one.period === period)
  const [was, is] = [before.check?.verdict?.method, after.check?.verdict?.method]
  return {
    ...clicked,
    stays:
      severity === 'caution'
        ? same.some((one) => one.severity === 'caution')
        : same.some(({ actions = [] }) => actions.some(({ label }) => label === action.label)),
    brings: cautions(after).flatMap((one) =>
      one.stage === stage && !had.has(one.code) ? [one.code] : [],
    ),
    worsens: was !== undefined && is !== undefined && was.in === is.in && is.by > WORSE * was.by,
  }
}

/** How often a click does not mend, over series of every kind, under the usual method and the one begun with. */
export function offers(say: Say, count: number): void {
  const clicks: Clicked[] = []
  let untried = 0
  const kinds = Object.values(KINDS)
  for (let seed = 1; seed <= count; seed++) {
    const kind = kinds[seed % kinds.length]!
    const length = 40 + ((7 * seed) % 90)
    const frequency = seed % 4 === 0 ? 'quarterly' : 'monthly'
    const made = makeKind(kind, { length, seed, frequency, season: seed % 5 === 0 ? 0 : 0.3 })
    // Every other series has a value that is half of what it should be, every third a gap.
    const values = made.values.map((value, t) => {
      if (seed % 2 === 0 && t === Math.floor(length / 3)) return value! / 2
      return seed % 3 === 0 && t === Math.floor(length / 2) ? null : value
    })
    const series = { ...made, values }
    for (const method of [FORMAT, begin(series).method]) {
      clicks.push(...clicksOf(series, method))
      const before = orNull(() => standing(series, { ...method, check: {} }))
      untried += offersIn(before?.findings ?? []).length
    }
  }
  const rate = (is: (one: Clicked) => boolean) => (100 * clicks.filter(is).length) / clicks.length
  say(
    'a click after which its finding is still there',
    rate(({ stays }) => stays),
    { most: 0 },
  )
  say(
    'a click that brings a new caution',
    rate(({ brings }) => brings.length > 0),
    { most: 0 },
  )
  say(
    'a click that makes the check worse by a tenth',
    rate(({ worsens }) => worsens),
    { most: 0 },
  )
  say('an offer that is not made, since it would not mend', 100 - (100 * clicks.length) / untried, {
    most: 20,
  })
}
