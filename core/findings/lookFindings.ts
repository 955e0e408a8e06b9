import { seasonLabel } from '../calendar/labels'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import type { Model } from '../model'
import { gapWords, peakWords } from '../seasonality/peakWords'
import { peakSpacing } from '../seasonality/peakSpacing'
import type { Stretch } from '../series/stretch'
import { percent } from '../words/figure'

/**
 * Which model to take: the only place that says so. Without a season nothing is said.
 *
 * @param model the one that the method uses
 */
export function modelFinding(
  { advisedModel }: Pick<Examined, 'advisedModel'>,
  model: Model,
): Finding[] {
  if (!advisedModel) return []
  const { better, close, additive, multiplicative } = advisedModel
  const isContrary = better !== model && !close
  const [less, more] = [Math.min(additive, multiplicative), Math.max(additive, multiplicative)]
  const other = better === 'multiplicative' ? 'additive' : 'multiplicative'
  const text = close
    ? 'Additive and multiplicative fit about equally well; either will do.'
    : `${better === 'multiplicative' ? 'The swing grows with the level' : 'The swing does not grow with the level'}: the ${better} model leaves ${percent(1 - less / more)} less over than the ${other} one.${isContrary ? ` The method is ${model}.` : ''}`
  return [
    {
      code: 'which-model',
      severity: isContrary ? 'caution' : 'note',
      stage: 'look',
      text,
      period: null,
      figure: more === 0 ? null : less / more,
      ...(isContrary
        ? {
            actions: [
              { label: `Take the ${better} model`, change: { decompose: { model: better } } },
            ],
          }
        : {}),
    },
  ]
}

/**
 * How far apart peaks and troughs stand, and what that says. A series with a season whose peaks come in
 * different months has wandering peaks, not a cycle.
 *
 * @param hasSeason whether the tests find one
 */
export function peakFindings(
  { values, calendar, seasonOf }: Stretch,
  hasSeason = false,
): Finding[] {
  const spacing = peakSpacing(values, calendar.seasons)
  if (spacing.verdict === null) return []
  const wanders =
    hasSeason && (spacing.verdict === 'cyclical' || spacing.verdict === 'another-season')
  // Zeros and gaps can leave a series with troughs alone.
  const [turns, places] =
    spacing.peaks.length > 0 ? ['Peaks', spacing.peaks] : ['Troughs', spacing.troughs]
  const months = [...new Set(places.map((place) => seasonOf[place - 1]!))]
    .sort((a, b) => a - b)
    .map((season) => seasonLabel(season, calendar))
  const text = wanders
    ? months.length === 1
      ? `${turns} come in ${months[0]}, though not in every year.`
      : `${turns} wander: they come in ${months.slice(0, -1).join(', ')} or ${months.at(-1)}.`
    : `${gapWords(spacing, calendar)}: ${peakWords(spacing.verdict, calendar)}.`
  return [
    {
      code: wanders ? 'peaks-wander' : `peaks-${spacing.verdict}`,
      severity: 'note',
      stage: 'look',
      text,
      period: null,
      figure: null,
    },
  ]
}
