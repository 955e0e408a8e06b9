import { expect, it } from 'vitest'
import { monthRows, read } from './testing'

const LETTERS = 100_000
/** A reader that goes back over what it has read takes hours here, and one that does not part of a second. */
const TIMEOUT = 120_000

it.each([
  '1',
  '.',
  ' 1',
  'a',
  '-',
  '1,',
  '1. ',
  '(',
  "'",
  'ab ',
  '1*',
  '1/',
  '1:',
  '¹',
  '1%',
  '2021 ',
  '1 - ',
])(
  'a cell of a hundred thousand characters is read once, wherever it stands: %j',
  (text) => {
    const cell = text.repeat(LETTERS / text.length)
    const table = (rows: readonly (readonly unknown[])[]) =>
      rows.map((cells) => cells.join('\t')).join('\n')
    const beside = table([['month', 'Sales', 'Note'], ...monthRows(12, (i) => [i + 5, cell])])
    const before = table([['month', 'Sales'], ...Array.from({ length: 12 }, (_, i) => [cell, i])])
    const above = table([['month', cell], ...monthRows(12, (i) => [i + 5])])
    expect([beside, above].map((file) => read(file).outcome)).toEqual(['ok', 'ok'])
    expect(read(before).outcome).not.toBe('ok')
  },
  TIMEOUT,
)
