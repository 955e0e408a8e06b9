import type { CycleName } from '../calendar/rhythm'
import { benchmarkSays } from '../forecast/benchmarks'
import { figure, inUnit } from '../words/figure'
import type { ReadersFigures } from '../words/readersFigures'
import type { ErrorFigures } from './errorFigures'
import type { LevelCoverage } from './coverage'
import type { Off, Verdict } from './verdict'

/** `3.1%`, or in units `430 litres`. */
export function offWords({ by, in: measure }: Off, unit: string): string {
  if (measure === 'units') return inUnit(by, unit)
  return by > 0 && by < 0.05 ? 'less than 0.1%' : `${figure(Number(by.toFixed(1)))}%`
}

/** `Over 36 tries such forecasts were off by 3.1%; repeating last year would have been off by 4.9%.` */
export function verdictLine(
  { tries, method, benchmarks, against }: Verdict,
  unit: string,
  cycle: CycleName,
): string {
  const own = `Over ${countTries(tries)} such forecasts were off by ${offWords(method, unit)}`
  const [best] = benchmarks
  if (!best) return `${own}.`
  const other = `${benchmarkSays(best.which, cycle)} would have been off by ${offWords(best.off, unit)}`
  const chance =
    against === null
      ? `: too few tries to tell them apart`
      : against === 'tie'
        ? ': chance alone can make that difference'
        : ''
  return `${own}; ${other}${chance}.`
}

/** The same where there is little room: `off by 3.1%; repeating last year 4.9%`. */
export function shortVerdict(
  { method, benchmarks }: Verdict,
  unit: string,
  cycle: CycleName,
): string {
  const [best] = benchmarks
  const other = best ? `; ${benchmarkSays(best.which, cycle)} ${offWords(best.off, unit)}` : ''
  return `off by ${offWords(method, unit)}${other}`
}

/** What the limits held of what came: `Of what came the 80% limits held 78%, the 95% limits held 93%.`; empty where none did. */
export function heldLine(coverage: readonly LevelCoverage[]): string {
  const parts = coverage.flatMap(({ level, inUse: { pooled } }) =>
    pooled.share === null ? [] : [`the ${level}% limits held ${Math.round(100 * pooled.share)}%`],
  )
  return parts.length === 0 ? '' : `Of what came ${parts.join(', ')}.`
}

export function countTries(count: number): string {
  return `${count} ${count === 1 ? 'try' : 'tries'}`
}

/** What each error figure is called; those in per cent say so where they stand. */
export const ERROR_NAMES: Readonly<Record<Exclude<keyof ErrorFigures, 'count'>, string>> = {
  me: 'mean error',
  mae: 'mean absolute error',
  rmse: 'root mean squared error',
  rmsePercentOfMean: 'RMSE of the mean value',
  mape: 'MAPE',
  smape: 'sMAPE',
  mase: 'MASE',
}

/** What an error figure is counted in: shares in per cent, amounts in the unit of the series. */
export function unitOfError(key: Exclude<keyof ErrorFigures, 'count'>, unit: string): string {
  if (key === 'mase') return ''
  return key === 'mape' || key === 'smape' || key === 'rmsePercentOfMean' ? '%' : unit
}

/** An error figure as it is written, its unit behind it; a dash for one that is undefined. */
export function errorFigureText(
  key: Exclude<keyof ErrorFigures, 'count'>,
  value: number | null,
  unit: string,
  says: ReadersFigures,
): string {
  if (value === null) return '–'
  const counted = unitOfError(key, unit)
  if (counted === '%') return `${says.decimals(value, 2)}%`
  if (key === 'mase') return says.decimals(value, 2)
  return counted === '' ? says.figure(value) : `${says.figure(value)} ${counted}`
}

/** An error figure with what it says in plain words. */
export interface SaidFigure {
  readonly key: Exclude<keyof ErrorFigures, 'count'>
  readonly says: string
}

/**
 * What each error figure says.
 *
 * @param hasSeason whether MASE is scaled by changes from the year before, else by those from the period before
 * @example { key: 'mase', says: 'errors are less than half of what changed from year to year in what was known' }
 */
export function accuracyWords(
  figures: ErrorFigures,
  unit: string,
  hasSeason: boolean,
): SaidFigure[] {
  const { me, mae, rmse, mape, smape, mase, rmsePercentOfMean } = figures
  return [
    { key: 'me', says: me === null ? NOTHING : biasWords(me, mae!, unit) },
    { key: 'mae', says: mae === null ? NOTHING : `off by ${inUnit(mae, unit)} on average` },
    {
      key: 'rmse',
      says: rmse === null ? NOTHING : `${inUnit(rmse, unit)} when large errors count for more`,
    },
    {
      key: 'mape',
      says:
        mape === null
          ? figures.count === 0
            ? NOTHING
            : 'undefined, since one of the actual values is 0'
          : `off by ${figure(mape)}% of what came, on average`,
    },
    {
      key: 'smape',
      says:
        smape === null
          ? figures.count === 0
            ? NOTHING
            : 'undefined, since an actual value and its forecast are both 0'
          : `off by ${figure(smape)}% of the middle of forecast and actual`,
    },
    {
      key: 'mase',
      says:
        mase === null
          ? 'undefined, since nothing changed in what was known'
          : maseWords(mase, hasSeason ? 'from year to year' : 'from period to period'),
    },
    {
      key: 'rmsePercentOfMean',
      says:
        rmsePercentOfMean === null
          ? 'undefined, since the mean of the actual values is 0'
          : `RMSE is ${figure(rmsePercentOfMean)}% of the mean actual value`,
    },
  ]
}

const NOTHING = 'there is nothing to compare yet'
/** A mean error under this share of the mean absolute one says nothing about a side. */
const NO_SIDE = 0.1

function biasWords(me: number, mae: number, unit: string): string {
  if (Math.abs(me) <= NO_SIDE * mae) return 'too high about as much as too low'
  const share = Math.abs(me) > 0.999 * mae ? 'always' : 'on average'
  return `${share} ${me > 0 ? 'too low' : 'too high'}, by ${inUnit(Math.abs(me), unit)}`
}

/** The scale is the training span's own changes, not the errors of a benchmark over what came: those stand in the table. */
function maseWords(mase: number, from: string): string {
  const those = `what changed ${from} in what was known`
  if (mase < 0.5) return `errors are less than half of ${those}`
  if (mase < 0.95) return `errors are ${Math.round(100 * (1 - mase))}% smaller than ${those}`
  if (mase <= 1.05) return `errors are about as large as ${those}`
  if (mase <= 2) return `errors are ${Math.round(100 * (mase - 1))}% larger than ${those}`
  return `errors are ${figure(Number(mase.toFixed(1)))} times as large as ${those}`
}
