import { countPeriods } from '../calendar/labels'
import { declare, type Column } from '../column/column'
import { meanOf, operation, plain } from '../column/expression'
import type { Run } from '../column/run'
import type { Value } from '../series/series'
import { trendCycleColumn } from './columns'

/**
 * The columns of a centred average as the trend-cycle: for an even order first the averages that stand
 * between two periods.
 *
 * @param order of the average, in periods
 * @param offCentre the averages before centring; null for an odd order
 */
export function averageColumns(
  run: Run,
  order: number,
  offCentre: readonly Value[] | null,
): Column[] {
  const half = Math.floor(order / 2)
  const centred = trendCycleColumn(run, {
    label: 'Centred average',
    means: order % 2 === 0 ? `2×${order}` : `${order} terms`,
    arithmetic: (t) =>
      offCentre
        ? operation(
            operation(
              run.cell('movingAverage', t - half),
              '+',
              run.cell('movingAverage', t - half + 1),
            ),
            '÷',
            plain(2),
          )
        : meanOf(order, (i) => run.cell(run.input.column, t - half + i)),
    whyUndefined: (t) => noAverage(run, half, t),
  })
  return offCentre ? [offCentreColumn(run, order, offCentre), centred] : [centred]
}

function offCentreColumn(run: Run, order: number, values: readonly Value[]): Column {
  return declare(run.unit, {
    name: 'movingAverage',
    label: `${order}-term average`,
    means: `between ${run.per}s`,
    measure: 'level',
    component: 'trendCycle',
    mark: 'line-thin',
    offset: (order - 1) / 2,
    stages: ['smooth', 'season'],
    actual: values,
    arithmetic: (t) => meanOf(order, (i) => run.cell(run.input.column, t + i)),
    whyUndefined: (t) =>
      t + order - 1 > run.lastT
        ? `An average of ${order} terms from here would run past the last period.`
        : `One of the ${order} values from here on is missing, and no average is taken over fewer terms.`,
  })
}

/** A centred average reaches half its order to either side. */
function noAverage({ calendar, firstT, lastT }: Run, half: number, t: number): string {
  const short = t - firstT < half ? 'before' : lastT - t < half ? 'after' : null
  const reach = countPeriods(half, calendar)
  return short
    ? `No average here: it needs ${reach} on either side, and there are not as many ${short} this one.`
    : `No average here: a value within ${reach} on either side is missing.`
}
