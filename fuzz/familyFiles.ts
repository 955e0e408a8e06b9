import { periodAfter, MONTH_NAMES, PERIOD_STYLES } from './familyPeriods'
import { receipts, splitNumbers } from './familySpecials'
import type { FamilyFile, Random, Truth } from './familyTruth'

const NAMES = [
  'Paint',
  'Primer',
  'Paint (white)',
  'North',
  'Depot 2',
  'Wood stain',
  'Überzug',
  'A & B',
]
/** Ways to write the numbers of a whole file. */
const NUMBERS: Readonly<Record<string, (value: number) => string>> = {
  plain: (value) => String(value),
  comma: (value) => String(value).replace('.', ','),
  thousands: (value) => value.toLocaleString('en-GB', { maximumFractionDigits: 2 }),
  german: (value) => value.toLocaleString('de-DE', { maximumFractionDigits: 2 }),
  spaces: (value) =>
    value.toLocaleString('en-GB', { maximumFractionDigits: 2 }).replaceAll(',', ' '),
  indian: (value) => value.toLocaleString('en-IN', { maximumFractionDigits: 2 }),
  currency: (value) => (value < 0 ? `($${-value})` : `$${value}`),
  exponent: (value) => value.toExponential(),
}

/**
 * Makes a file by mixing members of the families of files that analysts have.
 *
 * @param random decides everything, so that a seed gives the same file again
 */
