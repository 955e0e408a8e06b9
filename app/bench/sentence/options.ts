import { baseline } from '~~/core/model'
import type { Calendar } from '~~/core/calendar/calendar'
import type { Method, MethodDocument } from '~~/core/method'
import { adjustWords, missingWords, wayWords, type WordId } from './words'

/** One way to say a word of the sentence, and what it would mean. */
export interface Option {
  readonly text: string
  readonly means: string
  readonly chosen: boolean
  readonly method: MethodDocument
}

/**
 * The other ways to say a word that has a fixed set of them; none for words that take a number or
 * a list.
 *
 * @param document the method as the analyst wrote it
 * @param method the same with its defaults filled in
 */
export function optionsOf(
  word: WordId,
  document: MethodDocument,
  method: Method,
  calendar: Calendar,
): Option[] {
  const { decompose } = method
  const way = (by: Method['decompose']['by'], means: string): Option => ({
    text: wayWords(by, calendar),
    means,
    chosen: decompose.by === by,
    method: { ...document, decompose: decomposeBy(by, document.decompose) },
  })
  const option = (
    text: string,
    means: string,
    change: NonNullable<MethodDocument['decompose']>,
  ): Option => ({
    text,
    means,
    chosen: Object.entries(change).every(
      ([key, value]) => decompose[key as keyof typeof decompose] === value,
    ),
    method: { ...document, decompose: { ...document.decompose, ...change } },
  })
  const gaps = (missing: Method['missing'], means: string): Option => ({
    text: missingWords(missing),
    means,
    chosen: method.missing === missing,
    method: { ...document, missing },
  })
  switch (word) {
    case 'missing':
      return [
        gaps('leave', 'No average is taken over a gap, and nothing is invented.'),
        gaps('interpolate', 'A straight line from the value before the gap to the one after it.'),
        gaps('seasonal', 'A straight line through the deseasonalized series, the season put back.'),
        gaps('zero', 'Nothing was sold in those periods.'),
      ]
    case 'model':
      return [
        option('multiplicative', 'The swing grows with the level; indices are factors around 1.', {
          model: 'multiplicative',
        }),
        option('additive', 'The swing stays the same; indices are amounts around 0.', {
          model: 'additive',
        }),
      ]
    case 'by':
      return [
        way(
          'ratio-to-moving-average',
          'Compares each value with the average of the year around it; half a year is lost at each end.',
        ),
        way(
          'stl',
          'Smooths trend and season locally: the season may change over the years, and outliers do no harm.',
        ),
        way(
          'ratio-to-trend',
          'Compares each value with one line through the whole series; a cycle stays in the ratios.',
        ),
        way(
          'simple-averages',
          'Compares each season’s average with that of all seasons; right only without a trend.',
        ),
      ]
    case 'average':
      return [
        option('mean', 'Every value of the season counts alike.', { average: 'mean' }),
        option('median', 'The middle value; one freak year does not move it.', {
          average: 'median',
        }),
        option('trimmed mean', 'The mean without the highest and the lowest value.', {
          average: 'trimmed-mean',
        }),
      ]
    case 'adjust':
      return [
        option(
          adjustWords(true, decompose.model),
          `The ${calendar.seasons} indices together leave the level as it is (${baseline(decompose.model)}).`,
          { adjust: true },
        ),
        option('not adjusted', 'The raw averages, as they are.', { adjust: false }),
      ]
    default:
      return []
  }
}

/** The same decomposition another way: choices that only the present way has are left behind. */
export function decomposeBy(
  by: Method['decompose']['by'],
  { model, exclude, average, adjust, ...loess }: NonNullable<MethodDocument['decompose']> = {},
): NonNullable<MethodDocument['decompose']> {
  const common = { by, ...(model ? { model } : {}), ...(exclude ? { exclude } : {}) }
  if (by === 'stl') return { ...loess, ...common }
  return {
    ...common,
    ...(average ? { average } : {}),
    ...(adjust === undefined ? {} : { adjust }),
  }
}
