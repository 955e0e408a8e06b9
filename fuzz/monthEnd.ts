import { periodAfter } from './familyPeriods'
import type { Period } from '../core/calendar/period'
import type { FamilyFile, Random } from './familyTruth'
import { FURTHER } from './monthEndFurther'
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
  type Pick,
} from './monthEndParts'

/** Every family of the files of a month's end, as a maker of its members. */
export const MONTH_END: Readonly<Record<string, (making: Making) => FamilyFile>> = {
  'months without a year beside totals': monthsBesideTotals,
  'a matrix with totals both ways': matrixWithTotals,
  'months across with totals': monthsAcross,
  'the year in a title': yearInTitle,
  'tables of a year each': tablesOfYears,
  'years within headings': yearsInHeadings,
  'codes beside the values': codesBeside,
  'a forecast below a line': forecastBelowLine,
  'a forecast marked behind its period': forecastMarked,
  'the year so far': yearSoFar,
  'a counter before year and season': counterFirst,
  'days under months': daysUnderMonths,
  'a pivot with all its totals': pivot,
  'one unit written in two ways': oneUnitTwoWays,
  ...FURTHER,
}

/** A member of one of the families. */
export function monthEndFile(random: Random): FamilyFile {
  const pick: Pick = (all) => all[Math.floor(random() * all.length)]!
  const name = pick(Object.keys(MONTH_END))
  const file = MONTH_END[name]!({ random, pick })
  return { ...file, made: [name, ...file.made] }
}

