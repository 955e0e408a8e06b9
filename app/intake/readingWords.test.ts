import { describe, expect, it } from 'vitest'
import { cellReadings } from '~~/intake/cellReadings'
import { open } from '~~/intake/readFile'
import type { Answers } from '~~/intake/reading'
import { ReadingWords } from './readingWords'

/** What every cell of a text says on hover, a row each. */
function wordsOf(text: string, answers: Answers = {}): (string | undefined)[][] {
  const { reading, rows, cells } = open(new TextEncoder().encode(text)).read(answers)
  const words = new ReadingWords(reading, cellReadings(cells, 1, 1e9))
  return rows.map((row, at) =>
    reading.shape.columnRoles.map((_, column) =>
      words.of(reading.shape.rowKinds[at] ?? null, row, column),
    ),
  )
}

describe('what a cell of a file says on hover', () => {
  it('its exact figure, series, unit and period; headings, totals and counters why they are no figures', () => {
    const text = [
      'Nr;month;Paint (litres);Varnish;Total',
      '1;31.01.2021;1.234,50;-;1.234,50',
      '2;28.02.2021;(12,25);7;-5,25',
      '3;31.03.2021;;8;8',
      ';Total;1.222,25;15;1.237,25',
    ].join('\n')
    expect(wordsOf(text, { dash: 'missing' })).toEqual([
      [
        'Neither a period nor figures of a series: not read.',
        'Heading: period.',
        'Heading of "Paint" in litres.',
        'Heading of "Varnish", without a unit.',
        'The sum of other columns: not read.',
      ],
      [
        'Neither a period nor figures of a series: not read.',
        '31 Jan 2021 (counts in Jan 2021).',
        'Paint, 31 Jan 2021 (counts in Jan 2021): 1,234.5 litres.',
        'Varnish, 31 Jan 2021 (counts in Jan 2021): no value, missing.',
        'The sum of other columns: not read.',
      ],
      [
        'Neither a period nor figures of a series: not read.',
        '28 Feb 2021 (counts in Feb 2021).',
        'Paint, 28 Feb 2021 (counts in Feb 2021): −12.25 litres.',
        'Varnish, 28 Feb 2021 (counts in Feb 2021): 7.',
        'The sum of other columns: not read.',
      ],
      [
        'Neither a period nor figures of a series: not read.',
        '31 Mar 2021 (counts in Mar 2021).',
        'Paint, 31 Mar 2021 (counts in Mar 2021): no value, missing.',
        'Varnish, 31 Mar 2021 (counts in Mar 2021): 8.',
        'The sum of other columns: not read.',
      ],
      Array(5).fill('1 line of totals or averages: not read, the figures are in the rows above.'),
    ])
  })

  it('names, weeks, and cells that a comma had parted', () => {
    const long = wordsOf('shop,quarter,sales\nA,2021 Q1,5\nB,2021 Q1,6\nA,2021 Q2,7\nB,2021 Q2,8')
    expect(long[1]).toEqual(['Name: the row belongs to "A".', '2021 Q1.', 'A, 2021 Q1: 5.'])
    const parted = wordsOf('month,Sales\n2021-01,950\n2021-02,1,050', {
      'split-cells': 'thousands',
    })
    expect(parted[2]).toEqual(['Feb 2021.', 'Sales, Feb 2021: 1,050.'])
    const weekly = ['week,Sales', ...[1, 2, 3, 4, 5, 6, 7, 8, 9].map((w) => `2021-W0${w},${w}`)]
    expect(wordsOf(weekly.join('\n'))[9]![1]).toBe(
      'Sales, week 9 of 2021 (counts in Mar 2021): 9. This period is left out of the series.',
    )
  })

  it('another table, below or beside', () => {
    const below = 'month,Sales\n2021-01,5\n2021-02,6\n2021-03,7\n\nshop,share\nA,0.5\n'
    expect(wordsOf(below)[4]).toEqual(
      Array(2).fill(expect.stringMatching(/table from line 6.*not read/)),
    )
    expect(wordsOf(below)[5]).toEqual(Array(2).fill('Belongs to another table: not read.'))
  })

  it('a table beside, on either side', () => {
    const text = 'month,Sales,,month,Costs\n2021-01,5,,2020-01,3\n2021-02,6,,2020-02,4'
    const other = 'Belongs to another table: not read.'
    expect(wordsOf(text, { side: '4' })[1]).toEqual([
      other,
      other,
      undefined,
      'Jan 2020.',
      'Costs, Jan 2020: 3.',
    ])
    expect(wordsOf(text, { side: '1' })[2]!.slice(3)).toEqual([other, other])
  })

  it('a matrix', () => {
    const text = 'Year,Q1,Q2,Q3,Q4\n2020,1,2,3,4\n2021,5,6,7,8'
    const words = wordsOf(text)
    expect(words[0]![2]).toBe('Heading: a period.')
    expect(words[2]![3]).toBe('Series, 2021 Q3: 7.')
  })
})
