import { calculate, type Figures } from '../calculate'
import { completeMethod } from '../completeMethod'
import type { MemberDocument } from '../forecast/member'
import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import { changed, type MethodDocument } from '../method'
import { choiceOf, PREPARATIONS } from '../prepare/preparations'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'
import { trendWayOf } from '../trend/ways'
import { trainingDocument } from './trainingDocument'

/** What is known when slow choices are made, and how far they hold. */
interface Known {
  /** Time codes of the first and the last period known. */
  readonly firstT: number
  readonly origin: number
  readonly horizon: number
  /** Whether also what is not slow, only many times too much, is looked for near what was found. */
  readonly near?: boolean
  /** What the method comes to there, where that is known already. */
  readonly figures?: Figures | undefined
}

/** A method whose slow choices are made. */
interface Settled {
  readonly document: MethodDocument
  /** Whether it had left one open. */
  readonly wasOpen: boolean
}

/**
 * A method with its slow choices made from what was known at an origin, and what is estimated to be looked for near what was
 * found there: all anew from every origin would take a hundred times as long.
 *
 * @returns null where its ways have no slow choices, or it is refused there
 */
export function settledAt(series: Series, document: MethodDocument, known: Known): Settled | null {
  const { forecast, decompose = {} } = document
  const { members } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  if (!members || !forecast?.by) return ownChoices(series, document, known)
  const own = members.of(forecast, decompose)
  const ofMember = { ...known, figures: undefined }
  const settled = own.map((member) => settledMember(series, document, member, ofMember))
  const around = ownChoices(series, document, known)
  if (!around && settled.every((member) => member === null)) return null
  const made = own.map((one, i) => settled[i]?.member ?? one)
  return {
    document: changed(around?.document ?? document, { forecast: members.are(made) }),
    wasOpen: (around?.wasOpen ?? false) || settled.some((member) => member?.wasOpen),
  }
}

/** The slow choices of a method's own parts: forecast, trend, and what prepares the values. */
function ownChoices(series: Series, document: MethodDocument, known: Known): Settled | null {
  const method = completeMethod(document, series)
  const way = forecastWayOf(method.forecast.by)
  const ofForecast = way.slowChoices
  const trend = way.extendsTrend ? trendWayOf(method.trend.form) : undefined
  const ofTrend = trend?.slowChoices
  const forecastMade = (known.near ? way.nearChoices : undefined) ?? ofForecast?.made
  const trendMade = (known.near ? trend?.nearChoices : undefined) ?? ofTrend?.made
  const preparing = PREPARATIONS.flatMap((one) => {
    const choice = choiceOf(document, one)
    const slow = one.slowChoices?.(choice)
    return slow ? [{ key: one.key, choice, slow }] : []
  })
  if (!forecastMade && !trendMade && preparing.length === 0) return null
  try {
    const { firstT, origin, horizon } = known
    const {
      ahead,
      trend: found,
      prepared,
    } = known.figures ??
    calculate(series, trainingDocument(document, series, firstT, origin, horizon))
    const prepares = preparing.flatMap(({ key, choice, slow }) => {
      const found = prepared.takenOut?.[key]
      return found ? [[key, { ...(choice as object), ...slow.made(found) }] as const] : []
    })
    return {
      document: changed(document, {
        ...Object.fromEntries(prepares),
        ...(forecastMade ? { forecast: forecastMade(ahead) } : {}),
        ...(trendMade ? { trend: trendMade(found) } : {}),
      }),
      wasOpen:
        (ofForecast?.areOpen(method.forecast) ?? false) ||
        (ofTrend?.areOpen(method.trend) ?? false) ||
        preparing.some(({ choice, slow }) => slow.areOpen(choice!)),
    }
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}

/** A member of a combination, as a method by itself. */
function settledMember(
  series: Series,
  { format, span, missing }: MethodDocument,
  member: MemberDocument,
  known: Known,
): { readonly member: MemberDocument; readonly wasOpen: boolean } | null {
  const settled = settledAt(series, { format, span, missing, ...member } as MethodDocument, known)
  if (!settled) return null
  const { forecast, trend } = settled.document
  return {
    member: {
      ...member,
      ...(trend ? { trend } : {}),
      ...(forecast ? { forecast: { ...forecast } } : {}),
    },
    wasOpen: settled.wasOpen,
  }
}
