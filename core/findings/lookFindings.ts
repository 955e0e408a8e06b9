import { onePeriod } from '../calendar/labels'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import type { Model } from '../model'
import { twoSidedT } from '../statistics/distributions'
import { peakSpacing } from '../seasonality/peakSpacing'
import type { WhichModel } from '../seasonality/whichModel'
import { mean } from '../statistics/average'
import type { Stretch } from '../series/stretch'
import { figure, percent, probability } from '../words/figure'
import { gapWords, peakWords } from '../seasonality/peakWords'
import type { TrendLine } from '../trend/fit'

const SIGNIFICANT = 0.05

/**
 * What a first look at the series should say: is there a trend, does the swing grow with the level, how far
 * apart do its peaks stand?
 *
 * @param model the one that the method uses
 */
export function lookFindings(
  stretch: Stretch,
  { straight, whichModel }: Pick<Examined, 'straight' | 'whichModel'>,
  model: Model,
  unit: string,
): Finding[] {
  return [
    ...trendFinding(stretch, straight, unit),
    ...(whichModel ? modelFinding(whichModel, model, unit) : []),
    ...peakFindings(stretch),
  ]
}

function trendFinding(
  { calendar, values }: Stretch,
  { fit, slope }: TrendLine,
  unit: string,
): Finding[] {
  const level = mean(values.filter((value) => value !== null))
  const error = Math.sqrt(fit.sse / (fit.n - fit.p)) * fit.unitErrors[1]!
  if (!level || error === 0) return []
  const p = twoSidedT(slope / error, fit.n - fit.p)
  const per = onePeriod(calendar)
  const size = `${figure(Math.abs(slope))} ${unit} a ${per}, ${percent(slope / level)} of the mean level`
  return [
    {
      code: p < SIGNIFICANT ? 'trend' : 'no-trend',
      severity: 'note',
      topic: 'look',
      text:
        p < SIGNIFICANT
          ? `The trend ${slope > 0 ? 'rises' : 'falls'} by ${size} (p ${probability(p)}).`
          : `No straight trend can be told from chance: ${size} (p ${probability(p)}).`,
      period: null,
      figure: slope,
    },
  ]
}

function modelFinding(
  { variation, better, close }: WhichModel,
  model: Model,
  unit: string,
): Finding[] {
  const { additive, multiplicative } = variation
  if (better === null || additive === null) return []
  const isContrary = better !== model && !close
  const figures =
    multiplicative === null
      ? `as an amount it varies by ${percent(additive)} from year to year; ratios are not possible with values that are not above 0`
      : `as an amount in ${unit} it varies by ${percent(additive)} from year to year, as a share of the level by ${percent(multiplicative)}`
  const verdict = close
    ? 'The two models fit about equally well'
    : better === 'multiplicative'
      ? 'The swing grows with the level: multiplicative fits better'
      : 'The swing does not grow with the level: additive fits better'
  return [
    {
      code: 'which-model',
      severity: isContrary ? 'caution' : 'note',
      topic: 'look',
      text: `${verdict} (the yearly swing: ${figures}).${isContrary ? ` The method is ${model}.` : ''}`,
      period: null,
      figure: better === 'multiplicative' ? multiplicative : additive,
    },
  ]
}

/** How far apart peaks and troughs stand, and what that says. */
export function peakFindings({ values, calendar }: Stretch): Finding[] {
  const spacing = peakSpacing(values, calendar.seasons)
  if (spacing.verdict === null) return []
  return [
    {
      code: `peaks-${spacing.verdict}`,
      severity: 'note',
      topic: 'look',
      text: `${gapWords(spacing, calendar)}: ${peakWords(spacing.verdict, calendar)}.`,
      period: null,
      figure: null,
    },
  ]
}
