import { oneCycle } from '~~/core/calendar/labels'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { coreClient } from '~/workers/core'
import { useRun } from '~/workers/run'
import { shortVerdict, verdictLine } from '~~/core/check/words'
import type { Checked } from '~~/core/check/check'
import type { Try } from '~~/core/check/rolling'
import type { Action, Finding } from '~~/core/finding'
import { offerName, offersIn, offersName, togetherAt, type Offer } from '~~/core/offers'
import type { Stage } from '~~/core/stage'
import { useBench } from '../study/benchStore'

/** The check waits until the change that asks for it is on the screen: on a machine with few processors it would hold that up. */
const AFTER_REPAINT_MS = 100

/** The check of the method on the Bench, which runs by itself after every change. */
export const useCheck = defineStore('check', () => {
  const bench = useBench()

  const worker = coreClient()
  const { state: stateOfRun, because, progress, ...checking } = useRun()
  const { state: trying, begin: beginTrying, forget: forgetTrying } = useRun()
  const checked = shallowRef<Checked | null>(null)
  const state = computed(() =>
    stateOfRun.value === 'done' && !checked.value ? 'too-short' : stateOfRun.value,
  )

  /** Names of the offers that were tried and mend: the others are not made. */
  const mending = shallowRef<ReadonlySet<string>>(new Set())

  /** Time code of the origin that is looked at; null for the last with a whole horizon behind it. */
  const chosen = ref<number | null>(null)
  /** The period under the pointer, whose origin is looked at for as long as it is there. */
  const hovered = ref<number | null>(null)
  /** Whether strips show what forecasts would have been, or how the method fits what it has seen. */
  const shows = ref<'tries' | 'fitted'>('tries')

  // What came out of another method says nothing of this one.
  watch(() => [bench.result, bench.isEarly, bench.method.check], run, { immediate: true })

  function run(): void {
    checked.value = null
    mending.value = new Set()
    forgetTrying()
    const [series, document] = [bench.series, bench.method]
    if (!bench.result || !series || bench.isEarly) return checking.forget()
    void checking.begin(async (followed) => {
      await afterRepaint()
      checked.value = await worker.ask('check', [series, document], followed)
      void beginTrying(({ until }) =>
        worker.ask('offers', [series, document], {
          until,
          told: (name) => (mending.value = new Set([...mending.value, name])),
        }),
      )
    })
  }

  /** Gives the check up until the method changes, or it is asked for again. */
  function stop(): void {
    forgetTrying()
    checking.stop()
  }

  /** Whether an offer is made: one that is tried and mends, or any where nothing can be tried. */
  function isOffered(finding: Finding, action: Action): boolean {
    const cannotTell =
      ['none', 'refused', 'failed'].includes(state.value) || trying.value === 'failed'
    return cannotTell || mending.value.has(offerName(finding, action))
  }

  /** The offers of a stage that can be taken together; none where together they do not mend. */
  function togetherIn(stage: Stage, findings: readonly Finding[]): readonly Offer[] {
    if (!mending.value.has(offersName(stage))) return []
    const made = offersIn(findings).filter((one) => isOffered(one.finding, one.action))
    return togetherAt(stage, made)
  }

  /** `Over 36 tries such forecasts were off by 3.1%; …`, or how far it has come, or why there is none. */
  const line = computed(lineNow)

  function lineNow(): string {
    switch (state.value) {
      case 'done': {
        const { verdict } = checked.value!
        return verdict
          ? verdictLine(verdict, bench.series!.unit, oneCycle(bench.series!.calendar))
          : 'Nothing came after any origin, so there is nothing to judge by.'
      }
      case 'running':
        return progress.value
          ? `Checking: ${progress.value.done} of ${progress.value.of} ${progress.value.words}`
          : 'Checking…'
      case 'too-short':
        return 'The series is too short to be checked: three years are needed before the first forecast.'
      case 'refused':
      case 'failed':
        return `Not checked: ${because.value}`
      case 'stopped':
        return 'Not checked: the check was stopped.'
      case 'none':
        return ''
    }
  }

  /** The same for the path: `off by 3.1%; repeating last year 4.9%`. */
  const short = computed(() => {
    const verdict = checked.value?.verdict
    if (verdict) return shortVerdict(verdict, bench.series!.unit, oneCycle(bench.series!.calendar))
    if (state.value === 'running') {
      return progress.value
        ? `checking: ${progress.value.done} of ${progress.value.of}`
        : 'checking…'
    }
    return state.value === 'too-short' ? 'too short to be checked' : ''
  })

  const tries = computed<readonly Try[]>(() => checked.value?.tries ?? [])
  /** The try that is looked at. */
  const tried = computed<Try | null>(() => {
    const all = tries.value
    if (all.length === 0) return null
    const pointed = all.find(({ origin }) => origin === hovered.value)
    if (pointed) return pointed
    const wanted = chosen.value ?? wholeYear()
    const { holdout } = checked.value!
    if (chosen.value !== null && 'forecast' in holdout && holdout.origin === chosen.value) {
      return holdout
    }
    return all.reduce((near, one) =>
      Math.abs(one.origin - wanted) < Math.abs(near.origin - wanted) ? one : near,
    )
  })

  /** The last origin that a whole horizon came after. */
  function wholeYear(): number {
    const { plan } = checked.value!
    return tries.value.at(-1)!.origin + 1 - plan.rolling.horizon
  }

  /** The next origin, or the one before. */
  function step(by: 1 | -1): void {
    const all = tries.value
    const from = tried.value?.origin
    if (from === undefined) return
    const next =
      by > 0
        ? all.find(({ origin }) => origin > from)
        : [...all].reverse().find(({ origin }) => origin < from)
    if (next) chosen.value = next.origin
  }

  /** Hides the last periods: the origin before them is looked at. */
  function holdOut(): void {
    const { holdout } = checked.value!
    chosen.value = holdout.origin
    shows.value = 'tries'
  }

  function reset(): void {
    chosen.value = hovered.value = null
    shows.value = 'tries'
  }

  return {
    state,
    checked,
    because,
    progress,
    chosen,
    hovered,
    shows,
    line,
    short,
    tries,
    tried,
    run,
    stop,
    step,
    holdOut,
    isOffered,
    togetherIn,
    reset,
  }
})

function afterRepaint(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, AFTER_REPAINT_MS))
}
