import { axisOf } from '../../calendar/axis'
import { daysShared, WEEKDAYS, weekdayCounts } from '../../calendar/civil'
import { declare, type Column } from '../../column/column'
import {
  figureOf,
  operation,
  parameterOf,
  plain,
  type Expression,
  type Regression,
} from '../../column/expression'
import { regressionOf, type Input, type SeriesRun } from '../../column/run'
import { MODEL } from '../../model'
import type { DesignColumn } from '../../regression/design'
import {
  daysAt,
  divisionFactor,
  lengthOf,
  meanDays,
  WEEKEND_DAY,
  type CivilAxis,
} from '../../regression/regressors/calendar/days'
import { easterOf } from '../../regression/regressors/calendar/easter'
import { holidayShare } from '../../regression/regressors/calendar/ownHolidays'
import { capitalized } from '../../series/noun'
import type { Stage } from '../../stage'
import { groupOf, type Effect } from './effects'
import {
  BY_LIKENESS,
  columnsOfTaken,
  componentAt,
  errorAt,
  timesByLikeness,
  type CalendarTaken,
} from './taken'

const COMPONENT = 'calendar'
const ERROR = 'calendarError'
const LENGTH = 'lengthFactor'
const BY_LENGTH = 'byLength'
const GROUP = { name: 'calendar', label: 'of the calendar' } as const
const STAGES: readonly Stage[] = ['look', 'season', 'deseasonalize', 'project']

/** A value with the calendar's part of its period in it again. */
export function componentArithmetic(
  run: SeriesRun,
  value: Expression,
  t: number,
  { model }: CalendarTaken,
): Expression {
  return operation(value, MODEL[model].restore, run.cell(COMPONENT, t))
}

/** How far that may be off, in units of the series. */
export function errorArithmetic(
  run: SeriesRun,
  whole: Expression,
  t: number,
  { model }: CalendarTaken,
): Expression {
  const error = run.cell(ERROR, t)
  return model === 'multiplicative' ? operation(whole, '×', error) : error
}

/** The columns of the effects, what they make together, and the values without it. */
export function calendarColumns(
  run: SeriesRun,
  taken: CalendarTaken,
  of: Input,
  beside: readonly DesignColumn[],
): Column[] {
  const { model, divides } = taken
  const { takeOut, remove, measure } = MODEL[model]
  const over = (at: (t: number) => number) => {
    const all = Array.from({ length: run.endT - run.firstT + 1 }, (_, i) => at(run.firstT + i))
    const past = run.lastT - run.firstT + 1
    return { actual: all.slice(0, past), ahead: all.slice(past) }
  }
  const { actual, ahead } = over((t) => componentAt(taken, t))
  return [
    ...effectColumns(run, taken, over),
    ...(divides ? lengthColumns(run, of, over) : []),
    declare(run.unit, {
      ...{
        name: ERROR,
        label: 'Calendar, standard error',
        symbol: 'standard error of the calendar',
      },
      means: model === 'multiplicative' ? 'as a share' : 'in units of the series',
      measure: model === 'multiplicative' ? 'number' : 'difference',
      ...{ component: 'season', mark: 'dots', group: GROUP, stages: ['project'] },
      ...over((t) => errorAt(taken, t)),
      arithmetic: errorOf(run, taken, divides ? BY_LENGTH : of.column, beside),
    }),
    declare(run.unit, {
      ...{ name: COMPONENT, label: 'Calendar', symbol: 'calendar', means: 'effect of its days' },
      strip: { id: COMPONENT, title: 'Calendar', share: 2, label: 'effect of its days' },
      ...{ measure, component: 'season', mark: 'bars', stages: STAGES, actual, ahead },
      arithmetic: componentOf(run, taken, divides ? BY_LENGTH : of.column, beside),
    }),
    declare(run.unit, {
      name: 'withoutCalendar',
      label: `${capitalized(run.noun)} without calendar`,
      symbol: `${run.noun} without calendar`,
      means: `${run.noun} ${remove} calendar`,
      ...{ measure: 'level', component: 'original', mark: 'line-thin', stages: STAGES },
      actual: of.values.map((value, i) => (value === null ? null : takeOut(value, actual[i]!))),
      arithmetic: (t) => operation(run.cell(of.column, t), remove, run.cell(COMPONENT, t)),
      whyUndefined: (t) => run.whyUndefined(of.column, t),
    }),
  ]
}

