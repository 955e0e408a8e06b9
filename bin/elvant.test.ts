import type { AddedUp } from '../core/addingUp/addUp'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { analyse } from '../core/analyse'
import { calendarOf } from '../core/calendar/calendar'
import type { Contest } from '../core/contest/contest'
import { readXlsx } from '../intake/containers/xlsx'
import { documentOf, type ResultDocument } from '../shared/resultDocument'
import type { Result } from '../core/result'
import { openDatabase } from '../server/database/open'
import { addVintage } from '../server/shelf/addVintage'
import { keepSeries } from '../server/shelf/shelfStore'

const EXTERIOR = 'demo/files/exterior-paint.csv'
const REGIONS = 'demo/files/exterior-paint-by-region.csv'
const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]

let folder: string
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'elvant-cli-'))))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function file(name: string, content: unknown): string {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}

function elvant(...words: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['bin/elvant.mjs', ...words], {
    encoding: 'utf8',
  })
  return { status, stdout, stderr }
}

function refusalOf(answer: { status: number | null; stdout: string }) {
  expect(answer.status).toBe(2)
  return JSON.parse(answer.stdout) as { format: string; because: string; where: string }
}

describe('run', () => {
  const plain = () => file('method.json', { format: 'elvant-method/1' })
  const values = (more: object = {}) =>
    file('values.json', {
      name: 'Contract work',
      unit: 'jobs',
      frequency: 'quarterly',
      start: '2020-Q1',
      values: quarters,
      ...more,
    })

  it('prints the result that the core gives', () => {
    const { status, stdout, stderr } = elvant('run', '--method', plain(), '--values', values())
    expect([status, stderr]).toEqual([0, ''])
    const series = {
      name: 'Contract work',
      unit: 'jobs',
      calendar: calendarOf('quarterly'),
      start: { cycle: 2020, season: 1 },
      values: quarters,
    }
    expect(JSON.parse(stdout)).toEqual(documentOf(analyse(series, { format: 'elvant-method/1' })))
  })

  it('takes any number of seasons', () => {
    const week = values({ frequency: 'seasons', seasons: 7, start: '1-S3', values: [...quarters] })
    const { stdout } = elvant('run', '--method', plain(), '--values', week)
    const { series, seasons } = JSON.parse(stdout) as Result
    expect(series).toMatchObject({ frequency: 'seasons', seasons: 7, start: '1-S3', end: '3-S4' })
    expect(seasons).toHaveLength(7)
  })

  it('reads a sales file, and prints the ledger as CSV', () => {
    const { status, stdout } = elvant('run', '--method', plain(), '--data', EXTERIOR, '--table')
    expect(status).toBe(0)
    const lines = stdout.trimEnd().split('\r\n')
    expect(lines[0]).toMatch(/^period,t,season,kind,Values \(litres\),/)
    expect(lines).toHaveLength(1 + 120 + 12)
    expect(lines[1]).toMatch(/^2016-01,1,1,actual,20051,/)
    expect(lines.at(-1)).toMatch(/^2026-12,132,12,forecast,,/)
  })

  it('chooses a series of a file by name, and asks for one when there are several', () => {
    const chosen = elvant('run', '--method', plain(), '--data', REGIONS, '--series', 'Coast')
    expect((JSON.parse(chosen.stdout) as Result).series.name).toBe('Coast')
    const { where, because } = refusalOf(elvant('run', '--method', plain(), '--data', REGIONS))
    expect([where, because]).toEqual([
      '--series',
      'The file holds 4 series; choose one with --series: "North", "South", "Coast", "Online".',
    ])
    const none = elvant('run', '--method', plain(), '--data', REGIONS, '--series', 'West')
    expect(refusalOf(none).because).toContain('no series "West"')
  })

  it('checks where the method asks for it, out of the sample', () => {
    const method = file('check.json', { format: 'elvant-method/1', check: { holdout: 4 } })
    const answer = elvant('run', '--method', method, '--values', values())
    expect(answer.status).toBe(0)
    const { accuracy, method: done } = JSON.parse(answer.stdout) as ResultDocument
    expect(done.check).toMatchObject({ holdout: 4 })
    expect(accuracy.holdout!.count).toBe(4)
    expect(accuracy.rolling!.byHorizon[0]).toMatchObject({
      h: 1,
      n: accuracy.rolling!.byHorizon[0]!.count,
    })
    expect(Object.keys(accuracy.benchmarks!)).toEqual(['lastValue', 'lastYear', 'mean', 'drift'])
  })

  it('a file that is not there, or no JSON, is refused by its name', () => {
    const gone = join(folder, 'gone.json')
    expect(refusalOf(elvant('run', '--method', gone, '--values', values()))).toMatchObject({
      where: gone,
      because: `The file ${gone} does not exist.`,
    })
    const broken = file('broken.json', '{"format":')
    expect(refusalOf(elvant('run', '--method', broken, '--values', values())).because).toContain(
      'is not JSON',
    )
  })
})

