import type { Cell } from '../../core/column/cell'
import type { Expression } from '../../core/column/expression'
import { cellsOf, evaluate, write } from '../../core/column/kinds/kinds'
import { explain, type Explanation } from '../../core/ledger/explain'
import { ledgerOf } from '../../core/ledger/ledger'
import type { Result } from '../../core/result'
import type { Steps } from '../../core/work/steps'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { escaped } from '../picture/svgPen'
import { Markup } from './markup'
import type { PackedCell, PackedColumn, PackedOther, PackedWorkings } from './packed'

/** A figure that is no cell of the ledger. */
export interface OtherFigure {
  /** `Total of 2026` */
  readonly title: string
  readonly means: string
  readonly unit: string
  readonly expression: Expression
}

/**
 * The figures of a report that can be clicked, and how each came about. Parts ask for figures while they are written; what
 * those rest on is packed with them, down to the values as they came in.
 */
export class Workings {
  readonly ledger
  readonly #columns: readonly string[]
  readonly #asked = new Map<string, Set<number>>()
  readonly #others: PackedOther[] = []
  readonly #texts = new Map<string, number>()
  readonly #tOf: ReadonlyMap<string, number>
  readonly #anyPeriod: RegExp

  /**
   * @param place of the study among those of the report
   * @param source the file that the values came from
   */
  constructor(
    readonly result: Result,
    readonly says: ReadersFigures,
    readonly place: number,
    private readonly source: string,
  ) {
    this.ledger = ledgerOf(result)
    const { columns, run } = this.ledger
    this.#columns = columns.map(({ name }) => name)
    const span = run.endT - run.firstT + 1
    const periods = Array.from({ length: span }, (_, i) => run.firstT + i)
    this.#tOf = new Map(periods.map((t) => [run.label(t), t]))
    // The longest first: no name is taken for the beginning of another.
    const names = [...this.#tOf.keys()].sort((a, b) => b.length - a.length)
    this.#anyPeriod = new RegExp(names.map(literally).join('|'), 'g')
  }

  /** A cell of the ledger, written as a text that opens its working. */
  figure(cell: Cell, text: string): Markup {
    this.ask(cell)
    return this.#pressed(`${this.placeOf(cell.column)} ${cell.t}`, text)
  }

  /** Any other figure that has an arithmetic. */
  other(figure: OtherFigure, text: string): Markup {
    const { title, means, unit, expression } = figure
    const sources = cellsOf(expression)
    for (const cell of sources) this.ask(cell)
    const { lastT: t } = this.ledger.run
    const cell = this.#worked({
      value: evaluate(expression),
      expression,
      sources,
      t,
      reading: null,
    })
    this.#others.push({ title, means: this.says.inText(means), unit, cell, t })
    return this.#pressed(`- ${this.#others.length - 1}`, text)
  }

  /** All cells of a column: a table whose rows are periods opens them by place. @returns the number that stands for it */
  wholeColumn(name: string): number {
    const { firstT, endT } = this.ledger.run
    for (let t = firstT; t <= endT; t++) this.ask({ column: name, t })
    return this.placeOf(name)
  }

  /** The number that stands for a column of the ledger. */
  placeOf(name: string): number {
    return this.#columns.indexOf(name)
  }

  /** Everything that was asked for, and all that it was made from. */
  *packed(): Steps<PackedWorkings> {
    const { run, columns } = this.ledger
    const packed = new Map<string, PackedCell>()
    // A cell asks for its sources: columns that come first are come to last.
    let hasMore = true
    while (hasMore) {
      hasMore = false
      for (const [name, asked] of this.#asked) {
        for (const t of asked) {
          const key = `${name} ${t}`
          if (packed.has(key)) continue
          hasMore = true
          packed.set(key, this.#cell(explain(this.result, name, t)))
        }
        yield {
          done: packed.size,
          of: columns.length * (run.endT - run.firstT + 1),
          words: 'workings written',
        }
      }
    }
    return {
      firstT: run.firstT,
      periods: [...this.#tOf.keys()],
      columns: columns.map((column): PackedColumn => ({
        label: column.label,
        means: this.says.inText(column.explains),
        unit: column.unit,
        isBetween: column.offset % 1 !== 0,
        cells: this.#asked.has(column.name)
          ? [...this.#tOf.values()].map((t) => packed.get(`${column.name} ${t}`) ?? 0)
          : [],
      })),
      others: this.#others,
      texts: [...this.#texts.keys()],
    }
  }

  #pressed(opens: string, text: string): Markup {
    // No blank within: it would stand before the comma behind the figure.
    return new Markup(
      `<button type="button" class="figure" data-opens="${this.place} ${opens}">${escaped(text)}</button>`,
    )
  }

  /** Has a cell packed that the markup opens by its place. */
  ask({ column, t }: Cell): void {
    const asked = this.#asked.get(column) ?? new Set()
    asked.add(t)
    this.#asked.set(column, asked)
  }

  #cell(explanation: Explanation): PackedCell {
    const { cell } = explanation
    if (!explanation.defined) return [this.#text(this.says.inText(explanation.because), cell.t)]
    for (const source of explanation.sources) this.ask(source)
    if (!this.#cameIn(cell, explanation.value)) {
      return this.#worked({ ...explanation, t: cell.t })
    }
    return [
      this.says.figure(explanation.value),
      this.#shared(''),
      this.#text(`from ${this.source}, as it came in`, cell.t),
      this.#shared(''),
    ]
  }

  /** A figure of the file itself, that no arithmetic made. */
  #cameIn({ column, t }: Cell, value: number): boolean {
    const { original } = this.result.columns
    return (
      column === 'original' ||
      (column === 'value' && original[t - this.ledger.run.firstT] === value)
    )
  }

  #worked({
    value,
    expression,
    sources,
    t,
    reading,
  }: {
    readonly value: number
    readonly expression: Expression
    readonly sources: readonly Cell[]
    readonly t: number
    readonly reading: string | null
  }): PackedCell {
    const stretches = this.#stretches(sources, t)
    const worked = [
      this.says.figure(value),
      this.#shared(this.#numbers(write(expression, this.says.figure), stretches, t)),
      this.#text(write(expression), t),
      this.#shared(stretches),
    ] as const
    return reading === null ? worked : [...worked, this.#text(this.says.inText(reading), t)]
  }

  /** Cells as stretches of a column, counted in periods from the cell's own: `3 -6 5;4 0 0`. */
  #stretches(cells: readonly Cell[], t: number): string {
    const stretches: { column: number; from: number; to: number }[] = []
    for (const cell of cells) {
      const column = this.placeOf(cell.column)
      const last = stretches.at(-1)
      if (last && last.column === column && last.to + 1 === cell.t - t) last.to += 1
      else stretches.push({ column, from: cell.t - t, to: cell.t - t })
    }
    const texts = stretches.map(({ column, from, to }) => `${column} ${from} ${to}`)
    return [...new Set(texts)].join(';')
  }

  /** An arithmetic in numbers, in which the figures that it was made from stand by their place among them. */
  #numbers(numbers: string, stretches: string, t: number): string {
    let [written, done] = ['', 0]
    sourcesIn(stretches, t).forEach(({ column, t: at }, place) => {
      const value = this.ledger.run.value(this.#columns[column]!, at)
      const figure = value === null ? '' : this.says.figure(value)
      const found = figure === '' ? -1 : numbers.indexOf(figure, done)
      // What is found far behind is another one: a long list is shortened, and not all of it is printed.
      if (found < 0 || found - done > FURTHEST) return
      written += `${numbers.slice(done, found)}\uE002${place}\uE003`
      done = found + figure.length
    })
    return written + numbers.slice(done)
  }

  /** The number of a text, in which periods are counted from a cell's own. */
  #text(text: string, t: number): number {
    return this.#shared(
      text.replace(this.#anyPeriod, (label) => `\uE000${this.#tOf.get(label)! - t}\uE001`),
    )
  }

  #shared(text: string): number {
    const known = this.#texts.get(text) ?? this.#texts.size
    this.#texts.set(text, known)
    return known
  }
}

/** Letters between two figures of an arithmetic, at the most. */
const FURTHEST = 60

/** The cells that stretches name, in their order. */
function sourcesIn(stretches: string, t: number): { column: number; t: number }[] {
  if (stretches === '') return []
  return stretches.split(';').flatMap((stretch) => {
    const [column, from, to] = stretch.split(' ').map(Number) as [number, number, number]
    return Array.from({ length: to - from + 1 }, (_, i) => ({ column, t: t + from + i }))
  })
}

function literally(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
}
