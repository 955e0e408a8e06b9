import { describe, expect, it } from 'vitest'
import { randomFrom } from '../../demo/random'
import { calendarOf } from '../calendar/calendar'
import { analyse } from '../analyse'
import { evaluate, write } from '../column/kinds/kinds'
import { METHOD_FORMAT, type MethodDocument } from '../method'
import type { Series, Value } from '../series/series'
import { addable, sumOfSeries } from './addable'
import { addUp, type ToAddUp } from './addUp'
import { AGREE_BY } from './agreement/ways'
import { nodesOf } from './nodes'
import type { OwnTry } from './own'
import { takenOn } from './takenOn'
import { triedWays } from './tried'
import { weightsFrom } from './weights'
import { workingOf } from './working'

const months = (name: string, values: readonly Value[], more: Partial<Series> = {}): Series => ({
  ...{ name, unit: 'pieces', calendar: calendarOf('monthly'), values },
  // They end in Dec 2025, whatever their length.
  start: { cycle: 2026 - Math.ceil(values.length / 12), season: 12 - ((values.length - 1) % 12) },
  ...more,
})
const season = (t: number) => 1 + 0.3 * Math.sin((2 * Math.PI * t) / 12)
function article(name: string, group: string, seed: number, noise = 0.05, periods = 84): ToAddUp {
  const random = randomFrom(seed)
  const level = 200 + 800 * random.uniform()
  const values = Array.from({ length: periods }, (_, t) =>
    Math.max(1, Math.round(level * (1 + 0.004 * t) * season(t) * (1 + random.normal(noise)))),
  )
  return { series: months(name, values), group }
}
const FOUR = [
  ...[article('Satin', 'Wall', 1), article('Matt', 'Wall', 2)],
  ...[article('Oil', 'Wood', 3), article('Stain', 'Wood', 4)],
]

describe('what adds up', () => {
  it('is of one rhythm and unit, an amount, and as new as the latest', () => {
    const [first, second] = FOUR
    const { all, leftOut } = addable([
      ...[first!, second!],
      { series: { ...first!.series, name: 'Litres', unit: 'litres' }, group: '' },
      { series: { ...first!.series, name: 'Price', quantity: 'level' }, group: '' },
      {
        series: { ...first!.series, name: 'Quarters', calendar: calendarOf('quarterly') },
        group: '',
      },
      {
        series: { ...first!.series, name: 'Late', values: first!.series.values.slice(0, -2) },
        group: '',
      },
    ])
    expect(all.map(({ series }) => series.name)).toEqual(['Satin', 'Matt'])
    expect(leftOut).toEqual([
      { name: 'Litres', because: 'it is counted in litres, the others in pieces' },
      { name: 'Price', because: 'it holds at a time, and does not add up' },
      { name: 'Quarters', because: 'its periods are others: one is a quarter' },
      { name: 'Late', because: 'it ends in Oct 2025, 2 months before the others' },
    ])
  })

  it('counts for nothing before its first value, and has no sum where one is missing', () => {
    const long = months('Long', [10, 20, 30, null])
    const one = { ...long, start: { cycle: 2025, season: 1 }, values: [10, 20, null, 40] }
    const other = { ...long, start: { cycle: 2025, season: 2 }, values: [null, 6, 7] }
    const sum = sumOfSeries('Both', [one, other])
    expect(sum.values).toEqual([10, 20, null, 47])
    expect(sum.start).toEqual({ cycle: 2025, season: 1 })
  })

  it('is as adjusted', () => {
    const adjusted = {
      ...FOUR[0]!.series,
      adjustments: [{ period: '2025-12', value: 1, reason: 'typed wrongly' }],
    }
    const { all } = addable([{ series: adjusted }, { series: FOUR[1]!.series }])
    expect(all[0]!.series.values.at(-1)).toBe(1)
  })
})