describe('workbook and table', () => {
  const methodFile = () =>
    file('plain.json', { format: 'elvant-method/1', forecast: { by: 'regression' } })
  const written = (name: string) => new Uint8Array(readFileSync(join(folder, name)))

  it('writes a workbook whose ledger has the rows of the Bench and the periods, forecast ones last', () => {
    const out = join(folder, 'book.xlsx')
    const { status, stderr } = elvant(
      ...['workbook', '--method', methodFile(), '--data', EXTERIOR, '--out', out],
    )
    expect([status, stderr]).toEqual([0, ''])
    const sheets = readXlsx(written('book.xlsx'))
    expect(sheets.map(({ name }) => name)).toEqual([
      ...['Read me', 'Ledger', 'Seasons', 'Trend', 'Forecast', 'Parameters', 'Check'],
    ])
    const [labels, units, first] = sheets[1]!.rows.map(({ cells }) => cells)
    expect(labels).toEqual(expect.arrayContaining(['period', 'Values', 'Forecast, regression']))
    expect(units![0]).toBe('unit')
    expect(first!.slice(0, 3)).toEqual(['2016-01', 1, 20051])
    expect(sheets[1]!.rows.at(-1)!.cells[0]).toBe('2026-12')
  })

  it('writes a table as CSV or as a sheet, in full or rounded', () => {
    const table = (which: string, out: string, ...more: string[]) =>
      elvant(
        ...['table', '--method', methodFile(), '--data', EXTERIOR, '--which', which],
        ...['--out', join(folder, out), ...more],
      )
    expect(table('forecast', 'forecast.csv', '--rounded').status).toBe(0)
    const lines = readFileSync(join(folder, 'forecast.csv'), 'utf8').split('\r\n')
    expect(lines[0]).toBe('\uFEFFExterior paint (litres)')
    const header = lines.findIndex((line) => line.startsWith('period,t,'))
    expect(lines[header + 1]).toMatch(/^2026-01,121,\d+,[\d.]+,\d+,/)
    expect(lines[header + 13]).toMatch(/^total 2026,/)
    expect(table('seasons', 'seasons.xlsx').status).toBe(0)
    const [sheet] = readXlsx(written('seasons.xlsx'))
    expect(sheet!.rows.map(({ cells }) => cells[0])).toContain('2019')
    expect(refusalOf(table('ledger', 'ledger.txt')).because).toMatch(/\.csv or \.xlsx/)
    expect(refusalOf(table('ledger', 'no/where.csv')).because).toMatch(/its folder does not exist/)
    expect(refusalOf(table('season', 'x.csv')).because).toMatch(/ledger, seasons, forecast/)
  })
})

