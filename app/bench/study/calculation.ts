import { computed, ref, shallowRef, type Ref } from 'vue'
import { unlessLeft } from '~/workers/client'
import { coreClient } from '~/workers/core'
import { outcomeOf, type Outcome } from '~/workers/outcome'
import { isHeavy } from '~~/core/decompose/ways'
import { DEFAULT_FORECAST, forecastWayOf } from '~~/core/forecast/ways'
import type { MethodDocument } from '~~/core/method'
import type { Looked, Result } from '~~/core/result'
import type { Series } from '~~/core/series/series'
import type { Progress } from '~~/core/work/steps'

/** Periods up to which a calculation takes no longer than a fraction of a frame. */
const LONGEST_AT_ONCE = 600

/** What the present method comes to on the present series, and how far its calculation has come. */
export function calculationOf(
  series: Readonly<Ref<Series | null>>,
  method: Readonly<Ref<MethodDocument>>,
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

  const calculating = ref(false)
  /** What ended the calculation of the present method; what is shown is of an earlier one. */
  const failed = ref('')
  /** How far a long calculation has come. */
  const progress = shallowRef<Progress | null>(null)
  const worker = coreClient()
  let own: AbortController | null = null

  /**
   * Calculates and shows. A short series takes a few milliseconds, less than the way to a worker and
   * back, and is done at once, so that the change and its figures are one repaint; a long one, and
   * a heavy way, goes to the worker, where a later change overtakes it.
   */
  async function run(): Promise<void> {
    own?.abort()
    const { signal } = (own = new AbortController())
    try {
      if (isAtOnce(series.value!, method.value))
        return show(outcomeOf(series.value!, calculated.value))
      calculating.value = true
      progress.value = null
      const outcome = await unlessLeft(
        worker.ask('analyse', [series.value!, calculated.value], {
          until: signal,
          hear: (soFar) => (progress.value = soFar),
        }),
      )
      if (outcome) show(outcome)
    } catch (error) {
      // What is on the screen stays, marked as that of an earlier method.
      calculating.value = false
      failed.value = (error as Error).message
    }
  }

  function show(outcome: Outcome): void {
    calculating.value = false
    failed.value = ''
    preview.value = progress.value = null
    result.value = outcome.kind === 'result' ? outcome.result : null
    refusal.value = outcome.kind === 'refused' ? outcome : null
  }

  /** Shows nothing of what was there. */
  function forget(): void {
    result.value = preview.value = refusal.value = null
    failed.value = ''
  }

  return {
    result,
    preview,
    refusal,
    shown,
    calculating,
    failed,
    progress,
    run,
    forget,
  }
}

/** Whether a method takes less time on a series than the way to a worker and back. */
export function isAtOnce(
  { values, calendar }: Series,
  { decompose, forecast }: MethodDocument,
): boolean {
  // Limits from past errors calculate the method again from every earlier origin.
  const { heavy } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  const isOnce = forecast?.limits !== 'past-errors' && !heavy
  return isOnce && values.length <= LONGEST_AT_ONCE && !isHeavy(decompose ?? {}, calendar)
}
