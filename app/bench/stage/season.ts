import { displayScale, withUnit } from '~~/core/words/displayScale'
import { formatDecimals, formatSigned } from '~/figures/format'
import type { Result } from '~~/core/result'
import type { ResultStage } from './stage'

/** The season taken out, and what is left over. */
export const season: ResultStage = {
  needs: 'result',
  label: 'Season',
  focus: ['seasonalIrregular', 'irregular'],
  barHeight: 0,
  beside: () => [],
  line: seasonLine,
}

/** The seasons of the highest and the lowest index. */
function seasonLine({ seasons, method, columns, series }: Result): string {
  if (seasons.length === 0) return series.seasons < 2 ? 'none in a yearly series' : 'none taken out'
  const peak = seasons.reduce((best, row) => (row.index > best.index ? row : best))
  const trough = seasons.reduce((worst, row) => (row.index < worst.index ? row : worst))
  if (method.decompose.model === 'multiplicative') {
    return `${peak.label} ${formatDecimals(peak.index, 2)} · ${trough.label} ${formatDecimals(trough.index, 2)}`
  }
  const scale = displayScale(columns.value, series.unit)
  const text = (value: number) => formatSigned(value / scale.divisor, scale.decimals)
  const ends = `${peak.label} ${text(peak.index)} · ${trough.label} ${text(trough.index)}`
  return withUnit(ends, scale)
}
