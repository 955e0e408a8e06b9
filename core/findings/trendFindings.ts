import { countPeriods, onePeriod } from '../calendar/labels'
import type { Examined } from '../examine'
import { latestPeriods } from '../examineTrend'
import type { Action, Finding } from '../finding'
import { capitalized } from '../series/noun'
import type { Stretch } from '../series/stretch'
import { GROW, LINE, SMOOTH, withLast } from '../trend/formChange'
import { WAVES_BELOW } from '../trend/judged'
import { TREND_FORMS } from '../trend/forms'
import type { TrendOptions } from '../trend/ways'
import { figure } from '../words/figure'
import { levelFindings, type TrendUse } from './levelFindings'

/**
 * Where the level goes, and whether the trend that is projected fits it.
 *
 * @param options of the trend that is fitted
 */
export function trendFindings(
  stretch: Stretch,
  examined: Examined,
  options: TrendOptions,
  { unit, uses }: { readonly unit: string; readonly uses: TrendUse },
): Finding[] {
  const said = levelFindings(stretch, examined, options, { unit, uses })
  if (examined.leftover.isNothing || uses === 'nothing') return said
  return [...said, ...misfit(stretch, examined, options, uses)]
}

/** A trend that the latest values have left, or whose residuals go their own way, projects what is not there any more. */
function misfit(
  stretch: Stretch,
  { trendFits, wouldFit }: Pick<Examined, 'trendFits' | 'wouldFit'>,
  { form }: TrendOptions,
  uses: Exclude<TrendUse, 'nothing'>,
): Finding[] {
  if (!trendFits || trendFits.verdict === 'fits') return []
  const { calendar, values } = stretch
  const { likeness, offAtEnd, latest, verdict } = trendFits
  const isWavy = likeness !== null && likeness < WAVES_BELOW
  const reasons = [
    ...(isWavy ? [`neighbouring residuals are alike (Durbin–Watson ${figure(likeness)})`] : []),
    ...(offAtEnd !== null
      ? [
          `the last ${countPeriods(latest, calendar)} lie ${offAtEnd > 0 ? 'above' : 'below'} it on average`,
        ]
      : []),
  ].join(', and ')
  const line = TREND_FORMS[form].called
  const at = {
    stage: 'trend',
    period: stretch.periodOf(values.length - latest).code,
    figure: likeness,
  } as const
  const comeBack = `Its forecast holds as long as the ${onePeriod(calendar)}s ahead come back to it`
  // Noise whose neighbours are alike swings around a trend that is right, and a smoothed level would be further off.
  if (verdict === 'swings') {
    const text = `The values swing around the ${line}: ${reasons}. ${comeBack}, as they have so far.`
    return [{ ...at, code: 'swings-around-line', severity: 'note', text }]
  }
  const offers: readonly { readonly says: string; readonly action: Action }[] = [
    ...(wouldFit.includes('growth')
      ? [
          {
            says: 'even growth',
            action: GROW,
          },
        ]
      : []),
    ...(uses === 'extends'
      ? [
          {
            says: 'a smoothed level',
            action: SMOOTH,
          },
        ]
      : []),
    // Beside a smoothed level, which keeps to the latest values by itself, a shorter line is nearer too seldom.
    ...(uses === 'fits' && wouldFit.includes('latest-years')
      ? [
          {
            says: 'a line through the latest years',
            action: {
              label: `Fit a line to the last ${countPeriods(latestPeriods(calendar.seasons), calendar)}`,
              change: withLast(LINE, latestPeriods(calendar.seasons)),
            },
          },
        ]
      : []),
  ]
  const instead =
    offers.length > 0
      ? `${capitalized(offers.map(({ says }) => says).join(' or '))} follows them better.`
      : `${comeBack}.`
  return [
    {
      ...at,
      code: 'line-does-not-fit',
      severity: 'caution',
      text: `The ${line} does not fit: ${reasons}. ${instead}`,
      ...(offers.length > 0 ? { actions: offers.map(({ action }) => action) } : {}),
    },
  ]
}
