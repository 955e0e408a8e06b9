import { oneCycle } from '../calendar/labels'
import { declare, type Column } from '../column/column'
import { figureOf, operation } from '../column/expression'
import type { SeriesRun } from '../column/run'
import { growth } from '../growth/growth'
import { ledgerOf } from '../ledger/ledger'
import type { Looked, Result } from '../result'
import type { Value } from '../series/series'
import { averageName, smoothBy, type AverageKind } from '../smoothing/averageKinds'
import { triedOverSpan } from './tried'
import { growthOf, weightedCells } from './arithmetic'
import { figure } from '../words/figure'
import { listed } from '../words/listed'
import { besideName, growthWords, type Beside, type LaidForecast } from './beside'
import type { Own } from './own'
import type { LaidParts } from './parts'
import { restColumn, rollingColumn, takenOutColumn } from './restColumns'
import { seasonOut } from '../words/seasonOut'
import { namesTakenOut } from '../prepare/prepare'

/**
 * Calculates a column that is looked at beside a result, or beside a series whose method is refused.
 *
 * @param result gives the values as used, and the deseasonalized ones
 * @throws Refusal as the calculation does: an order that is not possible, a logarithm of 0, a gap
 * @example besideColumn(result, { kind: 'growth', rate: 'yearOnYear', on: 'value' }).unit // '%'
 */
export function besideColumn(result: Looked | Result, beside: Beside): Column {
  const { run } = ledgerOf(result)
  const { values, isAhead = false, ahead, ...own } = ownOf(run, result, beside)
  return declare(run.unit, {
    ...own,
    name: besideName(beside),
    stages: [],
    ...(isAhead ? { ahead: values } : { actual: values }),
    ...(ahead ? { ahead } : {}),
    whyUndefined: (t) => whyUndefined(run, beside, t),
  })
}

function whyUndefined(run: SeriesRun, beside: Beside, t: number): string {
  if ('tried' in beside) return whyNotTried(run, beside.tried.origin, t)
  if ('kept' in beside) return whyNotKept(beside, run.label(t))
  if ('laid' in beside) return `Not all of the parts have ${run.label(t)}.`
  if ('came' in beside) return `Nothing came in ${run.label(t)}, or it is not known yet.`
  return 'A value that this needs is missing, not above 0, or lies outside the series.'
}

/** Why a forecast from an origin has no figure at a period. */
function whyNotTried(run: SeriesRun, origin: number, t: number): string {
  return t <= origin
    ? `The forecast begins after ${run.label(origin)}, which was known then.`
    : 'The forecast does not reach as far, or nothing came in this period.'
}

function whyNotKept({ kind, kept }: Beside & { readonly kept: LaidForecast }, period: string) {
  return kind === 'kept'
    ? `"${kept.name}" does not forecast ${period}.`
    : `"${kept.name}" does not forecast ${period}, or nothing has come in it.`
}

