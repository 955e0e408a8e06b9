import { figureOf, meanOf, operation, plain, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import type { DesignColumn } from '../../regression/design'
import type { LimitArithmetic, LimitFigures } from '../limits'
import { trended } from '../trendColumn'
import { trendRegression } from './columns'
import type { FittedTrendReport } from './report'

/** s and h of a trend by least squares, each from the regression that it comes from. */
export function fittedLimits(
  run: Run,
  report: FittedTrendReport,
  design: readonly DesignColumn[],
  { s, sRelative, costs, leverageAt }: LimitFigures,
): LimitArithmetic {
  const of = trendRegression(run, report, design)
  const df = () => {
    const { y, columns } = of()
    const free = operation(plain(y.length), '−', plain(columns.length + 1))
    return costs
      .filter((cost) => cost > 0)
      .reduce((left, cost) => operation(left, '−', plain(cost)), free)
  }
  return {
    df,
    s: () => {
      const sse = { kind: 'regression', gives: { figure: 'sse' }, of: of() } as const
      return figureOf('s', s!, { kind: 'root', of: operation(sse, '÷', df()) })
    },
    share: () =>
      figureOf('s, as a share of the trend', sRelative!, {
        kind: 'root',
        of: operation(squaredShares(run, report.from), '÷', df()),
      }),
    leverage: (t) =>
      figureOf('h', leverageAt(t), {
        kind: 'regression',
        gives: { figure: 'leverage', t },
        of: of(),
      }),
  }
}

/** Σ((D − L)/L)² over the periods that the trend was fitted to. */
function squaredShares(run: Run, from: number): Expression {
  const of = trended(run)
  const fitted = run.columns.t.filter((t) => t >= from && run.value(of, t) !== null)
  const shares = meanOf(fitted.length, (i) => {
    const line = run.cell('trend', fitted[i]!)
    const missed = operation(run.cell(of, fitted[i]!), '−', line)
    return { kind: 'power', of: operation(missed, '÷', line), power: 2 }
  })
  return operation(shares, '×', plain(fitted.length))
}