type Over = (at: (t: number) => number) => {
  readonly actual: readonly number[]
  readonly ahead: readonly number[]
}

/** A row for every column that the effects were estimated by. */
function effectColumns(run: SeriesRun, taken: CalendarTaken, over: Over): Column[] {
  const axis = axisOf(run)
  return taken.effects.flatMap((effect) =>
    groupOf(effect, taken.facts, 'calendar').columns.map((column, k) =>
      declare(run.unit, {
        name: rowOf(column),
        label: capitalized(column.label),
        ...{ symbol: column.label, means: column.means, measure: 'number' },
        explains: `column of the calendar: ${column.means}`,
        ...{ component: 'season', mark: 'dots', group: GROUP, stages: STAGES },
        ...over(column.at),
        arithmetic: (t) => countArithmetic(effect, column, k, axis, t),
      }),
    ),
  )
}

/** The row of the ledger that a column of an effect stands in. */
export function rowOf({ name }: DesignColumn): string {
  return `calendar ${name}`
}

/** Down to the days: how many of them, or which share of them, and what is usual for the season. */
function countArithmetic(
  effect: Effect,
  column: DesignColumn,
  k: number,
  axis: CivilAxis,
  t: number,
): Expression {
  const days = daysAt(axis, t)
  const counts = weekdayCounts(days)
  const season = axis.periodAt(t).season
  switch (effect.effect) {
    case 'tradingDay6':
      return operation(
        figureOf(`${WEEKDAYS[k]}s`, counts[k]!),
        '−',
        figureOf('Sundays', counts[6]!),
      )
    case 'tradingDay1': {
      const atWeekends = counts[5]! + counts[6]!
      return operation(
        figureOf('weekdays', lengthOf(days) - atWeekends),
        '−',
        operation(plain(-WEEKEND_DAY), '×', figureOf('days at weekends', atWeekends)),
      )
    }
    case 'lengthOfPeriod':
      return operation(
        figureOf('days', lengthOf(days)),
        '−',
        figureOf('mean days of the season', meanDays(axis.calendar.seasons)[season - 1]!),
      )
    case 'leapYear':
      return figureOf('leap day', column.at(t))
    case 'easter': {
      const easter = easterOf(axis.periodAt(t).cycle)
      const shared = daysShared({ first: easter - effect.window, last: easter - 1 }, days)
      return operation(
        operation(figureOf('days before Easter', shared), '÷', plain(effect.window)),
        '−',
        figureOf('mean share of the season', shared / effect.window - column.at(t)),
      )
    }
    case 'holiday': {
      const share = holidayShare(axis, effect, t)
      return operation(
        figureOf(`share of the days of ${effect.name}`, share),
        '−',
        figureOf('mean share of the season', share - column.at(t)),
      )
    }
  }
}

