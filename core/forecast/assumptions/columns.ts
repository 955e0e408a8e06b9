import type { Model } from '../../model'
import { seasonOut } from '../../words/seasonOut'
import { declare, type Column, type Mark } from '../../column/column'
import { figureOf, operation, parameterOf, type Expression } from '../../column/expression'
import type { Run } from '../../column/run'
import { listed } from '../../words/listed'
import { limitNamed } from '../columns'
import { assumptionsAt, growthAt, ofKind, type Bent } from './bend'
import type { Assumption } from './options'

/** What the statistics say stands under the name of its row and this. */
const STATISTICAL = ', statistical'
const LEVEL = 'bentLevel'
const INDEX = 'bentIndex'
const AMOUNT = 'bentAmount'

/** The limits that nobody bent are steps on the way to those that one reads. */
const GROUP = { name: 'statistical', label: 'of the statistical forecast' } as const

/** The row of the forecast that nobody bent. */
export const STATISTICAL_FORECAST = `forecast${STATISTICAL}`

function isBent(column: string): boolean {
  return column === 'forecast' || limitNamed(column) !== null
}

/** The ledger as the way of forecasting knows it: its own forecast is the statistical one. */
export function statisticalRun(run: Run): Run {
  const own = (name: string) => (isBent(name) ? `${name}${STATISTICAL}` : name)
  return {
    ...run,
    value: (name, t) => run.value(own(name), t),
    arithmetic: (name, t) => run.arithmetic(own(name), t),
    whyUndefined: (name, t) => run.whyUndefined(own(name), t),
    cell: (name, t) => run.cell(own(name), t),
  }
}

/** How the rows of a bent forecast are worked out. */
export interface Bending {
  readonly run: Run
  readonly assumptions: readonly Assumption[]
  readonly bent: Bent
  /** Whether what is assumed has rows of its own; else it is written out. */
  readonly hasRows: boolean
  /** The row of the statistical forecast. */
  readonly statistical: string
  /** The forecast on the values as the preparations leave them, by the name of its row; that of the statistical one where nothing was taken out. */
  readonly inside: string
  timeCode(code: string): number
  /** The arithmetic of the level in the last period known; left out where level and season are never apart. */
  readonly levelAtOrigin?: (() => Expression) | undefined
  /** A figure with what the preparations took out in it again. */
  putBack(value: Expression, t: number): Expression
}

/**
 * The rows of a way of forecasting with those of the bent forecast: its own stay as the statistical ones, and each that an
 * assumption moves stands once more, moved.
 *
 * @param columns of the way, made by {@link statisticalRun}
 */
export function bentColumns(columns: readonly Column[], bending: Bending): Column[] {
  const statistical = columns.map((column): Column => {
    if (!isBent(column.name)) return column
    const isPoint = column.name === 'forecast'
    return {
      ...column,
      name: `${column.name}${STATISTICAL}`,
      label: isPoint ? 'Statistical forecast' : `${column.label}${STATISTICAL}`,
      symbol: isPoint ? 'statistical forecast' : `${column.symbol}${STATISTICAL}`,
      mark: isPoint ? 'line-dotted' : column.mark,
      group: isPoint ? null : GROUP,
    }
  })
  const { bent } = bending
  return [
    ...statistical,
    ...assumptionColumns(bending),
    ...columns.flatMap((column): Column[] => {
      const limit = limitNamed(column.name)
      if (!isBent(column.name)) return []
      if (!limit) {
        return [
          {
            ...column,
            label: 'Forecast, bent by hand',
            means: 'as assumed',
            explains: 'the statistical forecast as the assumptions bend it',
            ahead: bent.forecast,
            reading: (t) => readingAt(bending, t),
            arithmetic: (t) => forecastArithmetic(bending, t),
          },
        ]
      }
      return [
        {
          ...column,
          means: 'as far off as before',
          explains: `${column.explains}, moved with the forecast`,
          ahead: bent.limits[limit.level]![limit.side],
          arithmetic: (t) => limitArithmetic(bending, column.name, t),
        },
      ]
    }),
  ]
}

