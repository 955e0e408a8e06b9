import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import type { Value } from '../series/series'
import { stretchOf } from '../series/stretch'
import { examineLeftover } from './leftover'

const YEARS = 10
const wobble = (i: number) => Math.sin(i * i * 1.7)

function examine(values: readonly Value[], leftOut: readonly number[] = []) {
  const series = {
    name: 'jobs',
    unit: 'jobs',
    calendar: calendarOf('quarterly'),
    start: { cycle: 2010, season: 3 },
    values,
  }
  return examineLeftover(stretchOf(series, 1, values.length), values, (i) => !leftOut.includes(i))
}
const made = (value: (i: number) => number) => Array.from({ length: 4 * YEARS }, (_, i) => value(i))

describe('what is left over', () => {
  it('that is noise neither waves nor fans', () => {
    expect(examine(made(wobble))).toMatchObject({ waves: null, fan: { verdict: 'even' } })
  })

  it('waves slowly, or with the season', () => {
    expect(examine(made((i) => Math.sin(i / 5) + 0.1 * wobble(i))).waves).toBe('slowly')
    const seasonal = made((i) => [1, -1, 0.5, -0.5][i % 4]! + 0.3 * wobble(i))
    expect(examine(seasonal).waves).toBe('with the season')
  })

  it('fans out, and in', () => {
    expect(examine(made((i) => wobble(i) * (1 + i))).fan).toMatchObject({ verdict: 'out' })
    expect(examine(made((i) => wobble(i) * (41 - i))).fan).toMatchObject({ verdict: 'in' })
  })

  it('is not swayed by periods that do not count', () => {
    const flooded = made(wobble).with(5, 400).with(6, 390)
    const got = examine(flooded, [5, 6])
    expect(got.spread).toBeLessThan(1.5)
    expect(got.waves).toBeNull()
    expect(got.byYear.find(({ of }) => of === 2011)!.spread).toBeLessThan(1.5)
  })

  it('is grouped by calendar year and season', () => {
    const { byYear, bySeason } = examine(made(wobble))
    expect(byYear[0]).toMatchObject({ of: 2010 })
    expect(byYear).toHaveLength(YEARS + 1)
    expect(bySeason.map(({ of }) => of)).toEqual([1, 2, 3, 4])
  })

  it('with a gap inside has no autocorrelation, and of nothing there is none', () => {
    expect(examine(made(wobble).with(9, null as never)).autocorrelation).toBeNull()
    expect(examine(made(() => 1))).toMatchObject({ autocorrelation: null, fan: null })
  })
})
