import { declare, type Column } from '../column/column'
import {
  figureOf,
  operation,
  parameterOf,
  plain,
  type Expression,
  type Regression,
} from '../column/expression'
import type { Run } from '../column/run'
import { BEYOND_NUMBERS } from './beyondNumbers'
import type { BackTransform, CommonForecast } from './commonOptions'
import { figure } from '../words/figure'
import { ordinal } from '../words/ordinal'
import type { HalfWidth, PastErrors } from './pastErrors'
import type { CommonAhead } from './way'

export type Side = 'lower' | 'upper'

/** The row of a limit. */
function limitName(side: Side, level: number): string {
  return `${side}:${level}`
}

/**
 * Which limit a row holds; null for any other row.
 *
 * @example limitNamed('upper:95') // { side: 'upper', level: 95 }
 */
export function limitNamed(column: string): { readonly side: Side; readonly level: number } | null {
  const [, side, level] = /^(lower|upper):([\d.]+)$/.exec(column) ?? []
  return side === undefined ? null : { side: side as Side, level: Number(level) }
}

/** What a way says of its limits. */
export interface LimitWords {
  readonly explains: string
  arithmetic(level: number, side: Side, t: number): Expression
  /** Why there are none at all; null where there are. */
  readonly whyNone: string | null
}

/** What a way says of its fitted values. */
export type FittedWords = Pick<Column, 'means' | 'arithmetic' | 'whyUndefined'> & {
  /** Behind the name of both rows, where the trend has rows of its own: `, regression`. */
  readonly of?: string
  readonly stages?: Column['stages']
}

/** What the method gives for the past, and what it misses. */
export function fittedColumns(
  run: Run,
  { means, arithmetic, whyUndefined, of = '', stages = ['check'] }: FittedWords,
): Column[] {
  return [
    declare(run.unit, {
      name: 'fitted',
      label: `Fitted${of}`,
      symbol: 'fitted',
      means,
      measure: 'level',
      component: 'forecast',
      mark: 'line-dashed',
      stages,
      actual: run.columns.fitted,
      arithmetic,
      whyUndefined,
    }),
    declare(run.unit, {
      name: 'residual',
      label: `Residual${of}`,
      strip: { id: 'residual', title: 'Residual', share: 2, label: `${run.noun} − fitted` },
      symbol: 'residual',
      means: `${run.noun} − fitted`,
      measure: 'difference',
      component: 'irregular',
      mark: 'stems',
      stages,
      actual: run.columns.residual,
      arithmetic: (t) => operation(run.cell(run.input.column, t), '−', run.cell('fitted', t)),
      whyUndefined,
    }),
  ]
}

const STILL_MADE =
  'Limits from past errors are made from many earlier forecasts: they come after this one.'

/** A row for either limit of every level. */
export function limitColumns(
  run: Run,
  { levels, limits: kind }: CommonForecast,
  { limits, pastErrors }: CommonAhead,
  ofModel: LimitWords,
): Column[] {
  const { explains, arithmetic, whyNone } = pastErrors ? pastErrorWords(run, pastErrors) : ofModel
  const isToCome = kind === 'past-errors' && !pastErrors
  return levels.flatMap((level) =>
    (['lower', 'upper'] as const).map((side) =>
      declare(run.unit, {
        name: limitName(side, level),
        label: `${level}% ${side}`,
        means: pastErrors ? 'limit from past errors' : 'prediction limit',
        explains,
        measure: 'level',
        component: 'forecast',
        mark: 'line-thin',
        stages: ['project'],
        ahead: limits[level]![side],
        arithmetic: (t) => arithmetic(level, side, t),
        whyUndefined: () => whyNone ?? (isToCome ? STILL_MADE : BEYOND_NUMBERS),
      }),
    ),
  )
}

/** Limits from past errors: the forecast and a half-width, whatever the way of forecasting. */
function pastErrorWords(run: Run, { scale, origins, widths }: PastErrors): LimitWords {
  const areShares = scale === 'shares'
  return {
    explains: `limit from the errors of forecasts from ${origins} earlier origins`,
    arithmetic: (level, side, t) => {
      const width = widths[level]![t - run.lastT - 1]!
      const reach = parameterOf(widthWords(width, areShares, run.per), width.reach)
      const isLower = side === 'lower'
      const forecast = run.cell('forecast', t)
      if (!areShares) return operation(forecast, isLower ? '−' : '+', reach)
      return operation(forecast, isLower ? '÷' : '×', { kind: 'exp', of: reach })
    },
    whyNone: null,
  }
}

/** What a half-width is, in a formula: `30th smallest of 36 |ln errors|`. */
function widthWords({ count, origin }: HalfWidth, areShares: boolean, per: string): string {
  const errors = areShares ? '|ln errors|' : '|errors|'
  switch (origin.how) {
    case 'rank':
      return `${ordinal(origin.rank)} smallest of ${count} ${errors}`
    case 'spread':
      return `t × root mean square of ${count} ${errors} × √(1 + 1/${count})`
    case 'before':
      return `half-width at ${origin.from} ${per}${origin.from === 1 ? '' : 's'} ahead`
    case 'level':
      return `half-width of the ${origin.level}% limits`
    case 'grown':
      return origin.factor === 1
        ? `half-width at ${origin.from} ${per}s ahead`
        : `half-width at ${origin.from} ${per}s ahead × ${figure(origin.factor)}`
  }
}

/** The forecast without its season, under a name of its own, so that it is not taken for the forecast. */
export function withoutSeasonColumn(
  run: Run,
  { deseasonalized }: CommonAhead,
  words: Pick<Column, 'label' | 'symbol' | 'arithmetic'>,
): Column {
  return declare(run.unit, {
    ...words,
    name: 'forecastDeseasonalized',
    means: 'not yet in season',
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-dotted',
    stages: ['project'],
    ahead: deseasonalized,
  })
}

/**
 * A point that comes back from logarithms: the median as it is, or times what makes a mean of it.
 *
 * @param of the regression whose residuals smear it
 * @param spread its s
 */
export function backTransformed(
  median: Expression,
  how: BackTransform | undefined,
  factor: number,
  of: () => Regression,
  spread: () => Expression,
): Expression {
  switch (how) {
    case undefined:
    case 'median':
      return median
    case 'smearing': {
      const made = { kind: 'regression', gives: { figure: 'smearing' }, of: of() } as const
      return operation(median, '×', figureOf('smearing', factor, made))
    }
    case 'mean': {
      const half = operation({ kind: 'power', of: spread(), power: 2 }, '÷', plain(2))
      return operation(median, '×', { kind: 'exp', of: half })
    }
  }
}