describe('picture', () => {
  it('draws a stage, or one strip, as SVG of a size, and says what there is', () => {
    const method = file('picture.json', { format: 'elvant-method/1' })
    const draw = (of: string, size: string, out: string) =>
      elvant(
        ...['picture', '--method', method, '--data', EXTERIOR, '--of', of, '--size', size],
        ...['--out', join(folder, out)],
      )
    expect(draw('season', '16x12cm', 'season.svg').status).toBe(0)
    const svg = readFileSync(join(folder, 'season.svg'), 'utf8')
    expect(svg).toContain('width="605" height="454"')
    expect(svg).toContain('>Exterior paint<')
    expect(draw('season', '800x600px', 'px.png').status).toBe(0)
    const inPixels = readFileSync(join(folder, 'px.png'))
    expect([inPixels.readUInt32BE(16), inPixels.readUInt32BE(20)]).toEqual([800, 600])
    const folded = elvant(
      ...['picture', '--method', method, '--data', EXTERIOR, '--of', 'fold', '--legend', 'none'],
      ...['--title', 'Folded', '--letters', '14', '--out', join(folder, 'fold.svg')],
    )
    expect(folded.status).toBe(0)
    expect(readFileSync(join(folder, 'fold.svg'), 'utf8')).toMatch(/font-size="14"[^>]*>Jan</)
    expect(refusalOf(draw('strip:x', '16x12cm', 'x.svg')).because).toMatch(
      /strip:main, .*, fold, grid, /,
    )
    expect(refusalOf(draw('season', '16x2cm', 'x.svg')).where).toBe('--size')
    expect(refusalOf(draw('season', 'large', 'x.svg')).because).toMatch(/16x9cm or 1200x700px/)
    expect(refusalOf(draw('season', '16x12cm', 'x.gif')).because).toMatch(/\.svg or \.png/)
    expect(draw('season', '16x12cm', 'season.png').status).toBe(0)
    const png = readFileSync(join(folder, 'season.png'))
    // Of 150 dots an inch, width and height in the first part of the file.
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([945, 709])
  })
})

describe('report', () => {
  it('writes one page on a series, or on all of a file, and says what no longer holds', () => {
    const method = file('report.json', { format: 'elvant-method/1' })
    const choices = file('choices.json', {
      paragraphs: { top: 'It was [20,051 = value: 2016-01] and [1 = value: 2016-02].' },
    })
    const report = (data: string, out: string, ...more: string[]) =>
      elvant(...['report', '--method', method, '--data', data, '--out', join(folder, out)], ...more)
    const one = report(EXTERIOR, 'one.html', '--length', 'page', '--choices', choices)
    expect(one.status).toBe(0)
    expect(JSON.parse(one.stdout)).toMatchObject({
      series: ['Exterior paint'],
      noLongerHold: [{ place: 'top', text: '1', now: '21,977' }],
    })
    const page = readFileSync(join(folder, 'one.html'), 'utf8')
    expect(page).toMatch(/^<!doctype html>/)
    // Its script is the very function, whatever compiled it.
    expect(page).not.toContain('__name')
    const all = report(REGIONS, 'all.html', '--series', 'North', '--series', 'South')
    expect(JSON.parse(all.stdout)).toMatchObject({ series: ['North', 'South'] })
    expect(readFileSync(join(folder, 'all.html'), 'utf8')).toContain('<h1>2 series</h1>')
    expect(refusalOf(report(EXTERIOR, 'x.pdf')).because).toMatch(/written as \.html/)
    const wrong = file('wrong.json', { paragraphs: { middle: 'x' } })
    expect(refusalOf(report(EXTERIOR, 'x.html', '--choices', wrong)).where).toMatch(/paragraphs/)
  })
})

