import { Refusal } from '../../refusal'
import { changeOf, vanishes, type Frame } from './frame'
import { filtered, hendersonFilter, weighted } from './hendersonFilter'

/** The four places at which a trend is filtered. */
export const TREND_STEPS = ['round1', 'round2', 'round3', 'final'] as const
export type TrendStepName = (typeof TREND_STEPS)[number]

/** How much the irregular moves beside the trend, and the length of filter that followed. */
export interface IrregularToTrend {
  readonly meanChangeTrend: number
  readonly meanChangeIrregular: number
  /** undefined where the trend does not move. */
  readonly ratio: number | null
  readonly length: number
}

export interface TrendStep {
  readonly trend: readonly number[]
  readonly ic: IrregularToTrend
}

/** The filter that the ratio is measured with, and the others by the ratio from which they are taken. */
const MONTHLY = { measure: 13, calm: 9, noisy: 23, from: 1, noisyFrom: 3.5 } as const
const QUARTERLY = { measure: 5, calm: 5, usual: 7, from: 1 } as const

/**
 * A trend by Henderson's averages, with a value at every entry: the noisier the series, the longer.
 *
 * @param asked a length; null where the ratio is to choose
 * @throws Refusal for a multiplicative trend that is not above 0
 * @see Henderson, R. (1916), Transactions of the Actuarial Society of America 17
 */
export function trendStep(
  frame: Frame,
  x: readonly number[],
  step: TrendStepName,
  asked: number | null,
): TrendStep {
  const measured = ratioOf(frame, x)
  const length = asked ?? lengthFor(frame, measured.ratio, step)
  const trend = filtered(x, hendersonFilter(length))
  const below = frame.model === 'multiplicative' ? trend.findIndex((value) => value <= 0) : -1
  if (below >= 0) {
    throw new Refusal(
      'The trend of this series falls to 0 or below, where a multiplicative season has no meaning; decompose it additively.',
      'decompose.model',
      { t: below + 1 },
    )
  }
  return { trend, ic: { ...measured, length } }
}

function ratioOf(frame: Frame, x: readonly number[]): Omit<IrregularToTrend, 'length'> {
  const { symmetric, length } = hendersonFilter(
    frame.seasons === 12 ? MONTHLY.measure : QUARTERLY.measure,
  )
  const half = (length - 1) / 2
  const last = Math.min(x.length - 1 - half, frame.n - 1)
  let [trends, irregulars, count] = [0, 0, 0]
  let before: readonly [trend: number, irregular: number] | null = null
  for (let i = half; i <= last; i++) {
    const trend = weighted(x, i - half, symmetric, 1)
    const now = [trend, frame.terms.takeOut(x[i]!, trend)] as const
    if (before) {
      trends += changeOf(frame, now[0], before[0])
      irregulars += changeOf(frame, now[1], before[1])
      count += 1
    }
    before = now
  }
  const meanChangeTrend = trends / count
  const meanChangeIrregular = irregulars / count
  const ratio = vanishes(frame, meanChangeTrend) ? null : meanChangeIrregular / meanChangeTrend
  return { meanChangeTrend, meanChangeIrregular, ratio }
}

function lengthFor({ seasons }: Frame, ratio: number | null, step: TrendStepName): number {
  if (seasons !== 12) {
    if (ratio === null) return QUARTERLY.measure
    return ratio < QUARTERLY.from ? QUARTERLY.calm : QUARTERLY.usual
  }
  if (ratio === null) return MONTHLY.measure
  if (ratio < MONTHLY.from) return MONTHLY.calm
  // So long a filter is not used while the extremes are still in the series.
  return ratio >= MONTHLY.noisyFrom && step !== 'round1' ? MONTHLY.noisy : MONTHLY.measure
}
