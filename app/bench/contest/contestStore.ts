import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '~/api/client'
import { inReadersFigures } from '~/figures/format'
import { useNotices } from '~/shell/noticeStore'
import { useRun } from '~/workers/run'
import { methodSays } from '~~/core/completeMethod'
import { candidate, candidatesFor, type Candidate } from '~~/core/contest/candidates'
import type { Contest, ContestRow } from '~~/core/contest/contest'
import { changed, type MethodDocument } from '~~/core/method'
import { orNull, Refusal } from '~~/core/refusal'
import { methodSentence } from '~~/core/sentence/sentence'
import { sentenceChanges } from '~~/core/sentence/change'
import { adjustedValues } from '~~/core/series/adjusted'
import type { KeptContest } from '~~/shared/api/studies'
import { usePins } from '../pins/pinStore'
import { useBench } from '../study/benchStore'
import { holdContest } from './holdContest'
import { useOpenedRow } from './openedStore'

/** A contest of methods over the series on the Bench: who takes part, how far it has come, how it came out. */
export const useContest = defineStore('contest', () => {
  const bench = useBench()
  const pins = usePins()
  const notices = useNotices()
  const opened = useOpenedRow()

  const isOpen = ref(false)
  const { state, because, progress, ...holding } = useRun()
  const isDone = computed(() => state.value === 'done')
  /** Rows as they come; of all methods once it is done. */
  const contest = shallowRef<Contest | null>(null)
  /** Methods that are through, the nearest first. */
  const rows = computed(() => contest.value?.rows ?? [])
  /** What the contest that is shown was held over. */
  const heldOver = ref('')
  /** Methods that were put in by hand, beside those that the series admits. */
  const added = shallowRef<readonly Candidate[]>([])
  /** What methods say that are left out of it, as {@link saysOf} has it. */
  const leftOut = shallowRef<ReadonlySet<string>>(new Set())

  /** Everyone who can take part: the usual methods, the one on the Bench, those put in by hand. */
  const candidates = computed<readonly Candidate[]>(() => {
    if (!isOpen.value || !bench.series) return []
    try {
      const all = [
        ...candidatesFor(bench.series, bench.method),
        candidate(bench.series, bench.method),
        ...added.value,
      ]
      const known = new Set<string>()
      return namedApart(
        all.filter(({ document }) => {
          const says = saysOf(document)
          return !known.has(says) && known.add(says)
        }),
      )
    } catch (error) {
      if (error instanceof Refusal) return []
      throw error
    }
  })
  const entrants = computed(() =>
    candidates.value.filter(({ document }) => !leftOut.value.has(saysOf(document))),
  )
  /** Whether what is shown was held over other data, or among others, than those of now. */
  const isStale = ref(false)

  /** What a method says, so that two documents that say the same are one. */
  function saysOf(document: MethodDocument): string {
    return orNull(() => methodSays(document, bench.series!)) ?? JSON.stringify(document)
  }

  /** Opens the contest, or closes it; one that was held before over the same is shown again. */
  async function show(): Promise<void> {
    // A refused method leaves nothing to hold a contest by.
    if (!isOpen.value && (!bench.result || bench.frozen)) return
    isOpen.value = !isOpen.value
    if (!isOpen.value) return
    pins.comparing = false
    const of = await digest()
    if (of === heldOver.value && state.value !== 'stopped') return
    if (state.value === 'running' && of === (await underWay)) return
    if (!(await showKept(of))) hold()
  }

  async function showKept(of: string): Promise<boolean> {
    try {
      const { held } = await api<KeptContest>(`/studies/${bench.study!.id}/contest`)
      if (held?.of !== of) return false
      await holding.begin(async () => {
        contest.value = held.contest
      })
      heldOver.value = of
      isStale.value = false
      return true
    } catch {
      // It can be held again, which takes a second.
      return false
    }
  }

  /** What the contest is held over that goes on, also while the Bench is looked at. */
  let underWay: Promise<string> | null = null

  /** Holds the contest among those who take part. */
  function hold(): void {
    opened.close()
    contest.value = null
    heldOver.value = ''
    isStale.value = false
    // The method of now stays in, also once another is taken.
    added.value = [...added.value, candidate(bench.series!, bench.method)]
    underWay = digest()
    const held = {
      ...{ series: bench.series!, document: bench.method, hidesLast: false },
      candidates: entrants.value,
    }
    void holding.begin(async (followed) => {
      contest.value = await holdContest(held, {
        ...followed,
        told: (found) => {
          if ('contest' in found) contest.value = found.contest
        },
      })
      void keep(contest.value)
    })
  }

  /** It stays with the study until data or candidates change. */
  async function keep(held: Contest): Promise<void> {
    const of = await digest()
    heldOver.value = of
    try {
      await api(`/studies/${bench.study!.id}/contest`, {
        method: 'PUT',
        body: { of, contest: held },
      })
    } catch (error) {
      notices.show({ text: `The contest is not kept: ${(error as Error).message}` })
    }
  }

  /** Of everything that the contest rests on. */
  async function digest(): Promise<string> {
    const { calendar, start } = bench.series!
    const of = JSON.stringify([
      adjustedValues(bench.series!),
      calendar,
      start,
      bench.method.check ?? null,
      entrants.value.map(({ document }) => saysOf(document)).sort(),
    ])
    const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(of))
    return [...new Uint8Array(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  }

  /** Whether a row is the method on the Bench. */
  function isPresent({ method }: ContestRow): boolean {
    return bench.series !== null && saysOf(method) === saysOf(bench.method)
  }

  /** Makes a row the method, and says what changed; undo takes it back. */
  async function take(row: ContestRow): Promise<void> {
    const before = bench.result?.method
    const { assumptions, scenarios } = bench.method.forecast ?? {}
    // What the hand knows better it knows beside any method.
    await bench.change(changed(row.method, { forecast: { assumptions, scenarios } }))
    isOpen.value = false
    const after = bench.result?.method
    const series = bench.series!
    const changes =
      before && after
        ? sentenceChanges(methodSentence(before, series), methodSentence(after, series))
        : []
    const what = changes.length > 0 ? changes.join('; ') : row.name
    notices.show({
      text: inReadersFigures(`The method changed: ${what}.`),
      undo: () => bench.undo(),
    })
  }

  function toggleEntrant({ document }: Candidate): void {
    const says = saysOf(document)
    const next = new Set(leftOut.value)
    if (!next.delete(says)) next.add(says)
    leftOut.value = next
    isStale.value = true
  }
  function takesPart({ document }: Candidate): boolean {
    return !leftOut.value.has(saysOf(document))
  }

  /** Puts the pinned methods in. */
  function addPinned(): void {
    added.value = [
      ...added.value,
      ...pins.pins.map(({ document }) => candidate(bench.series!, document)),
    ]
    isStale.value = true
  }

  function reset(): void {
    opened.close()
    holding.forget()
    isOpen.value = isStale.value = false
    contest.value = null
    heldOver.value = ''
    added.value = []
    leftOut.value = new Set()
  }

  return {
    ...{ isOpen, state, isDone, because, progress, contest, rows },
    ...{ candidates, entrants, isStale },
    ...{
      show,
      hold,
      stop: holding.stop,
      isPresent,
      take,
      toggleEntrant,
      takesPart,
      addPinned,
      reset,
    },
  }
})

/** Methods of one name are told apart by a number. */
function namedApart(candidates: readonly Candidate[]): Candidate[] {
  const seen = new Map<string, number>()
  return candidates.map((one) => {
    const count = (seen.get(one.name) ?? 0) + 1
    seen.set(one.name, count)
    return count === 1 ? one : { ...one, name: `${one.name} (${count})` }
  })
}
