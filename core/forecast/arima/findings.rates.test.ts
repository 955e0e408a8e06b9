import { expect, it } from 'vitest'
import { calculate } from '../../calculate'
import { calendarOf, type Frequency } from '../../calendar/calendar'
import type { Series } from '../../series/series'
import { seededUniform } from '../../statistics/random'
import { stretchOf } from '../../series/stretch'
import type { ArimaForecast } from './calculate'
import { findingsOfArima } from './findings'
import type { ArimaDocument } from './options'

/** Noise, a walk of it, and a walk that rises, with a truth that is known. */
type Made = 'noise' | 'walk' | 'rising walk' | 'seasonal noise'
function made(kind: Made, seed: number, frequency: Frequency = 'monthly', count = 96): Series {
  const uniform = seededUniform(seed)
  const normal = () => Array.from({ length: 12 }, uniform).reduce((sum, u) => sum + u, -6)
  let level = 500
  const values = Array.from({ length: count }, (_, t) => {
    if (kind === 'walk' || kind === 'rising walk') level += 5 * normal()
    if (kind === 'rising walk') level += 3
    const season = kind === 'seasonal noise' ? 40 * Math.sin((Math.PI * t) / 6) : 0
    return level + season + (kind.endsWith('noise') ? 5 * normal() : 0)
  })
  const calendar = calendarOf(frequency)
  return { name: 'Paint', unit: 'litres', calendar, start: { cycle: 2014, season: 1 }, values }
}
const TRIES = 40
/** In how many of a hundred tries something is said. */
function told(
  is: (finding: { readonly code: string; readonly text: string }) => boolean,
  kind: Made,
  forecast: Omit<ArimaDocument, 'by'>,
  frequency?: Frequency,
): number {
  let count = 0
  for (let seed = 1; seed <= TRIES; seed++) {
    const series = made(kind, seed, frequency)
    const { ahead } = calculate(series, {
      format: 'elvant-method/1',
      decompose: { model: 'additive' },
      forecast: { by: 'arima', ...forecast },
    })
    const stretch = stretchOf(series, 1, series.values.length)
    if (findingsOfArima(stretch, ahead as ArimaForecast).some(is)) count++
  }
  return (100 * count) / TRIES
}
const isOnCircle = ({ code }: { readonly code: string }) => code === 'moving-average-root-on-circle'
const isWave = ({ code }: { readonly code: string }) => code === 'residuals-wave'

it('a difference too many is told where noise was differenced, and not where a walk was', () => {
  const once = { orders: [0, 1, 1], constant: false } as const
  expect(told(isOnCircle, 'noise', once)).toBeGreaterThanOrEqual(60)
  expect(told(isOnCircle, 'walk', once)).toBeLessThanOrEqual(5)
})

it('what still waves is told where a season or a difference is left out, and in a few of a hundred where nothing is', () => {
  expect(told(isWave, 'seasonal noise', { orders: [1, 0, 0] })).toBeGreaterThanOrEqual(95)
  expect(told(isWave, 'walk', { orders: [0, 0, 0] })).toBeGreaterThanOrEqual(95)
  const walk = { orders: [0, 1, 0], constant: false } as const
  expect(told(isWave, 'walk', walk)).toBeLessThanOrEqual(5)
  expect(told(isWave, 'walk', walk, 'quarterly')).toBeLessThanOrEqual(5)
  expect(told(isWave, 'noise', { orders: [0, 0, 0] })).toBeLessThanOrEqual(5)
})

it('a drift is told from nothing where there is one, and seldom where there is none', () => {
  const drifting = { orders: [0, 1, 0], constant: true } as const
  const isSure = ({ code, text }: { readonly code: string; readonly text: string }) =>
    code === 'drift' && !text.includes('cannot be told')
  expect(told(isSure, 'rising walk', drifting)).toBeGreaterThanOrEqual(95)
  expect(told(isSure, 'walk', drifting)).toBeLessThanOrEqual(10)
})
