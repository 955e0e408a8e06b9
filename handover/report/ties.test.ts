import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { quarters, series } from '../../core/ledger/testing'
import { CORE_FIGURES, readersFigures } from '../../core/words/readersFigures'
import { USUAL_REPORT, type ReportChoices } from './choices'
import { tieableFigures } from './tieable'
import { looseTies, ownWords, piecesOf, tiedAnew, tieText } from './ties'
import { Workings } from './workings'

const method = { format: 'elvant-method/1', forecast: { horizon: 4 } } as const
const result = analyse(series(quarters), method)
/** The same a year later, by when more came than was thought. */
const later = analyse(series([...quarters, 70, 99, 120, 66]), method)
const told = (top: string): ReportChoices => ({ ...USUAL_REPORT, paragraphs: { top } })
const forecast = result.forecast.forecast
const total = forecast.reduce((sum, value) => sum + value, 0)

describe('a number that is tied', () => {
  it('stands between words, and what is no tie is text', () => {
    const tie = { text: '48.3', of: 'upper:95', at: '2024-Q1' }
    expect(piecesOf(`May: ${tieText(tie)}, [not = one] and [so].`)).toEqual([
      ...['May: ', tie, ', [not = one] and [so].'],
    ])
    expect(piecesOf('')).toEqual([])
  })

  const first = forecast[0]!
  it.each([
    [
      'a forecast with the decimals it was written with',
      `[${first.toFixed(1)} = forecast: 2024-Q1]`,
    ],
    ['a forecast as a round number', `[${first.toFixed(0)} = forecast: 2024-Q1]`],
    ['a value that came', '[42 = value: 2020-Q1]'],
    ['a total of the year ahead', `[${total.toFixed(0)} = total: ahead]`],
    ['a total by its label', `[${total.toFixed(2)} = total: 2024]`],
    [
      'a change with its sign',
      `[+${(100 * (total / (55 + 86 + 95 + 48) - 1)).toFixed(1)}% = change: 2024]`,
    ],
  ])('holds for %s', (_, text) => {
    expect(looseTies(result, CORE_FIGURES, told(text))).toEqual([])
  })

  it.each([
    ['another figure', '[43 = value: 2020-Q1]', '42'],
    ['the same with a minus', '[−42 = value: 2020-Q1]', '42'],
    ['decimals that it does not have', '[42.4 = value: 2020-Q1]', '42'],
    ['a period that is not there', '[42 = value: 2040-Q1]', null],
    ['a column that is not there', '[42 = nothing: 2020-Q1]', null],
    ['a code that is none', '[42 = value: May]', null],
    ['a year without a forecast', '[42 = total: 2021]', null],
  ])('does not hold for %s', (_, text, now) => {
    const [loose] = looseTies(result, CORE_FIGURES, told(text))
    expect(loose).toMatchObject({ place: 'top', now })
  })

  it('is read in the marks that it was written in, in units or in thousands of them', () => {
    const large = analyse(series(quarters.map((value) => 1234.56 * value!)), method)
    const german = readersFigures('de-DE')
    expect(
      looseTies(large, german, told('[51.852 = value: 2020-Q1], [51,9 = value: 2020-Q1]')),
    ).toEqual([])
    expect(looseTies(large, german, told('[51,852 = value: 2020-Q1]'))).toEqual([])
    expect(looseTies(large, german, told('[51.9 = value: 2020-Q1]'))).toHaveLength(1)
  })

  it('is told when newer values came, and takes the present figure when asked to', () => {
    const choices = told(
      `Total [${total.toFixed(0)} = total: ahead], then [42 = value: 2020-Q1], gone [1 = total: 2024].`,
    )
    const loose = looseTies(later, CORE_FIGURES, choices)
    expect(loose.map(({ tie }) => tie.at)).toEqual(['ahead', '2024'])
    const anew = tiedAnew(later, CORE_FIGURES, choices)
    expect(looseTies(later, CORE_FIGURES, anew).map(({ tie }) => tie.at)).toEqual(['2024'])
    expect(anew.paragraphs.top).toContain('then [42 = value: 2020-Q1]')
  })

  it('opens its working in the report, and what no longer holds says what it is now', () => {
    const workings = new Workings(result, CORE_FIGURES, 0, 'sales.csv')
    const words = ownWords(
      workings,
      'One.\n\nIn <b> [42 = value: 2020-Q1]\nor [43 = value: 2020-Q1].',
    )!.text
    expect(words.match(/<p>/g)).toHaveLength(2)
    expect(words).toContain('&lt;b&gt;')
    expect(words).toContain('<br />')
    expect(words.match(/data-opens/g)).toHaveLength(2)
    expect(words).toContain('(now 42)')
    expect(ownWords(workings, ' \n\n ')).toBeNull()
  })
})

describe('figures to put into a paragraph', () => {
  const selected = { column: 'index', t: 14 }
  const offered = tieableFigures(result, CORE_FIGURES, selected)

  it('begin with the one that is looked at, and hold as they are put in', () => {
    expect(offered[0]!.label).toBe('Index, 2023 Q2')
    expect(offered.map(({ label }) => label)).toContain('The total of the year ahead')
    expect(new Set(offered.map(({ label, tie }) => label + tieText(tie))).size).toBe(offered.length)
    const all = offered.map(({ tie }) => tieText(tie)).join(' ')
    expect(looseTies(result, CORE_FIGURES, told(all))).toEqual([])
  })

  it('hold in the marks of any language', () => {
    const large = analyse(series(quarters.map((value) => 12345.678 * value!)), method)
    for (const locale of ['de-DE', 'fr-FR', 'de-CH', 'sv-SE', 'en-US']) {
      const says = readersFigures(locale)
      const all = tieableFigures(large, says, selected)
        .map(({ tie }) => tieText(tie))
        .join(' ')
      expect(looseTies(large, says, told(all)), locale).toEqual([])
    }
  })
})
