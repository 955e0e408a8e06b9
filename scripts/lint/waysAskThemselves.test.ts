import { Linter } from 'eslint'
import ts from 'typescript-eslint'
import { describe, expect, it } from 'vitest'
import { wayNames } from './wayNames.mjs'
import { waysAskThemselves } from './waysAskThemselves.mjs'

const { decompositions, forecasts, forms } = await wayNames()
const linter = new Linter()

/** How many faults the rules find in a piece of code. */
function faults(code: string): number {
  const found = linter.verify(code, [
    {
      languageOptions: { parser: ts.parser as never },
      plugins: { house: waysAskThemselves as never },
      rules: {
        'house/no-way-names': ['error', { by: [...decompositions, ...forecasts], form: forms }],
        'house/no-shape-questions': 'error',
      },
    },
  ])
  expect(found.filter(({ fatal }) => fatal)).toEqual([])
  return found.length
}

it('the names come from the lists', () => {
  expect(decompositions).toContain('stl')
  expect(forecasts).toContain('regression')
  expect(forms).toContain('smoothed')
})

describe('refused is', () => {
  it.each([
    ["method.forecast.by === 'regression'"],
    ["'smoothed' !== result?.method?.trend.form"],
    ["const f = (method) => { const { by } = method.decompose; return by === 'stl' }"],
    ["const f = ({ forecast: { by: way } }) => way === 'smoothing'"],
    ["const f = (trend) => { const own = trend.form; return own === 'linear' }"],
    ["const f = (by) => { switch (by) { case 'none': return 1; case 'combination': return 2 } }"],
    ["const f = (m) => ['benchmark', 'x'].includes(m.forecast.by)"],
    ["trend.form === 'none'"],
  ])('the name of a way: %s', (code) => {
    expect(faults(code)).toBeGreaterThan(0)
  })

  it.each([
    ["const change = { forecast: { by: 'regression' } }"],
    ["const trend = { form: 'breaks' }"],
  ])('a document written by hand: %s', (code) => {
    expect(faults(code)).toBe(1)
  })

  it.each([
    ["'weights' in result.forecast"],
    ["'exclude' in document.decompose!"],
    ["const f = ({ forecast: ahead }) => 'members' in ahead"],
    ["const f = (result) => { const { trendFit: own } = result; return 'r2' in own }"],
    ['const f = (result) => result.regression?.r2'],
    ['const f = ({ regression: report }) => (report ? report.r2 : null)'],
    ['if (result.regression === null) throw new Error()'],
    ['const f = ({ regression }) => !regression'],
    ['const f = ({ regression: report }) => report && report.r2'],
  ])('the way told by the shape of what it makes: %s', (code) => {
    expect(faults(code)).toBe(1)
  })
})

it('let be is what is about something else', () => {
  for (const code of [
    "rest.takenOut.by === 'trend'",
    "season.form === 'none'",
    "const season = { form: 'none' }",
    'method.forecast.by === other.method.forecast.by',
    'forecast.by === COMBINING.name',
    "'because' in outcome",
    "chart.type === 'linear'",
    'const f = ({ regression: report }) => way.said(report)',
  ]) {
    expect(faults(code), code).toBe(0)
  }
})
