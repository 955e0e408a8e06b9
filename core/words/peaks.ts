import { onePeriod } from '../calendar/labels'
import type { Calendar } from '../calendar/calendar'
import type { PeakSpacing, PeakVerdict } from '../seasonality/peakSpacing'

/** What each verdict on the spacing of peaks means, to end a sentence with. */
export const PEAK_WORDS: Record<PeakVerdict, string> = {
  seasonal: 'seasonal, every gap is one year',
  'nearly-seasonal': 'nearly seasonal, most gaps within one period of a year',
  'another-season': 'a season of another length than the calendar’s',
  cyclical: 'cyclical, the gaps are not equal',
}

/** `Peaks stand 12, 12, 13 months apart, troughs 12, 12`. */
export function gapWords(
  { gapsBetweenPeaks, gapsBetweenTroughs }: PeakSpacing,
  calendar: Calendar,
): string {
  const apart = (gaps: readonly number[]) => (gaps.length === 0 ? 'too few to tell' : counted(gaps))
  return `Peaks stand ${apart(gapsBetweenPeaks)} ${onePeriod(calendar)}s apart, troughs ${apart(gapsBetweenTroughs)}`
}

/** Equal neighbours are counted: `12 (8 times), 11`. */
function counted(gaps: readonly number[]): string {
  const runs: { gap: number; times: number }[] = []
  for (const gap of gaps) {
    const last = runs.at(-1)
    if (last?.gap === gap) last.times += 1
    else runs.push({ gap, times: 1 })
  }
  return runs.map(({ gap, times }) => (times > 1 ? `${gap} (${times} times)` : gap)).join(', ')
}
