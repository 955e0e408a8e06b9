import { countPeriods, onePeriod } from '../calendar/labels'
import type { Examined, PhaseAt } from '../examine'
import type { Action, Finding, MethodChange } from '../finding'
import type { DesignFit } from '../regression/fitDesign'
import { capitalized } from '../series/noun'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { mean } from '../statistics/average'
import { breakChange, formChange, smoothedChange } from '../trend/formChange'
import type { Trend } from '../trend/trend'
import { TREND_FORMS } from '../trend/forms'
import type { TrendOptions } from '../trend/options'
import { figure, inUnit, percent } from '../words/figure'

/** Neighbouring residuals are alike beyond chance below this Durbin–Watson. */
const WAVES_BELOW = 1.4
/** Standard errors that the mean of the last residuals may lie off. */
const OFF_AT_THE_END = 2
/** A strength below this is no more than the outliers around it let it be. */
const TELLING = 0.2
/** Years that a line through the latest values takes. */
const LATEST_YEARS = 3

/** What the forecast makes of the trend: it goes on with it, fits it itself, or leaves it alone. */
export type TrendUse = 'extends' | 'fits' | 'nothing'

/**
 * The trend in phases with their dates and yearly rates, and whether the trend that is projected fits.
 *
 * @param options of the trend that is fitted
 */
export function trendFindings(
  stretch: Stretch,
  { phases, strength, residualLikeness, leftover }: Examined,
  trend: Trend,
  options: TrendOptions,
  { unit, uses }: { readonly unit: string; readonly uses: TrendUse },
): Finding[] {
  const said =
    phases.length === 0
      ? []
      : [
          phasesFinding(
            stretch,
            phases,
            (strength.withoutDistrusted ?? strength).trend,
            unit,
            options,
          ),
        ]
  if (leftover.isNothing) return said
  if (trend.by === 'smoothing' || uses === 'nothing') return said
  return [...said, ...trendMisfit(stretch, trend.fit, { phases, residualLikeness }, options, uses)]
}

function phasesFinding(
  stretch: Stretch,
  phases: readonly PhaseAt[],
  strength: Value,
  unit: string,
  options: TrendOptions,
): Finding {
  const [first] = phases as [PhaseAt]
  const isLevel = phases.every(({ direction }) => direction === 'level')
  const words = phases.map((phase, i) => {
    const until =
      i === phases.length - 1 ? '' : ` to ${stretch.periodOf(phase.to - stretch.firstT).label}`
    const since = i === phases.length - 1 && i > 0 ? ' since' : ''
    return `${phaseWords(phase, stretch, unit)}${until}${since}`
  })
  const text = isLevel
    ? 'The trend is level: no rise or fall can be told from chance.'
    : `The trend ${list(words)}${phases.length === 1 ? ' throughout' : ''}${strength === null || strength < TELLING ? '' : ` (strength of trend ${strength.toFixed(2)})`}.`
  return {
    code: isLevel ? 'no-trend' : phases.length === 1 ? 'trend' : 'trend-phases',
    severity: 'note',
    stage: 'trend',
    text,
    period: phases.length > 1 ? stretch.periodOf(phases.at(-1)!.from - stretch.firstT).code : null,
    figure: first.slope,
    ...turnActions(stretch, phases, options),
  }
}

/** `rises 4.1% a year`, `is level` */
function phaseWords(
  { direction, slope, middle }: PhaseAt,
  { calendar }: Stretch,
  unit: string,
): string {
  if (direction === 'level') return 'is level'
  const yearly = Math.abs(slope) * calendar.seasons
  const rate = middle > 0 ? percent(yearly / middle) : inUnit(yearly, unit)
  return `${direction} ${rate} a year`
}

function list(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')}, ${words.at(-1)}`
}

