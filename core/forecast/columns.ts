import { declare, type Column } from '../column/column'
import { figureOf, operation, plain, type Expression, type Regression } from '../column/expression'
import type { Run } from '../column/run'
import { BEYOND_NUMBERS } from './beyondNumbers'
import type { BackTransform, CommonForecast } from './commonOptions'
import type { CommonAhead } from './way'

export type Side = 'lower' | 'upper'

/** What a way says of its limits. */
export interface LimitWords {
  readonly explains: string
  arithmetic(level: number, side: Side, t: number): Expression
  /** Why there are none at all; null where there are. */
  readonly whyNone: string | null
}

/** A row for either limit of every level. */
export function limitColumns(
  run: Run,
  { levels }: CommonForecast,
  { limits }: CommonAhead,
  { explains, arithmetic, whyNone }: LimitWords,
): Column[] {
  return levels.flatMap((level) =>
    (['lower', 'upper'] as const).map((side) =>
      declare(run.unit, {
        name: `${side}:${level}`,
        label: `${level}% ${side}`,
        means: 'prediction limit',
        explains,
        measure: 'level',
        component: 'forecast',
        mark: 'line-thin',
        stages: ['project'],
        ahead: limits[level]![side],
        arithmetic: (t) => arithmetic(level, side, t),
        whyUndefined: () => whyNone ?? BEYOND_NUMBERS,
      }),
    ),
  )
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
 */
export function backTransformed(
  median: Expression,
  how: BackTransform | undefined,
  { s, backTransform }: { readonly s: number | null; readonly backTransform: number },
  of: () => Regression,
): Expression {
  switch (how) {
    case undefined:
    case 'median':
      return median
    case 'smearing': {
      const made = { kind: 'regression', gives: { figure: 'smearing' }, of: of() } as const
      return operation(median, '×', figureOf('smearing', backTransform, made))
    }
    case 'mean': {
      const half = operation({ kind: 'power', of: figureOf('s', s ?? 0), power: 2 }, '÷', plain(2))
      return operation(median, '×', { kind: 'exp', of: half })
    }
  }
}
