import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { growthKinds, type GrowthKind } from '~~/core/beside/beside'
import { besideColumn } from '~~/core/beside/besideColumn'
import { WHOLE, type Rest } from '~~/core/beside/rest'
import { traitsOf } from '~~/core/decompose/ways'
import { Refusal } from '~~/core/refusal'
import type { AverageKind } from '~~/core/smoothing/averageKinds'
import type { Stage } from '~~/core/stage'
import { MOST_AVERAGES } from '~~/shared/api/desk'
import { useParts } from '../parts/partsStore'
import { useKept } from '../kept/keptStore'
import { useCheck } from '../check/checkStore'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import type { Inspected } from '~~/core/picture/sources'
import type { BesideChoices } from '../stage/choices'

/** Years of the rolling figures of a yearly series. */
const YEARLY_WIDTH = 5

/**
 * What the analyst looks at beside the method: rolling figures, averages to compare, growth. None of it
 * changes a result.
 */
export const useBeside = defineStore('beside', () => {
  const bench = useBench()
  const check = useCheck()
  const kept = useKept()
  const parts = useParts()
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
  /** On which scale the series is looked at, and without what. */
  const rest = shallowRef<Rest>(WHOLE)
  const averages = shallowRef<readonly AverageKind[]>([])
  const showsMultiples = ref(false)
  const growthRate = ref<GrowthKind>('periodOnPeriod')
  /** A second growth rate in the same picture; null for none. */
  const secondRate = ref<GrowthKind | null>(null)
  const growthOf = ref<'both' | 'value' | 'deseasonalized'>('both')
  /** Years of the rolling mean along each season, when folded; 0 for none. */
  const seasonYears = ref(0)
  /** The season a folded year begins in; null for the series' own. */
  const yearStart = ref<number | null>(null)
  /** Seasons of the cycle that is folded by; null for the series' own. */
  const foldCycle = ref<number | null>(null)
  const seasonAlignment = ref<'trailing' | 'centred'>('centred')

  function reset(): void {
    ownRolling.value = ownHalfWidth.value = null
    rest.value = WHOLE
    averages.value = []
    showsMultiples.value = false
    growthRate.value = 'periodOnPeriod'
    secondRate.value = null
    growthOf.value = 'both'
    check.reset()
    seasonYears.value = 0
    yearStart.value = null
    foldCycle.value = null
  }

  /** Adds an average to those compared; the oldest makes way. */
  function compare(kind: AverageKind): void {
    const others = averages.value.filter((have) => JSON.stringify(have) !== JSON.stringify(kind))
    averages.value = [...others, kind].slice(-MOST_AVERAGES)
  }

  function drop(kind: AverageKind): void {
    averages.value = averages.value.filter((have) => have !== kind)
  }

  /** The chosen rate, or where that is the same as another the one that is offered. */
  const rateShown = computed(() => {
    const offered = growthKinds(seasons.value)
    return offered.includes(growthRate.value) ? growthRate.value : offered[0]!
  })
  /** Without a season, what is deseasonalized is the series itself. */
  const growthShown = computed<readonly ('value' | 'deseasonalized')[]>(() => {
    const { result } = bench
    if (!result || !traitsOf(result.method.decompose).hasSeason) return ['value']
    return growthOf.value === 'both' ? ['value', 'deseasonalized'] : [growthOf.value]
  })

  /** What came after the analysed span, as far as the forecast goes; null where nothing did. */
  const came = computed(() => {
    const { result, series } = bench
    if (!result || !series) return null
    // Of a kept forecast, what has come since it was kept.
    const after = bench.frozen
      ? bench.frozen.judged.periods.map(({ actual }) => actual)
      : result.forecast.t.map((t) => series.values[t - 1] ?? null)
    return after.some((value) => value !== null) ? after : null
  })

  const choices = computed<BesideChoices>(() => ({
    rolling: rolling.value,
    rest: rest.value,
    averages: averages.value,
    growthRates:
      secondRate.value === null || secondRate.value === rateShown.value
        ? [rateShown.value]
        : [rateShown.value, secondRate.value],
    growthOf: growthShown.value,
    tried: check.shows === 'tries' ? check.tried : null,
    came: came.value,
    kept: kept.laid,
    parts: parts.laid,
  }))

  /** The columns beside the ledger at a stage; what cannot be calculated says why. */
  function inspect(stage: Stage): Inspected[] {
    const { shown } = bench
    if (!shown) return []
    return stageOf(stage)
      .beside(choices.value)
      .map((beside) => {
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
    rest,
    averages,
    showsMultiples,
    growthRate,
    secondRate,
    growthOf,
    growthShown,
    rateShown,
    came,
    seasonYears,
    seasonAlignment,
    yearStart,
    foldCycle,
    reset,
    compare,
    drop,
    inspect,
  }
})
