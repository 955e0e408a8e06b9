import type { Result } from '~~/core/result'
import { TREND_FORMS } from '~~/core/trend/forms'
import { trendWayOf, type TrendWayName } from '~~/core/trend/ways'
import { leastSquares } from './leastSquares/words'
import { smoothedTrend } from './smoothedTrend/words'
import type { TrendWords } from './way'

const WORDS: Readonly<Partial<Record<TrendWayName, TrendWords>>> = {
  'least-squares': leastSquares,
  smoothed: smoothedTrend,
}

/** What a way says of its trends; of one that says nothing its form. */
export function trendWordsOf({ trendFit: { form } }: Result): TrendWords {
  const { words } = TREND_FORMS[form]
  return WORDS[trendWayOf(form).name] ?? { notes: () => [words], line: () => words }
}
