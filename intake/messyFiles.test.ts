import { describe, expect, it } from 'vitest'
import { formatPeriod } from '../core/calendar/codes'
import { readFile } from './readFile'
import type { Answers, Reading } from './reading'

const text = (content: string) => new TextEncoder().encode(content)

/** What a reading came to, small enough to write down. */
function digest(reading: Reading) {
  if (reading.outcome === 'question') {
    return { asks: reading.questions.filter(({ answer }) => answer === null).map(({ id }) => id) }
  }
  if (reading.outcome === 'refused') {
    return { refused: reading.problems.map(({ line, column }) => [line, column]) }
  }
  return {
    [`${reading.frequency} ${reading.shape.layout}`]: reading.series.map(({ series }) => [
      series.unit ? `${series.name} (${series.unit})` : series.name,
      formatPeriod(series.start, series.calendar),
      [...series.values],
    ]),
    notes: reading.notes.map(({ code }) => code),
  }
}

type Expected = Record<string, unknown>

type File = readonly [
  difficulty: string,
  file: string | Uint8Array,
  expected: Expected,
  answers?: Answers,
]

/** One file for each difficulty, with its exact reading. */
const FILES: readonly File[] = [
  // Containers
  [
    'semicolons',
    'month;Sales\n2021-01;5\n2021-02;7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'tabs, as pasted from a spreadsheet',
    'month\tSales\tReturns\n2021-01\t5\t1\n2021-02\t7\t2',
    {
      'monthly columns': [
        ['Sales', '2021-01', [5, 7]],
        ['Returns', '2021-01', [1, 2]],
      ],
      notes: [],
    },
  ],
  [
    'bars',
    'month|Sales\n2021-01|5\n2021-02|7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'carriage returns alone',
    'month,Sales\r2021-01,5\r2021-02,7\r',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'a quoted heading with a line break and quotes',
    'month,"Sales of ""A""\nand B"\n2021-01,5\n2021-02,7',
    { 'monthly columns': [['Sales of "A"\nand B', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'UTF-8 with a byte-order mark',
    '\uFEFFmonth,Lösung\n2021-01,5\n2021-02,7',
    { 'monthly columns': [['Lösung', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'UTF-16',
    new Uint8Array([
      0xff,
      0xfe,
      ...new Uint8Array(
        Uint16Array.from('month;Größe\n2021-01;5\n2021-02;7', (c) => c.charCodeAt(0)).buffer,
      ),
    ]),
    { 'monthly columns': [['Größe', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'Windows-1252',
    Uint8Array.from('Monat;Umsatz (\x80)\n2021-01;5\nM\xE4r 2021;7', (c) => c.charCodeAt(0)),
    { 'monthly columns': [['Umsatz (€)', '2021-01', [5, null, 7]]], notes: ['missing'] },
  ],
  [
    'JSON records',
    '[{"month":"2021-01","Sales":5},{"month":"2021-02","Sales":null},{"month":"2021-03","Sales":7.5}]',
    { 'monthly columns': [['Sales', '2021-01', [5, null, 7.5]]], notes: ['missing'] },
  ],
  [
    'JSON lines',
    '{"month":"2021-01","Sales":5}\n{"month":"2021-02","Sales":7}\n',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],

  // Layouts
  [
    'a long table of two keys',
    'month,region,product,litres\n2021-01,North,Paint,1\n2021-01,South,Paint,2\n2021-01,North,Primer,3\n2021-02,North,Paint,4\n2021-02,South,Paint,5\n2021-02,North,Primer,6',
    {
      'monthly long': [
        ['North · Paint', '2021-01', [1, 4]],
        ['South · Paint', '2021-01', [2, 5]],
        ['North · Primer', '2021-01', [3, 6]],
      ].map(([name, ...rest]) => [name, ...rest]),
      notes: [],
    },
  ],
  [
    'a long table with numbered shops',
    'month,shop id,sales\n2021-01,101,5\n2021-01,102,6\n2021-02,101,7\n2021-02,102,8',
    {
      'monthly long': [
        ['101', '2021-01', [5, 7]],
        ['102', '2021-01', [6, 8]],
      ],
      notes: [],
    },
  ],
  [
    'years down and months across, decimal comma, a totals row and column',
    'Exterior paint (litres);;;;;;;;;;;;;\nJahr;Jan;Feb;Mär;Apr;Mai;Jun;Jul;Aug;Sep;Okt;Nov;Dez;Summe\n2020;1,5;2;3;4;5;6;7;8;9;10;11;12;78,5\n2021;13;14;15;16;17;18;19;20;21;22;23;24;222\nGesamt;14,5;16;18;20;22;24;26;28;30;32;34;36;300,5',
    {
      'monthly matrix': [
        [
          'Exterior paint (litres)',
          '2020-01',
          [1.5, ...Array.from({ length: 23 }, (_, i) => i + 2)],
        ],
      ],
      notes: ['title-rows', 'total-rows', 'total-columns'],
    },
  ],
  [
    'months down and years across',
    'Month,2020,2021\nJan,1,5\nApr,2,6\nJul,3,7\nOct,4,8',
    { 'quarterly matrix': [['Series', '2020-Q1', [1, 2, 3, 4, 5, 6, 7, 8]]], notes: [] },
  ],
  [
    'quarters across, a matrix for each region, the year begun and not ended',
    'Region,Year,Q1,Q2,Q3,Q4\nNorth,2020,1,2,3,4\n,2021,5,6,,\nSouth,2020,7,8,9,10\n,2021,11,12,,',
    {
      'quarterly matrix': [
        ['North', '2020-Q1', [1, 2, 3, 4, 5, 6]],
        ['South', '2020-Q1', [7, 8, 9, 10, 11, 12]],
      ],
      notes: [],
    },
  ],
  [
    'periods across, a series in each row',
    'Product,2021-01,2021-02,2021-03\nPaint,1,2,3\nPrimer,4,,6',
    {
      'monthly across': [
        ['Paint', '2021-01', [1, 2, 3]],
        ['Primer', '2021-01', [4, null, 6]],
      ],
      notes: ['across', 'missing'],
    },
  ],
  [
    'year and month in two columns',
    'year,month,Sales\n2021,1,5\n2021,2,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'the year on its first row only',
    'Year,Quarter,Sales\n2020,Q3,1\n,Q4,2\n2021,Q1,3\n,Q2,4',
    { 'quarterly columns': [['Sales', '2020-Q3', [1, 2, 3, 4]]], notes: [] },
  ],
  [
    'titles above, a note and totals below',
    'Quillfield Paints\nSales by month\n\nmonth,North,South,Total\n2021-01,1,2,3\n2021-02,3,4,7\nTotal,4,6,10\nSource: the till',
    {
      'monthly columns': [
        ['North', '2021-01', [1, 3]],
        ['South', '2021-01', [2, 4]],
      ],
      notes: ['title-rows', 'total-rows', 'note-rows', 'total-columns'],
    },
  ],
  [
    'no headings',
    '2021-01,5\n2021-02,7',
    { 'monthly columns': [['Column 2', '2021-01', [5, 7]]], notes: ['no-header'] },
  ],
  [
    'headings on a line that the analyst names',
    'a,b\nmonth,Sales\nkg,pieces\n2021-01,5\n2021-02,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: ['title-rows'] },
    { header: '2' },
  ],
  [
    'headings on a line that is not there',
    'month,Sales\n2021-01,5\n2021-02,7',
    { refused: [[null, null]] },
    { header: '99' },
  ],
  [
    'a comment column beside the figures',
    'month,Sales,Remark\n2021-01,5,flood\n2021-02,7,',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: ['ignored-columns'] },
  ],
  ['no dates at all', 'Sales\n5\n7\n9', { asks: ['frequency'] }],
  [
    'no dates, frequency and start stated',
    'Sales\n5\n7\n9',
    { 'quarterly undated': [['Sales', '2019-Q3', [5, 7, 9]]], notes: [] },
    { frequency: 'quarterly', start: '2019-Q3' },
  ],

  // Periods
  [
    'month ends',
    'date,Sales\n31.01.2021,5\n28.02.2021,7\n31.03.2021,9',
    { 'monthly columns': [['Sales', '2021-01', [5, 7, 9]]], notes: [] },
  ],
  [
    'day first, since month first leaves gaps',
    `date,Sales\n${Array.from({ length: 14 }, (_, i) => `01/${(i % 12) + 1}/${2021 + Math.floor(i / 12)},${i}`).join('\n')}`,
    {
      'monthly columns': [['Sales', '2021-01', Array.from({ length: 14 }, (_, i) => i)]],
      notes: [],
    },
  ],
  [
    'month first, since no month has so many',
    'date,Sales\n1/31/2021,5\n2/28/2021,7\n3/31/2021,9',
    { 'monthly columns': [['Sales', '2021-01', [5, 7, 9]]], notes: [] },
  ],
  [
    'day and month alike',
    'date,Sales\n01/01/2021,5\n02/02/2021,7\n03/03/2021,9',
    { 'monthly columns': [['Sales', '2021-01', [5, 7, 9]]], notes: [] },
  ],
  [
    'day or month, both without a gap',
    'date,Sales\n01/01/2021,5\n02/01/2021,7',
    { asks: ['dates'] },
  ],
  [
    'German months',
    'Monat;Umsatz\nJanuar 2021;5\nFebruar 2021;6\nMärz 2021;7',
    { 'monthly columns': [['Umsatz', '2021-01', [5, 6, 7]]], notes: [] },
  ],
  [
    'French months',
    'mois;ventes\nnov. 2020;5\ndéc. 2020;6\njanv. 2021;7\nfévr. 2021;8',
    { 'monthly columns': [['ventes', '2020-11', [5, 6, 7, 8]]], notes: [] },
  ],
  [
    'Spanish months',
    'mes;ventas\ndiciembre de 2020;5\nenero de 2021;6',
    { 'monthly columns': [['ventas', '2020-12', [5, 6]]], notes: [] },
  ],
  [
    'two-digit years',
    'month,Sales\nDec-99,5\nJan-00,7',
    { 'monthly columns': [['Sales', '1999-12', [5, 7]]], notes: [] },
  ],
  [
    'compact months',
    'period,Sales\n202011,5\n202012,6\n202101,7',
    { 'monthly columns': [['Sales', '2020-11', [5, 6, 7]]], notes: [] },
  ],
  [
    'days a spreadsheet counts',
    'date,Sales\n44197,5\n44228,6\n44256,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 6, 7]]], notes: [] },
  ],
  [
    'timestamps',
    'time,Sales\n2021-01-01T00:00:00Z,5\n2021-02-01T00:00:00Z,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'quarters in words',
    'Quartal;Umsatz\n4. Quartal 2020;5\n1. Quartal 2021;7',
    { 'quarterly columns': [['Umsatz', '2020-Q4', [5, 7]]], notes: [] },
  ],
  [
    'half-years',
    'period,Sales\nH2 2020,5\nH1 2021,7',
    { 'half-yearly columns': [['Sales', '2020-H2', [5, 7]]], notes: [] },
  ],
  [
    'years',
    'year,Sales\n2019,5\n2020,6\n2021,7',
    { 'yearly columns': [['Sales', '2019', [5, 6, 7]]], notes: [] },
  ],
  ['fiscal periods', 'period,Sales\nFY2021 P01,5\nFY2021 P02,7', { asks: ['fiscal-start'] }],
  [
    'fiscal periods from April',
    'period,Sales\nFY2021 P01,5\nFY2021 P02,7',
    { 'monthly columns': [['Sales', '2020-04', [5, 7]]], notes: [] },
    { 'fiscal-start': '4' },
  ],
  [
    'months and quarters mixed',
    'p,Sales\n2021-01,1\n2021 Q2,2\n2021-03,4',
    { refused: [[3, null]] },
  ],

  // Numbers
  [
    'thousands by points, decimal comma',
    'month;Sales\n2021-01;1.234,50\n2021-02;12.345',
    { 'monthly columns': [['Sales', '2021-01', [1234.5, 12345]]], notes: [] },
  ],
  [
    'thousands by apostrophe and no-break space',
    "month;A;B\n2021-01;1'234.5;1\u00A0234,5\n2021-02;2'000;2\u00A0000",
    {
      'monthly columns': [
        ['A', '2021-01', [1234.5, 2000]],
        ['B', '2021-01', [1234.5, 2000]],
      ],
      notes: [],
    },
  ],
  ['1,234 alone', 'month;Sales\n2021-01;1,234\n2021-02;2,345', { asks: ['decimal'] }],
  [
    '1,234 as thousands',
    'month;Sales\n2021-01;1,234\n2021-02;2,345',
    { 'monthly columns': [['Sales', '2021-01', [1234, 2345]]], notes: [] },
    { decimal: 'point' },
  ],
  [
    '1,234 beside a column that tells',
    'month;A;B\n2021-01;1,234;1,5\n2021-02;2,345;2,5',
    {
      'monthly columns': [
        ['A', '2021-01', [1.234, 2.345]],
        ['B', '2021-01', [1.5, 2.5]],
      ],
      notes: [],
    },
  ],
  [
    'currency, parentheses, trailing minus',
    'month,Sales\n2021-01,$5\n2021-02,($7.50)\n2021-03,$2-',
    { 'monthly columns': [['Sales ($)', '2021-01', [5, -7.5, -2]]], notes: [] },
  ],
  [
    'a unit behind the numbers',
    'month,Sales\n2021-01,5 kg\n2021-02,7 kg',
    { 'monthly columns': [['Sales (kg)', '2021-01', [5, 7]]], notes: [] },
  ],
  [
    'two units in one column',
    'month,Sales\n2021-01,5 kg\n2021-02,7 g',
    { refused: [[null, null]] },
  ],
  [
    'the usual marks for missing',
    'month,Sales\n2021-01,5\n2021-02,n/a\n2021-03,-\n2021-04,\n2021-05,9',
    { 'monthly columns': [['Sales', '2021-01', [5, null, null, null, 9]]], notes: ['missing'] },
  ],
  [
    'words, infinity and hexadecimal among numbers',
    'month,Sales\n2021-01,5\n2021-02,Infinity\n2021-03,0x1F\n2021-04,about 5',
    { asks: ['unread-values'] },
  ],
  [
    'words among numbers, taken as missing',
    'month,Sales\n2021-01,5\n2021-02,closed\n2021-03,7',
    {
      'monthly columns': [['Sales', '2021-01', [5, null, 7]]],
      notes: ['unread-values', 'missing'],
    },
    { 'unread-values': 'missing' },
  ],
  [
    'words among numbers, to be mended',
    'month,Sales\n2021-01,5\n2021-02,closed\n2021-03,7',
    { refused: [[3, 2]] },
    { 'unread-values': 'stop' },
  ],

  // Frequency
  [
    'weeks',
    'week,Sales\n2021-W01,1\n2021-W02,1\n2021-W03,1\n2021-W04,1\n2021-W05,2\n2021-W06,2\n2021-W07,2\n2021-W08,2\n2021-W09,3',
    { 'monthly columns': [['Sales', '2021-01', [4, 8]]], notes: ['gathered', 'incomplete'] },
  ],
  [
    'transactions, the last month begun',
    'date,item,amount\n2021-01-01,a,1\n2021-01-01,b,2\n2021-01-20,a,3\n2021-01-31,a,4\n2021-02-01,a,5\n2021-02-14,b,6\n2021-02-28,a,7\n2021-03-02,b,8',
    {
      'monthly columns': [['amount', '2021-01', [10, 18]]],
      notes: ['ignored-columns', 'gathered', 'incomplete'],
    },
    { 'role.2': 'ignored' },
  ],
  [
    'months to quarters, an incomplete one at each end',
    'month,Sales\n2020-12,9\n2021-01,1\n2021-02,2\n2021-03,3\n2021-04,4',
    { 'quarterly columns': [['Sales', '2021-Q1', [6]]], notes: ['gathered', 'incomplete'] },
    { frequency: 'quarterly' },
  ],

  // Order, gaps, repetitions
  [
    'newest first',
    'month,Sales\n2021-03,9\n2021-02,7\n2021-01,5',
    { 'monthly columns': [['Sales', '2021-01', [5, 7, 9]]], notes: ['sorted'] },
  ],
  [
    'unsorted, with a gap',
    'month,Sales\n2021-04,9\n2021-01,5\n2021-02,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7, null, 9]]], notes: ['sorted', 'missing'] },
  ],
  ['a month twice', 'month,Sales\n2021-01,5\n2021-01,6\n2021-02,7', { asks: ['duplicates'] }],
  [
    'a month twice, added up',
    'month,Sales\n2021-01,5\n2021-01,6\n2021-02,7',
    { 'monthly columns': [['Sales', '2021-01', [11, 7]]], notes: ['duplicates'] },
    { duplicates: 'sum' },
  ],
  [
    'a row whose period cannot be read',
    'month,Sales\n2021-01,5\nSummer,6\n2021-02,7',
    { asks: ['unread-rows'] },
  ],
  [
    'a row that is left out',
    'month,Sales\n2021-01,5\nSummer,6\n2021-02,7',
    { 'monthly columns': [['Sales', '2021-01', [5, 7]]], notes: ['rows-left-out'] },
    { 'unread-rows': 'leave-out' },
  ],
  ['a year mistyped', 'month,Sales\n0021-01,5\n2021-02,6\n2021-03,7', { asks: ['unread-rows'] }],
  [
    'a year far off',
    'day,Sales\n1805-01-01,5\n2021-02-01,6\n2021-03-05,7\n',
    { asks: ['unread-rows'] },
  ],

  // What is no sales file
  ['nothing', '', { refused: [[null, null]] }],
  ['a page of text', 'Dear Sir,\nwe have\nno figures.', { refused: [[null, null]] }],
  ['an open quotation mark', 'm,x\n2021-01,5\n2021-02,"6\n2021-03,7', { refused: [[3, null]] }],
  ['a PDF', '%PDF-1.7 …', { refused: [[null, null]] }],
  ['a broken zip', 'PK\u0003\u0004 and so on', { refused: [[null, null]] }],
  ['nested JSON', '[{"month":"2021-01","Sales":{"a":1}}]', { refused: [[null, null]] }],
]

describe('a file with', () => {
  it.each(FILES.map((file) => [file[0], file] as const))('%s', (_, [, file, expected, answers]) => {
    const bytes = typeof file === 'string' ? text(file) : file
    expect(digest(readFile(bytes, answers))).toEqual(expected)
  })
})
