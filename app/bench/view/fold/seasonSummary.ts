import { withUnit, type DisplayScale } from '~~/core/words/displayScale'
import { formatChange, formatDecimals, formatSigned } from '~/figures/format'
import type { SeasonRow } from '~~/core/examine'
import type { Column } from '~~/core/column/column'
import { traitsOf, wayOf } from '~~/core/decompose/ways'
import type { Result } from '~~/core/result'
import type { Value } from '~~/core/series/series'
import { figureText, type CellFormat } from '../ledger/fitting'

/** One figure a season of what the indices came to. */
export interface SummaryLine {
  readonly name: string
  readonly kind: 'plain' | 'quiet' | 'index'
  /** Whether it is said as a departure from the baseline in place of the figure. */
  readonly asReading?: boolean
  of(row: SeasonRow): Value
}

const STANDARD_ERROR: SummaryLine = {
  ...{ name: 'standard error', kind: 'quiet' },
  of: ({ standardError }) => standardError,
}
const ENDS: readonly SummaryLine[] = [
  { name: 'without first year', kind: 'quiet', of: ({ withoutFirst }) => withoutFirst },
  { name: 'without last year', kind: 'quiet', of: ({ withoutLast }) => withoutLast },
]

/**
 * What the indices came to, and how steady they are.
 *
 * @returns null for a row that makes no index: then its mean is all there is
 */
export function seasonSummary(result: Result, { name }: Column): readonly SummaryLine[] | null {
  const { decompose } = result.method
  const { seasonMayChange } = traitsOf(decompose)
  const makesIndex = name === 'seasonalIrregular' || (name === 'index' && seasonMayChange)
  if (!makesIndex) return null
  const reads: SummaryLine = {
    ...{ name: 'reads', kind: 'plain', asReading: true },
    of: ({ index }) => index,
  }
  const indexOf = (row: SeasonRow) => row.index
  const rawOf = (row: SeasonRow) => row.raw
  const said = wayOf(decompose.by).indices(decompose)
  if (!said) return null
  const { raw, restOnYears, areAverages, ofYear } = said
  return [
    { name: raw, kind: 'plain', of: rawOf },
    ...(areAverages ? [STANDARD_ERROR] : []),
    {
      name: `index ${ofYear}`.trim(),
      kind: 'index',
      of: indexOf,
    },
    reads,
    ...(restOnYears ? ENDS : []),
  ]
}

/** One season's figure of a line; as a reading, `+5%` or `−1.2` from the baseline. */
export function summaryText(
  { asReading, of }: SummaryLine,
  season: SeasonRow,
  { measure }: Column,
  format: CellFormat,
): string {
  const value = of(season)
  if (!asReading || value === null) return figureText(value, format)
  return measure === 'factor'
    ? formatChange((value - 1) * 100, 0)
    : formatSigned(value / format.divisor, format.decimals)
}

/** How the indices are adjusted, or that they change. */
export function summaryWords(
  { method: { decompose }, decomposition, series }: Result,
  { measure }: Column,
  scale: DisplayScale,
): string {
  const way = wayOf(decompose.by)
  const ahead = way.indices(decompose)?.ahead
  if (ahead) return ahead
  const adjusted = way.adjusted?.(decompose, decomposition)
  if (!adjusted) return ''
  const { mean: raw, isAdjusted } = adjusted
  const isFactor = measure === 'factor'
  const figure = isFactor
    ? formatDecimals(raw, 4)
    : withUnit(formatDecimals(raw / scale.divisor, scale.decimals + 1), scale)
  const mean = `Mean of the ${series.seasons} raw indices ${figure}`
  if (!isAdjusted) return `${mean}; they are not adjusted.`
  return isFactor
    ? `${mean}; each is divided by it, so that they average 1.`
    : `${mean}; it is taken from each, so that they sum to 0.`
}
