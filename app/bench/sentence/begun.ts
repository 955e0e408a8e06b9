import { begin, type Beginning } from '~~/core/begin'
import { methodSays } from '~~/core/completeMethod'
import type { Method } from '~~/core/method'
import { orNull } from '~~/core/refusal'
import type { Series } from '~~/core/series/series'

/** Periods up to which finding the beginning takes no longer than a fraction of a frame. */
const LONGEST = 600

/** Says how a method came about, as long as it is the one that its series begins with. */
export function beginningTeller() {
  let known: { readonly of: Series; readonly beginning: Beginning | null } | null = null

  /** The beginning rests on the values alone, so it is looked for again only when they have changed. */
  function beginningOf(series: Series): Beginning | null {
    const isSame = known?.of.values === series.values && known.of.adjustments === series.adjustments
    if (known && isSame) return known.beginning
    const beginning = series.values.length > LONGEST ? null : orNull(() => begin(series))
    known = { of: series, beginning }
    return beginning
  }

  /** One clause a choice; none where the method is another by now. */
  return (series: Series, method: Method): readonly string[] => {
    const beginning = beginningOf(series)
    if (!beginning) return []
    const { check: _, ...rest } = method
    const isStill = orNull(() => methodSays(beginning.method, series)) === JSON.stringify(rest)
    return isStill ? beginning.because : []
  }
}
