/** `05:00`, `5:00:00`, `5 pm`, `5:00 pm`, `5h`; minutes are none. */
const CLOCK = /^(\d{1,2})(?::00(?::00)?)?(?: ?(h|uhr|[ap]m))?$/i

/** The hour that a text says, 0 to 24; null for any other, also for one with minutes. */
export function readHour(text: string): number | null {
  const match = CLOCK.exec(text)
  if (!match) return null
  const [written, half] = [Number(match[1]), match[2]?.toLowerCase()]
  if (half === 'am' || half === 'pm') {
    return written >= 1 && written <= 12 ? (written % 12) + (half === 'pm' ? 12 : 0) : null
  }
  return written <= 24 ? written : null
}

/**
 * How far hours are to be moved so that they begin with 0: those counted from 1 to 24 name the hour that ends then.
 *
 * @returns 1 or 0
 */
export function hoursCountFrom(hours: Iterable<number>): 0 | 1 {
  const all = new Set(hours)
  return all.has(24) && !all.has(0) ? 1 : 0
}
