import { onePeriod } from '../calendar/labels'
import type { Calendar } from '../calendar/calendar'
import type { PeakSpacing, PeakVerdict } from './peakSpacing'

const PEAK_WORDS: Record<PeakVerdict, string> = {
  seasonal: 'seasonal, every gap is one year',
  'nearly-seasonal': 'nearly seasonal, most gaps within one period of a year',
  'another-season': 'a season of another length than the calendar’s',
  cyclical: 'cyclical, the gaps are not equal',
}

/** What a verdict on the spacing of peaks means, to end a sentence with. */
export function peakWords(verdict: PeakVerdict, { seasons }: Calendar): string {
  const isEvenYearly = seasons < 2 && verdict === 'another-season'
  return isEvenYearly ? 'regular, every gap is the same' : PEAK_WORDS[verdict]
}

/** `Peaks stand 12 months apart (8 gaps), troughs 11, 12, 13`. */
export function gapWords(
  { gapsBetweenPeaks, gapsBetweenTroughs }: PeakSpacing,
  calendar: Calendar,
): string {
  const [peaks, troughs] = [gapsBetweenPeaks, gapsBetweenTroughs].map((gaps) =>
    apart(gaps, `${onePeriod(calendar)}s`),
  )
  return `Peaks stand ${peaks}, troughs ${troughs}`
}

function apart(gaps: readonly number[], periods: string): string {
  if (gaps.length === 0) return 'too few to tell'
  const isEven = gaps.length > 1 && gaps.every((gap) => gap === gaps[0])
  return isEven
    ? `${gaps[0]} ${periods} apart (${gaps.length} gaps)`
    : `${gaps.join(', ')} ${periods} apart`
}
