import { describe, expect, it } from 'vitest'
import { analyse } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import { ledgerOf } from '~~/core/ledger/ledger'
import { METHOD_FORMAT, type MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { displayScale } from '~~/core/words/displayScale'
import { shortLabel } from './shortLabel'
import { seasonSummary, summaryText, summaryWords } from './seasonSummary'

describe('what a season is headed by', () => {
  it.each([
    ['May', 40, 'May'],
    ['May', 20, 'M'],
    ['season 12', 22, '12'],
    ['season 12', 12, ''],
  ])('%s in %d pixels: %s', (label, width, heading) => {
    expect(shortLabel(label, width)).toBe(heading)
  })
})

describe('the summary of the season folded', () => {
  const series: Series = {
    ...{ name: 'Sales', unit: 'tins', calendar: calendarOf('quarterly') },
    start: { cycle: 2020, season: 1 },
    values: Array.from({ length: 24 }, (_, i) => 100 + [20, -10, 5, -15][i % 4]!),
  }
  const scale = displayScale(series.values, series.unit)
  const format = { divisor: scale.divisor, decimals: 1 }
  const summed = (decompose: MethodDocument['decompose'], name: string) => {
    const result = analyse(series, { format: METHOD_FORMAT, decompose })
    const row = ledgerOf(result).find(name)!
    const lines = seasonSummary(result, row)
    return {
      words: summaryWords(result, row, scale),
      said: lines?.map((line) => [line.name, summaryText(line, result.seasons[0]!, row, format)]),
    }
  }

  it('says amounts of an additive season, and that they sum to 0', () => {
    const { said, words } = summed({ model: 'additive' }, 'seasonalIrregular')
    expect(said).toEqual([
      ['mean', '20.0'],
      ['standard error', '0.0'],
      ['index', '20.0'],
      ['reads', '+20.0'],
      // Of a season that repeats to the digit there is no telling what hangs on a year.
      ['without first year', ''],
      ['without last year', ''],
    ])
    expect(words).toBe(
      'Mean of the 4 raw indices 0.00 tins; it is taken from each, so that they sum to 0.',
    )
  })

  it('reads factors as shares of the baseline, and says that they are not adjusted where they are not', () => {
    const { said, words } = summed({ model: 'multiplicative', adjust: false }, 'seasonalIrregular')
    expect(said).toContainEqual(['reads', '+20%'])
    expect(words).toBe('Mean of the 4 raw indices 1.0000; they are not adjusted.')
  })

  it('is that of the index where the season may change, and none of a fixed index', () => {
    expect(summed({ by: 'stl' }, 'index').said?.map(([name]) => name)).toContain(
      'index of the last year',
    )
    expect(summed({}, 'index').said).toBeUndefined()
  })
})