/** With turns behind it, the trend can break where they are, or be fitted to what came after the last. */
function turnActions(stretch: Stretch, phases: readonly PhaseAt[], { last }: TrendOptions) {
  const { calendar, values, firstT } = stretch
  const periods = firstT + values.length - phases.at(-1)!.from
  if (phases.length < 2) return {}
  const turns = phases.slice(1).map(({ from }) => stretch.periodOf(from - firstT))
  const actions: Action[] = [
    {
      label: `Break the trend at ${list(turns.map(({ label }) => label))}`,
      change: withLast(
        breakChange(turns.map(({ code }) => ({ period: code, level: false }))),
        undefined,
      ),
    },
  ]
  if (periods >= calendar.seasons + 3 && periods !== last) {
    actions.push({
      label: `Fit a line to the last ${countPeriods(periods, calendar)}`,
      change: lineThroughLast(periods),
    })
  }
  return { actions }
}

/** A straight line through the latest periods alone. */
function lineThroughLast(periods: number): MethodChange {
  return withLast(formChange('linear'), periods)
}

function withLast(change: MethodChange, last: number | undefined): MethodChange {
  return { ...change, trend: { ...(change.trend as object), last } }
}

/** A trend that the latest values have left, or whose residuals wave, projects what is not there any more. */
function trendMisfit(
  stretch: Stretch,
  fit: DesignFit,
  { phases, residualLikeness: durbinWatson }: Pick<Examined, 'phases' | 'residualLikeness'>,
  { form, last }: TrendOptions,
  uses: Exclude<TrendUse, 'nothing'>,
): Finding[] {
  const { calendar, values } = stretch
  const { seasons } = calendar
  const s = fit.n > fit.p ? Math.sqrt(fit.sse / (fit.n - fit.p)) : 0
  if (s === 0) return []
  const half = Math.max(2, Math.ceil(seasons / 2))
  const latest = fit.residualsInTime.slice(-half).filter((value) => value !== null)
  const off = mean(latest) ?? 0
  const isOff = latest.length === half && Math.abs(off) > (OFF_AT_THE_END * s) / Math.sqrt(half)
  const isWavy = durbinWatson !== null && durbinWatson < WAVES_BELOW
  if (!isOff && !isWavy) return []
  const reasons = [
    ...(isWavy ? [`neighbouring residuals are alike (Durbin–Watson ${figure(durbinWatson)})`] : []),
    ...(isOff
      ? [
          `the last ${countPeriods(half, calendar)} lie ${off > 0 ? 'above' : 'below'} it on average`,
        ]
      : []),
  ]
  const line = form === 'linear' ? 'straight line' : TREND_FORMS[form].words
  const common = {
    stage: 'trend',
    period: stretch.periodOf(values.length - latest.length).code,
    figure: durbinWatson,
  } as const
  const smooth: readonly Action[] =
    uses === 'extends'
      ? [{ label: 'Smooth the deseasonalized series', change: smoothedChange() }]
      : []
  // Noise whose neighbours are alike swings around a line that is right; a line that is wrong the series turns away from.
  const isStraight = form === 'linear' || form === 'none'
  if (isStraight && phases.filter(({ to }) => to > fit.from).length < 2) {
    return [
      {
        ...common,
        code: 'swings-around-line',
        severity: 'note',
        text: `The values swing around the ${line}: ${reasons.join(', and ')}. Its forecast holds as long as the ${onePeriod(calendar)}s ahead come back to it, as they have so far; the contest tells whether a smoothed level is nearer.`,
        ...(smooth.length > 0 ? { actions: smooth } : {}),
      },
    ]
  }
  const wanted = LATEST_YEARS * Math.max(seasons, 4)
  const isLonger = (last ?? values.length) > wanted
  const latestYears: Action = {
    label: `Fit a line to the last ${countPeriods(wanted, calendar)}`,
    change: lineThroughLast(wanted),
  }
  const follows = [
    ...(smooth.length > 0 ? ['a smoothed level'] : []),
    ...(isLonger ? ['a line through the latest years'] : []),
  ]
  const actions = [...smooth, ...(isLonger ? [latestYears] : [])]
  return [
    {
      ...common,
      code: 'line-does-not-fit',
      severity: 'caution',
      text: `The ${line} does not fit: ${reasons.join(', and ')}. ${follows.length > 0 ? `${capitalized(follows.join(' or '))} follows them better.` : `Its forecast holds as long as the ${onePeriod(calendar)}s ahead come back to it.`}`,
      ...(actions.length > 0 ? { actions } : {}),
    },
  ]
}
