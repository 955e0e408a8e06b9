import type { CommonColumns } from '../core/column/run'
import { ledgerOf } from '../core/ledger/ledger'
import type { Result } from '../core/result'
import type { Value } from '../core/series/series'
import type { StraightLine } from '../core/trend/columns'

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
export interface ResultDocument extends Omit<Result, 'columns'> {
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
}

/** The document that a result is sent and printed as. */
export function documentOf(result: Result): ResultDocument {
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
    rawIndexMean: 'rawIndexMean' in own ? own.rawIndexMean : null,
    lastPass: 'lastPass' in own ? own.lastPass : null,
    trendOfOriginal: 'line' in own ? own.line : null,
    overallMean: 'overallMean' in own ? own.overallMean : null,
  }
}
