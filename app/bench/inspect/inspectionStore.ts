import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { growthKinds, type Beside, type GrowthKind } from '~~/core/beside/beside'
import { besideColumn } from '~~/core/beside/besideColumn'
import type { Column } from '~~/core/column/column'
import { traitsOf } from '~~/core/decompose/ways'
import { Refusal } from '~~/core/refusal'
import type { AverageKind } from '~~/core/smoothing/averageKinds'
import type { TrendFormName } from '~~/core/trend/forms'
import type { Difference } from '~~/core/stationarity/difference'
import { useBench } from '../benchStore'
import type { Stage } from '../path/stages'

/** What is taken out of the series to look at the rest: a trend, or differences. */
export type TakenOut =
  | { readonly by: 'nothing' }
  | { readonly by: 'trend'; readonly form: TrendFormName }
  | { readonly by: 'difference'; readonly how: Difference }

/** Years of the rolling figures of a yearly series. */
const YEARLY_WIDTH = 5
/** Averages compared at the most, so that their lines can be told apart. */
export const MOST_AVERAGES = 4

/** A column beside the ledger, or why there is none. */
export type Inspected =
  | { readonly beside: Beside; readonly column: Column; readonly problem: null }
  | { readonly beside: Beside; readonly column: null; readonly problem: string }

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
    get: () => ownRolling.value ?? (seasons.value < 2 ? YEARLY_WIDTH : seasons.value),
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

  /** Without a season, what is deseasonalized is the series itself. */
  function growthOn(): ('value' | 'deseasonalized')[] {
    const { result } = bench
    const hasSeason = result && traitsOf(result.method.decompose).hasSeason
    return hasSeason ? ['value', 'deseasonalized'] : ['value']
  }
  /** The chosen rate, or where that is the same as another the one that is offered. */
  const rateShown = computed(() => {
    const offered = growthKinds(seasons.value)
    return offered.includes(growthRate.value) ? growthRate.value : offered[0]!
  })

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
        return growthOn().map((on) => ({ kind: 'growth', rate: rateShown.value, on }))
      default:
        return []
    }
  }

  /** The columns beside the ledger at a stage; what cannot be calculated says why. */
  function inspect(stage: Stage): Inspected[] {
    const { shown } = bench
    if (!shown) return []
    return wanted(stage).map((beside) => {
      try {
        return { beside, problem: null, column: besideColumn(shown, beside) }
      } catch (error) {
        if (error instanceof Refusal) return { beside, problem: error.because, column: null }
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
    rateShown,
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
