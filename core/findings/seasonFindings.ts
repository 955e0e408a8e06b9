import type { Model } from '../decomposition/model'
import type { SeasonRow } from '../result'
import type { Value } from '../series'
import { mean } from '../statistics/average'
import { figure, percent } from '../words/figure'
import type { Finding } from './finding'

/** An index resting on fewer values than this moves with every single one of them. */
const ENOUGH_VALUES = 3
/** A season whose indices range over less than this share of the level is too small to matter. */
const NEGLIGIBLE_RANGE = 0.02

/**
 * What the indices say: the peak and trough season with their distance from the baseline, whether
 * the season is too small to matter, and which indices rest on too few values.
 *
 * A season is negligible when the range of its indices is under 2% of the level (the range itself
 * for multiplicative, range ÷ mean value for additive): a chart of it looks as lively as any other.
 *
 * @param seasons one row a season
 * @param values the analysed values, for the level of an additive season
 */
export function seasonFindings(
  seasons: readonly SeasonRow[],
  model: Model,
  values: readonly Value[],
): Finding[] {
  const peak = seasons.reduce((best, row) => (row.index > best.index ? row : best))
  const trough = seasons.reduce((worst, row) => (row.index < worst.index ? row : worst))
  const level =
    model === 'multiplicative' ? 1 : Math.abs(mean(values.filter((value) => value !== null)) ?? 0)
  const range = level === 0 ? null : (peak.index - trough.index) / level
  const findings: Finding[] = []
  const about = (code: string, text: string, at: number | null): Finding => ({
    code,
    severity: 'note',
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
  if (range !== null && range < NEGLIGIBLE_RANGE) {
    findings.push({
      code: 'season-negligible',
      severity: 'caution',
      text: `The season is negligible in size: from lowest to highest it moves ${percent(range)} of the level, less than 2%.`,
      period: null,
      figure: range,
    })
  }
  const thin = seasons.filter((row) => row.count < ENOUGH_VALUES)
  if (thin.length > 0) {
    const fewest = Math.min(...thin.map((row) => row.count))
    const which =
      thin.length === seasons.length ? 'Every index' : thin.map((row) => row.label).join(', ')
    findings.push({
      code: 'index-unreliable',
      severity: 'caution',
      text: `${which}: unreliable, ${thin.length === 1 ? 'it rests' : 'resting'} on fewer than three values (${figure(fewest)} at the least). One odd year moves it.`,
      period: null,
      figure: fewest,
    })
  }
  return findings
}
