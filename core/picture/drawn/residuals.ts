import { ledgerOf } from '../../ledger/ledger'
import type { Result } from '../../result'
import { histogram } from '../../statistics/histogram'
import { standardDeviation } from '../../statistics/spread'
import { displayScale } from '../../words/displayScale'
import type { ReadersFigures } from '../../words/readersFigures'
import { decimalsApart } from '../draw/valueMarks'
import { layer, type Strip } from '../strips'
import { figuresAcross, namesAcross } from './across'
import type { Drawn } from './drawn'

/** Points of the normal curve. */
const FINE = 80

/** What is left over against itself: its autocorrelation by lag; null with a gap inside, or nothing left over. */
export function correlationPicture({ leftover, series }: Result): Drawn | null {
  const { autocorrelation: values, limit } = leftover
  if (!values || limit === null) return null
  const constant = (y: number) => values.map((_, i) => ({ x: i + 1, y }))
  const strip: Strip = {
    ...{ id: 'correlation', title: 'Autocorrelation', unit: 'of what is left over', share: 1 },
    ...{ baseline: 0, measure: 'number', fixed: { low: -1, high: 1 } },
    layers: [
      { kind: 'band', label: 'where noise stays', lower: constant(-limit), upper: constant(limit) },
      layer(
        'by lag',
        'irregular',
        'bars',
        values.map((y, i) => ({ x: i + 1, y })),
      ),
    ],
  }
  const subtitle = series.seasons > 1 ? `${series.seasons} lags are a year` : 'by lag'
  return { strips: [strip], subtitle, across: namesAcross(values.map((_, i) => String(i + 1))) }
}

/** How the residuals are spread, beside a normal curve of the same spread; null where there are none. */
export function residualHistogram(result: Result, says: ReadersFigures): Drawn | null {
  const values = result.columns.residual.filter((value) => value !== null)
  const bins = histogram(values)
  const spread = standardDeviation(values)
  if (!bins || spread === null) return null
  const { counts, from, width } = bins
  const to = from + width * counts.length
  const normal = (x: number) =>
    (values.length * width * Math.exp(-((x / spread) ** 2) / 2)) / (spread * Math.sqrt(2 * Math.PI))
  const curve = Array.from({ length: FINE + 1 }, (_, i) => (i / FINE) * counts.length)
  const strip: Strip = {
    ...{ id: 'histogram', title: 'Residuals', unit: 'how many', share: 1 },
    ...{ baseline: 0, measure: 'count' },
    layers: [
      layer(
        'residuals',
        'irregular',
        'bars',
        counts.map((y, i) => ({ x: i + 0.5, y })),
      ),
      layer(
        'a normal curve',
        'original',
        'line-thin',
        curve.map((x) => ({ x, y: normal(from + x * width) })),
      ),
    ],
  }
  const { unit } = ledgerOf(result).find('residual')!
  const { divisor, unit: shown } = displayScale(result.columns.value, unit)
  const figures = figuresAcross(from, to, (value, apart) =>
    says.decimals(value / divisor, decimalsApart(apart / divisor)),
  )
  // Bars are a bin apart; the figures below stand where they lie among the bins.
  return {
    ...{ strips: [strip], subtitle: `Residuals, ${shown}` },
    across: {
      ...{ from: 0, to: counts.length, aheadFrom: null },
      ticks: (axis) => figures.ticks({ ...axis, from, to }),
    },
  }
}

/** The residuals against what was fitted; null where there are none. */
export function residualScatter(result: Result, says: ReadersFigures): Drawn | null {
  const { fitted, residual } = result.columns
  const { divisor, unit } = displayScale(result.columns.value, result.series.unit)
  const points = residual.flatMap((y, i) =>
    y === null || fitted[i] === null ? [] : [{ x: fitted[i]! / divisor, y }],
  )
  if (points.length === 0) return null
  const xs = points.map(({ x }) => x)
  const [low, high] = [Math.min(...xs), Math.max(...xs)]
  const room = 0.04 * (high - low || 1)
  return {
    strips: [
      {
        ...{
          id: 'scatter',
          title: 'Residuals',
          unit,
          share: 1,
          baseline: 0,
          measure: 'difference',
        },
        layers: [layer('a period each', 'irregular', 'rings', points)],
      },
    ],
    subtitle: `Residuals against fitted, ${unit}`,
    across: figuresAcross(low - room, high + room, (value, apart) =>
      says.decimals(value, decimalsApart(apart)),
    ),
  }
}
