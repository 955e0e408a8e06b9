import { oneCycle } from '../calendar/labels'
import type { Examined } from '../examine'
import type { PhaseAt } from '../examineTrend'
import type { Action, Finding } from '../finding'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { breakChange, GROW, SMOOTH, withLast } from '../trend/formChange'
import { TREND_FORMS } from '../trend/forms'
import type { TrendOptions } from '../trend/ways'
import { figure, inUnit, percent } from '../words/figure'

/** What the forecast makes of the trend: it goes on with it, fits it itself, or leaves it alone. */
export type TrendUse = 'extends' | 'fits' | 'nothing'

/** A strength below this is no more than the outliers around it let it be. */
const TELLING = 0.2

/**
 * Where the level goes, in one sentence: it wanders, it grows evenly, it stays, it stays at different heights, or it rises
 * and falls in phases with their dates and yearly rates. Each end of a phase can become a break of the trend.
 *
 * @param options of the trend that is fitted
 * @returns nothing for a series with too little to tell
 */
export function levelFindings(
  stretch: Stretch,
  { phases, level, strength }: Pick<Examined, 'phases' | 'level' | 'strength'>,
  options: TrendOptions,
  { unit, uses }: { readonly unit: string; readonly uses: TrendUse },
): Finding[] {
  const [first] = phases
  if (!first) return []
  const said = (code: string, text: string, more: Partial<Finding> = {}): Finding[] => [
    { code, severity: 'note', stage: 'trend', text, period: null, figure: first.slope, ...more },
  ]
  const both = strengthWords((strength.withoutDistrusted ?? strength).trend)
  // Where the forecast makes nothing of the trend, another trend would mend nothing.
  const isFitted = !TREND_FORMS[options.form].follows && uses !== 'nothing'
  if (level.wanders) {
    const canFollow = uses === 'extends' && isFitted
    return said(
      'level-wanders',
      `The level wanders; no line says where it goes (Durbin–Watson of one through it ${figure(level.lineLikeness!)}).`,
      { figure: level.lineLikeness, ...(canFollow ? { actions: [SMOOTH] } : {}) },
    )
  }
  if (level.evenGrowth !== null) {
    const yearly = (1 + level.evenGrowth) ** stretch.calendar.seasons - 1
    const canGrow = isFitted && !TREND_FORMS[options.form].ofLog
    return said(
      'even-growth',
      `The trend ${yearly > 0 ? 'grows' : 'shrinks'} by an even ${percent(yearly)} a ${oneCycle(stretch.calendar)}${both}: nothing in it has turned.`,
      { figure: yearly, ...(canGrow ? { actions: [GROW] } : {}) },
    )
  }
  if (phases.every(({ direction }) => direction === 'level')) {
    if (level.pieces.length === 1) {
      return said('no-trend', 'The trend is level: no rise or fall can be told from chance.')
    }
    const heights = level.pieces.map(
      ({ middle, to }, i) => `${inUnit(middle, unit)}${until(to, i, level.pieces, stretch)}`,
    )
    return said(
      'level-stretches',
      `The level stays within each stretch and differs between them: ${list(heights)}.`,
      turns(stretch, level.pieces, isFitted ? options : null, true),
    )
  }
  const words = phases.map(
    (phase, i) => `${phaseWords(phase, stretch, unit)}${until(phase.to, i, phases, stretch)}`,
  )
  const isOne = phases.length === 1
  return said(
    isOne ? 'trend' : 'trend-phases',
    `The trend ${list(words)}${isOne ? ' throughout' : ''}${both}.`,
    isOne ? {} : turns(stretch, phases, isFitted ? options : null, false),
  )
}

function strengthWords(strength: Value): string {
  return strength === null || strength < TELLING
    ? ''
    : ` (strength of trend ${strength.toFixed(2)})`
}

/** ` to Mar 2021`, of the last of several ` since`. */
function until(to: number, i: number, all: readonly PhaseAt[], { periodOf, firstT }: Stretch) {
  if (i < all.length - 1) return ` to ${periodOf(to - firstT).label}`
  return i > 0 ? ' since' : ''
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
  return `${direction} ${rate} a ${oneCycle(calendar)}`
}

function list(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')}, ${words.at(-1)}`
}

/**
 * With turns behind it, the trend can break where they are.
 *
 * @param options of the trend; null where nothing is fitted that could break
 */
function turns(
  stretch: Stretch,
  phases: readonly PhaseAt[],
  options: TrendOptions | null,
  level: boolean,
): Pick<Finding, 'period' | 'actions'> {
  const { firstT } = stretch
  const at = phases.slice(1).map(({ from }) => stretch.periodOf(from - firstT))
  const breaks = breakChange(at.map(({ code }) => ({ period: code, level })))
  const action: Action = {
    label: `Break the trend at ${list(at.map(({ label }) => label))}`,
    change: withLast(breaks, undefined),
  }
  // A line through what came after the last turn needs no break.
  const last = options?.last
  const isBeyond = last !== undefined && last <= phases.at(-1)!.to - phases.at(-1)!.from + 1
  const canBreak = options !== null && !isBeyond
  return { period: at.at(-1)!.code, ...(canBreak ? { actions: [action] } : {}) }
}
