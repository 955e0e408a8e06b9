import { adjustedValues } from '../../series/adjusted'
import type { Series } from '../../series/series'
import type { Piece, Word } from '../../word'
import { MISSING_RULES, type MissingRule } from './fillMissing'

const MISSING_MEANS: Record<MissingRule, string> = {
  leave: 'No average is taken over a gap, and nothing is invented.',
  interpolate: 'A straight line from the value before the gap to the one after it.',
  seasonal: 'A straight line through the deseasonalized series, the season put back.',
  zero: 'There was nothing in those periods; gaps at either end stay.',
}

/** Only a series with gaps has to be told what to do with them. */
export function missingPieces(missing: MissingRule, series: Series): Piece[] {
  if (missing === 'leave' && !adjustedValues(series).includes(null)) return []
  const choices = MISSING_RULES.map((rule) => ({
    text: missingWords(rule),
    means: MISSING_MEANS[rule],
    chosen: missing === rule,
    change: { missing: rule },
  }))
  const word: Word = {
    id: 'missing',
    text: missingWords(missing),
    ask: { kind: 'pick', choices },
  }
  return [', missing values ', word, ',']
}

export function missingWords(rule: MissingRule): string {
  return {
    leave: 'left missing',
    interpolate: 'interpolated',
    seasonal: 'interpolated with their season',
    zero: 'taken as zero',
  }[rule]
}
