import { periodAfter, PERIOD_STYLES } from './familyPeriods'
import type { FamilyFile, Random } from './familyTruth'

const SHOPS = ['North', 'Depot 2', 'Wood Street']
const two = (n: number) => String(n).padStart(2, '0')

/** Things that happened on days, to be added up by shop and month. */
export function receipts(random: Random, pick: <T>(all: readonly T[]) => T): FamilyFile {
  const start = { cycle: 2005 + Math.floor(random() * 12), season: 1 + Math.floor(random() * 12) }
  const names = SHOPS.slice(0, 2 + Math.floor(random() * 2))
  const months = Array.from({ length: 14 + Math.floor(random() * 12) }, (_, i) =>
    periodAfter(start, i, 12),
  )
  const values = names.map(() => months.map(() => 0))
  const rows = months.flatMap(({ cycle: year, season }, i) =>
    [1, 9, 16, 28].flatMap((day) =>
      names.map((name, k) => {
        const amount = 1 + Math.floor(random() * 90)
        values[k]![i]! += amount
        return `${two(day)}/${two(season)}/${year},${name},${pick(['red', 'blue', 'clear'])},${amount}`
      }),
    ),
  )
  return {
    truth: { seasons: 12, start, series: names.map((name, k) => ({ name, values: values[k]! })) },
    text: ['date,shop,colour,amount', ...rows].join('\n'),
    answers: { dates: 'day-first', 'series-by': '2' },
    made: ['receipts'],
  }
}

/** Thousands commas that nobody quoted in a file of commas. */
export function splitNumbers(random: Random, pick: <T>(all: readonly T[]) => T): FamilyFile {
  const start = { cycle: 2005 + Math.floor(random() * 12), season: 1 }
  const style = pick(['iso', 'named', 'british', 'points'])
  const values = Array.from({ length: 24 }, () => Math.floor(100 + random() ** 2 * 20_000))
  const rows = values.map((value, i) => {
    const period = PERIOD_STYLES[12][style]!.write(periodAfter(start, i, 12))
    return `${period},${value.toLocaleString('en-GB')},${pick(['', 'flood'])}`
  })
  return {
    truth: { seasons: 12, start, series: [{ name: 'Sales', values }] },
    text: ['period,Sales,remark', ...rows].join('\n'),
    answers: { 'split-cells': 'thousands' },
    made: ['numbers split by their own comma', style],
  }
}
