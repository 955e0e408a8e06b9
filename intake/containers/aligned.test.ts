import { describe, expect, it } from 'vitest'
import { asked, seriesOf, values } from '../testing'
import { cutAligned } from './aligned'

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
const label = (i: number) => `${MONTHS[i % 12]} ${2021 + Math.floor(i / 12)}`
const printed = (rows: readonly (readonly string[])[], widths: readonly number[]) =>
  rows
    .map((cells) =>
      cells
        .map((cell, i) => (i === 0 ? cell.padEnd(widths[i]!) : cell.padStart(widths[i]!)))
        .join(' '),
    )
    .join('\n')

describe('a printed table', () => {
  const head = ['Month', 'North', 'South']
  const rows = values(24).map((value, i) => [
    label(i),
    String(value),
    i % 7 === 0 ? '' : String(value - 700),
  ])
  const expected = {
    North: ['2021-01', ...values(24)],
    South: [
      '2021-02',
      ...values(24)
        .map((value, i) => (i % 7 === 0 ? null : value - 700))
        .slice(1),
    ],
  }

  it('whose columns one space parts is cut where its figures end, blanks in their places', () => {
    expect(seriesOf(printed([head, ...rows], [8, 6, 5]))).toEqual(expected)
  })

  it('with heads of pages and rules keeps to it', () => {
    const page = `                Quillfield Paints\n       Sold, by region   Page 2\n\n`
    const rule = '-------- ------ -----'
    const [first, second] = [rows.slice(0, 12), rows.slice(12)]
    const block = (own: string[][]) =>
      `${printed([head], [8, 6, 5])}\n${rule}\n${printed(own, [8, 6, 5])}`
    expect(seriesOf(`${page}${block(first)}\n\n${page}${block(second)}`)).toEqual(expected)
  })

  it('with names of several words before its periods keeps them whole', () => {
    const own = ['North', 'South West'].flatMap((region) =>
      values(12).map((value, i) => `${region.padEnd(10)} ${label(i)} ${String(value).padStart(5)}`),
    )
    expect(seriesOf(['Region     Month     Sales', ...own].join('\n'))).toEqual({
      North: ['2021-01', ...values(12)],
      'South West': ['2021-01', ...values(12)],
    })
  })

  it('never takes two columns for one number in groups of three', () => {
    const own = values(12).map((_, i) => `${label(i)} ${818 + i} ${323 + i}`)
    expect(Object.values(seriesOf(['Month Sales Cost', ...own].join('\n')))).toEqual([
      ['2021-01', ...values(12).map((_, i) => 818 + i)],
      ['2021-01', ...values(12).map((_, i) => 323 + i)],
    ])
  })

  it('reads numbers whose thousands spaces part', () => {
    const own = values(12).map(
      (value, i) =>
        `${label(i)}   ${`${value}`.replace(/(\d)(\d{3})$/, '$1 $2').padStart(9)}  ${`${value - 900}`.padStart(5)}`,
    )
    expect(seriesOf(['Month          Sales   Cost', ...own].join('\n'))).toEqual({
      Sales: ['2021-01', ...values(12)],
      Cost: ['2021-01', ...values(12).map((value) => value - 900)],
    })
  })

  it('that nothing tells how to cut is asked about, with the places to be said', () => {
    const sold = values(12).map((value, i) => (i % 2 === 0 ? 7 + i : value))
    const own = sold.map(
      (value, i) => `${label(i)} ${String(value).padEnd(4)} ${20 + ((7 * i) % 11)}`,
    )
    const file = ['Sold by the depots', ...own].join('\n')
    expect(asked(file)).toEqual(['cut'])
    expect(Object.values(seriesOf(file, { cut: '8, 13' }))).toEqual([
      ['2021-01', ...sold],
      ['2021-01', ...sold.map((_, i) => 20 + ((7 * i) % 11))],
    ])
    expect(() => seriesOf(file, { cut: 'eight' })).toThrow()
  })

  it('under years keeps a column that is all but empty', () => {
    const cut = cutAligned([
      '      2021   2022',
      'Jan         1,200',
      'Feb           980',
      'Mar    870    910',
    ])
    expect(cut).toEqual([
      ['', '2021', '2022'],
      ['Jan', '', '1,200'],
      ['Feb', '', '980'],
      ['Mar', '870', '910'],
    ])
  })
})
