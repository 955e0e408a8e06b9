import { z } from 'zod'
import type { Calendar } from '../calendar/calendar'
import type { DecompositionDocument } from '../decompose/ways'
import type { Model } from '../model'
import { Refusal } from '../refusal'
import { requireWhole } from '../requireWhole'
import type { TrendOptions } from '../trend/ways'
import {
  assumptionsDocument,
  completeAssumptions,
  completeScenarios,
  scenariosDocument,
  type Assumption,
  type Scenario,
} from './assumptions/options'
import type { MemberDocument, MemberMethod } from './member'

/** Forecasts further out than this say nothing, and cost a page of columns. */
export const LONGEST_HORIZON = 1200
/** Years that a yearly series is projected. */
const YEARLY_HORIZON = 3

/** How what comes back from logarithms is read: its median, its mean, or its mean without assuming a distribution. */
export const BACK_TRANSFORMS = ['median', 'mean', 'smearing'] as const
export type BackTransform = (typeof BACK_TRANSFORMS)[number]

/** What limits are made of: the model and its residuals, or the errors of earlier forecasts of the same kind. */
export const LIMIT_KINDS = ['model', 'past-errors'] as const
export type LimitKind = (typeof LIMIT_KINDS)[number]

/** What every forecast is asked. */
export const commonForecast = {
  horizon: z.int().min(1).optional(),
  /** Coverage of the limits in per cent. */
  levels: z.array(z.number().gt(0).lt(100)).max(10).readonly().optional(),
  limits: z.enum(LIMIT_KINDS).optional(),
  assumptions: assumptionsDocument,
  scenarios: scenariosDocument,
}
export const backTransformOption = z.enum(BACK_TRANSFORMS).optional()

/** The same, complete. */
export interface CommonForecast {
  /** Periods. */
  readonly horizon: number
  /** Coverage of the limits in per cent, ascending. */
  readonly levels: readonly number[]
  readonly limits: LimitKind
  /** What the analyst knows better; left out where nothing is assumed. */
  readonly assumptions?: readonly Assumption[]
  /** Other sets of assumptions, laid beside; left out where there are none. */
  readonly scenarios?: readonly Scenario[]
}

/** What a way of forecasting must know to fill in its defaults. */
export interface ForecastFacts {
  readonly calendar: Calendar
  /** Of the decomposition. */
  readonly model: Model
  readonly trend: TrendOptions
  /** The decomposition as it was asked for. */
  readonly decompose: DecompositionDocument
  /** Time codes of the analysed span. */
  readonly firstT: number
  readonly lastT: number
  /** The time code of a period of the series, or of one ahead. @throws Refusal for any other */
  timeCode(code: string, where: string): number
  /** A method within this one, complete. @throws Refusal as that method does, under its own path */
  completeMember(member: MemberDocument, where: string): MemberMethod
}

/** One year ahead, three of a yearly series, with 80% and 95% limits of the model. @throws Refusal for what is out of range */
export function completeCommon(
  document: {
    readonly horizon?: number | undefined
    readonly levels?: readonly number[] | undefined
    readonly limits?: LimitKind | undefined
    readonly assumptions?: readonly Assumption[] | undefined
    readonly scenarios?: readonly Scenario[] | undefined
  },
  facts: Pick<ForecastFacts, 'calendar' | 'timeCode'>,
): CommonForecast {
  const { seasons } = facts.calendar
  const { assumptions = [], scenarios = [] } = document
  const horizon = document.horizon ?? (seasons < 2 ? YEARLY_HORIZON : seasons)
  requireWhole(horizon, 1, LONGEST_HORIZON, 'forecast.horizon')
  const levels = [...(document.levels ?? [80, 95])].sort((a, b) => a - b)
  if (new Set(levels).size < levels.length) {
    throw new Refusal('The same level is asked for twice.', 'forecast.levels')
  }
  if (levels.some((level) => !(level > 0 && level < 100))) {
    throw new Refusal('A limit covers more than 0% and less than 100%.', 'forecast.levels')
  }
  return {
    ...{ horizon, levels, limits: document.limits ?? 'model' },
    ...(assumptions.length > 0 ? { assumptions: completeAssumptions(assumptions, facts) } : {}),
    ...(scenarios.length > 0 ? { scenarios: completeScenarios(scenarios, facts) } : {}),
  }
}
