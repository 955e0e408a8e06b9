import { oneCycle } from '../../../core/calendar/labels'
import type { Column } from '../../../core/column/column'
import { foldedOf, rowOfSeason, type FoldCell } from '../../../core/ledger/foldGrid'
import { listed } from '../../../core/words/listed'
import { decimalsOfRows } from '../../../core/ledger/table'
import { html, type Content, type Markup } from '../markup'
import type { PartOf } from '../study'

/** Columns side by side that a page of paper has room for. */
const MOST_COLUMNS = 8

/**
 * The steps of the calculation, and the season grid: every figure of them opens its working. Steps that are folded away on the
 * Bench have no column here; they open from the figures that were made of them.
 */
export function tablesPart(of: PartOf): Markup {
  const { columns, run } = of.workings.ledger
  const own = columns.filter(({ group }) => group === null)
  const past = own.filter(({ actual }) => hasFigures(actual))
  const ahead = own.filter((column) => hasFigures(column.ahead))
  return html`${periodTables(of, 'The forecast, step by step', {
    ...{ from: run.lastT + 1, to: run.endT, columns: ahead },
  })}
  ${seasonGrid(of)}
  ${periodTables(of, 'The periods analysed, step by step', {
    ...{ from: run.firstT, to: run.lastT, columns: past },
  })}
  ${foldedSteps(columns)}`
}

/** How many steps have no column of their own; nothing where all have. */
function foldedSteps(columns: readonly Column[]): Markup | null {
  const groups = new Map<string, number>()
  for (const { group } of columns) {
    if (group) groups.set(group.label, (groups.get(group.label) ?? 0) + 1)
  }
  if (groups.size === 0) return null
  const said = [...groups].map(([label, count]) => `${count} ${label}`)
  return html`<p class="muted">
    Steps within steps open from the figures that were made of them: ${listed(said)}.
  </p>`
}

function hasFigures(values: Column['actual']): boolean {
  return values?.some((value) => value !== null) ?? false
}

interface Stretch {
  readonly from: number
  readonly to: number
  readonly columns: readonly Column[]
}

/** As many tables as it takes for their columns to stand side by side on paper. */
function periodTables(of: PartOf, title: string, { columns, ...stretch }: Stretch): Markup[] {
  const parts = Math.ceil(columns.length / MOST_COLUMNS)
  const size = Math.ceil(columns.length / Math.max(1, parts))
  return Array.from({ length: parts }, (_, i) =>
    periodTable(of, i === 0 ? title : `${title}, continued`, {
      ...stretch,
      columns: columns.slice(i * size, (i + 1) * size),
    }),
  )
}

/** A table whose rows are periods; what a figure in it opens is told by its row and its column. */
function periodTable(of: PartOf, title: string, { from, to, columns }: Stretch): Markup {
  const { workings, result, says } = of
  const { run } = workings.ledger
  const decimals = decimalsOfRows(result)
  const heads = columns.map(
    (column) =>
      html`<th scope="col" data-column="${workings.wholeColumn(column.name)}">
        ${column.label}${unitOf(column)}
      </th>`,
  )
  const rows = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => {
    const t = from + i
    const cells = columns.map((column) => {
      const value = run.value(column.name, t)
      return html`<td>${value === null ? '' : says.decimals(value, decimals(column))}</td>`
    })
    return html`<tr data-t="${t}">
      <th scope="row">${run.label(t)}</th>
      ${cells}
    </tr>`
  })
  return walkable(
    of,
    title,
    'periods',
    html`<th scope="col">${run.per}</th>
      ${heads}`,
    rows,
  )
}

function unitOf({ unit }: Column): Markup | null {
  return unit === '' ? null : html` <small>${unit}</small>`
}

/** The row that a season is seen in, laid out by year and season; null for a series without one. */
function seasonGrid(of: PartOf): Markup | null {
  const { workings, result, says } = of
  const { calendar } = workings.ledger.run
  const column = rowOfSeason(result)
  if (calendar.seasons < 2) return null
  const decimals = decimalsOfRows(result)(column)
  const { seasons, years } = foldedOf(result, column.name)
  const cellOf = ({ t, value }: FoldCell): Content => {
    if (t === null) return html`<td></td>`
    workings.ask({ column: column.name, t })
    const opens = `${workings.place} ${workings.placeOf(column.name)} ${t}`
    return html`<td data-opens="${opens}">
      ${value === null ? '' : says.decimals(value, decimals)}
    </td>`
  }
  const title = [`${column.label} by ${oneCycle(calendar)} and season`, column.unit].filter(
    (text) => text !== '',
  )
  const heads = seasons.map(({ label }) => html`<th scope="col">${label}</th>`)
  const rows = years.map(
    ({ label, cells }) =>
      html`<tr>
        <th scope="row">${label}</th>
        ${cells.map(cellOf)}
      </tr>`,
  )
  return walkable(
    of,
    title.join(', '),
    'grid',
    html`<th scope="col">${oneCycle(calendar)}</th>
      ${heads}`,
    rows,
  )
}

/** A table that the arrow keys walk through. */
function walkable(
  { workings }: PartOf,
  title: string,
  kind: string,
  head: Markup,
  rows: readonly Markup[],
): Markup {
  return html`<div class="wide">
    <table class="${kind}" data-study="${workings.place}">
      <caption>
        ${title}
      </caption>
      <thead>
        <tr>
          ${head}
        </tr>
      </thead>
      <tbody>
        ${rows}
      </tbody>
    </table>
  </div>`
}
