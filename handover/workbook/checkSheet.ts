import { cycleOfResult } from '../../core/ledger/calendarOfResult'
import { errorArithmetic } from '../../core/check/errorArithmetic'
import type { Checked } from '../../core/check/check'
import type { ErrorFigures } from '../../core/check/errorFigures'
import { ERROR_NAMES, verdictLine } from '../../core/check/words'
import { decimalsOfRows } from '../../core/ledger/table'
import { benchmarkSays, type Benchmark } from '../../core/forecast/benchmarks'
import type { Places } from './places'
import { SheetDraft, type Sheet } from './sheet'

export const CHECK = 'Check'

const FIGURES: Readonly<Record<keyof ErrorFigures, string>> = {
  count: 'periods compared',
  ...ERROR_NAMES,
}
const IN_PER_CENT: readonly (keyof ErrorFigures)[] = ['mape', 'smape', 'rmsePercentOfMean']

/** How the fitted values did, by their formulas; and what earlier forecasts would have said, as values. */
export function checkSheet(places: Places): Sheet {
  const { result } = places
  const sheet = new SheetDraft()
  writeFitted(places, sheet)
  const { check } = result
  if (check) writeTries(places, sheet, check)
  else sheet.line(sheet.height + 1, ['No forecasts from earlier origins were asked for.'])
  return sheet.done(CHECK, { rows: 0, columns: 1 }, [30, 16, 10, 16, 16, 16, 20, 20, 20, 20])
}

function writeFitted(places: Places, sheet: SheetDraft): void {
  const { result, ledger } = places
  const { fitted } = result.accuracy
  const lag = result.seasons.length > 0 ? ledger.run.calendar.seasons : 1
  const arithmetic = errorArithmetic(ledger.run, fitted, lag)
  sheet.line(0, [`Fitted values, ${result.series.unit}`], 'title')
  Object.entries(FIGURES).forEach(([key, name], i) => {
    const value = fitted[key as keyof ErrorFigures]
    const made = arithmetic[key as keyof ErrorFigures]
    const isShare = IN_PER_CENT.includes(key as keyof ErrorFigures)
    sheet.put(1 + i, 0, { value: isShare ? `${name}, %` : name, look: 'text' })
    if (value === null || !made) return
    const decimals = key === 'count' ? 0 : key === 'mase' ? 3 : 1
    sheet.put(1 + i, 1, { ...places.calculated(value, made), decimals })
  })
}

function writeTries(places: Places, sheet: SheetDraft, { tries, verdict }: Checked): void {
  const { result, ledger } = places
  const { unit } = result.series
  const cycle = cycleOfResult(result)
  const top = sheet.height + 1
  sheet.line(top, [`Forecasts from earlier origins, ${unit}`], 'title')
  if (verdict) sheet.line(top + 1, [verdictLine(verdict, unit, cycle)])
  const alongside = Object.keys(tries[0]?.benchmarks ?? {}) as Benchmark[]
  const heads = alongside.map((which) => benchmarkSays(which, cycle))
  sheet.line(
    top + 2,
    ['last period known', 'period', 'ahead', 'forecast', 'actual', 'error', ...heads],
    'heading',
  )
  const decimals = decimalsOfRows(places.result)(ledger.find('value')!)
  let row = top + 3
  for (const { origin, forecast, actual, benchmarks } of tries) {
    forecast.forEach((point, i) => {
      const came = actual[i] ?? null
      sheet.line(row, [ledger.run.label(origin), ledger.run.label(origin + 1 + i)])
      const figures = [
        ...[i + 1, point, came, came === null ? null : came - point],
        ...alongside.map((which) => benchmarks[which]?.[i] ?? null),
      ]
      figures.forEach((value, j) => {
        if (value === null) return
        sheet.put(row, 2 + j, { value, look: 'calculated', decimals: j === 0 ? 0 : decimals })
      })
      row += 1
    })
  }
}
