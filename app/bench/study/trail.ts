import {
  MOST_STEPS,
  type Desk,
  type StudyContent,
  type StudyStep,
  type TrailSave,
} from '~~/shared/api/desk'

/** What a study was, step by step: those before the present one are undone to, those after it done again. */
export interface Trail {
  readonly steps: readonly StudyStep[]
  /** Entry of the present step. */
  readonly at: number
}

/** A trail of one step. */
export function trailFrom(content: StudyContent): Trail {
  return { steps: [{ n: 0, content }], at: 0 }
}

/** The trail that the server kept, at what the study is now: what was changed elsewhere since is one more step. */
export function trailKept(
  { steps, at }: { readonly steps: readonly StudyStep[]; readonly at: Desk['at'] },
  now: StudyContent,
): Trail {
  const present = steps.findIndex(({ n }) => n === at)
  if (present < 0) return trailFrom(now)
  const kept = { steps, at: present }
  return isSame(presentOf(kept), now) ? kept : advance(kept, now)
}

export function presentOf({ steps, at }: Trail): StudyContent {
  return steps[at]!.content
}

/** The trail with one more step after the present one; what was gone back over is gone. */
export function advance(trail: Trail, content: StudyContent): Trail {
  const before = trail.steps.slice(0, trail.at + 1)
  const steps = [...before, { n: before.at(-1)!.n + 1, content }].slice(-MOST_STEPS)
  return { steps, at: steps.length - 1 }
}

/** The trail one step back or on; null where it ends. */
export function go({ steps, at }: Trail, by: -1 | 1): Trail | null {
  return steps[at + by] ? { steps, at: at + by } : null
}

/** What a server that has some steps must be told of a trail. */
export function unsent(trail: Trail, sent: readonly StudyStep[]): TrailSave {
  const have = new Set(sent)
  return {
    steps: trail.steps.filter((step) => !have.has(step)),
    at: trail.steps[trail.at]!.n,
  }
}

/** Whether two contents, or the same part of two, say the same. */
export function isSame<Part>(a: Part, b: Part): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}
