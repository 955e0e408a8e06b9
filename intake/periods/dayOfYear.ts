import { monthByName } from './monthNames'

/** Characters of a day at the most. */
const LONGEST = 40

/** A day without its year: `1-Jan`, `Jan 1`, `1. Januar`, `31.12.`, `12-31`. */
export function readDayOfYear(
  text: string,
): { readonly month: number; readonly day: number } | null {
  if (text.length > LONGEST) return null
  const named =
    /^(\d{1,2})\.?[- ]*(\p{L}{3,}\.?)$/u.exec(text) ??
    swapped(/^(\p{L}{3,}\.?)[- ]*(\d{1,2})$/u.exec(text))
  if (named) {
    const month = monthByName(named[2]!)
    return month === null ? null : existing(month, Number(named[1]))
  }
  // Points part the day from the month; a stroke, as in 12-31, parts the month from the day.
  const points = /^(\d{1,2})\.(\d{1,2})\.?$/.exec(text)
  if (points) return existing(Number(points[2]), Number(points[1]))
  const stroke = /^(\d{2})-(\d{2})$/.exec(text)
  return stroke ? existing(Number(stroke[1]), Number(stroke[2])) : null
}

function swapped(match: RegExpExecArray | null): string[] | null {
  return match && [match[0], match[2]!, match[1]!]
}

/** Of a leap year, which has them all. */
function existing(month: number, day: number) {
  if (month < 1 || month > 12 || day < 1) return null
  return day > new Date(Date.UTC(2020, month, 0)).getUTCDate() ? null : { month, day }
}