function bentLabel({ without }: Run, season: Model | null): string {
  if (season === null) return 'Level, bent'
  return seasonOut(without).row('Bent')
}

/** What is assumed, each kind in a row of its own, where there is any. */
function assumptionColumns(bending: Bending): Column[] {
  const { run, bent, assumptions } = bending
  const { unit } = run
  const isAdditive = bent.season === 'additive'
  const common = { mark: 'line-thin', stages: ['project'] } as const
  return [
    ...(hasGrowth(bending)
      ? [
          declare(unit, {
            ...{ name: LEVEL, label: bentLabel(run, bent.season) },
            symbol: bent.season ? `bent ${seasonOut(run.without).of('forecast')}` : 'bent level',
            means: 'growth as assumed',
            measure: 'level',
            component: 'deseasonalized',
            ...common,
            ahead: bent.level,
            arithmetic: (t) => levelArithmetic(bending, t),
          }),
        ]
      : []),
    ...(hasIndex(bending)
      ? [
          declare(unit, {
            ...{ name: INDEX, label: 'Index, assumed', symbol: 'assumed change of the index' },
            means: isAdditive ? 'added to the index' : 'times the index',
            measure: isAdditive ? 'difference' : 'factor',
            component: 'season',
            ...common,
            ahead: bent.index,
            arithmetic: (t) => figureOf(reasons(bending, 'index', t), bent.index[at(run, t)]!),
          }),
        ]
      : []),
    ...(ofKind(assumptions, 'amount').length > 0
      ? [
          declare(unit, {
            ...{ name: AMOUNT, label: 'Amount, assumed', symbol: 'assumed amount' },
            means: 'added last',
            measure: 'difference',
            component: 'forecast',
            ...common,
            ahead: bent.amount,
            arithmetic: (t) => figureOf(reasons(bending, 'amount', t), bent.amount[at(run, t)]!),
          }),
        ]
      : []),
  ]
}

function at(run: Run, t: number): number {
  return t - run.lastT - 1
}

function hasGrowth({ assumptions, bent }: Bending): boolean {
  return bent.level !== null && ofKind(assumptions, 'growth').length > 0
}

function hasIndex({ assumptions }: Bending): boolean {
  return ofKind(assumptions, 'index').length > 0
}

/** Why a figure is assumed, in the analyst's own words. */
function reasons(bending: Bending, kind: 'index' | 'amount', t: number): string {
  const own = movers(bending, t).filter((one) => one.kind === kind)
  return own.length === 0 ? 'nothing assumed' : own.map(({ reason }) => reason).join('; ')
}

/** The assumptions that move the forecast of a period. */
function movers({ run, assumptions, timeCode }: Bending, t: number): Assumption[] {
  return assumptionsAt(assumptions, t, run.seasonOf(t), timeCode)
}

function readingAt(bending: Bending, t: number): string {
  const own = movers(bending, t)
  if (own.length === 0) return 'No assumption moves this period.'
  return `Moved by ${listed(own.map(({ kind, reason }) => `${kind} (${reason})`))}.`
}

/** The row of the statistical forecast without its season; without one that of the forecast itself. */
function statisticalLevel({ run, bent, inside }: Bending, t: number): Expression {
  return run.cell(bent.season ? 'forecastDeseasonalized' : inside, t)
}

function levelArithmetic(bending: Bending, t: number): Expression {
  const { run, assumptions, bent, timeCode } = bending
  const own = growthAt(ofKind(assumptions, 'growth'), t, timeCode)
  if (!own) return statisticalLevel(bending, t)
  const first = run.lastT + 1
  const from = Math.max(first, timeCode(own.from))
  const base =
    from === first
      ? figureOf(`level (${run.label(run.lastT)})`, bent.atOrigin!, bending.levelAtOrigin?.())
      : levelAt(bending, from - 1)
  const { percentPerYear: share } = own
  const yearly = parameterOf(`1 ${share < 0 ? '−' : '+'} ${Math.abs(share)}%`, 1 + share / 100)
  const years = (t - from + 1) / run.calendar.seasons
  return operation(base, '×', { kind: 'power', of: yearly, power: years })
}

