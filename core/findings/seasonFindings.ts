import type { Model } from '../model'
import { WITHOUT_SEASON } from '../decompose/ways'
import type { Examined, SeasonRow, Strengths } from '../examine'
import type { Finding } from '../finding'
import type { Strength } from '../seasonality/strength'
import type { Value } from '../series/series'
import { mean } from '../statistics/average'
import { figure, percent, probability } from '../words/figure'

/** An index resting on fewer values than this moves with every single one of them. */
const ENOUGH_VALUES = 3
/** A test at this level. */
const SIGNIFICANT = 0.05
/** With the many values of a season, only a clear movement is worth a caution. */
const MOVES = 0.01
/** An index that moves by more than this share of the whole swing hangs on one year. */
const UNSTEADY = 0.1
/** A season whose indices range over less than this share of the level is too small to matter. */
const NEGLIGIBLE_RANGE = 0.02

/** What to do about a season that is none. */
const DO_WITHOUT = { label: 'Do without a season', change: WITHOUT_SEASON } as const

/**
 * What the indices say: the peak and trough season with their distance from the baseline, whether
 * the season is too small to matter, and which indices rest on too few values.
 *
 * A season is negligible when the range of its indices is under 2% of the level (the range itself
 * for multiplicative, range ÷ mean value for additive): a chart of it looks as lively as any other.
 *
 * @param examined one row a season, tests of season and strengths; nothing is said without a season
 * @param values the analysed values, for the level of an additive season
 */
export function seasonFindings(
  { seasons, seasonTests: tests, strength }: Examined,
  model: Model,
  values: readonly Value[],
): Finding[] {
  if (!tests) return []
  const peak = seasons.reduce((best, row) => (row.index > best.index ? row : best))
  const trough = seasons.reduce((worst, row) => (row.index < worst.index ? row : worst))
  const level =
    model === 'multiplicative' ? 1 : Math.abs(mean(values.filter((value) => value !== null)) ?? 0)
  const range = level === 0 ? null : (peak.index - trough.index) / level
  const findings: Finding[] = []
  const about = (code: string, text: string, at: number | null): Finding => ({
    code,
    severity: 'note',
    topic: 'season',
    text,
    period: null,
    figure: at,
  })
  if (peak.season !== trough.season && peak.index !== trough.index) {
    findings.push(
      about('season-peak', `Highest season: ${peak.label}, ${peak.reading}.`, peak.index),
      about('season-trough', `Lowest season: ${trough.label}, ${trough.reading}.`, trough.index),
    )
  }
  const { stable, moving } = tests
  if (range !== null && range < NEGLIGIBLE_RANGE) {
    findings.push({
      code: 'season-negligible',
      severity: 'caution',
      topic: 'season',
      text: `The season is negligible in size: from lowest to highest it moves ${percent(range)} of the level, less than 2%.`,
      period: null,
      figure: range,
      action: DO_WITHOUT,
    })
  }
  if (stable.p !== null) {
    const test = `F(${stable.df.join(', ')}) = ${figure(stable.f!)}, p ${probability(stable.p)}`
    findings.push(
      stable.p > SIGNIFICANT
        ? {
            code: 'no-stable-season',
            severity: 'caution',
            topic: 'season',
            text: `No season can be told from chance: the seasons differ by no more than the years within them (${test}).`,
            period: null,
            figure: stable.p,
            action: DO_WITHOUT,
          }
        : about('stable-season', `The seasons differ beyond chance (${test}).`, stable.p),
    )
  }
  if (moving.p !== null && moving.p < MOVES) {
    findings.push({
      code: 'season-moves',
      severity: 'caution',
      topic: 'season',
      text: `The size of the season changes over the years (moving seasonality F(${moving.df.join(', ')}) = ${figure(moving.f!)}, p ${probability(moving.p)}). Robust loess lets it change.`,
      period: null,
      figure: moving.p,
    })
  }
  findings.push(...strengthFinding(strength), ...unsteady(seasons))
  const thin = seasons.filter((row) => row.count < ENOUGH_VALUES)
  if (thin.length > 0) {
    const fewest = Math.min(...thin.map((row) => row.count))
    const which =
      thin.length === seasons.length ? 'Every index' : thin.map((row) => row.label).join(', ')
    findings.push({
      code: 'index-unreliable',
      severity: 'caution',
      topic: 'season',
      text: `${which}: unreliable, ${thin.length === 1 ? 'it rests' : 'resting'} on fewer than three values (${figure(fewest)} at the least). One odd year moves it.`,
      period: null,
      figure: fewest,
    })
  }
  return findings
}

/** How strong trend and season are, from 0 to 1, in words. */
function strengthFinding(strength: Strengths): Finding[] {
  const { trend, season } = strength.withoutDistrusted ?? strength
  if (trend === null || season === null) return []
  const both = (of: Strength) =>
    `season ${figureOfStrength(of.season)}, trend ${figureOfStrength(of.trend)}`
  const all = strength.withoutDistrusted
    ? ` Over every period, distrusted ones too: ${both(strength)}.`
    : ''
  return [
    {
      code: 'strength',
      severity: 'note',
      topic: 'season',
      text: `The season is ${inWords(season)}, the trend ${inWords(trend)} (strength from 0 to 1: ${both({ trend, season })}).${all}`,
      period: null,
      figure: season,
    },
  ]
}

function figureOfStrength(value: Value): string {
  return value === null ? 'cannot be told' : value.toFixed(2)
}

function inWords(strength: number): string {
  if (strength >= 0.8) return 'strong'
  if (strength >= 0.5) return 'clear'
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
      topic: 'season',
      text: `Not to be trusted: ${moved.map(({ row }) => row.label).join(', ')}. Without the ${worst.year} year the index of ${worst.row.label} moves by ${percent(worst.most / swing)} of the whole swing.`,
      period: null,
      figure: worst.most,
    },
  ]
}