describe('read', () => {
  it('prints what a file holds', () => {
    const { status, stdout } = elvant('read', REGIONS)
    expect(status).toBe(0)
    const reading = JSON.parse(stdout) as { series: unknown[] }
    expect(reading).toMatchObject({
      format: 'elvant-reading/1',
      outcome: 'ok',
      frequency: 'monthly',
      layout: 'columns',
    })
    expect(reading.series[0]).toEqual({
      ...{ name: 'North', unit: 'litres', start: '2016-01', end: '2025-12' },
      ...{ periods: 120, missing: 0, duplicates: 0, firstValue: 7579 },
      lastValue: expect.any(Number) as number,
      sum: expect.any(Number) as number,
    })
  })

  it('asks with exit code 3, and goes on with the answer', () => {
    const twice = file('twice.csv', 'month,x\n2021-01,5\n2021-01,6\n2021-02,7')
    const asked = elvant('read', twice)
    expect(asked.status).toBe(3)
    const { format, questions } = JSON.parse(asked.stdout) as {
      format: string
      questions: { id: string; options: { value: string; consequence: string }[] }[]
    }
    expect(format).toBe('elvant-question/1')
    expect(questions[0]!.id).toBe('duplicates')
    expect(questions[0]!.options).toContainEqual({ value: 'sum', consequence: 'Their sum: 11.' })
    const { stdout } = elvant('read', twice, '--answer', 'duplicates=sum')
    expect(JSON.parse(stdout)).toMatchObject({ series: [{ firstValue: 11, duplicates: 1 }] })
    expect(refusalOf(elvant('read', twice, '--answer', 'duplicates=both')).because).toContain('sum')
    expect(refusalOf(elvant('read', twice, '--answer', 'both')).where).toBe('--answer')
  })
})

describe('calc', () => {
  it('answers in the order of its inputs, an unknown one refused in its place', () => {
    const input = { m: 4, start: { year: 2020, season: 1 }, y: [1, 2, 3, 4, 5] }
    const inputs = [
      { ...input, kind: 'moving-average', method: 'centred', order: 3 },
      { ...input, kind: 'tea-leaves' },
      { ...input, kind: 'moving-average', method: 'weights', weights: [0.2, 0.5, 0.2] },
      { kind: 'moving-average' },
      5,
    ]
    const { status, stdout } = elvant('calc', 'classical', file('inputs.json', inputs))
    expect(status).toBe(0)
    const answers = JSON.parse(stdout) as Record<string, unknown>[]
    expect(answers[0]).toMatchObject({ value: [null, 2, 3, 4, null] })
    expect(answers.slice(1).map(({ refused }) => refused)).toEqual([true, true, true, true])
    expect(answers[1]!.because).toContain('tea-leaves')
  })

  it('refuses an unknown topic and a file that holds no list', () => {
    expect(refusalOf(elvant('calc', 'alchemy', file('x.json', []))).where).toBe('TOPIC')
    expect(refusalOf(elvant('calc', 'classical', file('y.json', {}))).because).toContain('array')
  })
})

describe('example', () => {
  it('prints the indices and the forecast of the demo', () => {
    const { status, stdout } = elvant('example')
    expect(status).toBe(0)
    expect(stdout).toContain('May     1.3352  34% above the baseline')
    expect(stdout).toMatch(/Jan 2026 +44317 +27518 +\d{5} +\d{5}/)
  })
})

describe('begin', () => {
  it('prints the method that a series begins with, and why', () => {
    const { status, stdout, stderr } = elvant('begin', '--data', 'demo/files/masonry-paint.csv')
    expect(status).toBe(0)
    expect(JSON.parse(stdout)).toEqual({
      format: 'elvant-begin/1',
      method: {
        format: 'elvant-method/1',
        decompose: { by: 'ratio-to-moving-average', model: 'multiplicative' },
        trend: { form: 'smoothed', smoothing: 'damped' },
      },
      because: [
        'the swing grows with the level',
        'the trend turns, so a smoothed level is carried on',
      ],
    })
    expect(stderr).toBe(
      'Begun by rule: the swing grows with the level; the trend turns, so a smoothed level is carried on.\n',
    )
    expect(elvant('begin', '--data', 'demo/files/exterior-paint-by-region.csv').status).toBe(2)
  })
})

