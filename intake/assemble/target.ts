import { calendarOf, type Calendar, type Frequency } from '../../core/calendar/calendar'
import { onePeriod, periodLabel } from '../../core/calendar/labels'
import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import type { RowFrequency } from './commonCalendar'
import { gather, GATHERINGS, type Gathering } from './gather'
import { group, inOrder } from './grouped'
import { commonGathering } from './levels'

/** How often the series will be counted, and how rows are gathered when they come more often. */
export function targetOf(
  rows: RowFrequency,
  series: readonly ValuedSeries[],
  inquiry: Inquiry,
): { frequency: Frequency; how: Gathering | null } {
  const often = rows === 'daily' || rows === 'weekly'
  const { answers } = inquiry
  const wantsOther = answers.frequency !== undefined && answers.frequency !== rows
  if (!often && (!wantsOther || rows === 'yearly' || rows === 'half-yearly')) {
    return { frequency: rows as Frequency, how: null }
  }
  const targets = often
    ? (['monthly', 'quarterly', 'yearly'] as const)
    : ([rows, 'quarterly', 'half-yearly', 'yearly'] as const)
  const frequency = inquiry.ask({
    id: 'frequency',
    ask: `The rows are ${rows}. How often shall the series be counted?`,
    options: [...new Set(targets)].map((value) => ({
      value,
      consequence:
        value === rows
          ? 'As the rows are.'
          : `Rows are gathered into ${onePeriod(calendarOf(value))}s.`,
    })),
    otherwise: often ? 'monthly' : rows,
  }) as Frequency
  if (!often && frequency === rows) return { frequency, how: null }
  const usual = commonGathering(series)
  const exampleOf = gatheredExample(series[0]!, calendarOf(frequency))
  const how = inquiry.ask({
    id: 'gather',
    ask: `How is a ${onePeriod(calendarOf(frequency))} made of its rows?`,
    options: GATHERINGS.map((value) => ({
      value,
      consequence: `${GATHERED[value]}${exampleOf(value)}`,
    })),
    ...(usual ? { otherwise: usual } : {}),
  }) as Gathering
  const count = series.reduce((all, { entries }) => all + entries.length, 0)
  inquiry.note(
    'gathered',
    `${count.toLocaleString('en')} ${rows} values were gathered into ${onePeriod(calendarOf(frequency))}s: ${GATHERED[how]}${rows === 'weekly' ? ' A week belongs to the month of its Thursday.' : ''}`,
  )
  return { frequency, how }
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