function monthsBesideTotals({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const years = pick([1, 2, 3])
  const values = sales(random, 12 * years)
  const [withQuarters, withYears] = [random() < 0.6, years > 1 || random() < 0.5]
  const names = monthNames(language)
  const rows = values.flatMap((value, i): (string | number)[][] => {
    const month = i % 12
    return [
      [names[month]!, value],
      ...(withQuarters && month % 3 === 2
        ? [[language.quarter(Math.floor(month / 3) + 1), sum(values.slice(i - 2, i + 1))]]
        : []),
      ...(withYears && month === 11
        ? [[pick([language.total, language.year]), sum(values.slice(i - 11, i + 1))]]
        : []),
    ]
  })
  const year = yearOf(random)
  return {
    truth: monthly('Sales', { cycle: year, season: 1 }, values),
    text: text([['Month', 'Sales'], ...rows], ';'),
    answers: { start: String(year) },
    made: [language.locale, `${years} years`],
  }
}

function matrixWithTotals({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const years = pick([2, 3, 5])
  const first = yearOf(random)
  const values = sales(random, 12 * years)
  const names = monthNames(language)
  const of = (month: number) => Array.from({ length: years }, (_, y) => values[12 * y + month]!)
  const added = (from: number, to: number) =>
    Array.from({ length: years }, (_, y) => sum(values.slice(12 * y + from, 12 * y + to)))
  const withTotal = random() < 0.7
  const row = (name: string, cells: readonly number[]) => [
    name,
    ...cells,
    ...(withTotal ? [sum(cells)] : []),
  ]
  const withQuarters = random() < 0.6
  const body = names.flatMap((name, month) => [
    row(name, of(month)),
    ...(withQuarters && month % 3 === 2
      ? [row(language.quarter(Math.floor(month / 3) + 1), added(month - 2, month + 1))]
      : []),
  ])
  return {
    truth: monthly('Series', { cycle: first, season: 1 }, values),
    text: text(
      [
        ['Month', ...of(0).map((_, y) => first + y), ...(withTotal ? [language.total] : [])],
        ...body,
        row(language.total, added(0, 12)),
      ],
      ';',
    ),
    answers: {},
    made: [language.locale, `${years} years`],
  }
}

function monthsAcross({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const names = monthNames(language)
  const products = ['Varnish', 'Primer', 'Wood stain'].slice(0, pick([2, 3]))
  const values = products.map(() => sales(random, 12))
  const withQuarters = random() < 0.5
  const across = (
    cells: readonly (string | number)[],
    add: (from: number, to: number) => string | number,
    all: string | number,
  ) => [
    ...cells.flatMap((cell, i) => [
      cell,
      ...(withQuarters && i % 3 === 2 ? [add(i - 2, i + 1)] : []),
    ]),
    all,
  ]
  const year = yearOf(random)
  return {
    truth: {
      seasons: 12,
      start: { cycle: year, season: 1 },
      series: products.map((name, k) => ({ name, values: values[k]! })),
    },
    text: text(
      [
        ['Product', ...across(names, (_, to) => language.quarter(to / 3), language.total)],
        ...products.map((name, k) => [
          name,
          ...across(values[k]!, (from, to) => sum(values[k]!.slice(from, to)), sum(values[k]!)),
        ]),
      ],
      ';',
    ),
    answers: { start: String(year) },
    made: [language.locale],
  }
}

function yearInTitle({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const year = yearOf(random)
  const values = sales(random, 12)
  return {
    truth: monthly('Litres', { cycle: year, season: 1 }, values),
    text: text(
      [
        [pick([`Sales ${year}`, `Quillfield Paints: sales of ${year}`, String(year)])],
        ['Month', 'Litres'],
        ...monthNames(language).map((name, i) => [name, values[i]!]),
      ],
      ';',
    ),
    answers: {},
    made: [language.locale],
  }
}

function tablesOfYears({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const [first, years] = [yearOf(random), pick([2, 3])]
  const values = sales(random, 12 * years)
  const tables = Array.from({ length: years }, (_, y) =>
    text(
      [
        [`Sales ${first + y}`],
        ['Month', 'Litres'],
        ...monthNames(language).map((name, i) => [name, values[12 * y + i]!]),
      ],
      ';',
    ),
  )
  return {
    truth: monthly('Litres', { cycle: first, season: 1 }, values),
    text: tables.join('\n\n'),
    answers: {},
    made: [language.locale],
  }
}

function yearsInHeadings({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const [first, years] = [yearOf(random), pick([2, 3, 4])]
  const values = sales(random, 12 * years)
  const heading = pick(['Sales {}', '{} sales', 'Umsatz {}'])
  return {
    truth: monthly('any', { cycle: first, season: 1 }, values),
    text: text(
      [
        [
          'Month',
          ...Array.from({ length: years }, (_, y) => heading.replace('{}', String(first + y))),
        ],
        ...monthNames(language).map((name, i) => [
          name,
          ...Array.from({ length: years }, (_, y) => values[12 * y + i]!),
        ]),
      ],
      ';',
    ),
    answers: {},
    made: [language.locale],
  }
}

function codesBeside({ random }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 + Math.floor(random() * 12) }
  const values = sales(random, 36)
  const codes: Readonly<Record<string, (i: number) => string>> = {
    Account: () => '8400',
    Konto: () => '4400',
    Postcode: (i) => (i % 3 === 0 ? '01067' : '80331'),
    PLZ: (i) => (i % 2 === 0 ? '01067' : '04109'),
    Plant: () => '1001',
    'Cost centre': (i) => String(4100 + (i % 4)),
    Order: (i) => String(70_000 + 13 * i),
    Invoice: (i) => String(90_210 + 7 * i),
  }
  const chosen = Object.keys(codes).filter(() => random() < 0.4)
  const at = Math.floor(random() * (chosen.length + 1))
  const among = <T>(own: readonly T[], value: T) => [...own.slice(0, at), value, ...own.slice(at)]
  return {
    truth: monthly('Amount', start, values),
    text: text([
      ['month', ...among(chosen, 'Amount')],
      ...written(start, 36).map((month, i) => [
        month,
        ...among(
          chosen.map((name) => codes[name]!(i)),
          String(values[i]!),
        ),
      ]),
    ]),
    answers: {},
    made: chosen,
  }
}

function forecastBelowLine({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 30)
  const months = written(start, 36)
  const word = pick(['Forecast', 'Prognose', 'Budget', 'Outlook', 'Prévision', '--- Forecast ---'])
  return {
    truth: monthly('Sales', start, values),
    text: text([
      ['month', 'Sales'],
      ...values.map((value, i) => [months[i]!, value]),
      [word, ''],
      ...sales(random, 6).map((value, i) => [months[30 + i]!, value]),
    ]),
    answers: { 'forecast-rows': 'leave-out' },
    made: [word],
  }
}

function forecastMarked({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 24)
  const mark = pick(['E', 'F', ' (F)', ' (e)', '*', ' *'])
  const names = monthNames(LANGUAGES[0]).map((name) => name.slice(0, 3))
  const write = pick([
    ({ cycle: year, season }: Period) => `${names[season - 1]} ${year}`,
    ({ cycle: year, season }: Period) => `${names[season - 1]}-${String(year).slice(2)}`,
  ])
  const rows = [...values, ...sales(random, 6)].map((value, i) => [
    `${write(periodAfter(start, i, 12))}${i >= 24 ? mark : ''}`,
    value,
  ])
  return {
    truth: monthly('Sales', start, values),
    text: text([['Month', 'Sales'], ...rows]),
    answers: { 'forecast-rows': 'leave-out' },
    made: [`marked ${mark}`],
  }
}

function yearSoFar({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 36 + Math.floor(random() * 12))
  const soFar = values.map((_, i) => sum(values.slice(12 * Math.floor(i / 12), i + 1)))
  return {
    truth: monthly('any', start, values),
    text: text([
      ['month', pick(['Sales', 'Sales YTD', 'Umsatz kumuliert', 'cumulative sales'])],
      ...written(start, values.length).map((month, i) => [month, soFar[i]!]),
    ]),
    answers: { cumulated: 'differences' },
    made: [],
  }
}

function counterFirst({ random, pick }: Making): FamilyFile {
  const isMonthly = random() < 0.5
  const seasons = isMonthly ? 12 : 4
  const year = pick([1, yearOf(random)])
  const start = { cycle: year, season: 1 }
  const values = sales(random, seasons * (3 + Math.floor(random() * 3)))
  return {
    truth: { seasons, start, series: [{ name: 'Sales', values }] },
    text: text([
      [
        pick(['t', 'No', 'Period', '', '#', 'Nr']),
        'Year',
        isMonthly ? 'Month' : 'Quarter',
        'Sales',
      ],
      ...values.map((value, i) => {
        const at = periodAfter(start, i, seasons)
        return [i + 1, at.cycle, at.season, value]
      }),
    ]),
    answers: {},
    made: [isMonthly ? 'months' : 'quarters', `from ${year}`],
  }
}

function daysUnderMonths({ random, pick }: Making): FamilyFile {
  const language = pick(LANGUAGES)
  const year = yearOf(random)
  const lengths = Array.from({ length: 12 }, (_, m) =>
    new Date(Date.UTC(year, m + 1, 0)).getUTCDate(),
  )
  const days = lengths.map((length) => Array.from({ length }, () => Math.floor(20 + 60 * random())))
  return {
    truth: monthly('any', { cycle: year, season: 1 }, days.map(sum)),
    text: text(
      [
        [pick(['Day', 'Tag', '']), ...monthNames(language)],
        ...Array.from({ length: 31 }, (_, d) => [d + 1, ...days.map((own) => own[d] ?? '')]),
      ],
      ';',
    ),
    answers: { start: String(year) },
    made: [language.locale],
  }
}

function pivot({ random, pick }: Making): FamilyFile {
  const [first, years] = [yearOf(random), pick([2, 3])]
  const values = sales(random, 12 * years)
  const names = monthNames(LANGUAGES[0]).map((name) => name.slice(0, 3))
  const rows = values.flatMap((value, i): (string | number)[][] => {
    const [year, month] = [first + Math.floor(i / 12), i % 12]
    const quarter = `Q${Math.floor(month / 3) + 1}`
    return [
      [month === 0 ? year : '', month % 3 === 0 ? quarter : '', names[month]!, value],
      ...(month % 3 === 2 ? [['', `${quarter} Total`, '', sum(values.slice(i - 2, i + 1))]] : []),
      ...(month === 11 ? [[`${year} Total`, '', '', sum(values.slice(i - 11, i + 1))]] : []),
    ]
  })
  return {
    truth: monthly('Sales', { cycle: first, season: 1 }, values),
    text: text([
      ['Year', 'Quarter', 'Month', 'Sales'],
      ...rows,
      ['Grand Total', '', '', sum(values)],
    ]),
    answers: {},
    made: [`${years} years`],
  }
}

function oneUnitTwoWays({ random, pick }: Making): FamilyFile {
  const start = { cycle: yearOf(random), season: 1 }
  const values = sales(random, 24)
  const [one, other] = pick([
    ['€', 'EUR'],
    ['l', 'ltr'],
    ['zł', 'PLN'],
  ] as const)
  return {
    truth: monthly('Sales', start, values),
    text: text([
      ['month', 'Sales'],
      ...written(start, 24).map((month, i) => [
        month,
        `${values[i]!} ${i % 5 === 0 ? other : one}`,
      ]),
    ]),
    answers: {},
    made: [`${one} and ${other}`],
  }
}
