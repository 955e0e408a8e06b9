import { z } from 'zod'
import { weekdayCounts, type Day } from '../../core/calendar/civil'
import { axisOf } from '../../core/calendar/axis'
import { MODEL, MODELS } from '../../core/model'
import {
  dayOfText,
  groupOf,
  type Effect,
  type EffectFacts,
} from '../../core/prepare/calendar/effects'
import { estimateCalendar } from '../../core/prepare/calendar/estimate'
import { Refusal } from '../../core/refusal'
import { designCalendar } from '../../core/regression/designCalendar'
import { powersOfTime } from '../../core/regression/design'
import {
  divisionFactor,
  lengthOf,
  lengthOfPeriod,
  leapYear,
  meanDays,
  tradingDays,
  WEEKEND_DAY,
  weightsOfSunday,
  weekdays,
} from '../../core/regression/regressors/calendar/days'
import {
  EASTER_COUNTS,
  easterAfter,
  easterColumn,
  easterMeans,
  LEAST_WINDOW,
  MOST_WINDOW,
} from '../../core/regression/regressors/calendar/easter'
import { holidayColumn, holidayMeans } from '../../core/regression/regressors/calendar/ownHolidays'
import { seasonColumns } from '../../core/regression/regressors/seasonForms'
import { regressionFigures, termsOf } from '../../core/regression/report'
import { TIME_CODE } from '../../core/regression/timeVariable'
import { readInput, seriesInput, seriesOf, startInput as start } from './input'

const m = z.union([z.literal(12), z.literal(4)])
const window = z.int().min(LEAST_WINDOW).max(MOST_WINDOW)
const day = z.string().transform((text, context): Day => {
  const read = dayOfText(text)
  if (read === null)
    context.addIssue({ code: 'custom', message: `${text} is no date like 2024-05-01.` })
  return read ?? 0
})
const years = z.tuple([z.int(), z.int()]).transform(([first, last]) => ({ first, last }))
const holidayInput = z.object({
  dates: z.array(day).min(1),
  before: z.int(),
  after: z.int(),
  meanYears: years,
})
const effect = z.union([
  z.object({ effect: z.enum(['tradingDay6', 'tradingDay1', 'lengthOfPeriod', 'leapYear']) }),
  z.object({ effect: z.literal('easter'), window: z.number() }),
  holidayInput.extend({
    effect: z.literal('holiday'),
    name: z.string(),
    meanYears: years.optional(),
  }),
])
const axisInput = z.object({ m, start, n: z.int().min(1).max(5000) })

/** Every column of the calendar over the periods asked for. */
export function calcRegressors(input: unknown): unknown {
  const { m, start, n } = readInput(axisInput, input)
  const axis = axisOf(seriesOf({ unit: '', m, start, y: [] }))
  const over = <T>(at: (t: number) => T) => Array.from({ length: n }, (_, i) => at(i + 1))
  const days = (t: number) => axis.days(t)!
  const six = tradingDays(axis)
  return {
    days: over((t) => lengthOf(days(t))),
    weekdayCounts: over((t) => weekdayCounts(days(t))),
    tradingDay6: over((t) => six.map(({ at }) => at(t))),
    tradingDay1: over(weekdays(axis).at),
    lengthOfPeriod: over(lengthOfPeriod(axis).at),
    leapYear: over(leapYear(axis).at),
    divisionFactor: over((t) => divisionFactor(axis, t)),
    meanDays: meanDays(m),
  }
}

const rangeInput = z.object({ from: z.int(), to: z.int() })

/** Easter Sundays as MM-DD. */
export function calcEasterDates(input: unknown): unknown {
  const { from, to } = readInput(rangeInput, input)
  return {
    easter: Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => {
      const after = easterAfter(from + i)
      const [month, date] = after < 10 ? [3, 22 + after] : [4, after - 9]
      return `${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`
    }),
  }
}

const meansInput = z.object({ m: z.array(m), windows: z.array(window) })
/** Years whose plain means stand beside those of the full cycle. */
const COMPARED = { first: 1583, last: 2382 }

/** Mean shares of the seasons over the full cycle, and over 800 years. */
export function calcEasterMeans(input: unknown): unknown {
  const asked = readInput(meansInput, input)
  const compared = EASTER_COUNTS.map(() => 0)
  for (let year = COMPARED.first; year <= COMPARED.last; year++) compared[easterAfter(year)]!++
  const byWindow = (counts: readonly number[]) =>
    Object.fromEntries(
      asked.m.map((m) => [
        String(m),
        Object.fromEntries(asked.windows.map((w) => [String(w), easterMeans(m, w, counts)])),
      ]),
    )
  return {
    counts: EASTER_COUNTS,
    fullCycle: byWindow(EASTER_COUNTS),
    [`years${COMPARED.first}to${COMPARED.last}`]: byWindow(compared),
  }
}

/** Easter columns by window. */
export function calcEasterRegressors(input: unknown): unknown {
  const { m, start, n, windows } = readInput(axisInput.extend({ windows: z.array(window) }), input)
  const axis = axisOf(seriesOf({ unit: '', m, start, y: [] }))
  return {
    easter: Object.fromEntries(
      windows.map((w) => {
        const { at } = easterColumn(axis, w)
        return [String(w), Array.from({ length: n }, (_, i) => at(i + 1))]
      }),
    ),
  }
}

