import { z } from 'zod'
import { MODELS, type Model } from '../../model'
import { Refusal } from '../../refusal'
import { SEASON_FORMS, type SeasonForm } from '../../regression/seasonForms'
import { FITTED_FORMS } from '../../trend/leastSquares/forms'
import type { TrainingSpan } from '../../trend/commonOptions'
import { requireFitted } from '../../trend/options'
import {
  backTransformOption,
  commonForecast,
  completeCommon,
  type BackTransform,
  type CommonForecast,
  type ForecastFacts,
} from '../commonOptions'

const MOST_EVENTS = 1000
const nameOption = z.string().trim().min(1, 'An event needs a name.').max(80)
const periodCode = z.string().min(1).max(20)
/** A stretch from one period to another, or one period. */
const stretchOption = { from: periodCode, to: periodCode.optional() }

/** Forecast by a regression of trend plus season, as a person or a script writes it. */
export const regressionDocument = z.strictObject({
  by: z.literal('regression'),
  ...commonForecast,
  season: z.enum(SEASON_FORMS).optional(),
  base: z.int().min(1).optional(),
  pairs: z.int().min(1).optional(),
  model: z.enum(MODELS).optional(),
  indicators: z
    .array(
      z
        .strictObject({
          name: nameOption,
          ...stretchOption,
          again: z
            .array(z.strictObject(stretchOption).readonly())
            .max(MOST_EVENTS)
            .readonly()
            .optional(),
        })
        .readonly(),
    )
    .max(MOST_EVENTS)
    .readonly()
    .optional(),
  steps: z
    .array(z.strictObject({ name: nameOption, from: periodCode }).readonly())
    .max(MOST_EVENTS)
    .readonly()
    .optional(),
  backTransform: backTransformOption,
})
export type RegressionDocument = z.infer<typeof regressionDocument>

/** From one period to another, both included, by their codes. */
export interface StretchAt {
  readonly from: string
  readonly to: string
}

/** Something that happened and passed: 1 while it lasts. */
export interface IndicatorAt extends StretchAt {
  readonly name: string
  /** When it happened once more, or is to: a promotion that comes every spring, and one that is planned. */
  readonly again?: readonly StretchAt[]
}

/** Something that happened and stays: 1 from a period on. */
export interface StepFrom {
  readonly name: string
  readonly from: string
}

/** The same, complete. */
export interface RegressionOptions extends CommonForecast {
  readonly by: 'regression'
  /** Multiplicative is additive on ln y. */
  readonly model: Model
  readonly season: SeasonForm['form']
  /** Of dummies alone: the season that the others are compared with. */
  readonly base?: number
  /** Of waves alone: how many, from that of one year on. */
  readonly pairs?: number
  readonly indicators: readonly IndicatorAt[]
  readonly steps: readonly StepFrom[]
  /** Of a multiplicative model alone, whose forecast comes back from logarithms. */
  readonly backTransform?: BackTransform
}

const USUAL_PAIRS = 3

/**
 * Fills in the defaults: the model of the decomposition (with an exponential trend multiplicative), a season as
 * effects, no events; of dummies the first season as base, of waves three pairs, back from logarithms the median.
 *
 * @throws Refusal for what contradicts itself or would do nothing, with its path
 */
export function completeRegression(
  document: RegressionDocument,
  facts: ForecastFacts,
): RegressionOptions {
  const { by, base, pairs, backTransform, indicators = [], steps = [], ...rest } = document
  const { calendar } = facts
  const trend = requireFitted(facts.trend)
  const { seasons } = calendar
  const form = FITTED_FORMS[trend.form]
  const model = rest.model ?? (form.ofLog ? 'multiplicative' : facts.model)
  if (form.ofLog && model === 'additive') {
    throw new Refusal(
      'An exponential trend is fitted to logarithms, so a season with it is multiplicative. Take the multiplicative model, or a straight line.',
      'forecast.model',
    )
  }
  const season = rest.season ?? (seasons < 2 ? 'none' : 'effects')
  if (season !== 'none' && seasons < 2) {
    throw new Refusal('A yearly series has no season for a regression to find.', 'forecast.season')
  }
  const hasBase = season === 'dummies' || season === 'dummies-by-trend'
  if (season === 'dummies-by-trend' && (form.degree !== 1 || form.bends)) {
    throw new Refusal(
      `Slopes by season need a trend that is one straight line; this one is ${form.says}.`,
      'forecast.season',
    )
  }
  refuseIdle(!hasBase, base, 'base', 'a season as dummies', season)
  refuseIdle(season !== 'fourier', pairs, 'pairs', 'a season as waves', season)
  refuseIdle(
    model === 'additive',
    backTransform,
    'backTransform',
    'a multiplicative regression',
    model,
  )
  if (base !== undefined && base > seasons) {
    throw new Refusal(`Season ${base}: a year has ${seasons}.`, 'forecast.base')
  }
  const mostPairs = Math.floor(seasons / 2)
  if (pairs !== undefined && pairs > mostPairs) {
    throw new Refusal(
      `${pairs} pairs: with ${seasons} seasons there are ${mostPairs} at the most.`,
      'forecast.pairs',
    )
  }
  return {
    by,
    ...completeCommon(rest, calendar),
    model,
    season,
    ...(hasBase ? { base: base ?? 1 } : {}),
    ...(season === 'fourier' ? { pairs: pairs ?? Math.min(USUAL_PAIRS, mostPairs) } : {}),
    ...eventsOf(indicators, steps, facts),
    ...(model === 'multiplicative' ? { backTransform: backTransform ?? 'median' } : {}),
  }
}

