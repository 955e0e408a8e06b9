import { periodAfter } from './familyPeriods'
import type { FamilyFile } from './familyTruth'
import {
  LANGUAGES,
  monthly,
  monthNames,
  sales,
  sum,
  text,
  written,
  yearOf,
  type Making,
} from './monthEndParts'

/** Families of a month's end whose tables, codes and columns only their figures or places tell. */
export const FURTHER: Readonly<Record<string, (making: Making) => FamilyFile>> = {
  'tables side by side that go on': sideBySide,
  'tables below one another with names': namedTables,
  'totals under other names': otherTotals,
  'a column made of another': madeOfAnother,
  'codes under any heading': codesByFigures,
  'days without a year': daysWithoutYear,
  'a printed table with one space between': printedTightly,
  'years and sums beside the data': yearsBeside,
  'years of two digits': shortYears,
  'a mark of decimals that changes': changingMarks,
}

function sideBySide({ random, pick }: Making): FamilyFile {
  const [first, years, language] = [yearOf(random), pick([2, 3]), pick(LANGUAGES)]
  const values = sales(random, 12 * years)
  const names = monthNames(language)
  const withYears = random() < 0.5
  const gap = pick([[], ['']])
  const repeated = (of: (y: number) => readonly (string | number)[]) =>
    Array.from({ length: years }, (_, y) => [...(y > 0 ? gap : []), ...of(y)]).flat()
  return {
    truth: monthly('Sales', { cycle: first, season: 1 }, values),
    text: text(
      [
        ...(withYears ? [] : [repeated((y) => [first + y, ''])]),
        repeated(() => ['Month', 'Sales']),
        ...names.map((name, month) =>
          repeated((y) => [withYears ? `${name} ${first + y}` : name, values[12 * y + month]!]),
        ),
      ],
      ';',
    ),
    answers: {},
    made: [language.locale, `${years} years`, withYears ? 'years in cells' : 'years above'],
  }
}

function namedTables({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 + Math.floor(random() * 12) }
  const count = pick([24, 36])
  const names = ['Interior', 'Exterior', 'Trade'].slice(0, pick([2, 3]))
  const all = names.map((name) => ({ name, values: sales(random, count) }))
  const months = written(start, count)
  return {
    truth: { seasons: 12, start, series: all },
    text: all
      .map(({ name, values }) =>
        text([[name], ['month', 'Sales'], ...months.map((month, i) => [month, values[i]!])]),
      )
      .join('\n\n'),
    answers: {},
    made: [`${names.length} tables`],
  }
}

function otherTotals({ random, pick }: Making): FamilyFile {
  const [year, language] = [yearOf(random), pick(LANGUAGES)]
  const values = sales(random, 24)
  const names = monthNames(language)
  const [part, whole] = [pick(['Part', 'Block', 'Saison']), pick(['Whole', 'Together', ''])]
  const rows = values.flatMap((value, i): (string | number)[][] => [
    [names[i % 12]!, value],
    ...(i % 3 === 2
      ? [[`${part} ${'ABCD'[Math.floor((i % 12) / 3)]!}`, sum(values.slice(i - 2, i + 1))]]
      : []),
    ...(i % 12 === 11 ? [[whole, sum(values.slice(i - 11, i + 1))]] : []),
  ])
  return {
    truth: monthly('Sales', { cycle: year, season: 1 }, values),
    text: text([['Month', 'Sales'], ...rows], ';'),
    answers: { start: String(year) },
    made: [language.locale, part, whole],
  }
}

function madeOfAnother({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 48)
  const count = pick([3, 6, 12])
  const how = pick(['sum', 'mean', 'running'])
  const beside = values.map((_, i) => {
    if (how === 'running') return sum(values.slice(0, i + 1))
    if (i < count - 1) return ''
    const added = sum(values.slice(i - count + 1, i + 1))
    return how === 'sum' ? added : (added / count).toFixed(2)
  })
  return {
    truth: monthly('Sales', start, values),
    text: text([
      ['month', 'Sales', 'B'],
      ...written(start, 48).map((month, i) => [month, values[i]!, beside[i]!]),
    ]),
    answers: {},
    made: [how, `of ${count}`],
  }
}

