import { seasonLabel } from '../calendar/labels'
import type { AnyDecomposition } from '../decompose/decompose'
import type { DecompositionForecast } from '../forecast/byDecomposition/calculate'
import type { Stretch } from '../series/stretch'
import type { Finding } from './finding'

/** What the method did that the reader of its figures must know. */
export function methodFindings(
  stretch: Stretch,
  decomposition: AnyDecomposition,
  forecast: DecompositionForecast,
): Finding[] {
  const about = (
    code: string,
    severity: Finding['severity'],
    text: string,
    figure: number | null,
  ) => ({
    code,
    severity,
    topic: 'forecast' as const,
    text,
    period: null,
    figure,
  })
  const findings: Finding[] = []
  const { untrimmed } = decomposition.indices
  if (untrimmed.length > 0) {
    const names = untrimmed.map((season) => seasonLabel(season, stretch.calendar)).join(', ')
    findings.push(
      about(
        'not-trimmed',
        'note',
        `${names}: fewer than three values, so the trimmed mean is a plain mean.`,
        untrimmed.length,
      ),
    )
  }
  findings.push(
    forecast.interval.df > 0
      ? about(
          'limits-narrow',
          'note',
          'The limits hold the uncertainty of the trend line, not that of the indices; they are a little narrow.',
          null,
        )
      : about(
          'no-limits',
          'caution',
          `No limits: after the line and the ${stretch.calendar.seasons - 1} free indices no degree of freedom is left (${forecast.interval.df}). Fit the trend to more periods.`,
          forecast.interval.df,
        ),
  )
  return findings
}
