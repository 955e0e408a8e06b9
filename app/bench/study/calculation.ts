import { computed, ref, shallowRef, triggerRef, watch, type Ref } from 'vue'
import { unlessLeft, type WorkerClient } from '~/workers/client'
import { coreClient } from '~/workers/core'
import type { CoreJobs } from '~/workers/coreJobs'
import { outcomeOf, type Outcome } from '~/workers/outcome'
import { notYetJudged, takeJudgements, type Numbers } from '~~/core/analyse'
import { isAtOnce } from '~~/core/cost'
import type { MethodDocument } from '~~/core/method'
import type { Looked, Result } from '~~/core/result'
import type { Series } from '~~/core/series/series'
import type { Progress } from '~~/core/work/steps'

/**
 * What the present method comes to on the present series, and how far its calculation has come.
 *
 * @param worker for what is not done at once
 */
export function calculationOf(
  series: Readonly<Ref<Series | null>>,
  method: Readonly<Ref<MethodDocument>>,
  worker: Pick<WorkerClient<CoreJobs>, 'ask'> = coreClient(),
) {
  /** What is calculated at once: the check runs by itself, beside the rest. */
  const calculated = computed(() => ({ ...method.value, check: undefined }))

  const result = shallowRef<Result | null>(null)
  const refusal = shallowRef<(Outcome & { kind: 'refused' }) | null>(null)
  /** The result as it would be with what is in the hand, until the hand is still. */
  const preview = shallowRef<Result | null>(null)
  /** What there is to see: the result, or of a refused method what needs the series alone. */
  const shown = computed<Result | Looked | null>(
    () => preview.value ?? result.value ?? refusal.value?.looked ?? null,
  )

  /** The run whose numbers are shown before they are judged. */
  const earlyOf = shallowRef<AbortController | null>(null)
  /** Whether the numbers that are shown are still to be judged. */
  const isEarly = computed(() => earlyOf.value !== null)
  /** What words and panels are made of: the same, once numbers and pictures are on the screen. */
  const told = shallowRef<Result | Looked | null>(null)
  watch(
    shown,
    (now, before) => {
      if (isEarly.value) return
      if (!now || !before) told.value = now
      else void painted().then(() => isEarly.value || (told.value = shown.value))
    },
    { flush: 'sync' },
  )

  const calculating = ref(false)
  /** What ended the calculation of the present method; what is shown is of an earlier one. */
  const failed = ref('')
  /** How far a long calculation has come. */
  const progress = shallowRef<Progress | null>(null)
  let own: AbortController | null = null

  /**
   * Calculates and shows. A short series takes a few milliseconds, less than the way to a worker and
   * back, and is done at once, so that the change and its figures are one repaint; one that
   * costs more goes to the worker, where a later change overtakes it.
   */
  async function run(): Promise<void> {
    own?.abort()
    const { signal } = (own = new AbortController())
    try {
      if (isAtOnce(method.value, series.value!))
        return show(outcomeOf(series.value!, calculated.value))
      calculating.value = true
      progress.value = null
      const outcome = await unlessLeft(
        worker.ask('analyse', [series.value!, calculated.value], {
          until: signal,
          hear: (soFar) => (progress.value = soFar),
          told: showEarly,
        }),
      )
      if (outcome) show(outcome)
    } catch (error) {
      // What is on the screen stays, marked as that of an earlier method.
      calculating.value = false
      earlyOf.value = null
      failed.value = (error as Error).message
    }
  }

  /** Numbers that are still to be judged, and a forecast whose limits are still being made. */
  function showEarly(numbers: Numbers): void {
    if (!result.value) return
    earlyOf.value = own
    result.value = notYetJudged(numbers, result.value)
    refusal.value = preview.value = null
  }

  function show(outcome: Outcome): void {
    calculating.value = false
    failed.value = ''
    progress.value = null
    const isShown = earlyOf.value !== null && earlyOf.value === own
    if (isShown && outcome.kind === 'result' && !waitsForLimits(outcome.result)) {
      takeJudgements(result.value!, outcome.result)
      earlyOf.value = null
      triggerRef(result)
      told.value = result.value
      return
    }
    preview.value = null
    earlyOf.value = null
    result.value = outcome.kind === 'result' ? outcome.result : null
    refusal.value = outcome.kind === 'refused' ? outcome : null
  }

  /** Shows nothing of what was there. */
  function forget(): void {
    earlyOf.value = null
    result.value = preview.value = refusal.value = null
    failed.value = ''
  }

  return {
    result,
    preview,
    refusal,
    shown,
    told,
    isEarly,
    calculating,
    failed,
    progress,
    run,
    forget,
  }
}

/** Whether the limits were not there when the numbers were. */
function waitsForLimits({ method }: Result): boolean {
  return method.forecast.limits === 'past-errors'
}

/** The frame that is being made is on the screen; where nobody looks there is none to wait for. */
function painted(): Promise<void> {
  const isSeen = typeof document !== 'undefined' && !document.hidden
  return new Promise((resolve) => {
    if (isSeen) requestAnimationFrame(() => setTimeout(resolve))
    else setTimeout(resolve)
  })
}
