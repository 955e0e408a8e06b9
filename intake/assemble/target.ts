import { calendarOf, type Calendar, type Frequency } from '../../core/calendar/calendar'
import { onePeriod, periodLabel } from '../../core/calendar/labels'
import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import type { RowFrequency } from './commonCalendar'
import { gather, GATHERINGS, type Gathering } from '../../core/series/gather'
import { group, inOrder } from './grouped'
import { quantityOf, USUAL_GATHERING, type Kind } from './levels'

/** How the rows of a series become periods. */
type HowOf = (own: ValuedSeries) => Gathering

/** How often the series will be counted, and how the rows of each are gathered when they come more often. */
export function targetOf(
  rows: RowFrequency,
  series: readonly ValuedSeries[],
  inquiry: Inquiry,
): { frequency: Frequency; how: HowOf | null } {
  const often = FINER[rows] !== undefined
  const { answers } = inquiry
  const wantsOther = answers.frequency !== undefined && answers.frequency !== rows
  if (!often && (!wantsOther || rows === 'yearly' || rows === 'half-yearly')) {
    return { frequency: rows as Frequency, how: null }
  }
  const targets = often
    ? [...FINER[rows]!, ...(['monthly', 'quarterly', 'yearly'] as const)]
    : ([rows, 'quarterly', 'half-yearly', 'yearly'] as const)
  const frequency = inquiry.ask({
    id: 'frequency',
    ask: `The rows are ${rows}. How often shall the series be counted?`,
    options: [...new Set<Frequency>(targets)].map((value) => ({
      value,
      consequence:
        value === rows
          ? (AS_THEY_ARE[value] ?? 'As the rows are.')
          : `Rows are gathered into ${onePeriod(calendarOf(value))}s.`,
    })),
    otherwise: often ? 'monthly' : rows,
  }) as Frequency
  const isKept = frequency === rows
  if (isKept && !(often && comeTwice(series, calendarOf(frequency))))
    return { frequency, how: null }
  const how = askForGathering(series, calendarOf(frequency), inquiry)
  const ways = [...new Set(series.map(how))]
  const said =
    ways.length === 1
      ? GATHERED[ways[0]!]
      : series
          .slice(0, 4)
          .map((own) => `"${own.name.slice(0, 40)}" ${lowered(GATHERED[how(own)])}`)
          .join(', ') + '.'
  const rowsIn = new Set(series.flatMap(({ entries }) => entries.map(({ at }) => at.line))).size
  const each = onePeriod(calendarOf(frequency))
  inquiry.note(
    'gathered',
    `${rowsIn.toLocaleString('en')} ${rows} rows were gathered into ${each}s: ${said}${rows === 'weekly' && !isKept ? ' A week belongs to the month of its Thursday.' : ''}`,
  )
  return { frequency, how }
}

/** What rows that come more often than months can be kept as, the finest first. */
const FINER: Partial<Record<RowFrequency, readonly Frequency[]>> = {
  hourly: ['hourly', 'daily', 'weekly'],
  daily: ['daily', 'weekly'],
  weekly: ['weekly'],
}

const AS_THEY_ARE: Partial<Record<Frequency, string>> = {
  hourly: 'As the rows are: an hour each, with the season of the day.',
  daily:
    'As the rows are: a day each, with the season of the week; days without a row have no value.',
  weekly: 'As the rows are: a week each, Monday to Sunday, with the season of the year.',
}

/** Whether a period has several rows of one series, as receipts of a day have. */
function comeTwice(series: readonly ValuedSeries[], calendar: Calendar): boolean {
  return series.some((own) =>
    [...group(own, calendar).values()].some(({ entries }) => entries.length > 1),
  )
}

const ASKED: Record<Kind, string> = {
  flow: 'what adds up',
  price: 'a price, rate or the like',
  balance: 'a stock or balance',
}

/** Asks for each kind of quantity that the series have how its rows become a period; of one kind alone, once for all. */
function askForGathering(
  series: readonly ValuedSeries[],
  calendar: Calendar,
  inquiry: Inquiry,
): HowOf {
  const examples = new Map<Kind, ValuedSeries>()
  for (const own of series) {
    const quantity = quantityOf(own)
    if (!examples.has(quantity)) examples.set(quantity, own)
  }
  const isOne = examples.size === 1
  const ways = new Map<Kind, Gathering>()
  for (const [quantity, example] of examples) {
    const exampleOf = gatheredExample(example, calendar)
    const answer = inquiry.ask({
      id: isOne ? 'gather' : `gather-${quantity}`,
      ask: isOne
        ? `How is a ${onePeriod(calendar)} made of its rows?`
        : `How is a ${onePeriod(calendar)} of ${ASKED[quantity]} made of its rows, as of "${example.name.slice(0, 60)}"?`,
      options: GATHERINGS.map((value) => ({
        value,
        consequence: `${GATHERED[value]}${exampleOf(value)}`,
      })),
      otherwise: USUAL_GATHERING[quantity],
    })
    ways.set(quantity, answer as Gathering)
  }
  return (own) => ways.get(quantityOf(own))!
}

function lowered(sentence: string): string {
  return sentence.charAt(0).toLowerCase() + sentence.slice(1, -1)
}

/** What a period with many rows comes to, each way. */
function gatheredExample(own: ValuedSeries, calendar: Calendar): (how: Gathering) => string {
  const periods = [...group(own, calendar).values()]
  const fullest = periods.reduce((best, found) =>
    found.entries.length > best.entries.length ? found : best,
  )
  return (how) => {
    const value = gather(inOrder(fullest.entries), how)
    return value === null
      ? ''
      : ` ${periodLabel(fullest.period, calendar)}: ${value.toLocaleString('en', { maximumFractionDigits: 4 })}.`
  }
}

const GATHERED: Record<Gathering, string> = {
  sum: 'The sum of its rows.',
  mean: 'The mean of its rows.',
  median: 'The middle one of its rows.',
  first: 'Its first row.',
  last: 'Its last row.',
  count: 'How many rows it has.',
  min: 'The lowest of its rows.',
  max: 'The highest of its rows.',
}