function levelAt(bending: Bending, t: number): Expression {
  return bending.hasRows ? bending.run.cell(LEVEL, t) : levelArithmetic(bending, t)
}

/** What is assumed of a period beside growth, under the reasons for it. */
function assumedAt(bending: Bending, kind: 'index' | 'amount', t: number): Expression {
  const { run, bent, hasRows } = bending
  if (hasRows) return run.cell(kind === 'index' ? INDEX : AMOUNT, t)
  return figureOf(reasons(bending, kind, t), bent[kind][at(run, t)]!)
}

/** The inside forecast, bent; then what was taken out comes back, and the amounts last. What does not move a period is not written. */
function forecastArithmetic(bending: Bending, t: number): Expression {
  const { run, bent, inside } = bending
  const kinds = new Set(movers(bending, t).map(({ kind }) => kind))
  const isAdditive = bent.season === 'additive'
  const level = kinds.has('growth') ? levelAt(bending, t) : null
  let own: Expression = run.cell(inside, t)
  if (level && bent.season === null) own = level
  else if (level && isAdditive) {
    own = operation(own, '+', operation(level, '−', statisticalLevel(bending, t)))
  } else if (level) own = operation(own, '×', operation(level, '÷', statisticalLevel(bending, t)))
  if (kinds.has('index'))
    own = operation(own, isAdditive ? '+' : '×', assumedAt(bending, 'index', t))
  const isMoved = level !== null || kinds.has('index')
  const whole = isMoved ? bending.putBack(own, t) : run.cell(bending.statistical, t)
  return kinds.has('amount') ? operation(whole, '+', assumedAt(bending, 'amount', t)) : whole
}

/** As far from the bent forecast as it was from the other, in the ratio of their levels. */
function limitArithmetic(bending: Bending, name: string, t: number): Expression {
  const { run, bent } = bending
  const forecast = run.cell('forecast', t)
  let apart: Expression = operation(
    run.cell(`${name}${STATISTICAL}`, t),
    '−',
    run.cell(STATISTICAL_FORECAST, t),
  )
  const kinds = new Set(movers(bending, t).map(({ kind }) => kind))
  if (kinds.has('growth')) {
    const ratio = operation(run.cell(LEVEL, t), '÷', statisticalLevel(bending, t))
    apart = operation(apart, '×', ratio)
  }
  if (kinds.has('index') && bent.season === 'multiplicative') {
    apart = operation(apart, '×', run.cell(INDEX, t))
  }
  return operation(forecast, '+', apart)
}

/** Scenarios are told apart by their lines, also from the forecast and from the statistical one. */
const SCENARIO_MARKS = ['line-thick', 'line-points', 'line-thin'] as const satisfies readonly Mark[]

/** The row of a scenario: what the statistical forecast would be by another set of assumptions. */
export function scenarioColumn(name: string, place: number, bending: Bending): Column {
  return declare(bending.run.unit, {
    name: scenarioRow(name),
    label: `Scenario: ${name}`,
    symbol: `scenario "${name}"`,
    means: 'other assumptions',
    explains: 'the statistical forecast as the assumptions of this scenario bend it',
    ...{ measure: 'level', component: 'forecast', stages: ['project'] },
    mark: SCENARIO_MARKS[place % SCENARIO_MARKS.length]!,
    ahead: bending.bent.forecast,
    reading: (t) => readingAt(bending, t),
    arithmetic: (t) => forecastArithmetic(bending, t),
  })
}

/** The name of that row. */
export function scenarioRow(name: string): string {
  return `scenario ${name}`
}
