import { describe, expect, it } from 'vitest'
import { seededUniform } from '../statistics/random'
import { differenced, identify, suggestionWords, type Shape } from './identify'

/** Noise with the weights of an ARMA process on it, the first hundred left behind. */
function arma(
  length: number,
  seed: number,
  ar: readonly (readonly [lag: number, phi: number])[],
  ma: readonly (readonly [lag: number, theta: number])[],
): number[] {
  const uniform = seededUniform(seed)
  const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
  const [values, errors]: [number[], number[]] = [[], []]
  for (let t = 0; t < length + 100; t++) {
    errors.push(normal())
    values.push(
      errors[t]! +
        ar.reduce((sum, [lag, phi]) => sum + phi * (values[t - lag] ?? 0), 0) +
        ma.reduce((sum, [lag, theta]) => sum + theta * (errors[t - lag] ?? 0), 0),
    )
  }
  return values.slice(100)
}
const TRIES = 200
/** In how many of a hundred tries a shape is seen. */
function share(
  is: (short: Shape, seasonal: Shape | null) => boolean,
  ar: Parameters<typeof arma>[2],
  ma: Parameters<typeof arma>[3],
  { length = 120, seasons = 12 } = {},
): number {
  let seen = 0
  for (let seed = 1; seed <= TRIES; seed++) {
    const { suggests } = identify(arma(length, seed, ar, ma), seasons)
    if (is(suggests!.short, suggests!.seasonal)) seen++
  }
  return (100 * seen) / TRIES
}
const isOf =
  (kind: Shape['kind'], lag = 1) =>
  (short: Shape) =>
    short.kind === kind && (!('lag' in short) || short.lag === lag)

describe('what autocorrelations suggest', () => {
  it.each([
    [40, 4],
    [40, 12],
    [120, 1],
    [120, 4],
    [120, 12],
  ])('of %i values of noise, %i a year, is nothing in nine of ten', (length, seasons) => {
    const noise = { length, seasons }
    expect(share((short) => short.kind === 'none', [], [], noise)).toBeGreaterThan(90)
    const isQuiet = (_: Shape, seasonal: Shape | null) => !seasonal || seasonal.kind === 'none'
    expect(share(isQuiet, [], [], noise)).toBeGreaterThan(90)
  })

  it('of a moving average is a cut-off', () => {
    const average = [[1, -0.7]] as const
    const told = share((s) => isOf('cuts-off')(s) || isOf('either')(s), [], average)
    expect(told).toBeGreaterThan(85)
    expect(share((s) => s.kind === 'partial-cuts-off', [], average)).toBeLessThan(5)
  })

  it('of autoregression is a cut-off of the partial ones', () => {
    expect(share(isOf('partial-cuts-off'), [[1, 0.7]], [])).toBeGreaterThan(80)
    const two = [
      [1, 0.5],
      [2, 0.35],
    ] as const
    expect(share(isOf('partial-cuts-off', 2), two, [])).toBeGreaterThan(65)
    expect(share((s) => s.kind === 'cuts-off', two, [])).toBeLessThan(5)
  })

  it('of a season is the same a season apart, and of both kinds both', () => {
    const average = [[12, -0.7]] as const
    const isAverage = (_: Shape, s: Shape | null) => s!.kind === 'cuts-off' || s!.kind === 'either'
    expect(share(isAverage, [], average)).toBeGreaterThan(85)
    expect(share((_, s) => s!.kind === 'partial-cuts-off', [], average)).toBeLessThan(5)
    const both = [
      [1, -0.4],
      [12, -0.6],
      [13, 0.24],
    ] as const
    expect(share((s) => s.kind === 'cuts-off' || s.kind === 'either', [], both)).toBeGreaterThan(75)
    expect(share(isAverage, [], both)).toBeGreaterThan(85)
  })
})

describe('differences', () => {
  it('are taken by the season first, and of a wave and a line leave nothing', () => {
    const values = Array.from({ length: 30 }, (_, t) => 5 * t + [1, 4, 2, 8][t % 4]!)
    const rest = differenced(values, { d: 1, D: 1 }, 4)
    expect(rest.slice(0, 5)).toEqual([null, null, null, null, null])
    for (const one of rest.slice(5)) expect(one).toBeCloseTo(0, 12)
    expect(identify(rest, 4).autocorrelation).toBeNull()
  })

  it('with a gap have no autocorrelations, and say how many came', () => {
    const values = Array.from({ length: 30 }, (_, t) => (t === 12 ? null : t * t))
    const { count, suggests } = identify(differenced(values, { d: 1, D: 0 }, 1), 1)
    expect(count).toBe(27)
    expect(suggests).toBeNull()
  })
})

it('a suggestion is said with the lag that it was read at', () => {
  expect(
    suggestionWords(
      { short: { kind: 'cuts-off', lag: 1 }, seasonal: { kind: 'either', lag: 1 } },
      12,
    ),
  ).toEqual([
    'The autocorrelations cut off after lag 1, the partial ones go on: one moving-average term.',
    'By the season, the autocorrelations and the partial ones cut off alike after lag 12: one moving-average or autoregressive term of the season.',
  ])
  expect(
    suggestionWords({ short: { kind: 'partial-cuts-off', lag: 2 }, seasonal: null }, 1),
  ).toEqual([
    'The partial autocorrelations cut off after lag 2, the others go on: two autoregressive terms.',
  ])
  expect(
    suggestionWords({ short: { kind: 'both-die-away' }, seasonal: { kind: 'none' } }, 4),
  ).toEqual([
    'The autocorrelations and the partial ones both go on: a term of each kind, or one more difference.',
    'At lag 4 nothing is beyond noise: no term of the season.',
  ])
})