describe('series added up', () => {
  const added = addUp(FOUR)

  it('has forecasts of everything, by itself and made to add up', () => {
    expect(added.nodes.map(({ name, level }) => `${level} ${name}`)).toEqual([
      ...['0 all together', '1 Wall', '2 Satin', '2 Matt', '1 Wood', '2 Oil', '2 Stain'],
    ])
    expect(added.ahead).toHaveLength(12)
    expect([added.last, added.ahead[0]]).toEqual(['2025-12', '2026-01'])
    expect(added.weights.kind).toBe('errors')
    for (const by of ['below', 'above', 'least-squares'] as const) {
      const [total, wall, satin, matt, wood] = added.nodes.map(({ agreed }) => agreed[by])
      total!.forEach((value, h) => {
        expect(wall![h]! + wood![h]!).toBeCloseTo(value, 6)
        expect(satin![h]! + matt![h]!).toBeCloseTo(wall![h]!, 6)
      })
    }
    expect(added.nodes[2]!.agreed.below).toEqual(added.nodes[2]!.own)
    expect(added.nodes[0]!.agreed.above).toEqual(added.nodes[0]!.own)
    expect(added.leftOut).toEqual([])
    expect(added.told).toEqual([])
  })

  it('forecasts each by the method that it has, as the Bench does', () => {
    const method: MethodDocument = {
      format: METHOD_FORMAT,
      decompose: { by: 'none' },
      trend: { form: 'linear' },
    }
    const { nodes } = addUp([{ ...FOUR[0]!, method }, ...FOUR.slice(1)])
    const own = analyse(FOUR[0]!.series, method).forecast.forecast
    expect(nodes[2]!.own).toEqual(own)
  })

  it('explain every figure of every way, to the figure itself', () => {
    for (const by of AGREE_BY) {
      added.nodes.forEach(({ agreed }, place) =>
        agreed[by].forEach((value, h) => {
          const steps = workingOf(added, place, h, by)
          expect(evaluate(steps.at(-1)!.expression) / value).toBeCloseTo(1, 12)
        }),
      )
    }
    const satin = workingOf(added, 2, 0, 'above')
    expect(satin.map(({ expression }) => write(expression))).toEqual([
      ...['Satin ÷ sum of (Satin, Matt)', 'Wall × share'],
    ])
    // Forecasts below 0 have no shares; the working says which it took.
    const own = (at: number) => (at === 2 ? -1 : 10)
    const nodes = added.nodes.map((node, at) => ({ ...node, own: [own(at)] }))
    const shares = workingOf({ ...added, nodes }, 2, 0, 'above')
    expect(write(shares[0]!.expression)).toBe('series in it ÷ series in all')
  })

  it('tries the ways over origins that all have, and says which was nearest', () => {
    const { tried } = added
    expect(tried!.origins).toBe(12)
    expect(tried!.levels.map(({ level, nodes }) => [level, nodes])).toEqual([
      ...[
        ['total', 1],
        ['groups', 2],
        ['series', 4],
      ],
    ])
    // From below the series are as they are by themselves; from above the total is.
    expect(tried!.levels[2]!.off.below).toBeCloseTo(tried!.levels[2]!.off.own, 10)
    expect(tried!.levels[0]!.off.above).toBeCloseTo(tried!.levels[0]!.off.own, 10)
    expect(tried!.says).toMatch(/^Over 12 origins forecasts made /)
  })

  it('says what is left out, what begins later, and what cannot be told', () => {
    const late = article('New', 'Wall', 9, 0.05, 30)
    const gap = {
      ...FOUR[1]!,
      series: {
        ...FOUR[1]!.series,
        values: FOUR[1]!.series.values.map((v, t) => (t === 40 ? null : v)),
      },
    }
    const few = addUp([FOUR[0]!, gap, late])
    expect(few.tried).toBeNull()
    expect(few.told).toEqual([
      'One series begins later than the others, and counts for nothing before.',
      'The total has no value in 1 month, as one of its series has none there.',
      'Which way would have been nearest cannot be told: New has 30 months, and all must be forecast from the same origin.',
    ])
    expect(() =>
      addUp([FOUR[0]!, { ...FOUR[1]!, series: { ...FOUR[1]!.series, unit: 'litres' } }]),
    ).toThrow(
      'It takes two series that add up. Matt is left out: it is counted in litres, the others in pieces.',
    )
    expect(() => addUp([])).toThrow('It takes two series that add up.')
  })
})

describe('weights', () => {
  const nodes = nodesOf([
    { name: 'a', group: '' },
    { name: 'b', group: '' },
  ])
  const one = (error: number): OwnTry => ({
    ...{ forecast: Array<number>(12).fill(100), actual: Array<number>(12).fill(100 + error) },
  })

  it('are mean squares of what had been seen by an origin, or how many series there are', () => {
    const tries = [3, 1, 0].map((error) => [one(error), one(error), one(2 * error)])
    const span = { horizon: 12, step: 12 }
    expect(weightsFrom(nodes, tries, span, 2)).toEqual({ kind: 'errors', variances: [9, 1, 1e-6] })
    expect(weightsFrom(nodes, tries, span).variances[0]).toBeCloseTo((9 + 9 + 36) / 3, 12)
    expect(weightsFrom(nodes, tries, span, 0)).toEqual({ kind: 'structure', variances: [2, 1, 1] })
    expect(weightsFrom(nodes, tries, { horizon: 12, step: 3 }, 2).kind).toBe('structure')
  })
})