function refuseIdle(isIdle: boolean, value: unknown, key: string, home: string, own: string): void {
  if (!isIdle || value === undefined) return
  throw new Refusal(
    `${key} belongs to ${home}; this one is ${own}. Take it out.`,
    `forecast.${key}`,
  )
}

/** A stretch as it is written. */
interface WrittenStretch {
  readonly from: string
  readonly to?: string | undefined
}

/** Events with names of their own, each where something is fitted. */
function eventsOf(
  indicators: NonNullable<RegressionDocument['indicators']>,
  steps: NonNullable<RegressionDocument['steps']>,
  { timeCode, trend, firstT, lastT }: ForecastFacts,
) {
  const names = new Set<string>()
  const from = Math.max(firstT, lastT - (trend.last ?? Infinity) + 1)
  const requireOwnName = (name: string, where: string) => {
    if (names.has(name)) throw new Refusal(`Two events are called "${name}".`, where)
    names.add(name)
  }
  const outside = (name: string, where: string) =>
    new Refusal(
      `"${name}" lies outside the periods that the regression is fitted to, so nothing can be learnt of it. Take it out, or fit more periods.`,
      where,
    )
  const ahead = (name: string, where: string) =>
    new Refusal(
      `"${name}" is still to come, and nothing can be learnt of what has not happened. Say when it happened before; it may come again after.`,
      where,
    )
  const stretchAt = ({ from: first, to = first }: WrittenStretch, name: string, where: string) => {
    const [start, end] = [timeCode(first, `${where}.from`), timeCode(to, `${where}.to`)]
    if (end < start) throw new Refusal(`"${name}" ends before it begins.`, `${where}.to`)
    return { from: first, to, isFitted: end >= from && start <= lastT, isAhead: start > lastT }
  }
  return {
    indicators: indicators.map(({ name, again = [], ...first }, i): IndicatorAt => {
      const where = `forecast.indicators.${i}`
      requireOwnName(name, `${where}.name`)
      const all = [
        stretchAt(first, name, where),
        ...again.map((one, k) => stretchAt(one, name, `${where}.again.${k}`)),
      ]
      if (all.every(({ isAhead }) => isAhead)) throw ahead(name, `${where}.from`)
      if (!all.some(({ isFitted }) => isFitted)) throw outside(name, `${where}.from`)
      const [own, ...others] = all.map(({ from: begin, to }): StretchAt => ({ from: begin, to }))
      return { name, ...own!, ...(others.length > 0 ? { again: others } : {}) }
    }),
    steps: steps.map(({ name, from: first }, i): StepFrom => {
      const where = `forecast.steps.${i}`
      requireOwnName(name, `${where}.name`)
      const start = timeCode(first, `${where}.from`)
      if (start > lastT) throw ahead(name, `${where}.from`)
      if (start <= from) throw outside(name, `${where}.from`)
      return { name, from: first }
    }),
  }
}

/** The same regression of a shorter span: events that lie outside it, or that nothing follows, are left behind. */
export function regressionWithin(
  { indicators, steps, ...document }: RegressionDocument,
  { from, to, timeCode }: TrainingSpan,
): RegressionDocument {
  const starts = ({ from: first }: WrittenStretch) => timeCode(first)
  const isWithin = (one: WrittenStretch) =>
    starts(one) <= to && timeCode(one.to ?? one.from) >= from
  return {
    ...document,
    indicators: indicators?.filter((event) => [event, ...(event.again ?? [])].some(isWithin)),
    steps: steps?.filter((event) => starts(event) > from && starts(event) <= to),
  }
}

/** The form of the season as a design takes it. */
export function seasonFormOf({ season, base, pairs }: RegressionOptions): SeasonForm {
  switch (season) {
    case 'dummies':
    case 'dummies-by-trend':
      return { form: season, base: base ?? 1 }
    case 'fourier':
      return { form: season, pairs: pairs ?? 1 }
    default:
      return { form: season }
  }
}
