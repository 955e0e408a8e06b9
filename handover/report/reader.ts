// It runs in a browser, though what writes it may not.
/// <reference lib="dom" />
/// <reference lib="dom.iterable" />
import type { PackedCell, PackedWorkings } from './packed'

/**
 * What a report does by itself: any figure shows its working, and every figure in that working shows its own.
 *
 * It is written into the report as it stands here, without anything around it: it may use nothing but what is in it and what
 * every browser has.
 */
export function readReport(): void {
  const all = JSON.parse(document.getElementById('workings')!.textContent) as PackedWorkings[]
  const panel = document.getElementById('working')!
  const body = panel.querySelector<HTMLElement>('[data-body]')!
  const back = panel.querySelector<HTMLButtonElement>('[data-back]')!
  /** Where one came from within the panel, and the figure of the page that opened it. */
  const trail: string[] = []
  let opener: HTMLElement | null = null

  document.documentElement.classList.add('live')
  makeTablesWalkable()

  document.addEventListener('click', ({ target }) => {
    if (!(target instanceof Element)) return
    const figure = target.closest<HTMLElement>('[data-opens], td[data-figure]')
    if (figure) open(figure)
  })
  document.addEventListener('keydown', (event) => {
    if (event.key === 'Escape' && !panel.hidden) close()
  })
  back.addEventListener('click', () => {
    trail.pop()
    show(trail.at(-1)!)
  })
  panel.querySelector('[data-close]')!.addEventListener('click', close)

  function open(figure: HTMLElement) {
    const opens = figure.dataset.opens ?? placeInTable(figure as HTMLTableCellElement)
    if (!panel.contains(figure)) {
      opener?.classList.remove('open')
      opener = figure
      opener.classList.add('open')
      trail.length = 0
    }
    trail.push(opens)
    show(opens)
  }

  function close() {
    panel.hidden = true
    document.documentElement.classList.remove('working')
    opener?.classList.remove('open')
    opener?.focus()
  }

  function show(opens: string) {
    const [study, column, at] = opens.split(' ') as [string, string, string]
    const workings = all[Number(study)]!
    body.replaceChildren(
      ...(column === '-'
        ? other(workings, study, Number(at))
        : cell(workings, study, Number(column), Number(at))),
    )
    back.hidden = trail.length < 2
    panel.hidden = false
    document.documentElement.classList.add('working')
    panel.scrollTop = 0
    body.querySelector<HTMLElement>('h2')!.focus()
  }

  function cell(workings: PackedWorkings, study: string, column: number, t: number): HTMLElement[] {
    const { label, means, unit, isBetween, cells } = workings.columns[column]!
    const name = (at: number) => workings.periods[at - workings.firstT]!
    const stands = isBetween ? `between ${name(t)} and ${name(t + 1)}` : name(t)
    const packed = cells[t - workings.firstT]
    return working(workings, study, {
      title: `${label}, ${stands}`,
      means,
      unit,
      t,
      cell: packed || null,
    })
  }

  function other(workings: PackedWorkings, study: string, place: number): HTMLElement[] {
    return working(workings, study, workings.others[place]!)
  }

  function working(
    workings: PackedWorkings,
    study: string,
    {
      title,
      means,
      unit,
      t,
      cell: packed,
    }: { title: string; means: string; unit: string; t: number; cell: PackedCell | null },
  ): HTMLElement[] {
    const heading = element('h2', title)
    heading.tabIndex = -1
    const head = [heading, element('p', means, 'means')]
    if (!packed) return head
    const text = (place: number) =>
      workings.texts[place]!.replace(
        /\uE000(-?\d+)\uE001/g,
        (_, apart) => workings.periods[t + Number(apart) - workings.firstT]!,
      )
    if (packed.length === 1) return [...head, element('p', text(packed[0]), 'because')]
    const [value, numbers, symbols, sources, reading] = packed
    const from = cellsOf(workings.texts[sources]!, t)
    const inNumbers = workings.texts[numbers]!.replace(/\uE002(\d+)\uE003/g, (_, place) =>
      figureOf(workings, from[Number(place)]!),
    )
    return [
      ...head,
      element('p', text(symbols), 'symbols'),
      ...(inNumbers === '' ? [] : [element('p', inNumbers, 'numbers')]),
      element('p', `= ${value} ${unit}`, 'value'),
      ...(reading === undefined ? [] : [element('p', text(reading))]),
      ...sourcesOf(workings, study, from),
    ]
  }

  interface Source {
    readonly column: number
    readonly at: number
  }

  /** The cells that stretches name, in their order. */
  function cellsOf(stretches: string, t: number): Source[] {
    if (stretches === '') return []
    return stretches.split(';').flatMap((stretch) => {
      const [column, from, to] = stretch.split(' ').map(Number) as [number, number, number]
      return Array.from({ length: to - from + 1 }, (_, i) => ({ column, at: t + from + i }))
    })
  }

  function figureOf(workings: PackedWorkings, { column, at }: Source): string {
    const packed = workings.columns[column]!.cells[at - workings.firstT]
    return packed && packed.length > 1 ? String(packed[0]) : '–'
  }

  /** The figures that one was made from, each of them a button. */
  function sourcesOf(
    workings: PackedWorkings,
    study: string,
    from: readonly Source[],
  ): HTMLElement[] {
    if (from.length === 0) return []
    const list = element('ul', '', 'sources')
    for (const one of from) {
      const { label } = workings.columns[one.column]!
      const button = element('button', '')
      button.dataset.opens = `${study} ${one.column} ${one.at}`
      button.append(
        element('span', `${label}, ${workings.periods[one.at - workings.firstT]}`),
        element('span', figureOf(workings, one), 'number'),
      )
      const item = element('li', '')
      item.append(button)
      list.append(item)
    }
    return [element('h3', 'Made from'), list]
  }

  /** Tables of periods: one stop of the tabulator each, the arrow keys from figure to figure. */
  function makeTablesWalkable() {
    for (const table of document.querySelectorAll<HTMLTableElement>('table[data-study]')) {
      const isOpened = [...table.tHead!.rows[0]!.cells].map(
        ({ dataset }) => dataset.column !== undefined,
      )
      for (const row of table.tBodies[0]!.rows) {
        for (const one of row.cells) {
          if (!isOpened[one.cellIndex] && one.dataset.opens === undefined) continue
          one.dataset.figure = ''
          one.tabIndex = -1
          one.setAttribute('role', 'button')
        }
      }
      const first = table.querySelector<HTMLElement>('[data-figure]')
      if (first) first.tabIndex = 0
      table.addEventListener('keydown', (event) => walk(table, event))
    }
  }

  function walk(table: HTMLTableElement, event: KeyboardEvent) {
    const at = event.target
    if (!(at instanceof HTMLTableCellElement)) return
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      open(at)
      return
    }
    const steps: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    }
    const step = steps[event.key]
    if (!step) return
    event.preventDefault()
    const row = table.rows[(at.parentElement as HTMLTableRowElement).rowIndex + step[0]]
    const next = row?.cells[at.cellIndex + step[1]]
    if (next?.dataset.figure === undefined) return
    at.tabIndex = -1
    next.tabIndex = 0
    next.focus()
  }

  /** What a figure opens that stands in a table of periods. */
  function placeInTable(at: HTMLTableCellElement): string {
    const table = at.closest('table')!
    const head = table.tHead!.rows[0]!.cells[at.cellIndex]!
    return `${table.dataset.study} ${head.dataset.column} ${at.closest('tr')!.dataset.t}`
  }

  function element<Name extends keyof HTMLElementTagNameMap>(
    name: Name,
    text: string,
    kind = '',
  ): HTMLElementTagNameMap[Name] {
    const made = document.createElement(name)
    if (text !== '') made.textContent = text
    if (kind !== '') made.className = kind
    return made
  }
}
