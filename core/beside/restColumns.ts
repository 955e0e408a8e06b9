import type { SeriesRun } from '../column/run'
import { STRAIGHT } from '../trend/leastSquares/forms'
import { figureOf, operation, type Expression } from '../column/expression'
import type { Measure } from '../column/column'
import type { Value } from '../series/series'
import { rollingDeviation, trailingAverage } from '../smoothing/rolling'
import { differenceOf, lastCells, type CellAt } from './arithmetic'
import { detrendWords, DIFFERENCE_WORDS } from './beside'
import type { Own } from './own'
import { isWhole, leavesFactor, restOf, scaledName, type LookScale, type Rest } from './rest'

/** What is left of the series, on its scale. */
export function restColumn(run: SeriesRun, values: readonly Value[], rest: Rest): Own {
  const { left } = restOf(values, rest, run.calendar.seasons)
  const { scale, takenOut } = rest
  const whole = scaledName(run.noun, scale)
  const common = {
    measure: measureOf(rest),
    component: 'deseasonalized',
    values: left,
    arithmetic: restArithmetic(run, values, rest),
  } as const
  switch (takenOut.by) {
    case 'nothing':
      return { ...common, label: 'On its scale', means: whole, mark: 'line-thin' }
    case 'trend': {
      const sign = leavesFactor(rest) ? '÷' : '−'
      const means = `${whole} ${sign} ${detrendWords(takenOut.form)}`
      return { ...common, label: 'Detrended', means, mark: 'stems' }
    }
    case 'difference': {
      const of = scale.by === 'as-is' ? '' : ` of ${whole}`
      const means = `${DIFFERENCE_WORDS[takenOut.how]}${of}`
      return { ...common, label: 'Difference', means, mark: 'stems' }
    }
  }
}

/** The trend that was taken out, on the scale it was fitted on. */
export function takenOutColumn(run: SeriesRun, values: readonly Value[], rest: Rest): Own {
  const { trend } = restOf(values, rest, run.calendar.seasons)
  const form = rest.takenOut.by === 'trend' ? rest.takenOut.form : STRAIGHT
  return {
    label: 'Trend taken out',
    means: `${detrendWords(form)}, through ${scaledName(run.noun, rest.scale)}`,
    measure: rest.scale.by === 'as-is' ? 'level' : 'number',
    component: 'trendCycle',
    mark: 'line-thick',
    values: trend ?? [],
    arithmetic: (t) => figureOf(`${form} trend`, trend![t - run.firstT]!),
  }
}

/** Mean or standard deviation of the last periods of what is left. */
export function rollingColumn(
  run: SeriesRun,
  values: readonly Value[],
  { kind, order, of }: { kind: 'rolling-mean' | 'rolling-deviation'; order: number; of: Rest },
): Own {
  const { left } = restOf(values, of, run.calendar.seasons)
  const isMean = kind === 'rolling-mean'
  const name = of.takenOut.by === 'nothing' ? scaledName(run.noun, of.scale) : 'what is left'
  const cell = isWhole(of)
    ? (t: number) => run.cell('value', t)
    : leftAt(run, left, restArithmetic(run, values, of))
  return {
    label: isMean ? 'Rolling mean' : 'Rolling st. dev.',
    means: isWhole(of) ? `of the last ${order}` : `of the last ${order} of ${name}`,
    measure: isMean ? measureOf(of) : spreadMeasureOf(of),
    component: isMean ? 'trendCycle' : 'irregular',
    mark: 'line-thick',
    values: isMean ? trailingAverage(left, order) : rollingDeviation(left, order),
    arithmetic: (t) => ({
      kind: 'average',
      how: isMean ? 'mean' : 'standard-deviation',
      terms: lastCells(order, t, cell),
    }),
  }
}

/** What is left at a period, with how it came about. */
function leftAt(run: SeriesRun, left: readonly Value[], arithmetic: CellAt): CellAt {
  return (t) => figureOf(`left at ${run.label(t)}`, left[t - run.firstT]!, arithmetic(t))
}

function restArithmetic(run: SeriesRun, values: readonly Value[], rest: Rest): CellAt {
  const { seasons } = run.calendar
  const { takenOut } = rest
  const scaled: CellAt = (t) => scaledCell(run.cell('value', t), rest.scale)
  switch (takenOut.by) {
    case 'nothing':
      return scaled
    case 'difference':
      return (t) => differenceOf(takenOut.how, t, seasons, scaled)
    case 'trend': {
      const { trend } = restOf(values, rest, seasons)
      const sign = leavesFactor(rest) ? '÷' : '−'
      return (t) =>
        operation(scaled(t), sign, figureOf(`${takenOut.form} trend`, trend![t - run.firstT]!))
    }
  }
}

function scaledCell(cell: Expression, scale: LookScale): Expression {
  switch (scale.by) {
    case 'as-is':
      return cell
    case 'ln':
      return { kind: 'ln', of: cell }
    case 'square-root':
      return { kind: 'root', of: cell }
    case 'power':
      return { kind: 'power', of: cell, power: scale.power }
  }
}

/** Only what stays on the scale of the series has its unit. */
function measureOf(rest: Rest): Measure {
  if (leavesFactor(rest)) return 'factor'
  if (rest.scale.by !== 'as-is') return 'number'
  return rest.takenOut.by === 'nothing' ? 'level' : 'difference'
}

/** A spread is read against nothing. */
function spreadMeasureOf(rest: Rest): Measure {
  return rest.scale.by === 'as-is' && !leavesFactor(rest) ? 'level' : 'number'
}