function codesByFigures({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const from = 1000 + Math.floor(random() * 90_000)
  const kind = pick(['constant', 'running', 'key'] as const)
  const months = written(start, 36)
  const codes = [from, from + 7, from + 30]
  const all = (kind === 'key' ? codes : [from]).map((code) => ({
    name: kind === 'key' ? String(code) : 'Sales',
    code,
    values: sales(random, 36),
  }))
  const rows = months.flatMap((month, i) =>
    all.map(({ code, values }) => [month, kind === 'running' ? from + i : code, values[i]!]),
  )
  return {
    truth: { seasons: 12, start, series: all.map(({ name, values }) => ({ name, values })) },
    text: text([['month', 'Cd', 'Sales'], ...rows]),
    answers: {},
    made: [kind],
  }
}

function daysWithoutYear({ random, pick }: Making): FamilyFile {
  const [year, language] = [yearOf(random), pick(LANGUAGES)]
  const names = monthNames(language)
  const dates = Array.from({ length: 366 }, (_, n) => new Date(Date.UTC(year, 0, 1 + n))).filter(
    (date) => date.getUTCFullYear() === year,
  )
  const isPoints = random() < 0.5
  const sold = dates.map(() => 20 + Math.floor(30 * random()))
  const values = Array.from({ length: 12 }, (_, month) =>
    sum(sold.filter((_, n) => dates[n]!.getUTCMonth() === month)),
  )
  const two = (n: number) => String(n).padStart(2, '0')
  return {
    truth: monthly('Sales', { cycle: year, season: 1 }, values),
    text: text(
      [
        ['Day', 'Sales'],
        ...dates.map((date, n) => [
          isPoints
            ? `${two(date.getUTCDate())}.${two(date.getUTCMonth() + 1)}.`
            : `${date.getUTCDate()} ${names[date.getUTCMonth()]!}`,
          sold[n]!,
        ]),
      ],
      ';',
    ),
    answers: { start: String(year) },
    made: [language.locale, isPoints ? 'points' : 'names'],
  }
}

function printedTightly({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const names = ['North', 'South', 'Trade'].slice(0, pick([2, 3]))
  const all = names.map((name) => ({
    name,
    values: sales(random, 36).map((value, i) => (i > 0 && i < 35 && random() < 0.1 ? null : value)),
  }))
  const row = (label: string, cells: readonly string[]) =>
    [label.padEnd(8), ...cells.map((cell) => cell.padStart(5))].join(' ')
  const head = row('month', names)
  const title = pick([[], ['Quillfield Paints', '']])
  const body = written(start, 36).map((month, i) =>
    row(
      month,
      all.map(({ values }) => String(values[i] ?? '')),
    ),
  )
  return {
    truth: { seasons: 12, start, series: all },
    text: [...title, head, ...(random() < 0.5 ? ['-'.repeat(head.length)] : []), ...body].join(
      '\n',
    ),
    answers: {},
    made: [`${names.length} columns`],
  }
}

function yearsBeside({ random }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 48)
  const rows = written(start, 48).map((month, i) => [
    ...[month, values[i]!, ''],
    ...(i < 4 ? [start.cycle + i, sum(values.slice(12 * i, 12 * i + 12))] : ['', '']),
  ])
  return {
    truth: monthly('Sales', start, values),
    text: text([['month', 'Sales', '', 'Year', 'Sum'], ...rows]),
    answers: {},
    made: [],
  }
}

function shortYears({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 36)
  const heading = pick(['Year', 'Jahr', 'Rok'])
  const rows = values.map((value, i) => {
    const { cycle: year, season } = periodAfter(start, i, 12)
    return [String(year % 100).padStart(2, '0'), season, value]
  })
  return {
    truth: monthly('Sales', start, values),
    text: text([[heading, 'Month', 'Sales'], ...rows]),
    answers: {},
    made: [heading],
  }
}

function changingMarks({ random }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 36).map((value) => value + 0.5)
  const turn = 6 + Math.floor(20 * random())
  const rows = written(start, 36).map((month, i) => {
    const [units, thousands] = [String(Math.floor(values[i]!)), i < turn ? ',' : '.']
    const grouped = units.replace(/(\d)(\d{3})$/, `$1${thousands}$2`)
    return [month, `${grouped}${i < turn ? '.' : ','}5`]
  })
  return {
    truth: monthly('Sales', start, values),
    text: text([['month', 'Sales'], ...rows], ';'),
    answers: {},
    made: [`from ${turn}`],
  }
}