export function familyFile(random: Random): FamilyFile {
  const made: string[] = []
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!
  const maybe = (chance: number, name: string): boolean => {
    const isSo = random() < chance
    if (isSo) made.push(name)
    return isSo
  }
  const special = random()
  if (special < 0.04) return receipts(random, pick)
  if (special < 0.08) return splitNumbers(random, pick)
  const truth = truthBy(random, pick)
  const { seasons, start, series } = truth
  const periods = series[0]!.values.map((_, i) => periodAfter(start, i, seasons))
  const style = pick(Object.keys(PERIOD_STYLES[seasons]))
  const numbers = pick(Object.keys(NUMBERS))
  const needsQuotes = ['comma', 'thousands', 'german', 'indian'].includes(numbers)
  const delimiter = pick([';', '\t', '|', ...(needsQuotes ? [] : [',', ','])])
  const areMarked = random() < 0.1
  const layout = pick(
    seasons === 1
      ? ['columns', 'long']
      : [
          'columns',
          'columns',
          'long',
          'matrix',
          'across',
          'two',
          'plan',
          ...(series.length > 1 ? ['headings'] : []),
        ],
  )
  made.push(layout, style, numbers, `delimiter ${delimiter}`)
  if (areMarked) made.push('marks')
  const write = (value: number | null) =>
    value === null
      ? ''
      : NUMBERS[numbers]!(value) +
        (areMarked && random() < 0.2 ? pick(['*', '¹', ' (p)', 'r']) : '')
  const { write: say, answers: ofPeriods } = PERIOD_STYLES[seasons][style]!
  const at = (name: number, i: number) => write(series[name]!.values[i]!)
  const byItem = (isOnce: boolean) =>
    series.flatMap(({ name }, k) =>
      periods.map((period, i) => [say(period), isOnce && i > 0 ? '' : name, at(k, i)]),
    )
  /** What is known beside the periods and numbers: answers, and series that a layout makes of others. */
  const known: Record<string, string> = {}
  let told = truth
  let rows: string[][]
  switch (layout) {
    case 'columns': {
      const withIndex = maybe(0.2, 'running number')
      const withYear = seasons !== 1 && maybe(0.2, 'year beside')
      const withRemark = maybe(0.2, 'remarks')
      const withTotal = series.length > 2 && maybe(0.4, 'total column')
      const total = (i: number) =>
        write(round(series.reduce((all, own) => all + (own.values[i] ?? 0), 0)))
      rows = [
        [
          ...(withIndex ? [''] : []),
          'period',
          ...(withYear ? ['year'] : []),
          ...series.map(({ name }) => name),
          ...(withTotal ? ['Total'] : []),
          ...(withRemark ? ['remark'] : []),
        ],
        ...periods.map((period, i) => [
          ...(withIndex ? [String(i + 1)] : []),
          say(period),
          ...(withYear ? [String(period.cycle)] : []),
          ...series.map((_, k) => at(k, i)),
          ...(withTotal ? [total(i)] : []),
          ...(withRemark ? [pick(['', '', 'flood', 'new shop'])] : []),
        ]),
      ]
      const beside = rows[0]!.length - series.length - (withRemark ? 1 : 0) - (withTotal ? 1 : 0)
      if (!withTotal && maybe(0.1, 'unit row')) {
        const units = rows[0]!.map((_, column) =>
          column >= beside && column < beside + series.length ? 'litres' : '',
        )
        rows.splice(1, 0, units)
      }
      if (maybe(0.2, 'total row')) {
        const sums = series.map(({ values }) =>
          write(round(values.reduce<number>((all, value) => all + (value ?? 0), 0))),
        )
        rows.push([
          ...(withIndex ? [''] : []),
          'Total',
          ...(withYear ? [''] : []),
          ...sums,
          ...(withTotal ? [''] : []),
          ...(withRemark ? [''] : []),
        ])
      }
      break
    }
    case 'long':
      rows = [
        ['period', 'item', 'Sales'],
        ...(maybe(0.5, 'by item')
          ? byItem(maybe(0.4, 'item on its first row only'))
          : periods.flatMap((period, i) =>
              series.map(({ name }, k) => [say(period), name, at(k, i)]),
            )),
      ]
      break
    case 'matrix':
      rows = matrixOf(truth, 0, write, maybe(0.5, 'years across'))
      break
    case 'headings': {
      // Two measures under each name; a name stands over the first of them.
      const measures = ['Units', 'Value']
      const valueOf = (k: number, i: number, m: number) => {
        const value = series[k]!.values[i]!
        return m === 0 || value === null ? value : round(2 * value)
      }
      rows = [
        ['', ...series.flatMap(({ name }) => [name, ''])],
        ['period', ...series.flatMap(() => measures)],
        ...periods.map((period, i) => [
          say(period),
          ...series.flatMap((_, k) => [0, 1].map((m) => write(valueOf(k, i, m)))),
        ]),
      ]
      told = {
        ...truth,
        series: series.flatMap(({ name, values }, k) =>
          measures.map((measure, m) => ({
            name: `${name} · ${measure}`,
            values: values.map((_, i) => valueOf(k, i, m)),
          })),
        ),
      }
      break
    }
    case 'plan': {
      const coming = [1, 2, 3].map((i) => periodAfter(periods.at(-1)!, i, seasons))
      rows = [
        ['period', 'kind', ...series.map(({ name }) => name), 'unit'],
        ...periods.map((period, i) => [
          say(period),
          'Actual',
          ...series.map((_, k) => at(k, i)),
          'litres',
        ]),
        ...coming.map((period) => [
          say(period),
          'Plan',
          ...series.map((_, k) => at(k, 0)),
          'litres',
        ]),
      ]
      known['forecast-rows'] = 'leave-out'
      break
    }
    case 'across':
      rows = [
        ['item', ...periods.map(say)],
        ...series.map(({ name }, k) => [name, ...periods.map((_, i) => at(k, i))]),
      ]
      break
    default: {
      const bare = maybe(0.3, 'no words over year and season')
      rows = [
        [
          bare ? 'a' : 'year',
          bare ? 'b' : seasons === 12 ? 'month' : 'quarter',
          ...series.map(({ name }) => name),
        ],
        ...periods.map(({ cycle: year, season }, i) => [
          String(year),
          String(season),
          ...series.map((_, k) => at(k, i)),
        ]),
      ]
    }
  }
  const isAligned = layout !== 'across' && maybe(0.15, 'aligned by spaces')
  const lines = isAligned
    ? aligned(rows)
    : rows.map((cells) => cells.map((cell) => quoted(cell, delimiter)).join(delimiter))
  if (!isAligned && maybe(0.15, 'trailing separators'))
    lines.forEach((line, i) => (lines[i] = line + delimiter))
  if (maybe(0.2, 'title')) lines.unshift('Quillfield Paints', '')
  if (maybe(0.15, 'comments')) lines.unshift('# from the till')
  if (maybe(0.2, 'footnote')) lines.push('', 'Source: own count')
  if (!isAligned && maybe(0.1, 'separator named')) lines.unshift(`sep=${delimiter}`)
  if (!isAligned && maybe(0.1, 'second table')) {
    const other = [
      ['region', 'Staff'],
      ['North', '3'],
      ['South', '4'],
    ]
    lines.push('', ...other.map((cells) => cells.join(delimiter)))
  }
  const ending = maybe(0.3, 'CRLF') ? '\r\n' : '\n'
  return {
    truth: layout === 'matrix' ? { ...truth, series: [series[0]!] } : told,
    text: lines.join(ending) + ending,
    answers: {
      decimal: ['comma', 'german'].includes(numbers) ? 'comma' : 'point',
      ...ofPeriods,
      ...known,
    },
    made,
  }
}

