import type { Following } from '~/workers/client'
import { coreClient } from '~/workers/core'
import type { Hidden } from '~/workers/coreJobs'
import type { Candidate } from '~~/core/contest/candidates'
import { concludeContest, contestPlan, type Contest } from '~~/core/contest/contest'
import type { Contestant } from '~~/core/contest/contestant'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import type { Progress } from '~~/core/work/steps'

/** What is held: who takes part on which series, by whose span and check. */
export interface HeldContest {
  readonly series: Series
  readonly document: MethodDocument
  readonly candidates: readonly Candidate[]
  /** Whether each of them forecasts the hidden end of the series too. */
  readonly hidesLast: boolean
}

/** What is found on the way: the contest of those who are through, and how one forecast the hidden end. */
export type FoundInContest =
  { readonly contest: Contest } | { readonly name: string; readonly hidden: Hidden }

/** The workers of contests, opened as they are needed: one processor is left to the page. */
const crew = Array.from({ length: Math.max(1, (navigator.hardwareConcurrency || 2) - 1) }, () =>
  coreClient(),
)

/**
 * Holds a contest beside the page, as many methods at once as there are workers.
 *
 * @param following is told what is found on the way
 * @returns the contest of all
 * @throws Refusal when the series is too short for any origin
 */
export async function holdContest(
  { series, document, candidates, hidesLast }: HeldContest,
  { until, hear, told }: Following<FoundInContest>,
): Promise<Contest> {
  const plan = contestPlan(series, document)
  const contestants: (Contestant | undefined)[] = candidates.map(() => undefined)
  const progress: (Progress | undefined)[] = candidates.map(() => undefined)
  const conclude = (isWhole: boolean) =>
    concludeContest(
      series,
      plan,
      contestants.filter((one) => one !== undefined),
      isWhole,
    )
  let next = 0
  const enter = async (worker: (typeof crew)[number], i: number): Promise<void> => {
    const candidate = candidates[i]!
    const entered = await worker.ask('enter', [series, candidate, document.check, hidesLast], {
      until,
      hear(soFar) {
        progress[i] = soFar
        hear?.(together(progress))
      },
    })
    contestants[i] = entered.contestant
    const made = progress[i]
    if (made) progress[i] = { ...made, done: made.of }
    if (entered.hidden) told?.({ name: candidate.name, hidden: entered.hidden })
    if (contestants.includes(undefined)) told?.({ contest: conclude(false) })
  }
  const takeAll = async (worker: (typeof crew)[number]): Promise<void> => {
    try {
      while (next < candidates.length) await enter(worker, next++)
    } catch (error) {
      // Where one fails all are over: nobody takes another.
      next = candidates.length
      throw error
    }
  }
  await Promise.all(crew.map(takeAll))
  return conclude(true)
}

/** How far all have come, those that have not begun as long as the others. */
function together(all: readonly (Progress | undefined)[]): Progress {
  const begun = all.filter((one) => one !== undefined)
  const longest = Math.max(...begun.map(({ of }) => of))
  return {
    done: begun.reduce((sum, { done }) => sum + done, 0),
    of: begun.reduce((sum, { of }) => sum + of, longest * (all.length - begun.length)),
    words: begun[0]!.words,
  }
}
