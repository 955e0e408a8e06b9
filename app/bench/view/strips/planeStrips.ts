import { computed } from 'vue'
import { READERS_FIGURES } from '~/figures/format'
import { peakSpacing } from '~~/core/seasonality/peakSpacing'
import { useBeside } from '../../beside/besideStore'
import { usePins } from '../../pins/pinStore'
import { useKept } from '../../kept/keptStore'
import { useCheck } from '../../check/checkStore'
import { stripsOf } from '~~/core/picture/stages/stages'
import { useBench } from '../../study/benchStore'
import { useLedger } from '../ledgerStore'

/** The strips of the present stage, made of the result and of what is looked at beside it; at Look with its turns. */
export function usePlaneStrips() {
  const bench = useBench()
  const ledger = useLedger()
  const beside = useBeside()
  const pins = usePins()
  const check = useCheck()
  const kept = useKept()

  const peaks = computed(() =>
    bench.shown && ledger.stage === 'look'
      ? peakSpacing(bench.shown.columns.value, bench.shown.series.seasons, beside.halfWidth)
      : null,
  )
  /** The values that the method does not look at, each joined to the span by its nearest. */
  const outside = computed(() =>
    (bench.series?.values ?? []).flatMap((y, i) => {
      const x = i + 1
      if (x <= ledger.firstT) return [{ x, y }]
      return x >= ledger.lastActual ? [{ x, y }] : x === ledger.firstT + 1 ? [{ x, y: null }] : []
    }),
  )
  const hasOutside = computed(
    () => ledger.firstT > 1 || ledger.lastActual < (bench.series?.values.length ?? 0),
  )
  /** At Check, what forecasts from earlier origins would have been. */
  const tried = computed(() =>
    ledger.stage === 'check' && check.shows === 'tries' && check.tried
      ? { all: check.tries, one: check.tried }
      : null,
  )
  const strips = computed(() =>
    bench.shown
      ? stripsOf(ledger.stage, bench.shown, {
          scale: ledger.scale,
          says: READERS_FIGURES,
          noun: bench.shown.series.noun,
          inspected: ledger.inspected,
          peaks: peaks.value,
          ghost: pins.ghost && {
            how: pins.ghostWord,
            name: pins.ghostName,
            result: pins.ghost.result,
          },
          pinned: pins.others,
          tried: tried.value,
          kept: kept.laid,
          outside: hasOutside.value ? outside.value : [],
          oneScale: ledger.oneScale,
        })
      : [],
  )
  return { peaks, strips }
}
