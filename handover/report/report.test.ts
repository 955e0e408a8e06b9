import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { check } from '../../core/check/check'
import { write } from '../../core/column/kinds/kinds'
import { explain } from '../../core/ledger/explain'
import { ledgerOf } from '../../core/ledger/ledger'
import { EVERY_WAY } from '../../core/ledger/testing'
import type { MethodDocument } from '../../core/method'
import type { Result } from '../../core/result'
import { finish } from '../../core/work/steps'
import { CORE_FIGURES, readersFigures } from '../../core/words/readersFigures'
import { LENGTHS, PARTS, USUAL_REPORT, type ReportChoices } from './choices'
import type { PackedCell, PackedWorkings } from './packed'
import { reportSteps } from './report'

const NAME = '</script><img src=x onerror=alert(1)> & "Paint" {{1}}'
const MONTHS = {
  ...{ name: NAME, unit: 'litres', calendar: EVERY_WAY[0]![1].calendar },
  start: { cycle: 2016, season: 1 },
}

function reportOn(
  results: readonly Result[],
  choices: Partial<ReportChoices> = {},
  says = CORE_FIGURES,
) {
  const studies = results.map((result) => ({
    ...{ result, sentence: 'Sales of all quarters.', source: 'sales.csv' },
    choices: { ...USUAL_REPORT, ...choices },
  }))
  const page = finish(reportSteps(studies, { says, version: '1', date: '2026-01-31' }))
  const json = /<script type="application\/json" id="workings">(.*?)<\/script>/s.exec(page)![1]!
  return { page, packed: JSON.parse(json) as PackedWorkings[] }
}

/** Texts as the reader of a report puts them together. */
function unpacked({ periods, texts, firstT }: PackedWorkings, place: number, t: number): string {
  return texts[place]!.replace(
    /\uE000(-?\d+)\uE001/g,
    (_, apart) => periods[t + Number(apart) - firstT]!,
  )
}

