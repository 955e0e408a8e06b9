import { describe, expect, it } from 'vitest'
import { takeApart } from '../../calculate'
import { calendarOf } from '../../calendar/calendar'
import { seededUniform } from '../../statistics/random'
import type { MethodDocument } from '../../method'
import type { Series } from '../../series/series'
import { wayOf } from '../ways'

const MONTHS = 12

/** Months of a season of ±20% under noise of 3%, on a level; from an entry on the season comes a quarter of a year later. */
function series(
  level: (i: number, z: () => number) => number,
  count: number,
  shiftsAt: number,
  seed: number,
): Series {
  const z = normalFrom(seed)
  return {
    ...{ name: 'Varnish', unit: 'litres', calendar: calendarOf('monthly') },
    start: { cycle: 2005, season: 1 },
    values: Array.from({ length: count }, (_, i) => {
      const late = i >= shiftsAt ? MONTHS / 4 : 0
      return (
        level(i, z) * (1 + 0.2 * Math.cos((2 * Math.PI * (i + late)) / MONTHS)) * (1 + 0.03 * z())
      )
    }),
  }
}

/** Normal noise of a seed. */
function normalFrom(seed: number) {
  const uniform = seededUniform(seed)
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
}

const growing = (i: number) => 1000 + 3 * i
/** A level that wanders by 3% a month. */
function walking() {
  let level = 1000
  return (_i: number, z: () => number) => (level *= 1 + 0.03 * z())
}
const stairs = (i: number) => 1000 * 1.15 ** Math.floor((i + 14) / 31)

/** Of 30 series, in how many a season is said to be left. */
function said(make: (seed: number) => Series, seasonalFilter: '3x9' | 'auto') {
  const method: MethodDocument = {
    format: 'elvant-method/1',
    decompose: { by: 'iterated', model: 'multiplicative', seasonalFilter },
  }
  const findings = Array.from({ length: 30 }, (_, seed) => {
    const { prepared, method: complete, decomposed } = takeApart(make(seed + 1), method)
    const { decompose } = complete
    return wayOf(decompose.by)
      .findings(prepared.input, decompose, decomposed, true)
      .find(({ code }) => code === 'season-left-lately')
  })
  return findings.filter((one) => one !== undefined)
}

describe('a season that is left in the last years', () => {
  it.each([
    ['growth', () => growing],
    ['a walk', walking],
    ['stairs', () => stairs],
  ])('is not said of one that stays as it is, on %s', (_, level) => {
    for (const filter of ['auto', '3x9'] as const) {
      expect(said((seed) => series(level(), 120, Infinity, seed), filter).length).toBeLessThan(2)
    }
  })

  it('is said of one that came late all at once, which a long filter does not follow', () => {
    const found = said((seed) => series(growing, 120, 84, seed), '3x9')
    expect(found.length).toBeGreaterThan(24)
    expect(found[0]!.text).toMatch(/^In the last 3 years|^The adjusted values still hold a season/)
    expect(found[0]!.actions?.[0]!.change).toEqual({ decompose: { seasonalFilter: '3x3' } })
  })
})
