import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  besideColumn,
  type Beside,
  type BesideColumn,
  type GrowthKind,
} from '~~/core/beside/besideColumn'
import { Refusal } from '~~/core/refusal'
import type { AverageKind } from '~~/core/smoothing/averageKinds'
import type { DetrendForm } from '~~/core/trend/detrend'
import type { Difference } from '~~/core/stationarity/difference'
import { useBench } from '../benchStore'
import type { Stage } from '../path/stages'

/** What is taken out of the series to look at the rest: a trend, or differences. */
export type TakenOut =
  | { readonly by: 'nothing' }
  | { readonly by: 'trend'; readonly form: DetrendForm }
  | { readonly by: 'difference'; readonly how: Difference }

/** Averages compared at the most, so that their lines can be told apart. */
export const MOST_AVERAGES = 4

/** A column beside the ledger, or why there is none. */
export type Inspected =
  | ({ readonly beside: Beside; readonly problem: null } & BesideColumn)
  | { readonly beside: Beside; readonly problem: string }

/**
 * What the analyst looks at beside the method: rolling figures, averages to compare, growth. None of it
 * changes a result.
 */
export const useInspection = defineStore('inspection', () => {
  const bench = useBench()
  const seasons = computed(() => bench.series?.calendar.seasons ?? 1)

  const ownRolling = ref<number | null>(null)
  /** Periods of the rolling mean and deviation; a year unless the analyst says otherwise. */
  const rolling = computed({
    get: () => ownRolling.value ?? Math.max(2, seasons.value),
    set: (order) => (ownRolling.value = order),
  })
  const ownHalfWidth = ref<number | null>(null)
  /** Periods to either side that a peak must overtop. */
  const halfWidth = computed({
    get: () => ownHalfWidth.value ?? Math.max(1, Math.floor(seasons.value / 2)),
    set: (width) => (ownHalfWidth.value = width),
  })
  const takenOut = shallowRef<TakenOut>({ by: 'nothing' })
  const averages = shallowRef<readonly AverageKind[]>([])
  const showsMultiples = ref(false)
  const growthRate = ref<GrowthKind>('periodOnPeriod')
  /** Years of the rolling mean along each season, when folded; 0 for none. */
  const seasonYears = ref(0)
  /** The season a folded year begins in; null for the series' own. */
  const yearStart = ref<number | null>(null)
  const seasonAlignment = ref<'trailing' | 'centred'>('centred')

  function reset(): void {
    ownRolling.value = ownHalfWidth.value = null
    takenOut.value = { by: 'nothing' }
    averages.value = []
    showsMultiples.value = false
    growthRate.value = 'periodOnPeriod'
    seasonYears.value = 0
    yearStart.value = null
  }

  /** Adds an average to those compared; the oldest makes way. */
  function compare(kind: AverageKind): void {
    const others = averages.value.filter((have) => JSON.stringify(have) !== JSON.stringify(kind))
    averages.value = [...others, kind].slice(-MOST_AVERAGES)
  }

  function drop(kind: AverageKind): void {
    averages.value = averages.value.filter((have) => have !== kind)
  }

  function wanted(stage: Stage): Beside[] {
    switch (stage) {
      case 'look':
        return [
          { kind: 'rolling-mean', order: rolling.value },
          { kind: 'rolling-deviation', order: rolling.value },
          ...takenOutColumn(takenOut.value),
        ]
      case 'smooth':
        return averages.value.flatMap(withOffCentre).map((by) => ({ kind: 'average', by }))
      case 'deseasonalize':
        return (['value', 'deseasonalized'] as const).map((on) => ({
          kind: 'growth',
          rate: growthRate.value,
          on,
        }))
      default:
        return []
    }
  }

  /** The columns beside the ledger at a stage; what cannot be calculated says why. */
  function inspect(stage: Stage): Inspected[] {
    const { result } = bench
    if (!result) return []
    return wanted(stage).map((beside) => {
      try {
        return { beside, problem: null, ...besideColumn(result, beside) }
      } catch (error) {
        if (error instanceof Refusal) return { beside, problem: error.because }
        throw error
      }
    })
  }

  return {
    rolling,
    halfWidth,
    takenOut,
    averages,
    showsMultiples,
    growthRate,
    seasonYears,
    seasonAlignment,
    yearStart,
    reset,
    compare,
    drop,
    inspect,
  }
})

function takenOutColumn(takenOut: TakenOut): Beside[] {
  switch (takenOut.by) {
    case 'nothing':
      return []
    case 'trend':
      return [{ kind: 'detrended', form: takenOut.form }]
    case 'difference':
      return [{ kind: 'differenced', how: takenOut.how }]
  }
}

/** An even centred average is shown in its two steps: off-centre, then centred. */
function withOffCentre(kind: AverageKind): AverageKind[] {
  return kind.kind === 'centred' && kind.order % 2 === 0
    ? [{ kind: 'off-centre', order: kind.order }, kind]
    : [kind]
}
