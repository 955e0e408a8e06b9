import type { Inquiry } from '../inquiry'
import type { Observation, RawSeries } from '../layouts/observations'
import { decimalMark, markByThousands } from './decimalMark'
import { readNumber, type DecimalMark } from './numberText'

/** The decimal mark of each column. */
export function marksOf(
  series: readonly RawSeries[],
  inquiry: Inquiry,
): (column: number) => DecimalMark {
  const cells = new Map<number, Observation['cell'][]>()
  for (const { observations } of series) {
    for (const { column, cell } of observations) {
      const list = cells.get(column)
      if (list) list.push(cell)
      else cells.set(column, [cell])
    }
  }
  const byColumn = new Map([...cells].map(([column, own]) => [column, decimalMark(own)]))
  const evidence = [...byColumn.values()]
  const votes = new Set(evidence.flatMap(({ mark, doubtful }) => (mark && !doubtful ? [mark] : [])))
  const stated = inquiry.answers.decimal
  const doubtful = evidence.find((found) => found.mark === null)?.doubtful
  if (doubtful || stated) {
    // Where one column decides for a comma, the others are written in the same country.
    const decided = votes.has('comma') ? 'comma' : hasPoint(cells) ? 'point' : byThousands(cells)
    const answer = inquiry.ask({
      id: 'decimal',
      ask: `Is the mark in "${doubtful ?? '1,234'}" that of thousands or of decimals?`,
      options: (['point', 'comma'] as const).map((mark) => ({
        value: mark,
        consequence: `${doubtful ?? '1,234'} is ${valueWords(doubtful ?? '1,234', mark)}: the decimal mark is a ${mark}.`,
      })),
      ...(decided ? { otherwise: decided } : {}),
    }) as DecimalMark
    return (column) => (stated ? answer : (byColumn.get(column)?.mark ?? answer))
  }
  return (column) => byColumn.get(column)?.mark ?? 'point'
}

/** The mark that the columns agree on, to judge by their numbers below a thousand. */
function byThousands(
  cells: ReadonlyMap<number, readonly Observation['cell'][]>,
): DecimalMark | undefined {
  const marks = new Set([...cells.values()].flatMap((own) => markByThousands(own) ?? []))
  return marks.size === 1 ? [...marks][0] : undefined
}

/** Whether any cell can only have a decimal point: then the file is written with points. */
function hasPoint(cells: ReadonlyMap<number, readonly Observation['cell'][]>): boolean {
  for (const own of cells.values()) {
    for (const cell of own) {
      if (typeof cell === 'number' || !cell.includes('.')) continue
      if (
        readNumber(cell, 'point').kind === 'number' &&
        readNumber(cell, 'comma').kind !== 'number'
      )
        return true
    }
  }
  return false
}

function valueWords(text: string, mark: DecimalMark): string {
  const read = readNumber(text, mark)
  return read.kind === 'number'
    ? read.value.toLocaleString('en', { maximumFractionDigits: 10 })
    : 'no number'
}
