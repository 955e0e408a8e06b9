import type { Model } from '../../model'
import { Refusal } from '../../refusal'
import type { DesignColumn } from '../../regression/design'
import { covarianceOfAlike, noSmaller } from '../../regression/alikeErrors'
import { fitDesign, type DesignFit } from '../../regression/fitDesign'
import { criteriaOfFit } from '../../regression/report'
import { divisionFactor, type CivilAxis } from '../../regression/regressors/calendar/days'
import type { Value } from '../../series/series'
import { upperF } from '../../statistics/distributions'
import type { EffectGroup } from './effects'
import { jointTest, type JointF } from './jointTest'

/** What effects of the calendar are estimated on. */
export interface CalendarRegression {
  /** One a period, null = missing. */
  readonly values: readonly Value[]
  readonly firstT: number
  readonly axis: CivilAxis
  /** Multiplicative: the regression is on ln y. */
  readonly model: Model
  /** Columns of season and trend, which the effects are estimated beside. */
  readonly beside: readonly DesignColumn[]
  /** Whether values are divided by the length of their period first; only in a multiplicative model. */
  readonly divides: boolean
  /** How many periods apart errors are counted as alike; null where they count as independent of each other. */
  readonly reach: number | null
  /** A period, for a refusal. */
  nameOf(t: number): string
}

/** A group of columns judged by what the regression is without it, the others kept. */
export interface JudgedGroup {
  readonly group: EffectGroup
  readonly joint: JointF
  /** Part of what season and trend leave that it explains beside the others, from 0 to 1. */
  readonly share: number
  readonly aiccWithout: Value
  /** Sum of squared residuals without it; null where errors are not independent, and no sum is compared. */
  readonly sseWithout: Value
  /** Whether AICc is lower with it. */
  readonly helps: boolean
}

/** What a regression leaves: what its criterion and its standard errors are made of. */
export interface Leftover {
  readonly n: number
  /** Columns, the constant included. */
  readonly p: number
  readonly sse: number
}

/** How errors were counted as alike. */
export interface CountedAlike {
  /** How many periods apart. */
  readonly reach: number
  /** The covariance that independent errors would have. */
  readonly independent: readonly (readonly number[])[]
}

/** Effects of the calendar, estimated. */
export interface EstimatedCalendar {
  readonly groups: readonly EffectGroup[]
  /** Of the calendar's columns, on the scale of the regression, and their covariance. */
  readonly coefficients: readonly number[]
  readonly covariance: readonly (readonly number[])[]
  /** Place of the first of them among the coefficients of the regression. */
  readonly at: number
  readonly judged: readonly JudgedGroup[]
  readonly aicc: { readonly withAll: Value; readonly withoutAny: Value }
  /** null where the errors are those of a model. */
  readonly leftover: Leftover | null
  /** Where the covariance holds for errors that are alike: within which reach, and the one of independent errors. */
  readonly alike: CountedAlike | null
}

/** The same with errors independent of each other, and the regression that they come from. */
export interface EstimatedIndependently extends EstimatedCalendar {
  readonly fit: DesignFit
}

/** Estimates groups of effects on the same values. @throws Refusal for what cannot be estimated */
export type EstimateGroups<Estimated extends EstimatedCalendar = EstimatedCalendar> = (
  groups: readonly EffectGroup[],
) => Estimated

/**
 * Estimates effects of the calendar beside season and trend, by least squares.
 *
 * Where errors count as alike their covariance is one that holds for that, and the joint F is made of it; the criterion stays
 * that of independent ones.
 *
 * @param groups in the order in which their columns stand
 * @param where path in the document, for a refusal
 * @throws Refusal for a value not above 0 in a multiplicative model, with its period; for too few values; and for a column
 *   that those before it say already, with its name
 */
