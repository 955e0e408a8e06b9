import type { Accuracy } from '../core/check/accuracy'
import type { Checked } from '../core/check/check'
import { errorFigures, type ErrorFigures } from '../core/check/errorFigures'
import type { Verdict } from '../core/check/verdict'
import type { CommonColumns } from '../core/column/run'
import { wayOf } from '../core/decompose/ways'
import type { Benchmark } from '../core/forecast/benchmarks'
import { ledgerOf } from '../core/ledger/ledger'
import type { Result } from '../core/result'
import type { Value } from '../core/series/series'
import type { StraightLine } from '../core/trend/leastSquares/columns'

/** The columns that every document has; one that a method has no use for is undefined throughout. */
const DOCUMENT_COLUMNS = [
  'original',
  'value',
  'movingAverage',
  'trendCycle',
  'seasonalIrregular',
  'index',
  'deseasonalized',
  'trend',
  'cycle',
  'irregular',
  'recomposed',
  'fitted',
  'residual',
  'weight',
] as const
export type DocumentColumn = (typeof DOCUMENT_COLUMNS)[number]

/** The document `elvant-result/1`: a result with the keys that it had before ways kept their own. */
export interface ResultDocument extends Omit<Result, 'columns' | 'check' | 'accuracy'> {
  readonly columns: Pick<CommonColumns, 'period' | 't' | 'season'> &
    Readonly<Record<DocumentColumn, readonly Value[]>>
  /** What the raw indices were adjusted by; null where indices are no averages. */
  readonly rawIndexMean: Value
  /** What the last inner pass of a decomposition by loess worked with. */
  readonly lastPass: unknown
  /** The line through the series itself, of a decomposition by the ratio to it. */
  readonly trendOfOriginal: StraightLine | null
  /** The mean of the season averages, of a decomposition by simple averages. */
  readonly overallMean: Value
  /** In the sample, and where the method asks for a check, out of it. */
  readonly accuracy: Result['accuracy'] & Partial<CheckedAccuracy>
}

/** Error figures of forecasts of what the method had not seen. */
interface CheckedAccuracy {
  /** The last periods hidden; null where the method is refused on what is left. */
  readonly holdout: ErrorFigures | null
  readonly rolling: Rolling & { readonly coverage: Readonly<Record<string, Value>> }
  readonly benchmarks: Readonly<Partial<Record<Benchmark, Rolling>>>
  readonly verdict: Verdict | null
}

interface Rolling {
  readonly byHorizon: readonly (ErrorFigures & {
    readonly h: number
    readonly n: number
    readonly coverage?: Readonly<Record<string, Value>>
  })[]
  readonly pooled: ErrorFigures
}

/** The document that a result is sent and printed as. */
export function documentOf({ check, ...result }: Result): ResultDocument {
  const { find } = ledgerOf(result)
  const { decomposition: own, columns } = result
  const nothing = columns.t.map(() => null)
  const column = (name: DocumentColumn): readonly Value[] =>
    name in columns
      ? columns[name as keyof CommonColumns as 'value']
      : (find(name)?.actual ?? nothing)
  return {
    ...result,
    columns: {
      period: columns.period,
      t: columns.t,
      season: columns.season,
      ...(Object.fromEntries(DOCUMENT_COLUMNS.map((name) => [name, column(name)])) as Record<
        DocumentColumn,
        readonly Value[]
      >),
    },
    accuracy: { ...result.accuracy, ...(check ? accuracyOfCheck(check) : {}) },
    ...{ rawIndexMean: null, lastPass: null, trendOfOriginal: null, overallMean: null },
    ...wayOf(own.by).ownKeys(own),
  }
}

function accuracyOfCheck({
  holdout,
  method,
  benchmarks,
  coverage,
  verdict,
}: Checked): CheckedAccuracy {
  const heldAt = (share: (one: Checked['coverage'][number]['inUse']) => Value) =>
    Object.fromEntries(coverage.map(({ level, inUse }) => [level, share(inUse)]))
  const counted = ({ byHorizon, pooled }: Accuracy): Rolling => ({
    byHorizon: byHorizon.map((figures) => ({ ...figures, n: figures.count })),
    pooled,
  })
  const rolling = counted(method)
  return {
    holdout:
      'forecast' in holdout ? errorFigures(holdout.actual, holdout.forecast, holdout.scale) : null,
    rolling: {
      pooled: rolling.pooled,
      byHorizon: rolling.byHorizon.map((figures, i) => ({
        ...figures,
        coverage: heldAt((one) => one.byHorizon[i]!.share),
      })),
      coverage: heldAt((one) => one.pooled.share),
    },
    benchmarks: Object.fromEntries(
      Object.entries(benchmarks).map(([which, accuracy]) => [which, counted(accuracy)]),
    ),
    verdict,
  }
}