/** Columns of one width each, two spaces between; figures to the right. */
function aligned(rows: readonly (readonly string[])[]): string[] {
  const widths = rows[0]!.map((_, column) =>
    Math.max(...rows.map((cells) => (cells[column] ?? '').length)),
  )
  return rows.map((cells) =>
    cells
      .map((cell, column) =>
        column === 0 ? cell.padEnd(widths[column]!) : cell.padStart(widths[column]!),
      )
      .join('  '),
  )
}

function truthBy(random: Random, pick: <T>(all: readonly T[]) => T): Truth {
  const seasons = pick([12, 12, 12, 4, 4, 1] as const)
  const count =
    seasons === 1 ? 8 + Math.floor(random() * 10) : seasons * 3 + Math.floor(random() * seasons)
  const start = {
    cycle: 2005 + Math.floor(random() * 12),
    season: 1 + Math.floor(random() * seasons),
  }
  const names = [...NAMES].sort(() => random() - 0.5).slice(0, 1 + Math.floor(random() * 3))
  const size = 10 ** (2 + Math.floor(random() * 4))
  const decimals = Math.floor(random() * 3)
  const negative = random() < 0.1
  const valueAt = () => {
    const value = Number(((0.3 + random()) * size + random()).toFixed(decimals))
    return negative && random() < 0.2 ? -value : value
  }
  return {
    seasons,
    start,
    series: names.map((name) => ({
      name,
      values: Array.from({ length: count }, (_, i) =>
        i > 0 && i < count - 1 && random() < 0.03 ? null : valueAt(),
      ),
    })),
  }
}

function round(value: number): number {
  return Number(value.toFixed(2))
}

function quoted(cell: string, delimiter: string): string {
  return cell.includes(delimiter) || cell.includes('"') ? `"${cell.replaceAll('"', '""')}"` : cell
}

/** Years down and seasons across, or the other way. */
function matrixOf(
  { seasons, start, series }: Truth,
  own: number,
  write: (value: number | null) => string,
  isTurned: boolean,
): string[][] {
  const { values } = series[own]!
  const last = periodAfter(start, values.length - 1, seasons)
  const years = Array.from({ length: last.cycle - start.cycle + 1 }, (_, i) => start.cycle + i)
  const names = seasons === 12 ? MONTH_NAMES : ['Q1', 'Q2', 'Q3', 'Q4']
  const cell = (year: number, season: number) => {
    const at = (year - start.cycle) * seasons + season - start.season
    return at < 0 || at >= values.length ? '' : write(values[at]!)
  }
  return isTurned
    ? [
        ['', ...years.map(String)],
        ...names.map((name, i) => [name, ...years.map((year) => cell(year, i + 1))]),
      ]
    : [
        ['', ...names],
        ...years.map((year) => [String(year), ...names.map((_, i) => cell(year, i + 1))]),
      ]
}