export function estimateCalendar(
  regression: CalendarRegression,
  groups: readonly EffectGroup[],
  where: string,
): EstimatedIndependently {
  const y = onItsScale(regression, where)
  const fit = fitDesign(y, regression.firstT, columnsOf(regression, groups), where)
  const { df } = fit
  const variance = fit.sse / df
  const { aicc: aiccWithAll } = criteriaOfFit(fit)
  // The calendar's columns are the last; what goes without some of them follows from the one fit.
  const own = groups.flatMap((group) => group.columns.map(() => group))
  const without = (isOut: (group: EffectGroup) => boolean) => {
    const places = own.flatMap((group, j) => (isOut(group) ? [fit.p - own.length + j] : []))
    const sse = places.length === 0 ? fit.sse : fit.sse + fit.lossWithout(places)
    return { sse, aicc: criteriaOfFit({ n: fit.n, p: fit.p - places.length, sse }).aicc }
  }
  const none = without(() => true)
  const at = fit.p - own.length
  const coefficients = fit.coefficients.slice(at)
  const independent = covarianceWithin(fit, at, 0)
  const { reach } = regression
  const covariance =
    reach === null ? independent : noSmaller(covarianceWithin(fit, at, reach), independent)
  const placesOf = (group: EffectGroup) => own.flatMap((one, j) => (one === group ? [j] : []))
  return {
    ...{ fit, groups, at },
    ...{ coefficients, covariance },
    judged: groups.map((group): JudgedGroup => {
      const { sse, aicc } = without((one) => one === group)
      const df1 = group.columns.length
      const f = variance === 0 ? null : (sse - fit.sse) / df1 / variance
      return {
        group,
        joint:
          reach === null
            ? { f, df1, df2: df, p: f === null ? null : upperF(Math.max(0, f), df1, df) }
            : jointTest({ coefficients, covariance }, placesOf(group), df),
        share: none.sse === 0 ? 0 : (sse - fit.sse) / none.sse,
        aiccWithout: aicc,
        sseWithout: sse,
        helps: aiccWithAll !== null && aicc !== null && aiccWithAll < aicc,
      }
    }),
    aicc: { withAll: aiccWithAll, withoutAny: none.aicc },
    leftover: { n: fit.n, p: fit.p, sse: fit.sse },
    alike: reach === null ? null : { reach, independent },
  }
}

/**
 * The same with those groups alone that help: of the groups that are left to the criterion the one that does least is taken
 * out, until AICc rises with each that would go.
 *
 * @param estimated with all groups
 * @param open names of the groups that are left to the criterion
 */
export function onlyWhatHelps<Estimated extends EstimatedCalendar>(
  estimate: EstimateGroups<Estimated>,
  estimated: Estimated,
  open: ReadonlySet<string>,
): Estimated {
  const idle = estimated.judged.filter(({ group, helps }) => open.has(group.name) && !helps)
  if (idle.length === 0) return estimated
  const least = idle.reduce((worst, one) =>
    (one.aiccWithout ?? Infinity) < (worst.aiccWithout ?? Infinity) ? one : worst,
  )
  const others = estimated.groups.filter((group) => group !== least.group)
  return onlyWhatHelps(estimate, estimate(others), open)
}

/** Covariance of the coefficients from a place on, where errors within a reach may be alike; 0 for independent ones. */
function covarianceWithin(fit: DesignFit, at: number, reach: number): number[][] {
  const parts = Array.from({ length: fit.p - at }, (_, j) => fit.partsInTime(at + j))
  return covarianceOfAlike({ parts, residuals: fit.residualsInTime, df: fit.df }, reach)
}

/** Columns beside the constant: season and trend, then the calendar's. */
function columnsOf({ beside }: CalendarRegression, groups: readonly EffectGroup[]): DesignColumn[] {
  // Powers of time stand first, as a fit asks for them.
  return [...beside, ...groups.flatMap(({ columns }) => columns)]
}

/** The values as the regression takes them: of a multiplicative model their logarithms, divided by the length first. */
export function onItsScale(
  { values, firstT, axis, model, divides, nameOf }: CalendarRegression,
  where: string,
): Value[] {
  if (model === 'additive') {
    if (!divides) return [...values]
    throw new Refusal(
      'Values are divided by the length of their period in a multiplicative model alone. Take the length of the period as an effect, or the multiplicative model.',
      where,
      { effect: 'length of period' },
    )
  }
  return values.map((value, i) => {
    if (value === null) return null
    if (!(value > 0)) {
      throw new Refusal(
        `A multiplicative model needs every value above 0; that of ${nameOf(firstT + i)} is ${value}. Take the additive model.`,
        where,
        { t: firstT + i },
      )
    }
    return Math.log(divides ? value / divisionFactor(axis, firstT + i) : value)
  })
}
