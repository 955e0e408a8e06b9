import { Refusal } from '../../core/refusal'
import type { Series } from '../../core/series/series'
import { readOrAsk } from './read'

/** The series of a sales file, by name when it holds several. */
export function chooseSeries(
  path: string,
  name: string | undefined,
  answers: readonly string[],
): Series {
  const all = readOrAsk(path, answers).series.map(({ series }) => series)
  const chosen = name === undefined ? all : all.filter((series) => series.name === name)
  if (chosen.length === 1) return withUnit(chosen[0]!)
  const names = all.map((series) => `"${series.name}"`).join(', ')
  throw new Refusal(
    name === undefined
      ? `The file holds ${all.length} series; choose one with --series: ${names}.`
      : `The file holds ${chosen.length === 0 ? 'no' : 'more than one'} series "${name}"; it holds ${names}.`,
    '--series',
  )
}

/**
 * Several series of a sales file by name, all of them without names.
 *
 * @throws Refusal for a name that the file does not have, or has more than once
 */
export function chooseAll(
  path: string,
  names: readonly string[],
  answers: readonly string[],
): Series[] {
  if (names.length > 0) return names.map((name) => chooseSeries(path, name, answers))
  return readOrAsk(path, answers).series.map(({ series }) => withUnit(series))
}

/** A file that states no unit still needs a word behind its numbers. */
function withUnit(series: Series): Series {
  return series.unit ? series : { ...series, unit: 'units' }
}
