import type { Value } from '../../series/series'
import { mean } from '../../statistics/average'
import { changeOf, seasonAt, vanishes, type Frame } from './frame'
import { seasonsOf } from './seasonalStep'
import type { SeasonalFilterName } from './seasonalFilters'

/** How much chance moves a season from year to year, beside how much the season itself does. */
export interface SeasonRatio {
  readonly season: number
  readonly irregular: number
  readonly seasonal: number
  /** undefined where the season does not move. */
  readonly ratio: number | null
}

/** The filter of the last seasonal step, by the ratio over the years that are complete. */
export interface FilterChoice {
  readonly bySeason: readonly SeasonRatio[]
  /** Over all seasons and periods. */
  readonly ratio: number | null
  /** Each span that was tried, by the entry it ends at, counted from 1. */
  readonly tries: readonly { readonly lastPeriod: number; readonly ratio: number | null }[]
  readonly choice: SeasonalFilterName
}

const TERMS = 7
/** Entries that an average over the years lacks at either end. */
const ENDS = (TERMS - 1) / 2
const MOST_DROPPED = 5
const FEWEST_VALUES = 5

/**
 * The ratio of moving seasonality, and the seasonal filter that it chooses. Where it lies between two filters, the last year is
 * left out and it is measured again.
 *
 * @param si with extremes taken out; what was appended does not count
 * @see Lothian, J. (1984), Statistics Canada
 */
export function chooseFilter(frame: Frame, si: readonly Value[]): FilterChoice {
  const own = si.slice(0, frame.n)
  const bySeason = ratiosOf(frame, own)
  let end = own.findLastIndex((value) => value !== null) + 1
  while (end > 0 && seasonAt(frame, end - 1) !== frame.seasons) end -= 1
  const tries: { lastPeriod: number; ratio: number | null }[] = []
  let choice: SeasonalFilterName | null = null
  for (let dropped = 0; dropped <= MOST_DROPPED && choice === null; dropped++) {
    const within = own.slice(0, Math.max(0, end - dropped * frame.seasons))
    const fewest = Math.min(...seasonsOf(frame, within).map((group) => group.length))
    if (fewest < FEWEST_VALUES) break
    const ratio = globalRatio(frame, ratiosOf(frame, within))
    tries.push({ lastPeriod: within.length, ratio })
    if (ratio === null) break
    choice = filterFor(ratio)
  }
  return {
    bySeason: bySeason.map(({ season, irregular, seasonal, ratio }) => ({
      ...{ season, irregular, seasonal, ratio },
    })),
    ratio: globalRatio(frame, bySeason),
    tries,
    choice: choice ?? '3x5',
  }
}

/** null between two filters. */
function filterFor(ratio: number): SeasonalFilterName | null {
  if (ratio < 2.5) return '3x3'
  if (ratio >= 3.5 && ratio < 5.5) return '3x5'
  return ratio >= 6.5 ? '3x9' : null
}

type Counted = SeasonRatio & { readonly count: number }

function ratiosOf(frame: Frame, si: readonly Value[]): Counted[] {
  return seasonsOf(frame, si).map((group, k) => {
    const values = group.map((i) => si[i]!)
    const smooth = averagedOverYears(values)
    const irregular = values.map((value, j) => frame.terms.takeOut(value, smooth[j]!))
    const [chance, seasonal] = [meanChange(frame, irregular), meanChange(frame, smooth)]
    const ratio = vanishes(frame, seasonal) ? null : chance / seasonal
    return { season: k + 1, irregular: chance, seasonal, ratio, count: values.length }
  })
}

/** An average of seven years, the values carried on at either end by the mean of the three outermost. */
function averagedOverYears(values: readonly number[]): number[] {
  const beyond = (outermost: readonly number[]) => Array<number>(ENDS).fill(mean(outermost)!)
  const longer = [...beyond(values.slice(0, ENDS)), ...values, ...beyond(values.slice(-ENDS))]
  return values.map((_, j) => mean(longer.slice(j, j + TERMS))!)
}

function meanChange(frame: Frame, values: readonly number[]): number {
  let sum = 0
  for (let j = 1; j < values.length; j++) sum += changeOf(frame, values[j]!, values[j - 1]!)
  return sum / (values.length - 1)
}

function globalRatio(frame: Frame, rows: readonly Counted[]): number | null {
  const sum = (of: (row: Counted) => number) => rows.reduce((total, row) => total + of(row), 0)
  const seasonal = sum(({ count, seasonal: own }) => count * own)
  if (vanishes(frame, seasonal / sum(({ count }) => count))) return null
  return sum(({ count, irregular }) => count * irregular) / seasonal
}