/** The column of a holiday of one's own, and the means that are taken off. */
export function calcHoliday(input: unknown): unknown {
  const { m, start, n, meanYears, ...own } = readInput(axisInput.extend(holidayInput.shape), input)
  requireDaysAround(own)
  const holiday = { name: 'holiday', ...own }
  const { at } = holidayColumn(axisOf(seriesOf({ unit: '', m, start, y: [] })), holiday, meanYears)
  return {
    seasonMeans: holidayMeans(m, holiday, meanYears),
    regressor: Array.from({ length: n }, (_, i) => at(i + 1)),
  }
}

function requireDaysAround({ before, after }: { before: number; after: number }): void {
  if (before < 0 || after < 0)
    throw new Refusal('The days around a date cannot be fewer than 0.', 'before')
}

const estimateInput = seriesInput.extend({
  m: z.int(),
  model: z.enum(MODELS),
  effects: z.array(effect),
  divideByLength: z.boolean().default(false),
  horizon: z.int().min(0).max(1000).default(0),
})

/** Effects estimated beside season dummies and a straight line, each group judged. */
export function calcEstimate(input: unknown): unknown {
  try {
    return estimated(readInput(estimateInput, input))
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { refused: true, because: error.because, names: namesOf(error, input) }
  }
}

function estimated(read: z.infer<typeof estimateInput>): unknown {
  const series = seriesOf(read)
  const { calendar, values } = series
  const facts: EffectFacts = {
    ...{ calendar, start: read.start, firstT: 1, lastT: values.length },
    endT: values.length + read.horizon,
  }
  const { model, divideByLength: divides } = read
  const groups = read.effects.map((one) => groupOf(one as Effect, facts, 'effects'))
  const axis = axisOf({ calendar, start: read.start })
  const season = seasonColumns({ form: 'dummies', base: 1 }, designCalendar(calendar, read.start))
  const { fit, judged, aicc } = estimateCalendar(
    {
      ...{
        values,
        firstT: 1,
        axis,
        model,
        divides,
        reach: null,
        beside: [...season, ...powersOfTime(1, TIME_CODE)],
      },
      nameOf: axisOf({ calendar, start: read.start }).codeAt,
    },
    groups,
    'effects',
  )
  const figures = regressionFigures(fit)
  const firstOwn = fit.p - groups.reduce((sum, { columns }) => sum + columns.length, 0)
  const own = groups.flatMap(({ columns }) => columns)
  const { fromSum, takeOut } = MODEL[model]
  const component = Array.from({ length: facts.endT }, (_, i) => {
    const sum = own.reduce((all, { at }, j) => all + fit.coefficients[firstOwn + j]! * at(i + 1), 0)
    return fromSum(sum) * (divides ? divisionFactor(axis, i + 1) : 1)
  })
  const byGroup = <T>(of: (one: (typeof judged)[number]) => T) =>
    Object.fromEntries(judged.map((one) => [one.group.name, of(one)]))
  return {
    ...{ n: figures.n, df: figures.df, sse: figures.sse, s: figures.s },
    terms: figures.terms.map(({ name, estimate, standardError, t, p }) => ({
      ...{ name: name === 'constant' ? 'intercept' : name.replace('season ', 'season') },
      ...{ estimate, standardError, t, p },
    })),
    joint: byGroup(({ joint: { f, ...rest } }) => ({ F: f, ...rest })),
    aicc: {
      with: figures.aicc,
      without: byGroup(({ aiccWithout }) => aiccWithout),
      withoutAny: aicc.withoutAny,
    },
    keep: byGroup(({ helps }) => helps),
    ...weekend(
      read.effects,
      (weights) => {
        const { estimate, standardError, t, p } = termsOf(fit)('', '', weights)
        return { estimate, standardError, t, p }
      },
      own.map(({ name }) => name),
      firstOwn,
    ),
    calendarComponent: component,
    adjusted: values.map((value, i) => (value === null ? null : takeOut(value, component[i]!))),
  }
}

/** What the columns of trading days say of the day that has none of its own. */
function weekend(
  effects: readonly { readonly effect: string }[],
  term: (weights: readonly number[]) => {
    estimate: number
    standardError: number
    t: number | null
    p: number | null
  },
  names: readonly string[],
  firstOwn: number,
): object {
  // Nothing of the season and the trend.
  const behind = (own: readonly number[]) => [...new Array<number>(firstOwn).fill(0), ...own]
  const has = (wanted: string) => effects.some(({ effect }) => effect === wanted)
  if (has('tradingDay6')) return { sunday: term(behind(weightsOfSunday(names))) }
  if (!has('tradingDay1')) return {}
  const { estimate, standardError } = term(
    behind(names.map((name) => (name === 'weekdays' ? WEEKEND_DAY : 0))),
  )
  return { weekendDay: { estimate, standardError } }
}

function namesOf({ names, where }: Refusal, input: unknown): string[] {
  if (names.effect) return [names.effect]
  if (names.column) return [names.column]
  if (names.t !== undefined) {
    const read = readInput(z.looseObject({ m: seriesInput.shape.m, start }), input)
    return [axisOf(seriesOf({ unit: '', m: read.m, start: read.start, y: [] })).codeAt(names.t)]
  }
  return where ? [where] : []
}