describe.each(EVERY_WAY)('a report of %s', (_, series, method) => {
  const result = analyse({ ...series, name: NAME }, method)
  const { page, packed } = reportOn([result], { length: 'full' })
  const workings = packed[0]!

  it('has the working of every figure as the Bench has it', () => {
    const { columns, run } = ledgerOf(result)
    let count = 0
    columns.forEach((column, i) => {
      workings.columns[i]!.cells.forEach((cell, j) => {
        if (cell === 0) return
        const t = run.firstT + j
        const told = explain(result, column.name, t)
        count += 1
        if (!told.defined) {
          expect(cell).toHaveLength(1)
          expect(unpacked(workings, cell[0] as number, t)).toBe(told.because)
          return
        }
        const [value, numbers, symbols, sources, reading] = cell as [
          ...[string, number, number, number, number?],
        ]
        expect(value).toBe(CORE_FIGURES.figure(told.value))
        const from = cellsIn(workings.texts[sources]!, t)
        const figures = from.map((one) => {
          const [place, at] = one.split(' ').map(Number) as [number, number]
          const source = workings.columns[place]!.cells[at - workings.firstT]
          return String((source as PackedCell)[0])
        })
        const inNumbers = workings.texts[numbers]!.replace(
          /\uE002(\d+)\uE003/g,
          (_token, place) => figures[Number(place)]!,
        )
        if (inNumbers === '') {
          // As it came in: nothing was calculated.
          expect(told.value).toBe(result.columns.original[j])
          return
        }
        expect(inNumbers).toBe(write(told.expression, CORE_FIGURES.figure))
        expect(unpacked(workings, symbols, t)).toBe(write(told.expression))
        expect(reading === undefined ? null : unpacked(workings, reading, t)).toBe(told.reading)
        expect(new Set(cellsIn(workings.texts[sources]!, t))).toEqual(
          new Set(
            told.sources.map(
              ({ column: from, t: at }) =>
                `${columns.findIndex(({ name }) => name === from)} ${at}`,
            ),
          ),
        )
      })
    })
    expect(count).toBeGreaterThan(columns.length)
  })

  it('opens nothing that it does not have, down to the values as they came in', () => {
    const opened = [...page.matchAll(/data-opens="0 (\S+) (\S+)"/g)].map(
      ([, column, at]) => `${column} ${at}`,
    )
    const sources = workings.columns.flatMap(({ cells }) =>
      cells.flatMap((cell, j) =>
        cell !== 0 && cell.length > 1
          ? cellsIn(workings.texts[cell[3]!]!, workings.firstT + j)
          : [],
      ),
    )
    expect(opened.length).toBeGreaterThan(10)
    for (const opens of new Set([...opened, ...sources])) {
      const [column, at] = opens.split(' ')
      if (column === '-') expect(workings.others[Number(at)]).toBeDefined()
      else expect(workings.columns[Number(column)]!.cells[Number(at) - workings.firstT]).not.toBe(0)
    }
  })

  it('opens of every figure the working of that very figure', () => {
    const pressed = [...page.matchAll(/data-opens="0 (\S+) (\S+)">([^<]*)</g)]
    for (const [, column, at, text] of pressed) {
      const cell =
        column === '-'
          ? workings.others[Number(at)]!.cell
          : (workings.columns[Number(column)]!.cells[Number(at) - workings.firstT] as PackedCell)
      const told = text!.trim()
      if (cell.length === 1 || told === '') continue
      const figureIn = (said: string) => Number(said.replace('−', '-').replace(/[^\d.-]/g, ''))
      const decimals = /\.(\d+)/.exec(told)?.[1]!.length ?? 0
      // Five digits of the working, and as many decimals as the text has, of the same figure; a change is said without its sign.
      const apart = Math.abs(Math.abs(figureIn(told)) - Math.abs(figureIn(cell[0])))
      const rounding = 0.6 * 10 ** -decimals + 1e-4 * Math.abs(figureIn(cell[0]))
      expect(apart, `${column} ${at}: ${told}, and ${cell[0]}`).toBeLessThan(rounding)
    }
  })

  it('shows no figure that is none', () => {
    expect(page.replace(/<script>.*<\/script>/s, '')).not.toMatch(/NaN|Infinity|undefined|\[object/)
  })
})

function cellsIn(stretches: string, t: number): string[] {
  return stretches === ''
    ? []
    : stretches.split(';').flatMap((stretch) => {
        const [column, from, to] = stretch.split(' ').map(Number) as [number, number, number]
        return Array.from({ length: to - from + 1 }, (_, i) => `${column} ${t + from + i}`)
      })
}

describe('a report', () => {
  const [, quarters, method] = EVERY_WAY[0]!
  const result = analyse({ ...quarters, name: NAME }, method)

  it('runs nothing but its own script, whatever a series is called', () => {
    const { page } = reportOn([result], { paragraphs: { top: '<script>alert(2)</script>' } })
    expect(page).not.toContain('<img')
    const scripts = [...page.matchAll(/<script[^>]*>/g)].map(([tag]) => tag)
    expect(scripts).toEqual(['<script type="application/json" id="workings">', '<script>'])
    const digest = (text: string) =>
      `'sha256-${createHash('sha256').update(text).digest('base64')}'`
    const between = (tag: string) => page.split(`<${tag}>`)[1]!.split(`</${tag}>`)[0]!
    const policy = /Content-Security-Policy" content="([^"]*)"/.exec(page)![1]!
    expect(policy).toContain(`script-src ${digest(between('script'))}`)
    expect(policy).toContain(`style-src ${digest(between('style'))}`)
    expect(policy).toContain("default-src 'none'")
    // A policy by digests refuses styles of single elements.
    expect(page).not.toMatch(/ style="/)
  })

  it('uses in its script nothing that is not written into it', () => {
    const { page } = reportOn([result])
    const script = page.split('<script>')[1]!.split('</script>')[0]!
    expect(script).not.toMatch(/__name|__vite|import\(/)
    // Run where there is no page it fails for want of one, and of nothing else.
    expect(() => new Function(script)()).toThrow(/document is not defined/)
  })

  it('takes less than 600 kB for ten years of months, everything in it', () => {
    const values = Array.from(
      { length: 120 },
      (_, i) =>
        (30_000 + 110.7 * i) * (1 + 0.3 * Math.cos(i / 1.91)) * (1 + 0.02 * Math.sin(i * i)),
    )
    const months = {
      ...MONTHS,
      values,
      calendar: { ...quarters.calendar, frequency: 'monthly', seasons: 12 } as const,
    }
    for (const method of [
      {},
      { forecast: { by: 'regression' } },
      { forecast: { by: 'smoothing', initial: 'rule' } },
      { decompose: { by: 'iterated' } },
    ] as Partial<MethodDocument>[]) {
      const own = analyse(months, { format: 'elvant-method/1', ...method })
      const checked = { ...own, check: check(months, own.method)! }
      expect(reportOn([checked], { length: 'full' }).page.length).toBeLessThan(600_000)
    }
  })

  it('has the parts of its length, in their order, but for those that are left out', () => {
    const titles = (choices: Partial<ReportChoices>) =>
      [...reportOn([result], choices).page.matchAll(/<h2>(.*?)<\/h2>/g)].map(([, title]) => title)
    expect(titles({ length: 'full' })).toEqual(Object.values(PARTS).map(({ title }) => title))
    expect(titles({ length: 'short', without: ['series'] })).toEqual([
      ...[
        'What will come',
        'How it was made',
        'What was done by hand',
        'How far it can be trusted',
      ],
    ])
    const size = (length: (typeof LENGTHS)[number]) => reportOn([result], { length }).page.length
    expect(size('page')).toBeLessThan(size('short'))
    expect(size('short')).toBeLessThan(size('full'))
  })

  it('compares several series on its first page, and leads into each', () => {
    const { page, packed } = reportOn([result, result])
    expect(packed).toHaveLength(2)
    for (const place of [0, 1]) {
      expect(page).toContain(`href="#study-${place}"`)
      expect(page).toContain(`id="study-${place}"`)
    }
    expect(page).toMatch(/data-opens="1 - 0"/)
  })

  it('writes figures as the reader does', () => {
    const large = analyse(
      { ...quarters, values: quarters.values.map((y) => (y ?? 0) * 1000.5) },
      method,
    )
    const { page, packed } = reportOn([large], {}, readersFigures('de-DE'))
    expect(page).toMatch(/>\d{2,3}\.\d{3}(,\d+)?<\/button>/)
    expect(JSON.stringify(packed)).not.toMatch(/"\d{2},\d{3}"/)
  })
})
