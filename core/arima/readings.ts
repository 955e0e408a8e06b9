import { FACTORS, type ArmaCoefficients } from '../stateSpace/arima/order'
import type { Value } from '../series/series'
import { figure, percent } from '../words/figure'
import type { ArimaFigures } from './model'
import { STRONG_SEASON, type ChosenDifferences } from './firstDifferences'

/** A coefficient with what is known of it, in words. */
export interface ArimaTerm {
  /** `AR 1`, `MA 12`, `mean`, `drift` */
  readonly name: string
  readonly estimate: number
  readonly standardError: Value
  readonly z: Value
  /** What it does: `62% of last month's surprise is kept`; empty where it says nothing alone. */
  readonly reads: string
}

/** How the factors are called, and how many periods apart their terms stand. */
const CALLED = {
  ar: { name: 'AR', isSeasonal: false, isOfSurprises: false },
  ma: { name: 'MA', isSeasonal: false, isOfSurprises: true },
  sar: { name: 'AR', isSeasonal: true, isOfSurprises: false },
  sma: { name: 'MA', isSeasonal: true, isOfSurprises: true },
} as const satisfies Record<keyof ArmaCoefficients, unknown>

/**
 * The coefficients of a model, each with its standard error and, where it stands alone in its factor, what it does.
 *
 * @param per what a period is called: `month`
 */
export function termsOfArima(
  { coefficients, errors, beta, names, order }: ArimaFigures,
  seasons: number,
  per: string,
): ArimaTerm[] {
  const term = (name: string, estimate: number, error: Value, reads: string): ArimaTerm => ({
    ...{ name, estimate, standardError: error, reads },
    z: error === null ? null : estimate / error,
  })
  const own = FACTORS.flatMap((factor) => {
    const { name, isSeasonal, isOfSurprises } = CALLED[factor]
    const all = coefficients[factor]
    const isDifferenced = isSeasonal ? order.D > 0 : order.d > 0
    return all.map((estimate, i) => {
      const lag = (i + 1) * (isSeasonal ? seasons : 1)
      const alone = all.length === 1
      const before = isSeasonal ? "last year's" : `last ${per}'s`
      const reads = !alone
        ? ''
        : isOfSurprises
          ? readsOfSurprise(
              estimate,
              before,
              isDifferenced ? (isSeasonal ? 'season' : 'level') : null,
            )
          : readsOfValue(estimate, before, isDifferenced)
      return term(`${name} ${lag}`, estimate, errors?.[factor][i] ?? null, reads)
    })
  })
  return [...own, ...names.map((name, j) => term(name, beta[j]!, errors?.beta[j] ?? null, ''))]
}

/** With a difference, 1 + θ of a surprise stays: in the level, or in the season where it is one by the year. */
function readsOfSurprise(theta: number, before: string, staysIn: string | null): string {
  if (staysIn !== null && theta < 0 && theta >= -1) {
    return `${percent(1 + theta)} of ${before} surprise stays in the ${staysIn}`
  }
  return `${theta < 0 ? '−' : ''}${percent(theta)} of ${before} surprise comes again`
}

function readsOfValue(phi: number, before: string, isDifferenced: boolean): string {
  const what = isDifferenced ? 'change' : 'departure'
  if (phi <= 0) return `${before} ${what} turns into its opposite by ${percent(phi)}`
  return `${percent(phi)} of ${before} ${what} is kept`
}

/**
 * In how many periods a surprise is forgotten by half, of a model whose values stay around a mean; null of any other.
 *
 * @example of φ₁ = 0.8: ln 0.5 ÷ ln 0.8 = 3.1
 */
export function halfLife({ coefficients, order }: ArimaFigures): Value {
  const [phi] = coefficients.ar
  const isPlain = coefficients.ar.length === 1 && coefficients.sar.length === 0
  if (order.d + order.D > 0 || !isPlain || !(phi! > 0 && phi! < 1)) return null
  return Math.log(0.5) / Math.log(phi!)
}

/** @example `a surprise is forgotten by half in 3.1 months` */
export function halfLifeWords(life: number, per: string): string {
  return `A surprise is forgotten by half in ${figure(Number(life.toPrecision(2)))} ${per}s.`
}

/**
 * How often values were differenced, and why.
 *
 * @example `Strength of season 0.96: differenced by the year (above 0.64 it is). KPSS 1.476 above 0.463: 1 first difference.`
 */
export function differencesWords({ seasonStrength, D, d, tests }: ChosenDifferences): string {
  const season =
    seasonStrength === null
      ? ''
      : `Strength of season ${seasonStrength.toFixed(2)}: ${D === 1 ? 'differenced by the year' : 'not differenced by the year'} (above ${STRONG_SEASON} it is${D === 0 && seasonStrength > STRONG_SEASON ? ', where enough years came' : ''}). `
  const steps = tests.map(({ statistic, rejected, critical }) =>
    statistic === null
      ? 'of a constant'
      : `${statistic.toFixed(3)} ${rejected ? 'above' : 'below'} ${critical}`,
  )
  return `${season}KPSS ${steps.join(', then ')}: ${d === 0 ? 'no' : d} first ${d === 1 ? 'difference' : 'differences'}.`
}
