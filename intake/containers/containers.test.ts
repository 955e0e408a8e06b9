import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { formatPeriod } from '../../core/calendar/codes'
import { readFile } from '../readFile'
import type { Answers } from '../reading'
import { spreadsheetDate } from './spreadsheetDate'

/** A workbook with the parts that matter, each sheet given as the XML of its data. */
function xlsx(
  sheets: Readonly<Record<string, string>>,
  { is1904 = false, hidden = [] as readonly string[], strings = [] as readonly string[] } = {},
): Uint8Array {
  const names = Object.keys(sheets)
  const parts: Record<string, string> = {
    'xl/workbook.xml': `<workbook xmlns:r="r"><workbookPr date1904="${is1904 ? 1 : 0}"/><sheets>${names
      .map((name, i) => {
        const state = hidden.includes(name) ? ' state="hidden"' : ''
        return `<sheet name="${name}" sheetId="${i + 1}" r:id="r${i}"${state}/>`
      })
      .join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships>${names
      .map((_, i) => `<Relationship Id="r${i}" Target="worksheets/sheet${i + 1}.xml"/>`)
      .join('')}</Relationships>`,
    'xl/styles.xml':
      '<styleSheet><numFmts><numFmt numFmtId="164" formatCode="mmm\\ yyyy"/></numFmts><cellXfs><xf numFmtId="0"/><xf numFmtId="14"/><xf numFmtId="164"/><xf numFmtId="0" fillId="2"/></cellXfs></styleSheet>',
    'xl/sharedStrings.xml': `<sst>${strings.map((text) => `<si><t>${text}</t></si>`).join('')}</sst>`,
  }
  names.forEach((name, i) => (parts[`xl/worksheets/sheet${i + 1}.xml`] = sheets[name]!))
  return zipSync(
    Object.fromEntries(Object.entries(parts).map(([name, xml]) => [name, strToU8(xml)])),
  )
}