function ownOf(run: SeriesRun, result: Looked | Result, beside: Beside): Own {
  const { columns } = result
  const { value } = columns
  const { seasons } = run.calendar
  const cell = (t: number) => run.cell('value', t)
  switch (beside.kind) {
    case 'average':
      return average(run, value, beside.by)
    case 'rest':
      return restColumn(run, value, beside.of)
    case 'taken-out':
      return takenOutColumn(run, value, beside.of)
    case 'rolling-mean':
    case 'rolling-deviation':
      return rollingColumn(run, value, beside)
    case 'tried': {
      const { tried } = beside
      const from = `from ${run.label(tried.origin)}`
      return {
        label: 'Forecast then',
        symbol: `forecast ${from}`,
        means: from,
        explains: `what the method would have forecast ${from}, knowing nothing of what came`,
        measure: 'level',
        component: 'forecast',
        mark: 'line-dashed',
        values: triedOverSpan(tried, 'forecast', run.firstT, value.length),
        arithmetic: (t) => figureOf(`forecast ${from}`, tried.forecast[t - tried.origin - 1]!),
      }
    }
    case 'tried-error': {
      const { tried } = beside
      const from = `from ${run.label(tried.origin)}`
      return {
        label: 'Error then',
        symbol: `error ${from}`,
        means: 'actual − forecast then',
        explains: `actual − forecast ${from}`,
        measure: 'difference',
        component: 'irregular',
        mark: 'stems',
        values: triedOverSpan(tried, 'error', run.firstT, value.length),
        arithmetic: (t) =>
          operation(
            cell(t),
            '−',
            figureOf(`forecast ${from}`, tried.forecast[t - tried.origin - 1]!),
          ),
      }
    }
    case 'came':
      return {
        label: 'What came',
        means: `${run.noun} after the span`,
        explains: `${run.noun} as they came in after the analysed span; the method knows nothing of them`,
        measure: 'level',
        component: 'original',
        mark: 'line-thin',
        isAhead: true,
        values: beside.came,
        arithmetic: (t) => figureOf(`${run.noun} as they came in`, beside.came[t - run.lastT - 1]!),
      }
    case 'came-error':
      return {
        label: 'Error',
        symbol: 'error',
        means: 'what came − forecast',
        measure: 'difference',
        component: 'irregular',
        mark: 'stems',
        isAhead: true,
        values: beside.came.map((came, i) => {
          const forecast = run.value('forecast', run.lastT + 1 + i)
          return came === null || forecast === null ? null : came - forecast
        }),
        arithmetic: (t) =>
          operation(
            figureOf(`${run.noun} as they came in`, beside.came[t - run.lastT - 1]!),
            '−',
            run.cell('forecast', t),
          ),
      }
    case 'kept': {
      const { kept } = beside
      return {
        label: `Kept: ${kept.name}`,
        symbol: `"${kept.name}"`,
        means: 'kept forecast',
        explains: 'forecast as it was kept; nothing of it is ever altered',
        measure: 'level',
        component: 'forecast',
        mark: 'line-thin',
        ...overAll(run, (t) => kept.forecast[t - kept.from] ?? null),
        arithmetic: (t) => figureOf(`"${kept.name}"`, kept.forecast[t - kept.from]!),
      }
    }
    case 'kept-error': {
      const { kept } = beside
      return {
        label: `Error: ${kept.name}`,
        symbol: `error of "${kept.name}"`,
        means: 'what came − forecast',
        measure: 'difference',
        component: 'irregular',
        mark: 'stems',
        ...overAll(run, (t) => {
          const [came, forecast] = [kept.actual[t - kept.from], kept.forecast[t - kept.from]]
          if (came === undefined || came === null || forecast === undefined) return null
          return came - forecast
        }),
        arithmetic: (t) =>
          operation(
            figureOf(`${run.noun} as they came in`, kept.actual[t - kept.from]!),
            '−',
            figureOf(`"${kept.name}"`, kept.forecast[t - kept.from]!),
          ),
      }
    }
    case 'whole':
      return {
        label: 'Whole, adjusted',
        symbol: 'whole, adjusted',
        means: 'sum of the parts, its own season out',
        ...{ measure: 'level', component: 'deseasonalized', mark: 'line-thick' },
        values: partsOver(run, beside.laid, ({ whole }) => whole),
        arithmetic: (t) =>
          figureOf(
            'sum of the parts, its own season out',
            beside.laid.whole[t - beside.laid.from]!,
          ),
      }
    case 'parts':
      return {
        label: 'Parts, adjusted',
        symbol: 'adjusted parts together',
        means: `sum of ${beside.laid.names.length}, each without its own season`,
        ...{ measure: 'level', component: 'deseasonalized', mark: 'line-dotted' },
        values: partsOver(run, beside.laid, ({ parts }) => parts),
        arithmetic: (t) =>
          figureOf(listed(beside.laid.names), beside.laid.parts[t - beside.laid.from]!),
      }
    case 'parts-difference': {
      const { laid } = beside
      return {
        label: 'Whole less parts',
        symbol: 'whole less parts',
        means: 'adjusted whole − adjusted parts',
        ...{ measure: 'difference', component: 'irregular', mark: 'stems' },
        values: partsOver(run, laid, ({ whole, parts }) =>
          whole.map((value, i) => {
            const sum = parts[i]!
            return value === null || sum === null ? null : value - sum
          }),
        ),
        arithmetic: (t) =>
          operation(
            figureOf('adjusted whole', laid.whole[t - laid.from]!),
            '−',
            figureOf('adjusted parts together', laid.parts[t - laid.from]!),
          ),
      }
    }
    case 'growth': {
      const isOfSales = beside.on === 'value' || !('deseasonalized' in columns)
      const without = 'takenOut' in result ? namesTakenOut(result.takenOut?.found) : []
      return {
        label: beside.on === 'value' ? `Growth, ${run.noun}` : seasonOut(without).row('Growth'),
        explains: `growth of ${beside.on === 'value' ? run.noun : seasonOut(without).of(run.noun)}`,
        means: growthWords(beside.rate, run.per, oneCycle(run.calendar)),
        measure: 'percent',
        component: beside.on === 'value' ? 'original' : 'deseasonalized',
        mark: beside.on === 'value' ? 'line-thin' : 'line-thick',
        values: growth(isOfSales ? value : columns.deseasonalized, seasons)[beside.rate],
        arithmetic: (t) =>
          growthOf(beside.rate, t, seasons, (at) => run.cell(isOfSales ? 'value' : beside.on, at)),
      }
    }
  }
}

/** Figures of a whole and its parts over the analysed span. */
function partsOver(
  { firstT, lastT }: SeriesRun,
  laid: LaidParts,
  of: (laid: LaidParts) => readonly Value[],
): Value[] {
  const values = of(laid)
  return Array.from(
    { length: lastT - firstT + 1 },
    (_, i) => values[firstT + i - laid.from] ?? null,
  )
}

/** Figures over span and forecast. */
function overAll({ firstT, lastT, endT }: SeriesRun, at: (t: number) => Value) {
  const over = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => at(from + i))
  return { values: over(firstT, lastT), ahead: over(lastT + 1, endT) }
}

function average(run: SeriesRun, value: readonly Value[], by: AverageKind): Own {
  const { values, weights, reach, offset } = smoothBy(value, by, run.calendar.seasons)
  return {
    label: averageName(by),
    means: averageMeans(by, run.per),
    measure: 'level',
    component: 'trendCycle',
    mark: 'line-thick',
    offset,
    values,
    arithmetic: (t) => weightedCells(weights, t + reach, (at) => run.cell('value', at)),
  }
}

function averageMeans(by: AverageKind, per: string): string {
  switch (by.kind) {
    case 'off-centre':
      return `between ${per}s`
    case 'trailing-weights':
      return `${by.weights.map(figure).join(', ')}, newest first`
    default:
      return 'moving average'
  }
}
