import { oneCycle } from '../calendar/labels'
import type { Model } from '../model'
import type { Traits } from '../decompose/way'
import { MOVING_WAY, WITHOUT_SEASON } from '../decompose/ways'
import type { Examined, SeasonRow, Strengths } from '../examine'
import type { Action, Finding } from '../finding'
import { movementOf, type SeasonTests } from '../seasonality/seasonTests'
import type { FTest } from '../seasonality/stableSeason'
import type { Strength } from '../seasonality/strength'
import type { Value } from '../series/series'
import type { Stretch } from '../series/stretch'
import { mean } from '../statistics/average'
import { figure, percent, probability } from '../words/figure'

/** An index resting on fewer values than this moves with every single one of them. */
const ENOUGH_VALUES = 3
/** An index that moves by more than this share of the whole swing hangs on one year. */
const UNSTEADY = 0.1
/** A season whose indices range over less than this share of the level is too small to matter. */
const NEGLIGIBLE_RANGE = 0.02

/** What to do about a season that is none. */
const DO_WITHOUT: readonly Action[] = [{ label: 'Do without a season', change: WITHOUT_SEASON }]

/** What the season is judged with beside the tests. */
export interface SeasonContext {
  readonly model: Model
  readonly traits: Traits
  readonly stretch: Stretch
  /** Time codes whose value stands in for a missing one. */
  readonly filled: readonly number[]
}

/**
 * What the indices say: whether there is a season at all, and only then its peak and trough, its strength, and
 * whether it moves; which indices rest on too few values, or on values that were filled.
 *
 * A season is negligible when the range of its indices is under 2% of the level (the range itself
 * for multiplicative, range ÷ mean value for additive): a chart of it looks as lively as any other.
 *
 * @param examined one row a season, tests of season and strengths; nothing is said without a season
 */
export function seasonFindings(examined: Examined, context: SeasonContext): Finding[] {
  const { seasons, seasonTests: tests, strength, leftover, advisedModel, outliers } = examined
  if (!tests) return []
  const { traits, stretch, model } = context
  // Under the wrong model the season moves; then the model is what to change.
  const isContrary = advisedModel !== null && !advisedModel.close && advisedModel.better !== model
  return [
    ...(tests.found
      ? foundFindings(seasons, tests, context)
      : [notFound(tests, examined, stretch)]),
    ...(tests.found && !leftover.isNothing ? strengthFinding(strength, outliers.length > 0) : []),
    ...(tests.found && traits.followsLevel && !traits.seasonMayChange && !isContrary
      ? moves(tests, seasons, stretch)
      : []),
    ...(tests.found && !leftover.isNothing ? unsteady(seasons) : []),
    ...thin(seasons),
    ...mostlyFilled(seasons, context),
  ]
}

function about(code: string, text: string, at: number | null): Finding {
  return { code, severity: 'note', stage: 'season', text, period: null, figure: at }
}

/** A season that can be told from chance: how sure it is, its ends, and whether it is large enough to matter. */
function foundFindings(
  seasons: readonly SeasonRow[],
  { stable }: SeasonTests,
  { model, stretch }: SeasonContext,
): Finding[] {
  const peak = seasons.reduce((best, row) => (row.index > best.index ? row : best))
  const trough = seasons.reduce((worst, row) => (row.index < worst.index ? row : worst))
  const values = stretch.values.filter((value) => value !== null)
  const level = model === 'multiplicative' ? 1 : Math.abs(mean(values) ?? 0)
  const range = level === 0 ? null : (peak.index - trough.index) / level
  const test = stable.p === null ? 'it repeats exactly' : testWords(stable)
  const findings = [
    about('season-peak', `Highest season: ${peak.label}, ${peak.reading}.`, peak.index),
    about('season-trough', `Lowest season: ${trough.label}, ${trough.reading}.`, trough.index),
    about('stable-season', `The seasons differ beyond chance (${test}).`, stable.p),
  ]
  if (range === null || range >= NEGLIGIBLE_RANGE) return findings
  return [
    {
      ...about(
        'season-negligible',
        `The season is sure but negligible in size: from lowest to highest it moves ${figure(100 * range)}% of the level.`,
        range,
      ),
      severity: 'caution',
      actions: DO_WITHOUT,
    },
    ...findings,
  ]
}

function testWords({ f, df, p }: FTest): string {
  return `F(${df.join(', ')}) = ${figure(f!)}, p ${probability(p!)}`
}

/** No season: told apart from one that a freak value hides, and from a series too short to tell. */
function notFound(tests: SeasonTests, { outliers }: Examined, stretch: Stretch): Finding {
  const { stable, kruskalWallis: ranks } = tests
  if (stable.p === null) {
    const text =
      'Whether there is a season cannot be told: every season has one value to compare, or none.'
    return { ...about('season-untested', text, null), severity: 'caution' }
  }
  if (tests.hidden) {
    const [furthest] = [...outliers].sort((a, b) => Math.abs(b.size) - Math.abs(a.size))
    const which = furthest
      ? `, ${stretch.periodOf(furthest.t - stretch.firstT).label} most of all`
      : ''
    const text = `By ranks the seasons differ (Kruskal–Wallis H = ${figure(ranks.h!)}, p ${probability(ranks.p!)}), by amounts they do not (${testWords(stable)}): freak values hide the season${which}.`
    return { ...about('season-hidden', text, ranks.p), severity: 'caution' }
  }
  return {
    ...about(
      'no-stable-season',
      `No season can be told from chance: the seasons differ by no more than the ${oneCycle(stretch.calendar)}s within them (${testWords(stable)}).`,
      stable.p,
    ),
    severity: 'caution',
    actions: DO_WITHOUT,
  }
}

