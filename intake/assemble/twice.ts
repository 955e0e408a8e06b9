import type { Calendar } from '../../core/calendar/calendar'
import { countPeriods, periodLabel } from '../../core/calendar/labels'
import type { Inquiry } from '../inquiry'
import type { ValuedSeries } from '../numbers/readValues'
import { gather, type Gathering } from '../../core/series/gather'
import type { Grouped } from './grouped'

/** Asks what counts where a period comes more than once. */
export function askAboutTwice(
  twice: readonly (Grouped & { own: ValuedSeries })[],
  calendar: Calendar,
  inquiry: Inquiry,
): Gathering {
  const { own, period, entries } = twice[0]!
  const lines = twice.flatMap((found) => found.entries.map(({ at }) => at.line))
  const areEqual = twice.every((found) =>
    found.entries.every(({ value }) => value === found.entries[0]!.value),
  )
  const values = entries.map(({ value }) => value)
  const example = (how: Gathering) => {
    const value = gather(values, how)
    return value === null ? 'missing' : value.toLocaleString('en', { maximumFractionDigits: 6 })
  }
  const where = `${periodLabel(period, calendar)} of "${own.name.slice(0, 60)}"`
  const more = twice.length > 1 ? ` So do ${twice.length - 1} others.` : ''
  const answer = inquiry.ask({
    id: 'duplicates',
    ask: `${where} stands on lines ${entries
      .slice(0, 6)
      .map(({ at }) => at.line)
      .join(' and ')}: ${values
      .slice(0, 6)
      .map((value) => value ?? 'missing')
      .join(' and ')}.${more} Which counts?`,
    options: [
      ...(areEqual
        ? [
            {
              value: 'equal',
              consequence: `They are equal; one of them is kept: ${example('first')}.`,
            },
          ]
        : []),
      { value: 'sum', consequence: `Their sum: ${example('sum')}.` },
      { value: 'mean', consequence: `Their mean: ${example('mean')}.` },
      { value: 'first', consequence: `The first in the file: ${example('first')}.` },
      { value: 'last', consequence: `The last in the file: ${example('last')}.` },
      { value: 'max', consequence: `The largest: ${example('max')}.` },
      { value: 'count', consequence: `How many there are: ${example('count')}.` },
    ],
    lines: lines.slice(0, 1000),
  })
  inquiry.note(
    'duplicates',
    `${countPeriods(twice.length, calendar)} came more than once and became ${answer === 'equal' ? 'one, they were equal' : `the ${answer} of their rows`}.`,
    `line ${lines[1]}`,
  )
  return answer === 'equal' ? 'first' : (answer as Gathering)
}