describe('catalogue', () => {
  it('works every series of a file through, on threads, and writes rows, forecasts and methods', () => {
    const out = join(folder, 'round')
    const data = file(
      'three.csv',
      [
        'month,Coast (litres),Mistyped (litres),Short (litres)',
        ...Array.from({ length: 84 }, (_, t) => {
          const usual = Math.round((900 + 4 * t) * (1 + 0.3 * Math.sin((2 * Math.PI * t) / 12)))
          const month = `${2019 + Math.floor(t / 12)}-${String((t % 12) + 1).padStart(2, '0')}`
          return `${month},${usual},${t === 60 ? 10 * usual : usual},${t < 83 ? '' : usual}`
        }),
      ].join('\n'),
    )
    const { status, stdout } = elvant('catalogue', '--begin', '--data', data, '--out', out)
    expect(status).toBe(0)
    expect(JSON.parse(stdout)).toMatchObject({ format: 'elvant-catalogue/1', series: 3 })
    const lines = (name: string) => readFileSync(join(out, name), 'utf8').trim().split('\r\n')
    // Those to look at stand first, each with its reason.
    const [, first, second, third] = lines('rows.csv')
    expect([first, second].join()).toMatch(/Short,litres,"?refused: /)
    expect([first, second].join()).toMatch(/Mistyped,litres,"?Jan 2024 typed ten times too large\?/)
    expect(third).toMatch(/^Coast,litres,,/)
    expect(lines('forecasts.csv')[0]).toBe(
      'series,unit,period,forecast,lower 80%,upper 80%,lower 95%,upper 95%',
    )
    expect(lines('forecasts.csv').filter((line) => line.startsWith('Coast'))).toHaveLength(12)
    const { methods } = JSON.parse(readFileSync(join(out, 'methods.json'), 'utf8')) as {
      methods: { series: string; method: { format: string } }[]
    }
    expect(methods.map(({ series }) => series)).toEqual(['Coast', 'Mistyped', 'Short'])
    // Each method can be run by itself, and forecasts what was written.
    const alone = elvant(
      'run',
      '--method',
      file('coast.json', methods[0]!.method),
      '--data',
      data,
      '--series',
      'Coast',
    )
    const { forecast } = JSON.parse(alone.stdout) as ResultDocument
    expect(lines('forecasts.csv')[1]).toContain(`Coast,litres,2026-01,${forecast.forecast[0]}`)
  })

  it('says where methods come from, in one way', () => {
    const answer = elvant('catalogue', '--data', EXTERIOR, '--out', join(folder, 'none'))
    expect(refusalOf(answer).because).toMatch(/--begin, --method <file> or --contest \[files\]/)
  })
})

describe('sums', () => {
  it('adds the series of a file up by the groups in their names, and writes the forecasts', () => {
    const value = (t: number, level: number) =>
      Math.round(level * (1 + 0.3 * Math.sin((2 * Math.PI * t) / 12)) + ((t * 37) % 11))
    const data = file(
      'groups.csv',
      [
        'month,Wall / Satin,Wall / Matt,Oil',
        ...Array.from({ length: 72 }, (_, t) => {
          const month = `${2020 + Math.floor(t / 12)}-${String((t % 12) + 1).padStart(2, '0')}`
          return [month, value(t, 500), value(t, 300), value(t, 200)].join()
        }),
      ].join('\n'),
    )
    const table = join(folder, 'sums.csv')
    const { status, stdout } = elvant('sums', '--data', data, '--table', table)
    expect(status).toBe(0)
    const added = JSON.parse(stdout) as AddedUp
    expect(added.format).toBe('elvant-added-up/1')
    expect(added.nodes.map(({ name, level }) => [name, level])).toEqual([
      ['all together', 0],
      ['Wall', 1],
      ['Satin', 2],
      ['Matt', 2],
      ['Oil', 1],
    ])
    const lines = readFileSync(table, 'utf8').trim().split('\r\n')
    expect(lines).toHaveLength(1 + 12 * 5)
    expect(lines[13]).toMatch(/^1,Wall,all together,2,.*,2026-01,/)
    const one = elvant('sums', '--data', 'demo/files/masonry-paint.csv')
    expect(refusalOf(one).because).toBe('It takes two series that add up.')
  })
})

describe('contest', () => {
  it('ranks the usual methods, and those that are named', () => {
    const data = 'demo/files/masonry-paint.csv'
    const { status, stdout, stderr } = elvant('contest', '--data', data)
    expect(status).toBe(0)
    const held = JSON.parse(stdout) as Contest
    expect(held).toMatchObject({ format: 'elvant-contest/1', series: 'Masonry paint' })
    expect(held.origins).toMatchObject({ first: '2022-12', count: 36, horizon: 12 })
    expect(held.nearest).toBe(held.rows[0]!.name)
    expect(held.nearest).toMatch(/^The mean of \(1\) .* and \(2\) /)
    // The nearest of many is nearest by luck as well; the method begun with ties with it.
    expect(held.proposed).toBe(
      'Ratio to a 2×12 moving average, multiplicative; a smoothed level with a damped slope',
    )
    expect(stderr).toContain(`Nearest: ${held.nearest}. Proposed: ${held.proposed}, the method`)

    const one = file('whole.json', { format: 'elvant-method/1' })
    const other = file('last-year.json', {
      format: 'elvant-method/1',
      forecast: { by: 'benchmark' },
    })
    const among = elvant('contest', '--data', data, '--among', `${one},${other}`)
    const { rows, proposed } = JSON.parse(among.stdout) as Contest
    // The mean of the two is one row more.
    expect(rows).toHaveLength(3)
    expect(proposed).toBe('Repeating last year')
  })
})

describe('help', () => {
  it('is no refusal', () => {
    const { status, stdout } = elvant('--help')
    expect(status).toBe(0)
    expect(stdout).toContain('calc')
    expect(refusalOf(elvant()).because).toBe(
      'A command is needed: read, run, workbook, table, picture, report, begin, contest, keep, judge, calc or example.',
    )
    expect(refusalOf(elvant('frobnicate')).because).toContain("Unknown command 'frobnicate'")
  })
})

describe('keep and judge', () => {
  const atHome = (path: string, ...words: string[]) =>
    spawnSync(process.execPath, ['bin/elvant.mjs', ...words], {
      encoding: 'utf8',
      env: { ...process.env, ELVANT_DATA: path },
    })
  const months = Array.from({ length: 36 }, (_, i) => 100 + 10 * (i % 12))
  const document = (values: readonly number[]) => ({
    series: {
      ...{ name: 'Glaze', unit: 'litres', frequency: 'monthly' as const, start: '2020-01' },
      values: [...values],
    },
    source: { file: 'a.csv' },
  })

  it('freeze a forecast of the shelf, also while a server holds it, and print its record', () => {
    const path = join(folder, 'elvant.sqlite')
    const method = file('kept.json', { format: 'elvant-method/1', forecast: { horizon: 3 } })
    const words = ['--series', 'Glaze', '--method', method, '--name', 'Budget']
    expect(refusalOf(atHome(path, 'keep', ...words)).because).toContain('no database')
    const opened = openDatabase(path, 'server/database/migrations')
    try {
      const [id] = keepSeries(opened.db, [document(months)])
      const kept = atHome(path, 'keep', ...words)
      expect([kept.status, kept.stderr]).toEqual([0, ''])
      expect(JSON.parse(kept.stdout)).toMatchObject({
        ...{ format: 'elvant-kept/1', series: 'Glaze', name: 'Budget' },
        forecast: { period: ['2023-01', '2023-02', '2023-03'], statistical: null },
      })
      addVintage(opened.db, id!, document([...months, 100]))
      const judged = atHome(path, 'judge', '--series', 'Glaze')
      expect(JSON.parse(judged.stdout)).toMatchObject({
        format: 'elvant-judged/1',
        kept: [{ name: 'Budget', judged: { came: 1 } }],
      })
      expect(judged.stderr).toMatch(/^Glaze, "Budget": Jan 2023: off by .*; repeating last year 0%/)
      expect(refusalOf(atHome(path, 'judge', '--series', 'Gloss')).because).toContain(
        'There is no series "Gloss" on the shelf. There are "Glaze".',
      )
    } finally {
      opened.close()
    }
  })
})
