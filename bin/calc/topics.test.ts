import { describe, expect, it } from 'vitest'
import { disagreements, type Tolerance } from '../../reference/agreement'
import calendar from '../../reference/calendar.json'
import classical from '../../reference/classical.json'
import iterated from '../../reference/iterated.json'
import regression from '../../reference/regression.json'
import smoothing from '../../reference/smoothing.json'
import stl from '../../reference/stl.json'
import { calculateAll } from './topics'

describe('calc classical against the reference figures', () => {
  const answers = calculateAll(
    'classical',
    classical.cases.map(({ input }) => input),
  )
  classical.cases.forEach(({ id, expect: want, tolerance }, i) => {
    it(id, () => expect(disagreements(answers[i], want, tolerance)).toEqual([]))
  })
})

describe('calc stl against the reference figures', () => {
  const answers = calculateAll(
    'stl',
    stl.cases.map(({ input }) => input),
  )
  it.each(stl.cases.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = stl.cases[i]!
    expect(disagreements(answers[i], want, tolerance)).toEqual([])
  })
})

describe('calc calendar against the reference figures', () => {
  const answers = calculateAll(
    'calendar',
    calendar.cases.map(({ input }) => input),
  )
  it.each(calendar.cases.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = calendar.cases[i]!
    // The wording of a refusal is free.
    const { because: _because, ...rest } = want as { because?: string }
    const got = answers[i] as { refused?: true }
    const { because: _own, ...figures } = got as { because?: string }
    expect(disagreements('refused' in got ? figures : got, rest, tolerance)).toEqual([])
  })
})

describe('calc iterated against the reference figures', () => {
  const answers = calculateAll(
    'iterated',
    iterated.cases.map(({ input }) => input),
  )
  it.each(iterated.cases.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = iterated.cases[i]!
    // The wording of a refusal is free.
    const { because: _because, ...rest } = want as { because?: string }
    const { because: _own, ...got } = answers[i] as { because?: string }
    // Series without noise are given without tests and shares.
    const asked = Object.fromEntries(Object.entries(got).filter(([key]) => key in rest))
    expect(disagreements(asked, rest, tolerance)).toEqual([])
  })
})

describe('calc regression against the reference figures', () => {
  const built = regression.cases
  const answers = calculateAll(
    'regression',
    built.map(({ input }) => input),
  )
  it.each(built.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { expect: want, tolerance } = built[i]!
    const { byName, ...general } = tolerance as typeof tolerance &
      Tolerance & { byName?: Tolerance['keys'] }
    expect(disagreements(answers[i], want, { ...general, keys: byName })).toEqual([])
  })
})

describe('calc smoothing against the reference figures', () => {
  const answers = calculateAll(
    'smoothing',
    smoothing.cases.map(({ input }) => input),
  ) as Record<string, unknown>[]
  const cases = smoothing.cases as unknown as readonly SmoothingCase[]
  const exact = { abs: 1e-9, rel: 1e-9 }

  it.each(cases.map(({ id }, i) => [id, i] as const))('%s', (_, i) => {
    const { input, expect: want } = cases[i]!
    const got = answers[i]!
    switch (input.kind) {
      case 'recursion':
      case 'likelihood':
        return expect(disagreements(got, want, exact)).toEqual([])
      case 'initial': {
        // The wording of a refusal is free.
        const open = (list: unknown) =>
          (list as Record<string, unknown>[]).map((one) =>
            'refused' in one ? { ...one, refused: true } : one,
          )
        return expect(disagreements(open(got.initial), open(want.initial), exact)).toEqual([])
      }
      case 'limits': {
        const { limits: _limits, allowed: range, ...others } = want as Record<string, unknown>
        if (!range) return expect(disagreements(got, want, exact)).toEqual([])
        const { monteCarlo: _m, probabilityOfNonPositive: _p, ...figures } = others
        expect(disagreements(got, figures, exact)).toEqual([])
        return expect(outside(got.limits as Ranges, range as Allowed)).toEqual([])
      }
      case 'optimum':
      case 'bounds': {
        expect(got.criterion as number).toBeLessThanOrEqual(1.001 * (want.criterion as number))
        expect(got.k).toBe(want.k)
        const found = (got.atBound ?? []) as { weight: string }[]
        for (const { weight, at } of (want.atBound ?? []) as { weight: string; at: number }[]) {
          expect(Math.abs((got.weights as Record<string, number>)[weight]! - at)).toBeLessThan(0.01)
          expect(found.map((one) => one.weight)).toContain(weight)
        }
        for (const [weight, { value, wellCurved }] of Object.entries(
          want.sensitivity as Record<string, { value: number; wellCurved: boolean }>,
        )) {
          const off = Math.abs((got.weights as Record<string, number>)[weight]! - value)
          if (wellCurved) expect(off).toBeLessThan(0.02)
        }
        return
      }
      case 'selection': {
        const key = ({ trend, season, error }: Form) => `${trend} ${season} ${error}`
        const acceptable = (want.acceptable as Form[]).map(key)
        expect(acceptable).toContain(key(got.winner as Form))
        const own = new Map((got.table as Contender[]).map((one) => [key(one), one]))
        for (const one of want.table as Contender[]) {
          const mine = own.get(key(one))!
          expect([key(one), mine.admissible, mine.k]).toEqual([key(one), one.admissible, one.k])
          if (one.admissible) expect(mine.aicc! - one.aicc!).toBeLessThan(0.0839)
        }
        return
      }
      default:
        throw new Error(`The kind ${String(input.kind)} is not compared.`)
    }
    function outside(limits: Ranges, range: Allowed): string[] {
      return Object.entries(range).flatMap(([level, sides]) =>
        (['lower', 'upper'] as const).flatMap((side) =>
          limits[level]![side].flatMap((value, h) =>
            value < sides[side].from[h]! || value > sides[side].to[h]!
              ? [`${level} ${side} ${h + 1}: ${value}`]
              : [],
          ),
        ),
      )
    }
  })
})

interface SmoothingCase {
  readonly id: string
  readonly input: { readonly kind: string }
  readonly expect: Readonly<Record<string, unknown>>
}
type Ranges = Readonly<Record<string, { readonly lower: number[]; readonly upper: number[] }>>
type Range = { readonly from: number[]; readonly to: number[] }
type Allowed = Readonly<Record<string, { readonly lower: Range; readonly upper: Range }>>
interface Form {
  readonly trend: string
  readonly season: string
  readonly error: string
}
interface Contender extends Form {
  readonly admissible: boolean
  readonly k: number
  readonly aicc?: number
}
