import type { Off } from './check/verdict'
import { isAtOnce } from './cost'
import type { Action, Finding } from './finding'
import { changed, type MethodDocument } from './method'
import { withAdjustments } from './series/adjusted'
import type { Series } from './series/series'
import type { Stage } from './stage'

/** A method on a series. */
export interface MethodOnSeries {
  readonly series: Series
  readonly document: MethodDocument
}

/** What is said of a method on a series, and how far off its check was. */
export interface Standing {
  readonly findings: readonly Finding[]
  /** null where there is no check. */
  readonly off: Off | null
}

/** A check that is this much worse after a click is worse. */
const WORSE = 1.1

/** Of a method that takes long, every so many origins are enough to see that an offer makes it worse. */
const LONG_STEP = 3

/** A method as its offers are tried: with the check that it asks for, from fewer origins where it takes long. */
export function asTried({ series, document }: MethodOnSeries): MethodDocument {
  const { check = {} } = document
  if (isAtOnce(document, series)) return document.check ? document : { ...document, check }
  const { rolling = {} } = check
  return {
    ...document,
    check: { ...check, rolling: { ...rolling, step: LONG_STEP * (rolling.step ?? 1) } },
  }
}

/** Series and method once an offer is taken. */
export function taken({ series, document }: MethodOnSeries, action: Action): MethodOnSeries {
  return {
    document: action.change ? changed(document, action.change) : document,
    series:
      'adjust' in action
        ? { ...series, adjustments: withAdjustments(series.adjustments ?? [], action.adjust) }
        : series,
  }
}

/**
 * Whether an offer does what it is made for: what it was offered about is gone, no new caution of the same stage has come,
 * and the check is not worse by more than a tenth.
 *
 * @param after null where the method is then refused
 */
export function mends(
  { code, period, stage, severity }: Finding,
  { label }: Action,
  before: Standing,
  after: Standing | null,
): boolean {
  if (!after) return false
  const isStill = after.findings.some(
    (one) =>
      one.code === code &&
      one.period === period &&
      // A note stays true; what it offered must be done.
      (severity === 'caution'
        ? one.severity === 'caution'
        : (one.actions ?? []).some((again) => again.label === label)),
  )
  if (isStill) return false
  const had = new Set(cautionsOf(before).map((one) => one.code))
  if (cautionsOf(after).some((one) => one.stage === stage && !had.has(one.code))) return false
  const [was, is] = [before.off, after.off]
  return !(was && is && was.in === is.in && is.by > WORSE * was.by)
}

function cautionsOf({ findings }: Standing): Finding[] {
  return findings.filter(({ severity }) => severity === 'caution')
}

/** A name for an offer that no other of the same findings has. */
export function offerName({ code, period }: Finding, { label }: Action): string {
  return JSON.stringify([code, period, label])
}

/** Every offer, with what it is made about. */
export function offersIn(findings: readonly Finding[]): Offer[] {
  return findings.flatMap((finding) =>
    (finding.actions ?? []).map((action) => ({ finding, action })),
  )
}

/** An offer with what it is made about. */
export interface Offer {
  readonly finding: Finding
  readonly action: Action
}

/** A name for all first offers of a stage together. */
export function offersName(stage: Stage): string {
  return JSON.stringify(['all', stage])
}

/** The first offer of each sentence of a stage, to be taken together; none where there are fewer than two. */
export function togetherAt(stage: Stage, offers: readonly Offer[]): Offer[] {
  const firsts = offers.filter(
    (one, i) =>
      one.finding.stage === stage &&
      offers.findIndex(({ finding }) => finding === one.finding) === i,
  )
  return firsts.length < 2 ? [] : firsts
}

/** Findings with those of their offers alone that are made. */
export function withOffers(
  findings: readonly Finding[],
  isMade: (finding: Finding, action: Action) => boolean,
): Finding[] {
  return findings.map((finding) => {
    const { actions, ...rest } = finding
    const made = (actions ?? []).filter((action) => isMade(finding, action))
    return made.length > 0 ? { ...rest, actions: made } : rest
  })
}
