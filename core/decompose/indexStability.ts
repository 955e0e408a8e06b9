import type { LoessMethod, Method } from '../method'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { decomposeByLoess } from './loess/calculate'
import type { Decomposition } from './decomposition'
import { AVERAGE, adjustIndices } from './averages/seasonalIndices'
import { stlParameters } from './loess/stl/windows'

/** The indices as they would be without the first, and without the last, year; season 1 first. */
export interface IndexStability {
  /** null when too little is left for it. */
  readonly withoutFirst: readonly number[] | null
  readonly withoutLast: readonly number[] | null
}

/**
 * How much the indices hang on the year at either end: each season's first (or last) value is left out and
 * the indices are formed again; with loess, the whole decomposition is made again on the shorter series.
 *
 * @param stretch the analysed periods
 * @param decomposition as it was made
 * @param how the method's part on decomposition
 * @param exclude time codes that are left out anyway
 */
export function indexStability(
  stretch: Stretch,
  decomposition: Decomposition,
  how: Method['decompose'],
  exclude: ReadonlySet<number>,
): IndexStability {
  if (how.by === 'stl') {
    return {
      withoutFirst: byLoessWithout('first', stretch, how, exclude),
      withoutLast: byLoessWithout('last', stretch, how, exclude),
    }
  }
  const own = (season: number) =>
    decomposition.seasonalIrregular.filter(
      (value, i): value is number =>
        value !== null && stretch.seasonOf[i] === season && !exclude.has(stretch.firstT + i),
    )
  const lists = decomposition.indices.seasons.map(({ season }) => own(season))
  const without = (cut: (list: readonly number[]) => readonly number[]) => {
    const raw = lists.map((list) => AVERAGE[how.average](cut(list)))
    return raw.some((value: Value) => value === null)
      ? null
      : adjustIndices(raw as number[], how.model, how.adjust).index
  }
  return {
    withoutFirst: without((list) => list.slice(1)),
    withoutLast: without((list) => list.slice(0, -1)),
  }
}

function byLoessWithout(
  end: 'first' | 'last',
  stretch: Stretch,
  how: LoessMethod,
  exclude: ReadonlySet<number>,
): number[] | null {
  const { seasons } = stretch.calendar
  const kept = stretch.values.length - seasons
  if (kept < 2 * seasons) return null
  const skipped = end === 'first' ? seasons : 0
  const shorter: Stretch = {
    ...stretch,
    firstT: stretch.firstT + skipped,
    values: stretch.values.slice(skipped, skipped + kept),
    seasonOf: stretch.seasonOf.slice(skipped, skipped + kept),
    periodOf: (entry) => stretch.periodOf(entry + skipped),
  }
  const present = new Set(
    shorter.seasonOf.filter(
      (_, i) => shorter.values[i] !== null && !exclude.has(shorter.firstT + i),
    ),
  )
  if (present.size < seasons) return null
  const parameters = stlParameters(how, kept, seasons)
  const { indices } = decomposeByLoess(shorter, how.model, parameters, exclude)
  return indices.seasons.map(({ index }) => index)
}
