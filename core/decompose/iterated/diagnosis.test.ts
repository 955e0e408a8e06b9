import { describe, expect, it } from 'vitest'
import { analyse } from '../../analyse'
import { calendarOf } from '../../calendar/calendar'
import { write } from '../../column/kinds/kinds'
import { believedInPart } from '../../ledger/believed'
import { explain } from '../../ledger/explain'
import { foldedOf } from '../../ledger/foldGrid'
import { movesStrip } from '../../picture/fold/movesStrip'
import { overSeason } from '../../picture/fold/overSeason'
import type { MethodDocument } from '../../method'
import type { Series } from '../../series/series'
import { seededUniform } from '../../statistics/random'
import type { IteratedTaken } from './calculate'
import { diagnose } from './diagnosis'
import { combinedWorking, dominanceWords, seasonLeftWords, verdictWords } from './diagnosisWords'

const MONTHLY = calendarOf('monthly')
const FREAK = 53

/** Ten years of months: growth, a season of ±20% or none, noise of 2%, and one value far out. */
function series(season: number, noise = 0.02): Series {
  const uniform = seededUniform(3)
  return {
    ...{ name: 'Varnish', unit: 'litres', calendar: MONTHLY, start: { cycle: 2015, season: 1 } },
    values: Array.from({ length: 120 }, (_, i) => {
      const own = 1 + season * Math.cos((2 * Math.PI * i) / 12)
      const chance = 1 + noise * 2 * (uniform() - 0.5)
      return (1000 + 5 * i) * own * chance * (i === FREAK ? 0.6 : 1)
    }),
  }
}
const by = (more: object = {}): MethodDocument => ({
  format: 'elvant-method/1',
  decompose: { by: 'iterated', model: 'multiplicative', ...more },
})
const run = (own: Series, method = by()) => {
  const result = analyse(own, method)
  return { result, diagnosis: diagnose(result.decomposition as IteratedTaken, 'multiplicative') }
}

describe('the diagnosis', () => {
  const { diagnosis, result } = run(series(0.2))

  it('finds the season that is there, says how, and that nothing of it is left', () => {
    expect(verdictWords(diagnosis.tests.combined)).toBe('A season is there that can be identified.')
    const working = combinedWorking(diagnosis)!
    const [, t] = working.split(' = ')
    expect(Number(t)).toBeCloseTo(diagnosis.tests.combined!.t, 2)
    expect(seasonLeftWords(diagnosis.seasonLeft)).toMatch(
      /^No season is left in the adjusted values: over all years F\(11, 107\) = .*; in the last 3 years F\(11, 24\)/,
    )
  })

  it('of noise finds none, and never says so beside a stable season without saying which test is stricter', () => {
    const none = run(series(0)).diagnosis
    expect(verdictWords(none.tests.combined)).toMatch(/^By the combined test/)
  })

  it('counts extremes by year, those of the freak value among them', () => {
    const own = diagnosis.extremes.find(({ year }) => year === 2015 + Math.floor(FREAK / 12))!
    expect(own.none).toBeGreaterThan(0)
    const inPart = [...believedInPart(result).values()]
    const counted = diagnosis.extremes.reduce((sum, { part, none }) => sum + part + none, 0)
    expect(counted).toBe(inPart.length)
  })

  it('knows from which span on the trend leads: later, the noisier', () => {
    const noisy = run(series(0.2, 0.08)).diagnosis
    expect(diagnosis.dominance).not.toBeNull()
    expect(noisy.dominance ?? 13).toBeGreaterThan(diagnosis.dominance!)
    const { meanChange } = diagnosis.shares[diagnosis.dominance! - 1]!
    expect(meanChange.trendCycle).toBeGreaterThan(meanChange.irregular)
    expect(dominanceWords(diagnosis, MONTHLY, 'multiplicative')).toMatch(
      /^From \d+ months? on the trend moves more than the irregular: there by [\d.]+% on average/,
    )
  })

  it('is the same where the series was carried on: what was appended decides nothing', () => {
    const on = run(series(0.2), by({ extend: true })).diagnosis
    expect(on.extremes.map(({ year }) => year)).toEqual(diagnosis.extremes.map(({ year }) => year))
    expect(on.tests.stable.df).toEqual(diagnosis.tests.stable.df)
  })
})

it('a step beyond the forecast stands as a figure, called by its own period', () => {
  const { result } = run(series(0.2), {
    ...by({ extend: true }),
    forecast: { horizon: 2 },
  })
  // The trend of the last month reaches six months on, four of which the forecast does not have.
  const explained = explain(result, 'trendCycle', 120)
  if (!explained.defined) throw new Error(explained.because)
  const words = write(explained.expression)
  expect(words).toContain('Feb 2025)')
  expect(words).toContain('Jun 2025)')
  expect(explained.sources.every(({ t }) => t <= 122)).toBe(true)
})

describe('the season in the fold', () => {
  const { result } = run(series(0.2))
  const folded = (name: string) => foldedOf(result, name)

  it('has its extremes ringed, each with what stands in its place', () => {
    const own = believedInPart(result).get(FREAK + 1)!
    expect(own.weight).toBe(0)
    expect(explain(result, 'seasonalIrregular', FREAK + 1)).toMatchObject({
      reading: expect.stringMatching(
        /below the baseline; not believed: the season is made of [\d.]+ in its place$/,
      ),
    })
    const around = folded('index').years[4]!.cells[FREAK % 12]!.value!
    expect(Math.abs(own.inPlace! - around)).toBeLessThan(0.05)
    const { line, isRinged } = overSeason(result, 'seasonalIrregular', folded)
    expect(isRinged(FREAK + 1)).toBe(true)
    expect(line?.label).toBe('index of each year')
    expect(overSeason(result, 'value', folded).line).toBeNull()
  })

  it('moves around its own mean, on a scale that no extreme stretches', () => {
    const strip = movesStrip(result, folded, 'litres')!
    const index = strip.layers.find(({ label }) => label === 'index')!
    const points = index.kind === 'series' ? index.points : []
    // A season's points are between two breaks of the line, and lie around 0.
    const january = points
      .slice(
        0,
        points.findIndex(({ y }) => y === null),
      )
      .map(({ y }) => y!)
    expect(january).toHaveLength(10)
    expect(january.reduce((sum, y) => sum + y, 0)).toBeCloseTo(0, 9)
    expect(strip.fixed!.low).toBeGreaterThan(-0.2)
    const same = analyse(series(0.2), {
      format: 'elvant-method/1',
      decompose: { by: 'ratio-to-moving-average' },
    })
    expect(movesStrip(same, (name) => foldedOf(same, name), 'litres')).toBeNull()
  })
})