function ods(rows: string): Uint8Array {
  return zipSync({
    mimetype: [strToU8('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }],
    'content.xml': strToU8(
      `<office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><office:body><office:spreadsheet><table:table table:name="Sales">${rows}</table:table></office:spreadsheet></office:body></office:document-content>`,
    ),
  })
}

function first(bytes: Uint8Array, answers: Answers = {}) {
  const reading = readFile(bytes, answers)
  if (reading.outcome !== 'ok') throw new Error(JSON.stringify(reading))
  const { series } = reading.series[0]!
  return {
    name: series.name,
    start: formatPeriod(series.start, series.calendar),
    values: series.values,
    notes: reading.notes.map(({ code }) => code),
  }
}

const row = (r: number, cells: string, more = '') => `<row r="${r}"${more}>${cells}</row>`
const number = (r: string, value: number, style = 0) =>
  `<c r="${r}" s="${style}"><v>${value}</v></c>`
const inline = (r: string, text: string) => `<c r="${r}" t="inlineStr"><is><t>${text}</t></is></c>`
const sheet = (rows: string, merges = '') =>
  `<worksheet><sheetData>${rows}</sheetData>${merges}</worksheet>`

describe('XLSX', () => {
  it('has real dates of either count, typed numbers and shared strings', () => {
    const dated = (from: number) =>
      sheet(
        row(1, '<c r="A1" t="s"><v>0</v></c><c r="B1" t="s"><v>1</v></c>') +
          row(2, number('A2', from, 1) + number('B2', 12.345)) +
          row(3, number('A3', from + 31, 2) + number('B3', 1234)),
      )
    const strings = ['date', 'Paint &amp; stain']
    const expected = { name: 'Paint & stain', start: '2021-01', values: [12.345, 1234], notes: [] }
    expect(first(xlsx({ Sales: dated(44197) }, { strings }))).toEqual(expected)
    expect(first(xlsx({ Sales: dated(44197 - 1462) }, { strings, is1904: true }))).toEqual(expected)
  })

  it('gives a formula its last value, an error its word, and tells of hidden rows', () => {
    const reading = first(
      xlsx({
        Sales: sheet(
          row(1, inline('A1', 'month') + inline('B1', 'Sales')) +
            row(2, inline('A2', '2021-01') + '<c r="B2"><f>1+4</f><v>5</v></c>') +
            row(3, inline('A3', '2021-02') + '<c r="B3" t="e"><v>#N/A</v></c>') +
            row(4, inline('A4', '2021-03') + number('B4', 7), ' hidden="1"'),
        ),
      }),
    )
    expect(reading).toMatchObject({ values: [5, null, 7], notes: ['hidden-rows', 'missing'] })
  })

  it('keeps a merged title out of the table', () => {
    const reading = first(
      xlsx({
        Sales: sheet(
          row(1, inline('A1', 'Quillfield Paints')) +
            row(2, inline('A2', 'month') + inline('B2', 'North') + inline('C2', 'South')) +
            row(3, inline('A3', '2021-01') + number('B3', 1) + number('C3', 2)) +
            row(4, inline('A4', '2021-02') + number('B4', 3) + number('C4', 4)),
          '<mergeCells><mergeCell ref="A1:C1"/></mergeCells>',
        ),
      }),
    )
    expect(reading).toMatchObject({ name: 'North', values: [1, 3], notes: ['title-rows'] })
  })

  it('of several sheets takes the one with figures, and asks between two', () => {
    const figures = sheet(
      row(1, inline('A1', 'month') + inline('B1', 'Sales')) +
        row(2, inline('A2', '2021-01') + number('B2', 5)) +
        row(3, inline('A3', '2021-02') + number('B3', 7)),
    )
    const notes = sheet(row(1, inline('A1', 'Read me')) + row(2, inline('A2', 'Thank you')))
    expect(first(xlsx({ About: notes, Sales: figures })).values).toEqual([5, 7])
    expect(first(xlsx({ Old: figures, Sales: figures }, { hidden: ['Old'] })).values).toEqual([
      5, 7,
    ])
    const two = xlsx({ North: figures, South: figures })
    const asked = readFile(two)
    expect(asked.outcome).toBe('question')
    expect(asked.questions[0]!.options.map(({ consequence }) => consequence)).toEqual([
      'All 2, each under its name: 2 series.',
      '3 rows: 1 monthly series.',
      '3 rows: 1 monthly series.',
    ])
    const both = readFile(two, { sheet: '*' })
    expect(both.outcome === 'ok' && both.series.map(({ series }) => series.name)).toEqual([
      'North',
      'South',
    ])
    expect(readFile(two, { sheet: 'South' })).toMatchObject({ outcome: 'ok', sheet: 'South' })
    expect(readFile(two, { sheet: 'West' }).outcome).toBe('refused')
  })

  it('whose last rows have a colour of their own asks whether they have come', () => {
    const rows = Array.from({ length: 12 }, (_, i) =>
      row(
        i + 2,
        number(`A${i + 2}`, 44197 + 31 * i, 1) + number(`B${i + 2}`, 5 + (i % 5), i > 8 ? 3 : 0),
      ),
    ).join('')
    const book = xlsx({
      Sales: sheet(row(1, inline('A1', 'Month') + inline('B1', 'Sales')) + rows),
    })
    const { outcome, questions } = readFile(book)
    expect([outcome, questions[0]?.id]).toEqual(['question', 'forecast-rows'])
    expect(questions[0]!.ask).toContain('3 rows at the end are filled with a colour')
    expect(first(book, { 'forecast-rows': 'leave-out' }).values).toHaveLength(9)
  })

  it('of sheets that go on from one another, by the years in their names, is one series', () => {
    const year = (from: number) =>
      sheet(
        [...'JFMAMJJASOND']
          .map((_, i) => {
            const name = new Date(Date.UTC(2021, i, 1)).toLocaleString('en', {
              month: 'short',
              timeZone: 'UTC',
            })
            return row(i + 2, inline(`A${i + 2}`, name) + number(`B${i + 2}`, from + i))
          })
          .reduce((all, one) => all + one, row(1, inline('A1', 'Month') + inline('B1', 'Sales'))),
      )
    const book = xlsx({ 'Sales 2022': year(200), 'Sales 2021': year(100) })
    expect(first(book)).toMatchObject({
      start: '2021-01',
      values: [100, 200].flatMap((from) => Array.from({ length: 12 }, (_, i) => from + i)),
    })
    expect(first(book, { sheet: 'Sales 2022' })).toMatchObject({ start: '2022-01' })
  })

  it('that unpacks to gigabytes is refused before it is opened', () => {
    const bomb = zipSync({ 'xl/workbook.xml': new Uint8Array(60e6) }, { level: 9 })
    const reading = readFile(bomb)
    expect(reading).toMatchObject({ outcome: 'refused' })
    expect(reading.outcome === 'refused' && reading.problems[0]!.because).toContain('unpacks')
  })

  it('cut short or changed anywhere is read or refused, never a crash', () => {
    const whole = xlsx({
      Sales: sheet(
        row(1, inline('A1', 'month') + inline('B1', 'Sales')) +
          row(2, inline('A2', '2021-01') + number('B2', 5)) +
          row(3, inline('A3', '2021-02') + number('B3', 7)),
      ),
    })
    fc.assert(
      fc.property(fc.nat(whole.length), fc.nat(whole.length - 1), fc.nat(255), (cut, at, byte) => {
        readFile(whole.slice(0, cut))
        readFile(whole.with(at, byte))
      }),
      { numRuns: 200 },
    )
  })
})

describe('ODS', () => {
  const cell = (type: string, value: string, shown = value) =>
    `<table:table-cell office:value-type="${type}" office:${type === 'date' ? 'date-value' : 'value'}="${value}"><text:p>${shown}</text:p></table:table-cell>`
  const line = (cells: string, more = '') => `<table:table-row${more}>${cells}</table:table-row>`

  it('has dates, numbers, and blanks that stand for the rest of the sheet', () => {
    const bytes = ods(
      line(cell('string', '', 'month') + cell('string', '', 'Sales')) +
        line(cell('date', '2021-01-01', 'Jan 21') + cell('float', '12.345', '12,35')) +
        line(cell('date', '2021-02-01', 'Feb 21') + cell('currency', '7', '7,00 €')) +
        line(
          '<table:table-cell table:number-columns-repeated="16384"/>',
          ' table:number-rows-repeated="1048000"',
        ),
    )
    expect(first(bytes)).toEqual({
      name: 'Sales',
      start: '2021-01',
      values: [12.345, 7],
      notes: [],
    })
  })

  it('nested as no workbook is, is refused at the depth where that shows, and named', () => {
    const depth = 200_000
    const bytes = ods(`${'<text:p>'.repeat(depth)}x${'</text:p>'.repeat(depth)}`)
    expect(readFile(bytes)).toMatchObject({
      outcome: 'refused',
      problems: [{ because: expect.stringMatching(/part content: it has more than/) as string }],
    })
  })

  it('with a row repeated beyond all limits is refused', () => {
    const bytes = ods(line(cell('float', '5'), ' table:number-rows-repeated="999999999"'))
    const reading = readFile(bytes)
    expect(reading.outcome === 'refused' && reading.problems[0]!.because).toContain('cells')
  })
})

describe('days as a spreadsheet counts them', () => {
  it.each([
    [1, false, '1900-01-01'],
    [59, false, '1900-02-28'],
    [61, false, '1900-03-01'],
    [44256, false, '2021-03-01'],
    [44256.5625, false, '2021-03-01T13:30'],
    [0, true, '1904-01-01'],
    [42794, true, '2021-03-01'],
  ])('%d (1904: %s) is %s', (serial, is1904, date) => {
    expect(spreadsheetDate(serial, is1904)).toBe(date)
  })
})

describe('bytes of any kind', () => {
  const cells = fc.constantFrom(
    '2021-01',
    '1.3.2021',
    'Q2 21',
    'Mar',
    '2022',
    '5',
    '1.234,5',
    '"',
    'x',
    '',
    '-',
    'Total',
    '1e9',
  )
  const lines = fc.array(fc.array(cells, { maxLength: 5 }), { maxLength: 12 })
  it('are read, asked about or refused; a value is finite or missing, and a name is text', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.uint8Array({ maxLength: 300 }),
          fc.string({ maxLength: 200 }).map(strToU8 as (text: string) => Uint8Array),
          fc
            .tuple(lines, fc.constantFrom(',', ';', '\t'))
            .map(([rows, mark]) => strToU8(rows.map((one) => one.join(mark)).join('\n'))),
        ),
        (bytes) => {
          const reading = readFile(bytes)
          if (reading.outcome === 'question') {
            expect(reading.questions.some(({ answer }) => answer === null)).toBe(true)
          }
          if (reading.outcome === 'refused') expect(reading.problems.length).toBeGreaterThan(0)
          if (reading.outcome !== 'ok') return
          for (const { series } of reading.series) {
            expect(series.name).not.toBe('')
            expect(series.values.every((value) => value === null || Number.isFinite(value))).toBe(
              true,
            )
          }
        },
      ),
      { numRuns: 1500 },
    )
  })
})