describe('which way is said to be nearest', () => {
  const nodes = nodesOf(
    Array.from({ length: 4 }, (_, i) => ({ name: `${i}`, group: i < 2 ? 'A' : 'B' })),
  )
  const span = { horizon: 12, step: 3 }

  /** Forecasts of 12 origins over one series of actual values; an error is as large as its node is uncertain, and wanders. */
  function tried(seed: number, uncertain: (place: number) => number, areSums: boolean) {
    const random = randomFrom(seed)
    const periods = 12 * 3 + 12
    const actual = nodes.map(() => Array<number>(periods).fill(0))
    nodes.forEach(({ members, series }, i) => {
      if (members.length > 0) actual[i] = actual[i]!.map(() => 100 * series.length)
      else actual[i] = actual[i]!.map(() => 100)
    })
    const tries = nodes.map((): OwnTry[] => [])
    for (let k = 0; k < 12; k++) {
      const errors = nodes.map((_, i) => random.normal(uncertain(i)))
      if (areSums) {
        for (let i = nodes.length - 1; i >= 0; i--) {
          const { members } = nodes[i]!
          if (members.length > 0)
            errors[i] = members.reduce((sum, m) => sum + errors[m]!, 0) + random.normal(0.1)
        }
      }
      nodes.forEach((_, i) => {
        const came = actual[i]!.slice(3 * k, 3 * k + 12)
        tries[i]!.push({
          actual: came,
          forecast: came.map((y) => y + errors[i]! + random.normal(0.5)),
        })
      })
    }
    return triedWays(nodes, tries, span)!
  }
  const share = (of: string, ...how: [(place: number) => number, boolean]) => {
    const all = Array.from({ length: 200 }, (_, i) => tried(i + 1, ...how).proposed)
    return all.filter((by) => by === of).length / all.length
  }

  it('is from below where sums know nothing that their members do not', () => {
    expect(share('below', () => 5, true)).toBeGreaterThan(0.85)
  })

  it('is from below or the nearest, and the words say no other', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const { proposed: by, off, says } = tried(seed, () => 5, false)
      const nearest = [...AGREE_BY].sort((a, b) => off[a] - off[b])[0]
      expect(['below', nearest]).toContain(by)
      expect(says.includes('as near as can be told')).toBe(by !== nearest)
      expect(says.includes('further off beyond chance')).toBe(by !== 'below')
    }
  })

  it('is not from below where series are far less certain than their sums', () => {
    const uncertain = (place: number) => (nodes[place]!.members.length > 0 ? 1 : 20)
    expect(share('below', uncertain, false)).toBeLessThan(0.2)
  })

  it('is not from above where the total is far less certain than its series', () => {
    expect(share('above', (place) => (place === 0 ? 60 : 3), false)).toBe(0)
  })
})

describe('forecasts that were made to agree, taken on', () => {
  const byHand: MethodDocument = {
    format: METHOD_FORMAT,
    forecast: {
      assumptions: [
        { kind: 'amount', from: '2026-03', reason: 'A fair', amount: 500 },
        { kind: 'growth', from: '2026-06', reason: 'A new shop', percentPerYear: 10 },
      ],
    },
  }
  const all = FOUR.map((one, i) => ({
    ...one,
    method: i === 0 ? byHand : { format: METHOD_FORMAT },
  }))
  const before = addUp(all as ToAddUp[])
  const taken = (added: typeof before, at: number, by: (typeof AGREE_BY)[number]) => {
    const { own, agreed } = added.nodes.find(
      ({ series, members }) => members.length === 0 && series[0] === at,
    )!
    const figures = { ahead: added.ahead, own, agreed: agreed[by] }
    return takenOn(all[at]!.method as MethodDocument, figures, 'Made to add up.')
  }

  it('are what the method comes to, the hand of the analyst among them', () => {
    for (const by of AGREE_BY) {
      all.forEach(({ series }, at) => {
        const { forecast, assumed } = analyse(series, taken(before, at, by))
        const node = before.nodes.find(({ name }) => name === series.name)!
        node.agreed[by].forEach((value, h) => expect(forecast.forecast[h]).toBeCloseTo(value, 9))
        if (by === 'below') expect(assumed !== undefined).toBe(at === 0)
      })
    }
  })

  it('leave what is added up anew as it was, and are replaced by what comes of that', () => {
    const methods = all.map((_, at) => taken(before, at, 'least-squares'))
    const again = addUp(all.map((one, at) => ({ ...one, method: methods[at]! })))
    again.nodes.forEach(({ own }, i) =>
      own.forEach((value, h) => expect(value).toBeCloseTo(before.nodes[i]!.own[h]!, 9)),
    )
    const { own, agreed } = again.nodes.find(({ name }) => name === 'Satin')!
    const figures = { ahead: again.ahead, own, agreed: agreed.below }
    // From below nothing is added to a series.
    expect(takenOn(methods[0]!, figures, '').forecast!.assumptions).toEqual(
      byHand.forecast!.assumptions,
    )
  })
})
