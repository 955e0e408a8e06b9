import { figure, probability } from '../words/figure'
import type { RegressionFigures } from './report'
import type { JarqueBera, ResidualTests } from './residualTests'

/** Residuals pass for unrelated between these Durbin–Watson figures. */
const UNRELATED = [1.5, 2.5] as const
const SURE = 0.01

/**
 * What the tests of the residuals say, one sentence each: neighbours, waves over a year, their shape.
 *
 * @returns a sentence only where the test could be made
 */
export function residualWords(
  { durbinWatson, terms }: Pick<RegressionFigures, 'durbinWatson' | 'terms'>,
  { ljungBox, jarqueBera }: ResidualTests,
): string[] {
  const sentences: string[] = []
  if (durbinWatson !== null) {
    const words =
      durbinWatson < UNRELATED[0]
        ? 'Neighbouring residuals are alike'
        : durbinWatson > UNRELATED[1]
          ? 'Neighbouring residuals alternate'
          : 'Neighbouring residuals are unrelated'
    sentences.push(`${words} (Durbin–Watson ${figure(durbinWatson)}).`)
  }
  for (const { lag, q, df, allowedP, waves } of ljungBox) {
    const words = waves
      ? 'the residuals still wave: season or trend is missing something'
      : 'no wave can be told from chance'
    sentences.push(
      `Over ${lag} lags ${words} (Ljung–Box ${figure(q)}, ${df} df; p ${probability(allowedP)}, allowing for ${terms.length} coefficients).`,
    )
  }
  sentences.push(...shapeWords(jarqueBera))
  return sentences
}

/** Whether they are shaped like a normal distribution, and what that means for limits. */
export function shapeWords(test: JarqueBera | null): string[] {
  if (!test) return []
  const { p, skewness, kurtosis, statistic } = test
  const tails = kurtosis > 3 ? 'with longer tails than' : 'flatter than'
  const words =
    p <= SURE
      ? `The residuals are not normal: ${Math.abs(skewness) > 1 ? 'lopsided' : tails.concat(' a normal curve')}; limits are approximate`
      : 'The residuals are as good as normal'
  return [`${words} (Jarque–Bera ${figure(statistic)}, p ${probability(p)}).`]
}