/** A season that changes over the years, under a method that takes it to be the same. */
function moves(
  tests: SeasonTests,
  seasons: readonly SeasonRow[],
  { calendar }: Stretch,
): Finding[] {
  const cycle = oneCycle(calendar)
  const { moving, drifting } = tests
  const movement = movementOf(tests)
  const caution = (text: string, p: Value): Finding => ({
    ...about('season-moves', `${text} ${MOVING_WAY.says} lets it change.`, p),
    severity: 'caution',
    actions: [{ label: `Take ${MOVING_WAY.says.toLowerCase()}`, change: MOVING_WAY.change }],
  })
  if (movement === 'shape') {
    const { season, from, to } = drifting.most!
    const text = `The season moves over the ${cycle}s, ${seasons[season - 1]!.label} most of all: from ${figure(from)} in the first ${cycle} to ${figure(to)} in the last (F(${drifting.df.join(', ')}) = ${figure(drifting.f!)}, p ${probability(drifting.p!)}).`
    return [caution(text, drifting.p)]
  }
  if (movement === null) return []
  const text = `The size of the season changes over the ${cycle}s (moving seasonality ${testWords(moving)}).`
  return [caution(text, moving.p)]
}

function thin(seasons: readonly SeasonRow[]): Finding[] {
  const few = seasons.filter(({ count }) => count !== null && count < ENOUGH_VALUES)
  if (few.length === 0) return []
  const fewest = Math.min(...few.map(({ count }) => count!))
  const which =
    few.length === seasons.length ? 'Every index' : few.map((row) => row.label).join(', ')
  const text = `${which}: unreliable, ${few.length === 1 ? 'it rests' : 'resting'} on fewer than three values (${figure(fewest)} at the least). One odd year moves it.`
  return [{ ...about('index-unreliable', text, fewest), severity: 'caution' }]
}

/** Seasons more than half of whose values were made up. */
function mostlyFilled(
  seasons: readonly SeasonRow[],
  { stretch, filled }: SeasonContext,
): Finding[] {
  if (filled.length === 0) return []
  const made = new Set(filled)
  const share = ({ season }: SeasonRow) => {
    const own = stretch.seasonOf.flatMap((of, i) => (of === season ? [stretch.firstT + i] : []))
    return own.filter((t) => made.has(t)).length / own.length
  }
  const doubted = seasons.filter((row) => share(row) > 0.5)
  if (doubted.length === 0) return []
  const text = `Not to be trusted: ${doubted.map(({ label }) => label).join(', ')}. More than half of the values behind ${doubted.length === 1 ? 'it' : 'them'} were filled in.`
  return [{ ...about('index-filled', text, doubted.length), severity: 'caution' }]
}

/** How strong trend and season are, from 0 to 1, in words. */
function strengthFinding(strength: Strengths, hasOutliers: boolean): Finding[] {
  const { trend, season } = strength.withoutDistrusted ?? strength
  if (trend === null || season === null) return []
  // Outliers swell what is left over; what they make of a season that is there is no strength of it.
  if (hasOutliers && season < CLEAR) return []
  const both = (of: Strength) =>
    `season ${figureOfStrength(of.season)}, trend ${figureOfStrength(of.trend)}`
  const all = strength.withoutDistrusted
    ? ` Over every period, outliers too: ${both(strength)}.`
    : ''
  return [
    {
      code: 'strength',
      severity: 'note',
      stage: 'season',
      text: `The season is ${inWords(season)} (strength from 0 to 1: ${both({ trend, season })}).${all}`,
      period: null,
      figure: season,
    },
  ]
}

/** From here on a season is clear. */
const CLEAR = 0.5

function figureOfStrength(value: Value): string {
  return value === null ? 'cannot be told' : value.toFixed(2)
}

function inWords(strength: number): string {
  if (strength >= 0.8) return 'strong'
  if (strength >= CLEAR) return 'clear'
  return strength >= 0.2 ? 'weak' : 'hardly there'
}

/** Indices that hang on the first or the last year. */
function unsteady(seasons: readonly SeasonRow[]): Finding[] {
  const indices = seasons.map(({ index }) => index)
  const swing = Math.max(...indices) - Math.min(...indices)
  const moved = seasons.flatMap((row) => {
    const ways = [row.withoutFirst, row.withoutLast].map((value) =>
      value === null ? 0 : Math.abs(value - row.index),
    )
    const most = Math.max(...ways)
    return swing > 0 && most > UNSTEADY * swing
      ? [{ row, most, year: ways[0]! > ways[1]! ? 'first' : 'last' }]
      : []
  })
  if (moved.length === 0) return []
  const worst = moved.reduce((a, b) => (b.most > a.most ? b : a))
  return [
    {
      code: 'index-unsteady',
      severity: 'caution',
      stage: 'season',
      text: `Not to be trusted: ${moved.map(({ row }) => row.label).join(', ')}. Without the ${worst.year} year the index of ${worst.row.label} moves by ${percent(worst.most / swing)} of the whole swing.`,
      period: null,
      figure: worst.most,
    },
  ]
}
