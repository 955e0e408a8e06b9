import type { Examined } from '../examine'
import type { Finding } from '../finding'
import type { Model } from '../model'
import { peaksTold, type SeasonTold } from '../seasonality/peakWords'
import { peakSpacing } from '../seasonality/peakSpacing'
import { standingTurns } from '../seasonality/standingTurns'
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
 * How far apart peaks and troughs that stand out stand, and what that says beside the tests of the season.
 *
 * @param season what the tests find; null where they are not asked
 */
export function peakFindings(stretch: Stretch, season: SeasonTold = null): Finding[] {
  const { values, calendar, seasonOf } = stretch
  const all = peakSpacing(values, calendar.seasons)
  const turns = standingTurns(values, all)
  const areOfMore =
    turns.peaks.length < all.peaks.length || turns.troughs.length < all.troughs.length
  const told = peaksTold({ ...turns, areOfMore }, seasonOf, calendar, season, values.length)
  if (!told) return []
  return [
    {
      code: `peaks-${told.kind}`,
      severity: 'note',
      stage: 'look',
      text: told.text,
      period: null,
      figure: null,
    },
  ]
}
