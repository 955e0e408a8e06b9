import { figureOf, operation, plain, type Expression } from '../../column/expression'
import type { FigureWorking } from '../../column/figureWorking'
import { capitalized } from '../../series/noun'
import { normalQuantile } from '../../statistics/distributions'
import { probability } from '../../words/figure'
import type { Leftover } from './estimate'
import type { EffectRead } from './reading'
import {
  BY_LIKENESS,
  columnsOfTaken,
  timesByLikeness,
  varianceOfSum,
  type CalendarTaken,
  type GroupReport,
} from './taken'

const FROM_FILTER =
  'Effects and their covariance come from the filter that the likelihood is made by.'

/** What an effect does: the sum of its coefficients, of logarithms exp of it less 1. */
export function effectWorking(taken: CalendarTaken, read: EffectRead): FigureWorking {
  const sum = sumOfCoefficients(taken, read)
  return {
    title: capitalized(read.name),
    value: read.estimate,
    expression:
      taken.model === 'additive' ? sum : operation({ kind: 'exp', of: sum }, '−', plain(1)),
    note: taken.arima ? FROM_FILTER : null,
  }
}

/** How far that may be off: z × standard error, of logarithms × exp of their sum. */
export function reachWorking(taken: CalendarTaken, read: EffectRead, level: number): FigureWorking {
  const z = { kind: 'normal-quantile', level } as const
  const error = { kind: 'root', of: varianceOf(taken, read) } as const
  const scale: Expression = { kind: 'exp', of: sumOfCoefficients(taken, read) }
  const own = taken.model === 'additive' ? error : operation(scale, '×', error)
  return {
    title: `${capitalized(read.name)}: how far off at ${level}%`,
    value: normalQuantile(level) * read.standardError,
    expression: operation(z, '×', own),
    note: taken.arima
      ? FROM_FILTER
      : [
          'The share of s² is that of its columns in (XᵀX)⁻¹, beside season and trend.',
          ...ofAlike(taken),
        ].join(' '),
  }
}

/** (SSE without − SSE) ÷ columns ÷ s²; beside a model bᵀC⁻¹b ÷ columns. */
export function jointWorking(taken: CalendarTaken, group: GroupReport): FigureWorking | null {
  const { f, df1, df2, p } = group.joint
  if (f === null || p === null) return null
  return {
    title: `F of ${group.says}`,
    value: f,
    expression: jointArithmetic(taken, group, f),
    note: [
      `Chance alone goes beyond that at p ${probability(p)}, by the F distribution of ${df1} and ${df2} degrees of freedom.`,
      ...(taken.arima ? [FROM_FILTER] : ofAlike(taken)),
    ].join(' '),
  }
}

/** Why a variance is not that of independent errors, where it is not. */
function ofAlike({ alike }: CalendarTaken): string[] {
  if (!alike) return []
  return [
    `Errors up to ${alike.reach} periods apart are counted as alike as the residuals are, the less the further apart they are.`,
  ]
}

function jointArithmetic(
  { leftover, alike }: CalendarTaken,
  { says, sseWithout, joint: { df1, df2 } }: GroupReport,
  f: number,
): Expression {
  if (!leftover || sseWithout === null || alike) {
    return operation(figureOf('bᵀC⁻¹b of its effects', f * df1), '÷', plain(df1))
  }
  const { sse } = leftover.withAll
  const variance = operation(figureOf('SSE', sse), '÷', plain(df2))
  const gained = operation(figureOf(`SSE without ${says}`, sseWithout), '−', figureOf('SSE', sse))
  return operation(operation(gained, '÷', plain(df1)), '÷', figureOf('s²', sse / df2, variance))
}

/** AICc without an effect less AICc with it: n ln(SSE ÷ n) + 2k + 2k(k + 1)/(n − k − 1) each, k = columns and the variance. */
export function criterionWorking(
  { aicc, leftover }: CalendarTaken,
  { says, aiccWithout, sseWithout, joint }: GroupReport,
): FigureWorking | null {
  if (aiccWithout === null || aicc.withAll === null) return null
  const without =
    leftover && sseWithout !== null
      ? criterionArithmetic(
          { n: leftover.withAll.n, p: leftover.withAll.p - joint.df1, sse: sseWithout },
          `SSE without ${says}`,
        )
      : undefined
  const withAll = leftover ? criterionArithmetic(leftover.withAll, 'SSE') : undefined
  return {
    title: `AICc: how it changes without ${says}`,
    value: aiccWithout - aicc.withAll,
    expression: operation(
      figureOf(`AICc without ${says}`, aiccWithout, without),
      '−',
      figureOf('AICc', aicc.withAll, withAll),
    ),
    note: leftover ? null : 'Each is made of the likelihood of its own model.',
  }
}

function criterionArithmetic({ n, p, sse }: Leftover, sum: string): Expression {
  const k = p + 1
  const perValue = operation(figureOf(sum, sse), '÷', plain(n))
  const likelihood = operation(plain(n), '×', { kind: 'ln', of: perValue })
  const correction = operation(
    operation(plain(2 * k), '×', plain(k + 1)),
    '÷',
    operation(operation(plain(n), '−', plain(k)), '−', plain(1)),
  )
  return operation(operation(likelihood, '+', operation(plain(2), '×', plain(k))), '+', correction)
}

/** The sum of the coefficients with their weights; a weight that all share stands before it, as that of a Sunday does. */
function sumOfCoefficients(taken: CalendarTaken, { weights }: EffectRead): Expression {
  const labels = columnsOfTaken(taken).map(({ label }) => label)
  const used = weights.flatMap((weight, j) => (weight === 0 ? [] : [{ weight, j }]))
  const effectOf = (j: number) => figureOf(`effect of ${labels[j]!}`, taken.coefficients[j]!)
  const shared = used[0]?.weight ?? 1
  const isShared = used.every(({ weight }) => weight === shared)
  const terms = used.map(({ weight, j }) =>
    isShared || weight === 1 ? effectOf(j) : operation(plain(weight), '×', effectOf(j)),
  )
  const [first = plain(0), ...rest] = terms
  const sum = rest.reduce((left, term) => operation(left, '+', term), first)
  return isShared && shared !== 1 ? operation(plain(shared), '×', sum) : sum
}

/** Variance of a sum of coefficients: s² times its share, and where errors are alike times what that makes of it; or what the filter says. */
function varianceOf(taken: CalendarTaken, { weights }: EffectRead): Expression {
  const variance = varianceOfSum(taken, weights)
  if (!taken.leftover) return figureOf('variance', variance)
  const { n, p, sse } = taken.leftover.withKept
  if (sse === 0) return figureOf('variance', 0)
  const s2 = operation(figureOf('SSE', sse), '÷', operation(plain(n), '−', plain(p)))
  const times = timesByLikeness(taken, weights)
  const ofIndependent = times === null ? variance : variance / times
  const own = operation(
    figureOf('s²', sse / (n - p), s2),
    '×',
    figureOf('share of s²', (ofIndependent * (n - p)) / sse),
  )
  return times === null ? own : operation(own, '×', figureOf(BY_LIKENESS, times))
}
