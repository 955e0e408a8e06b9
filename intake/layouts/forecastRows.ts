import { countUp, textAt, type Row } from '../grid'
import type { Inquiry } from '../inquiry'
import type { ColumnRole } from '../reading'

/** Words for what has not come yet. */
const NOT_YET =
  /^(forecast(ed|s)?|fcst|fc|plan(ned)?|budget(ed)?|estimate[ds]?|est\.?|project(ed|ion)|target|scenario|outlook|prognose|vorschau|soll|pr[ée]vision|objectif|previsi[oó]n|presupuesto)$/i
/** Kinds of rows at the most, in a column that tells them apart. */
const MOST_KINDS = 5

/**
 * Asks about rows that a column calls forecasts or plans: figures that have not come are no history of sales.
 *
 * @param data entries of the rows with a period
 * @returns the entries that are left
 * @throws Waiting for an answer
 */
export function withoutForecasts(
  rows: readonly Row[],
  data: readonly number[],
  roles: readonly ColumnRole[],
  headings: readonly string[],
  inquiry: Inquiry,
): readonly number[] {
  for (const column of countUp(roles.length).filter((at) => roles[at] === 'ignored')) {
    const texts = data.map((at) => textAt(rows[at]!, column))
    const kinds = new Set(texts)
    const [word] = [...kinds].filter((text) => NOT_YET.test(text))
    if (word === undefined || kinds.size < 2 || kinds.size > MOST_KINDS) continue
    const isComing = (at: number) => NOT_YET.test(textAt(rows[at]!, column))
    const coming = data.filter(isComing)
    const heading = headings[column] || `Column ${column + 1}`
    const [count, are, were] =
      coming.length === 1
        ? ['1 row', 'Is it', 'was']
        : [`${coming.length} rows`, 'Are they', 'were']
    const answer = inquiry.ask({
      id: 'forecast-rows',
      ask: `"${heading.slice(0, 40)}" calls ${count} "${word}". ${are} part of the series?`,
      options: [
        { value: 'leave-out', consequence: `No: ${count} left out, and it is said.` },
        { value: 'keep', consequence: `Yes: ${count} read like the others.` },
      ],
      lines: coming.map((at) => rows[at]!.line).slice(0, 1000),
    })
    if (answer === 'keep') return data
    inquiry.note(
      'forecasts-left-out',
      `${count} called "${word}" ${were} left out.`,
      `line ${rows[coming[0]!]!.line}`,
    )
    return data.filter((at) => !isComing(at))
  }
  return data
}