/** The length of each period against the mean of its season, and the values divided by it. */
function lengthColumns(run: SeriesRun, of: Input, over: Over): Column[] {
  const axis = axisOf(run)
  const factor = (t: number) => divisionFactor(axis, t)
  return [
    declare(run.unit, {
      ...{
        name: LENGTH,
        label: 'Length',
        symbol: 'length',
        means: 'days ÷ mean days of the season',
      },
      ...{ measure: 'factor', component: 'season', mark: 'dots', group: GROUP, stages: STAGES },
      ...over(factor),
      arithmetic: (t) =>
        operation(
          figureOf('days', lengthOf(daysAt(axis, t))),
          '÷',
          figureOf(
            'mean days of the season',
            meanDays(axis.calendar.seasons)[axis.periodAt(t).season - 1]!,
          ),
        ),
    }),
    declare(run.unit, {
      name: BY_LENGTH,
      label: `${capitalized(run.noun)} by length`,
      ...{ symbol: `${run.noun} by length`, means: `${run.noun} ÷ length`, measure: 'level' },
      ...{ component: 'original', mark: 'line-thin', group: GROUP, stages: STAGES },
      actual: of.values.map((value, i) => (value === null ? null : value / factor(run.firstT + i))),
      arithmetic: (t) => operation(run.cell(of.column, t), '÷', run.cell(LENGTH, t)),
      whyUndefined: (t) => run.whyUndefined(of.column, t),
    }),
  ]
}

/**
 * s × √(xᵀ(XᵀX)⁻¹x), x the columns of the effects alone, with what errors that are alike make of it; beside a model of what is
 * left it comes from the filter.
 */
function errorOf(
  run: SeriesRun,
  taken: CalendarTaken,
  of: string,
  beside: readonly DesignColumn[],
): (t: number) => Expression {
  if (taken.arima) return (t) => figureOf('from the covariance of the effects', errorAt(taken, t))
  const regression = regressionOfEffects(run, taken, of, beside)
  return (t) => {
    const { y, columns } = regression()
    const sse = { kind: 'regression', gives: { figure: 'sse' }, of: regression() } as const
    const part = { figure: 'part', t, from: taken.at - 1 } as const
    const variance = operation(sse, '÷', plain(y.length - columns.length - 1))
    const share = { kind: 'regression', gives: part, of: regression() } as const
    const own = operation(variance, '×', share)
    const times = timesByLikeness(
      taken,
      columnsOfTaken(taken).map(({ at }) => at(t)),
    )
    return {
      kind: 'root',
      of: times === null ? own : operation(own, '×', figureOf(BY_LIKENESS, times)),
    }
  }
}

/** The regression that the effects were estimated by, beside season and trend, made when it is first asked for. */
function regressionOfEffects(
  run: SeriesRun,
  taken: CalendarTaken,
  of: string,
  beside: readonly DesignColumn[],
): () => Regression {
  const own = columnsOfTaken(taken)
  let made: Regression | null = null
  return () =>
    (made ??= regressionOf(
      ...([run, of, run.firstT, [...beside, ...own]] as const),
      ...([taken.model === 'multiplicative', new Set(taken.leftOut)] as const),
    ))
}

/** The sum of coefficient × column, of logarithms exp of it; times the length where values were divided by it. */
function componentOf(
  run: SeriesRun,
  taken: CalendarTaken,
  of: string,
  beside: readonly DesignColumn[],
): (t: number) => Expression {
  const { model, divides, coefficients, at: first, arima } = taken
  const own = columnsOfTaken(taken)
  const ofLog = model === 'multiplicative'
  const regression = regressionOfEffects(run, taken, of, beside)
  return (t) => {
    const terms = own.map((column, j) =>
      operation(
        // Beside a model of what is left it comes from the filter, as the model's own coefficients do.
        arima
          ? parameterOf(`effect of ${column.label}, with ARIMA errors`, coefficients[j]!)
          : figureOf(`effect of ${column.label}`, coefficients[j]!, {
              kind: 'regression',
              gives: { figure: 'coefficient', at: first + j },
              of: regression(),
            }),
        '×',
        run.cell(rowOf(column), t),
      ),
    )
    const sum =
      terms.length === 0
        ? plain(0)
        : terms.reduce<Expression>(
            (left, term, j) => (j === 0 ? term : operation(left, '+', term)),
            terms[0]!,
          )
    const effect: Expression = ofLog ? { kind: 'exp', of: sum } : sum
    return divides ? operation(effect, '×', run.cell(LENGTH, t)) : effect
  }
}
