import { formatDay, formatPeriodCode, inReadersFigures } from '~/figures/format'
import { leaningWords, needWords, recordLine } from '~~/core/kept/words'
import type { KeptRow } from '~~/shared/api/kept'

/** What is said of a kept forecast, in the reader's figures. */
export interface KeptRecord {
  /** `1 Dec 2026; Jan 2026 to Dec 2026` */
  readonly about: string
  readonly line: string
  /** Errors that add up to one side; null where they do not. */
  readonly leaning: string | null
  /** Why it needs a new look; null where it does not. */
  readonly need: string | null
}

export function recordOf({ judged, calendar, unit, createdAt, from, to }: KeptRow): KeptRecord {
  const leaning = leaningWords(judged)
  const label = (code: string) => formatPeriodCode(code, calendar)
  const span = from === to ? label(from) : `${label(from)} to ${label(to)}`
  return {
    about: `kept ${formatDay(createdAt)}; ${span}`,
    line: inReadersFigures(recordLine(judged, { calendar, unit })),
    leaning: leaning && inReadersFigures(leaning),
    need: judged.need && inReadersFigures(needWords(judged.need)),
  }
}
