import { figureOf, operation, plain, type Expression } from '../../column/expression'
import type { Value } from '../../series/series'
import type { IteratedRun } from './appended'
import { neighboursOf } from './extremes'
import { yearAt } from './frame'
import { seasonsOf } from './seasonalStep'

type ArithmeticAt = (t: number) => Expression

/** How far an irregular is believed: between the limits, by how many σ of its year it lies from what changes nothing. */
export function extremeWeight(
  run: IteratedRun,
  column: string,
  {
    weight,
    sigma,
  }: { readonly weight: readonly Value[]; readonly sigma: ReadonlyMap<number, number> },
): ArithmeticAt {
  const { model, firstT, taken, options } = run
  const [lower, upper] = options.extremes
  return (t) => {
    const own = weight[t - firstT]!
    if (t > run.lastT) return figureOf('what is carried on is believed', own)
    if (run.value(column, t) === null) return figureOf('there is no irregular to weigh', own)
    if (own === 1) return figureOf(`no more than ${lower} σ away`, own)
    if (own === 0) return figureOf(`more than ${upper} σ away`, own)
    const year = yearAt(taken.frame, t - firstT)
    const away: Expression = {
      kind: 'absolute',
      of: operation(run.stepAt(column, t), '−', plain(model.neutral)),
    }
    const r = operation(away, '÷', figureOf(`σ of ${year}`, sigma.get(year)!))
    const top = figureOf('upper limit', upper)
    return operation(
      operation(top, '−', r),
      '÷',
      operation(top, '−', figureOf('lower limit', lower)),
    )
  }
}

/** A ratio, or where it is not fully believed the mean of it, as far as it is, and of those around it in its season. */
export function replacedValue(
  run: IteratedRun,
  column: string,
  si: readonly Value[],
  weight: readonly Value[],
): ArithmeticAt {
  const { firstT, taken } = run
  const groups = seasonsOf(taken.frame, si)
  return (t) => {
    const own = weight[t - firstT]!
    if (own >= 1) return run.stepAt(column, t)
    const group = groups[run.seasonOf(t) - 1]!
    const full = neighboursOf(group, weight, group.indexOf(t - firstT))
    const share = full.length === 0 ? 0 : own
    const cells = (full.length === 0 ? group : full).map((entry) =>
      run.stepAt(column, firstT + entry),
    )
    if (share === 0) return { kind: 'average', how: 'mean', terms: cells }
    const believed = figureOf('weight', share)
    const sum: Expression = {
      ...{ kind: 'average', how: 'sum' },
      terms: [operation(believed, '×', run.stepAt(column, t)), ...cells],
    }
    return operation(sum, '÷', operation(believed, '+', plain(cells.length)))
  }
}

/** What of an irregular is not believed. */
export function correctionOf(run: IteratedRun, irregular: string, weight: string): ArithmeticAt {
  return (t) => {
    const [own, believed] = [run.stepAt(irregular, t), run.stepAt(weight, t)]
    if (run.model.neutral === 0) return operation(own, '×', operation(plain(1), '−', believed))
    const kept = operation(believed, '×', operation(own, '−', plain(1)))
    return operation(own, '÷', operation(plain(1), '+', kept))
  }
}
