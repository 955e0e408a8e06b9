import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { contest } from '../../contest/contest'
import { quarters, series } from '../../ledger/testing'
import { mean } from '../../statistics/average'
import { CORE_FIGURES } from '../../words/readersFigures'
import { averagesPicture } from './averages'
import { figuresAcross, namesAcross } from './across'
import { contestPicture } from './contest'
import { foldPicture } from './fold'
import { correlationPicture, residualHistogram, residualScatter } from './residuals'

const method = { format: 'elvant-method/1' } as const
const result = analyse(series(quarters), method)
const axis = (from: number, to: number, width: number) => ({ from, to, width })

describe('what lies along the bottom', () => {
  it('names as many as there is room for', () => {
    const names = namesAcross(['Jan', 'Feb', 'Mar', 'Apr'])
    const seen = (width: number) => names.ticks(axis(0.5, 4.5, width)).map(({ season }) => season)
    expect(seen(400)).toEqual(['Jan', 'Feb', 'Mar', 'Apr'])
    expect(seen(80)).toEqual(['Feb', 'Apr'])
  })

  it('has figures where they lie', () => {
    const write = (value: number) => String(value)
    const ticks = figuresAcross(0, 10, write).ticks(axis(0, 10, 300))
    expect(ticks.map(({ season, x }) => [season, x])).toEqual([
      ['0', 0],
      ['2.5', 75],
      ['5', 150],
      ['7.5', 225],
      ['10', 300],
    ])
  })
})

describe('a folded picture', () => {
  it('has every year over the seasons, and each season with its mean', () => {
    const { strips, across } = foldPicture(result, 'value')!
    expect([across.from, across.to]).toEqual([0.5, 4.5])
    expect(strips[0]!.layers.map(({ label }) => label)).toEqual(['2020', '2021', '2022', '2023'])
    const means = strips[1]!.layers.at(-1)!
    expect(means.kind === 'series' && means.points[1]).toEqual({ x: 1, y: mean([42, 46, 50, 55]) })
  })

  it('begins its year where it is asked to', () => {
    const { across } = foldPicture(result, 'value', { yearStart: 3 })!
    expect(across.ticks(axis(0.5, 4.5, 400)).map(({ season }) => season)[0]).toBe('Q3')
  })

  it('is none of a series without seasons', () => {
    const years = series([5, 7, 6, 8, 9, 11, 10, 13, 12, 14], { calendar: calendarOf('yearly') })
    expect(foldPicture(analyse(years, method))).toBeNull()
  })
})

describe('pictures of what is left', () => {
  const noisy = analyse(
    series(Array.from({ length: 40 }, (_, i) => 100 + i + 5 * Math.sin(i * i) + 8 * (i % 4))),
    method,
  )

  it('have every autocorrelation, and the band that noise stays in', () => {
    const { strips } = correlationPicture(noisy)!
    const [band, bars] = strips[0]!.layers
    expect(bars!.kind === 'series' && bars!.points.map(({ y }) => y)).toEqual(
      noisy.leftover.autocorrelation,
    )
    expect(band!.kind === 'band' && band!.upper[0]!.y).toBe(noisy.leftover.limit)
  })

  it('count every residual once, and stand at their fitted value', () => {
    const residuals = noisy.columns.residual.filter((value) => value !== null)
    const { strips } = residualHistogram(noisy, CORE_FIGURES)!
    const [bars] = strips[0]!.layers
    const counts = bars!.kind === 'series' ? bars!.points.map(({ y }) => y!) : []
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(residuals.length)
    const [points] = residualScatter(noisy, CORE_FIGURES)!.strips[0]!.layers
    expect(points!.kind === 'series' && points!.points).toHaveLength(residuals.length)
  })

  it('are none where nothing is left', () => {
    const exact = analyse(series(Array.from({ length: 24 }, () => 7)), method)
    expect(residualHistogram(exact, CORE_FIGURES)).toBeNull()
  })
})

it('averages of every usual order stand on one scale', () => {
  const { strips } = averagesPicture(result)
  expect(strips.length).toBeGreaterThan(3)
  expect(new Set(strips.map(({ fixed }) => JSON.stringify(fixed))).size).toBe(1)
  expect(strips[0]!.fixed).toEqual({ low: 39, high: 95 })
})

it('a contest has a dot for every origin of every method that was held, the nearest first', () => {
  const long = series(Array.from({ length: 36 }, (_, i) => 100 + i + 9 * (i % 4) + Math.sin(i * i)))
  const held = contest(long, method)
  const { strips, across } = contestPicture(held, CORE_FIGURES)!
  const ranked = held.rows.filter((row) => row.mean !== null)
  expect(strips.map(({ title }) => title)).toEqual(ranked.map(({ name }) => name))
  strips.forEach(({ layers: [dots] }, i) => {
    const own = dots!.kind === 'series' ? dots!.points : []
    expect(own).toHaveLength(ranked[i]!.byOrigin.length)
    for (const { x } of own) expect(x).toBeLessThanOrEqual(across.to)
  })
  const refused = held.rows.map((row) => ({ ...row, mean: null }))
  expect(contestPicture({ ...held, rows: refused }, CORE_FIGURES)).toBeNull()
})
