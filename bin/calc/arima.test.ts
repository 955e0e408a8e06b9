import { describe, expect, it } from 'vitest'
import { disagreements, type Tolerance } from '../../reference/agreement'
import arima from '../../reference/arima.json'
import { calculateAll } from './topics'

type Figures = Readonly<Record<string, unknown>>
interface Case {
  readonly id: string
  readonly kind: string
  readonly input: object
  readonly expect: Figures
  readonly tolerance: Tolerance & { readonly fields?: Figures }
}
const cases = arima.cases as unknown as readonly Case[]
const of = (kinds: readonly string[]) =>
  cases.filter(({ kind }) => kinds.includes(kind)).map((one) => [one.id, one] as const)
const answerTo = (input: object) => (calculateAll('arima', [input]) as Figures[])[0]!

/** The tolerances of single keys that are an abs or rel of their own, by the last part of the key. */
function keysOf({ fields = {} }: Case['tolerance']): Tolerance['keys'] {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([key, own]) => {
      if (typeof own !== 'object' || own === null) return []
      const { abs = 0, rel = 0, ...others } = own as { abs?: number; rel?: number }
      return Object.keys(others).length > 0 ? [] : [[key.split('.').at(-1)!, { abs, rel }]]
    }),
  )
}

/** Every figure of some parameters, in one list. */
function flat(parameters: unknown): number[] {
  return Object.values(parameters as Record<string, number | null | number[]>)
    .flat()
    .filter((figure) => figure !== null)
}

describe('calc arima against the reference figures', () => {
  it.each(of(['loglik', 'forecast', 'boxcox', 'differences']))('%s', (_, own) => {
    expect(
      disagreements(answerTo(own.input), own.expect, {
        ...own.tolerance,
        keys: keysOf(own.tolerance),
      }),
    ).toEqual([])
  })

  it.each(of(['optimum']))('%s', (_, { input, expect: want, tolerance }) => {
    const got = answerTo(input)
    expect(got.logLik).toBeGreaterThan((want.logLik as number) - 0.01)
    for (const key of ['aic', 'aicc', 'bic']) {
      expect(got[key]).toBeLessThan((want[key] as number) + 0.02)
    }
    const errors = flat(want.standardErrors)
    const [found, foundErrors] = [flat(got.parameters), flat(got.standardErrors)]
    flat(want.parameters).forEach((one, j) => {
      expect(Math.abs(found[j]! - one)).toBeLessThan(0.02 * errors[j]!)
      expect(Math.abs(foundErrors[j]! - errors[j]!)).toBeLessThan(0.01 * errors[j]!)
    })
    const { N, k, sigma2, s2, arRoot, maRoot, ljungBox } = want
    expect(
      disagreements(
        got,
        { N, k, sigma2, s2, arRoot, maRoot, ljungBox },
        { ...tolerance, keys: keysOf(tolerance) },
      ),
    ).toEqual([])
  })

  it.each(of(['auto']))('%s', (_, { input, expect: want, tolerance }) => {
    const got = answerTo(input)
    expect(want.acceptable).toContain(got.winner)
    expect(want.acceptable).toContain((got.stepwise as { model: string }).model)
    type Row = { readonly model: string; readonly logLik: number; readonly admitted: boolean }
    const models = new Map((got.models as Row[]).map((one) => [one.model, one]))
    const admitted = (want.models as Row[]).filter((one) => one.admitted)
    expect(admitted.length).toBeGreaterThan(50)
    for (const { model, logLik } of admitted) {
      expect(models.get(model)!.logLik, model).toBeGreaterThan(logLik - 0.02)
    }
    const { choice, constantAllowed, N } = want
    expect(
      disagreements(got, { choice, constantAllowed, N }, { ...tolerance, keys: keysOf(tolerance) }),
    ).toEqual([])
  })
})

describe('calc arima refuses', () => {
  const values = [3, 1, 4, 1, 5, 9, 2, 6, 5, 3, 5, 8]
  const order = { p: 1, d: 0, q: 0, P: 0, D: 0, Q: 0 }
  const given = { ar: [0.4], ma: [], sar: [], sma: [], constant: null, regressors: [], sigma2: 1 }
  const still = { name: 'still', values: values.map(() => 2) }
  it.each<[string, object, object]>([
    ['coefficients that are not stationary', { parameters: { ...given, ar: [1.2] } }, {}],
    ['as many coefficients as the order does not have', { parameters: { ...given, ma: [1] } }, {}],
    ['a drift without a difference', { constant: 'drift' }, {}],
    ['a mean with one', { constant: 'mean', order: { ...order, d: 1 } }, {}],
    [
      'a column that differences make nothing of',
      { regressors: [still], order: { ...order, d: 1 } },
      { column: 'still' },
    ],
    [
      'a column with a gap',
      { regressors: [{ ...still, values: values.with(3, null as never) }] },
      { column: 'still' },
    ],
    [
      'a column that is not known ahead',
      { regressors: [still], parameters: { ...given, regressors: [1] }, horizon: 3, levels: [80] },
      { column: 'still' },
    ],
    ['a value that has no power', { lambda: 0, values: values.with(4, 0) }, { t: 5 }],
    ['more coefficients than values', { order: { ...order, p: 12 } }, {}],
    [
      'gaps that leave the start undetermined',
      { values: [1, null, 3, null, 5, null, 7, null], order: { ...order, p: 0, D: 1 } },
      {},
    ],
  ])('%s', (_, input, names) => {
    const got = answerTo({ values, m: 4, order, constant: 'none', ...input })
    expect(got).toMatchObject({ refused: true })
    if (Object.keys(names).length > 0) expect(got.names).toMatchObject(names)
    expect(got.because).toMatch(/\.$/)
  })
})
