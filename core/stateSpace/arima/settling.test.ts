import { expect, it } from 'vitest'
import { unsettledWeights } from './settling'

const polynomials = (phi: readonly number[], theta: readonly number[]) => ({
  phi: Float64Array.from(phi),
  theta: Float64Array.from(theta),
})

it('of one surprise before, the weights go to θ as the innovations algorithm has them', () => {
  const theta = 0.6
  const all = unsettledWeights(polynomials([], [theta]), 40)!
  // By hand: v₀ = 1 + θ², θ_{n,1} = θ/v_{n−1}, v_n = 1 + θ² − θ²/v_{n−1}.
  let variance = 1 + theta * theta
  for (const [t, weights] of all.entries()) {
    expect(weights[0], `${t}`).toBeCloseTo(theta / variance - theta, 12)
    variance = 1 + theta * theta - (theta * theta) / variance
  }
  expect(Math.abs(all.at(-1)![0]!)).toBeLessThan(1e-12)
})

it('without surprises there is nothing to settle once all values before are there', () => {
  for (const weights of unsettledWeights(polynomials([0.7], []), 5)!) {
    expect(Math.abs(weights[0]!)).toBeLessThan(1e-12)
  }
})

it('of a process that is not stationary there are none', () => {
  expect(unsettledWeights(polynomials([1.1], []), 5)).toBeNull()
})
