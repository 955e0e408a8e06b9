import { displayScale, withUnit } from '~~/core/words/displayScale'
import { formatChange, formatSigned } from '~/figures/format'
import { furthestFromTrend } from '~~/core/beside/furthest'
import type { Beside } from '~~/core/beside/beside'
import type { LaidParts } from '~~/core/beside/parts'
import type { Result } from '~~/core/result'
import type { ResultStage } from './stage'

/** The series without its season: which periods were really good or bad, and how it grew. */
export const deseasonalize: ResultStage = {
  needs: 'result',
  label: 'Deseasonalize',
  focus: ['deseasonalized', 'value'],
  barHeight: 34,
  beside: ({ growthRates, growthOf, parts }) => [
    ...(parts ? partsBeside(parts) : []),
    ...growthRates.flatMap((rate) => growthOf.map((on) => ({ kind: 'growth' as const, rate, on }))),
  ],
  line: furthestLine,
}

/** A whole that is the series itself stands in the ledger already. */
function partsBeside(laid: LaidParts): Beside[] {
  return [
    ...(laid.isWhole ? [] : [{ kind: 'whole' as const, laid }]),
    { kind: 'parts', laid },
    { kind: 'parts-difference', laid },
  ]
}

/** The period that stands furthest from the trend once the season is out. */
function furthestLine(result: Result): string {
  const { over, under } = furthestFromTrend(result, 1)
  const [most] = [...over, ...under].sort((a, b) => Math.abs(b.distance) - Math.abs(a.distance))
  if (!most) return 'no trend to stand against'
  const scale = displayScale(result.columns.value, result.series.unit)
  const size =
    result.method.decompose.model === 'multiplicative'
      ? formatChange(most.distance * 100)
      : withUnit(formatSigned(most.distance / scale.divisor, scale.decimals), scale)
  return `furthest off: ${most.label}, ${size}`
}
