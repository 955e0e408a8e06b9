import type { CycleName } from '../calendar/rhythm'
import { benchmarkChange } from '../forecast/ways'
import type { Action, Finding, MethodChange } from '../finding'
import { benchmarkSays } from '../forecast/benchmarks'
import type { LimitKind } from '../forecast/commonOptions'
import { capitalized } from '../series/noun'
import { agrees, type LevelCoverage } from './coverage'
import type { PassedOver } from './rolling'
import type { Off, Verdict } from './verdict'
import { countTries, offWords } from './words'

/** The same method with another trend, which was nearer over the same origins. */
export interface Nearer {
  readonly change: MethodChange
  /** `with a smoothed level` */
  readonly words: string
  /** Of the click that takes it. */
  readonly label: string
  readonly off: Off
}

/** What the findings of a check are made of. */
export interface Judged {
  readonly verdict: Verdict | null
  readonly coverage: readonly LevelCoverage[]
  readonly limits: LimitKind
  /** The nearest first; none where none was tried, or none is nearer. */
  readonly nearer: readonly Nearer[]
  readonly passedOver: readonly PassedOver[]
  /** Whether slow choices were made once, at the first origin. */
  readonly isSettled: boolean
  readonly origins: number
  readonly horizon: number
  readonly unit: string
  /** One turn of the seasons. */
  readonly cycle: CycleName
}

/** What the check has to say, with what to try as clicks. */
export function findingsOfCheck(judged: Judged): Finding[] {
  return [
    ...benchmarkFinding(judged),
    ...coverageFinding(judged),
    ...settledFinding(judged),
    ...refusalFinding(judged),
  ]
}

/** Worse than what needs no method, beyond chance. */
function benchmarkFinding({ verdict, nearer, unit, cycle }: Judged): Finding[] {
  const [best] = verdict?.benchmarks ?? []
  if (!verdict || !best || verdict.against !== 'worse') return []
  const says = benchmarkSays(best.which, cycle)
  const repeat: Action = {
    label: `Forecast by ${says}`,
    change: benchmarkChange(best.which),
  }
  // What is nearer than the method, and still further off than no method, mends nothing.
  const mending = nearer
    .filter(({ off }) => off.by < best.off.by)
    .map(({ label, change }): Action => ({ label, change }))
  const others = nearer.map(
    ({ words, off }, i) =>
      `${words}${i === 0 ? ' it would have been off' : ''} by ${offWords(off, unit)}`,
  )
  return [
    {
      code: 'worse-than-benchmark',
      severity: 'caution',
      stage: 'check',
      text:
        `Over ${countTries(verdict.tries)} this method was off by ${offWords(verdict.method, unit)}, and ${says} by ${offWords(best.off, unit)}: what needs no method does better. ` +
        (others.length > 0 ? `${capitalized(others.join(', '))}. ` : '') +
        'The contest tries the other methods.',
      period: null,
      figure: verdict.method.by,
      actions: [...mending, repeat],
    },
  ]
}

/** Limits that hold more, or less, than they promise. */
function coverageFinding({ coverage, limits, horizon, verdict }: Judged): Finding[] {
  const wrong = coverage.filter(({ level, inUse }) => !agrees(level, inUse.pooled, horizon))
  const [first] = wrong
  if (!first || !verdict) return []
  const isBelow = first.inUse.pooled.share! < first.level / 100
  const held = wrong
    .map(({ level, inUse }) => `the ${level}% limits held ${share(inUse.pooled.share!)}`)
    .join(', ')
  const could = first.pastErrors.pooled.share
  const isMended = wrong.every(({ level, pastErrors }) => agrees(level, pastErrors.pooled, horizon))
  const isAsked = isBelow && limits === 'model' && could !== null
  const offers = isAsked && isMended
  return [
    {
      code: 'limits-do-not-hold',
      severity: isBelow ? 'caution' : 'note',
      stage: 'check',
      text:
        `Over ${countTries(verdict.tries)} ${held} of what came: they are ${isBelow ? 'too narrow' : 'wider than they need be'}.` +
        (isAsked
          ? ` Limits from past errors, judged the same way, held ${share(could)} at ${first.level}%.`
          : ''),
      period: null,
      figure: first.inUse.pooled.share,
      ...(offers
        ? {
            actions: [
              { label: 'Limits from past errors', change: { forecast: { limits: 'past-errors' } } },
            ],
          }
        : {}),
    },
  ]
}

/** That not everything was chosen anew. */
function settledFinding({ isSettled }: Judged): Finding[] {
  if (!isSettled) return []
  return [
    {
      code: 'form-chosen-once',
      severity: 'note',
      stage: 'check',
      text: 'The form was chosen once, from what was known at the first origin; weights and states were chosen anew from every origin.',
      period: null,
      figure: null,
    },
  ]
}

/** Origins at which the method is refused. */
function refusalFinding({ passedOver, origins }: Judged): Finding[] {
  const [first] = passedOver
  if (!first) return []
  return [
    {
      code: 'origins-passed-over',
      severity: 'note',
      stage: 'check',
      text: `From ${passedOver.length} of ${origins} origins the method could not be carried out, and they are left out: ${first.because}`,
      period: null,
      figure: passedOver.length,
    },
  ]
}

/** `25%`; whole per cents, since a few dozen tries tell no more. */
function share(value: number): string {
  return `${Math.round(100 * value)}%`
}
