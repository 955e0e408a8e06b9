import { axisOf } from './calendar/axis'
import { calculate, type Figures } from './calculate'
import { assume, type Assumed } from './assume'
import { check } from './check/check'
import { withPastErrors } from './check/pastErrorLimits'
import { examine, type Examined } from './examine'
import { reportTrend, straightTrendOf } from './examineTrend'
import type { Weights } from './stateSpace/forms'
import { forecastWayOf } from './forecast/ways'
import type { Hear } from './work/steps'
import { findingsOf } from './findings/findings'
import { seriesFacts } from './look'
import { changed, type MethodDocument } from './method'
import {
  asTried,
  mends,
  offerName,
  offersIn,
  taken,
  togetherAt,
  withOffers,
  type MethodOnSeries,
  type Offer,
  type Standing,
} from './offers'
import { orNull } from './refusal'
import { RESULT_FORMAT, type Result } from './result'
import type { Series } from './series/series'
import { STAGES, type Stage } from './stage'

/** Who hears of a result on the way to it. */
export interface Heard {
  /** How far a long calculation has come. */
  readonly hear?: Hear | undefined
  /** The numbers, before anything is judged, and before limits that take long. */
  readonly early?: ((numbers: Numbers) => void) | undefined
}

/**
 * Runs a method on a series: the one entrance that screen, HTTP and command line call.
 *
 * @param series values in units of `series.unit`, one a period
 * @param document the method; what it leaves out takes its default
 * @param heard on the way: how far a long choice has come, and early the forecast whose limits are still being made
 *
 * A check is made where the document asks for one; every offer is then tried, and made only where it mends.
 *
 * @returns every column of the calculation over the analysed span, the indices, the trend report,
 *   the forecast with its limits, error figures and findings
 * @throws Refusal when the method cannot be carried out on this series, with the reason
 */
export function analyse(series: Series, document: MethodDocument, heard?: Heard): Result {
  const result = run(series, document, heard)
  return document.check ? withTriedOffers(result, { series, document }) : result
}

/** Makes only those offers that mend, which a check can tell. */
function withTriedOffers(result: Result, own: MethodOnSeries): Result {
  const mending = new Set(namesOf(mendingOffers(own)))
  const findings = withOffers(result.findings, (finding, action) =>
    mending.has(offerName(finding, action)),
  )
  return { ...result, findings }
}

function namesOf(offers: Iterable<Offer | null>): string[] {
  return [...offers].flatMap((offer) => (offer ? [offerName(offer.finding, offer.action)] : []))
}

/**
 * Tries every offer of a method, one after another: each takes as long as the method and its check do, so that whoever
 * cannot wait looks up between two of them.
 *
 * @returns each offer that mends as it is found, and null for one that does not
 */
export function* mendingOffers(own: MethodOnSeries): Generator<Offer | null> {
  const tried = triedOf(own)
  if (!tried) return
  for (const offer of offersIn(tried.before.findings)) {
    const after = standingOf(taken(tried.own, offer.action))
    yield mends(offer.finding, offer.action, tried.before, after) ? offer : null
  }
}

/**
 * Tries the first offers of each stage together, in the same way.
 *
 * @param mending those that mend by themselves
 * @returns each stage whose first offers mend together, and null for one whose do not
 */
export function* mendingTogether(
  own: MethodOnSeries,
  mending: readonly Offer[],
): Generator<Stage | null> {
  const stages = STAGES.filter((stage) => togetherAt(stage, mending).length > 0)
  const tried = stages.length > 0 ? triedOf(own) : null
  if (!tried) return
  for (const stage of stages) {
    const together = togetherAt(stage, mending)
    const all = together.reduce((run, { action }) => taken(run, action), tried.own)
    const after = standingOf(all)
    const allMend = together.every(({ finding, action }) =>
      mends(finding, action, tried.before, after),
    )
    yield allMend ? stage : null
  }
}

/** What offers are held against; without a check where the series is too short for any. Null for a method that is refused. */
function triedOf({ series, document }: MethodOnSeries) {
  for (const one of [asTried({ series, document }), { ...document, check: undefined }]) {
    const own = { series, document: one }
    const before = standingOf(own)
    if (before) return { own, before }
  }
  return null
}

function standingOf({ series, document }: MethodOnSeries): Standing | null {
  const result = orNull(() => run(series, document))
  return result && { findings: result.findings, off: result.check?.verdict?.method ?? null }
}

function run(series: Series, document: MethodDocument, { hear, early }: Heard = {}): Result {
  const figures = calculate(series, document, hear)
  const waits = figures.method.forecast.limits === 'past-errors'
  // The forecast does not wait for limits that are made of many others.
  early?.(numbersOf(waits ? withoutLimits(figures) : figures))
  return resultOf(waits ? withPastErrors(figures, document, hear) : figures, series, document)
}

function resultOf(figures: Figures, series: Series, document: MethodDocument): Result {
  const checked = document.check ? check(series, document) : null
  const numbers = { ...numbersOf(figures), ...(checked ? { check: checked } : {}) }
  // What cannot be judged at all is refused at once, and not when it is first looked at.
  const straight = straightTrendOf(figures)
  return judgedLater(numbers, () => {
    const examined = examine(figures, straight)
    const { straight: _, ...judged } = examined
    const found = findingsOf(figures, examined)
    return { ...judged, findings: [...found, ...(checked?.findings ?? [])] }
  })
}

/** What of a result is judgement. */
type Judged = Omit<Examined, 'straight'> & Pick<Result, 'findings'>

/** What of a result is numbers alone. */
export type Numbers = Omit<Result, keyof Judged>

/** All of it; that none is forgotten is the compiler's to see. */
const JUDGED: Readonly<Record<keyof Judged, true>> = {
  ...{ seasons: true, strength: true, seasonTests: true, whichModel: true, advisedModel: true },
  ...{
    outliers: true,
    step: true,
    leftover: true,
    modelMends: true,
    seasonLeft: true,
    calendarLeft: true,
  },
  ...{ phases: true, level: true, trendFits: true, wouldFit: true, straightTrend: true },
  ...{ trendShare: true, residualLikeness: true, weightSections: true, accuracy: true },
  findings: true,
}

/**
 * A result whose judgements are worked out when the first of them is asked for: figures and pictures, which are asked for
 * first, do not wait for them. Whoever takes it as a whole, copies it or writes it down, has them all.
 */
function judgedLater(numbers: Numbers, judge: () => Judged): Result {
  let judged: Judged | null = null
  const later = (key: keyof Judged): PropertyDescriptor => ({
    enumerable: true,
    get: () => (judged ??= judge())[key],
  })
  const keys = Object.keys(JUDGED) as (keyof Judged)[]
  return Object.defineProperties(
    { ...numbers },
    Object.fromEntries(keys.map((key) => [key, later(key)])),
  ) as Result
}

/** The same with all limits still undefined. */
function withoutLimits(figures: Figures): Figures {
  const { ahead, method } = figures
  const nothing = ahead.t.map(() => null)
  const none = { lower: nothing, upper: nothing }
  const limits = Object.fromEntries(method.forecast.levels.map((level) => [String(level), none]))
  return { ...figures, ahead: { ...ahead, limits } }
}

function numbersOf(figures: Figures): Numbers {
  const { series, method, prepared, columns, decomposed, ahead, inside, level } = figures
  const { codeAt, seasonOf } = axisOf(series)
  const byHand = assume(figures)
  return {
    format: RESULT_FORMAT,
    series: seriesFacts(series),
    method,
    adjustments: series.adjustments ?? [],
    filled: prepared.filled,
    ...(inside && prepared.takenOut ? { takenOut: { found: prepared.takenOut, ...inside } } : {}),
    columns,
    decomposition: decomposed.taken,
    trendFit: reportTrend(figures),
    regression: figures.report(),
    seasonCost: decomposed.season?.cost ?? 0,
    ...byHand,
    bends: { growth: level !== null, season: level?.season ?? null },
    forecast: {
      ...ahead,
      ...(byHand.assumed ? bentAhead(byHand.assumed) : {}),
      period: ahead.t.map(codeAt),
      season: ahead.t.map(seasonOf),
    },
  }
}

/** What of a forecast the assumptions moved. */
function bentAhead({ bent: { level, forecast, limits } }: Assumed) {
  return { forecast, limits, ...(level ? { deseasonalized: level } : {}) }
}

/**
 * A result with the numbers of other weights, while a hand moves one: nothing is chosen anew, and what was judged stays
 * until the hand is still.
 *
 * @returns null for a way of forecasting without weights
 * @throws Refusal for weights that leave what the form asks for
 */
export function previewOf(
  result: Result,
  series: Series,
  document: MethodDocument,
  weights: Weights,
): Result | null {
  const change = forecastWayOf(result.forecast.by).withWeights?.(result.forecast, weights)
  if (!change) return null
  return {
    ...result,
    ...numbersOf(
      calculate(series, changed({ ...document, check: undefined }, { forecast: change })),
    ),
  }
}

/** Numbers before they are judged: what was judged of the result before stays until they are. */
export function notYetJudged(numbers: Numbers, before: Result): Result {
  return { ...before, ...numbers }
}

/** Puts the judgements of a result into the one of the same numbers that is shown already: nothing of that is drawn again. */
export function takeJudgements(shown: Result, judged: Result): void {
  const keys = Object.keys(JUDGED) as (keyof Judged)[]
  Object.assign(shown, Object.fromEntries(keys.map((key) => [key, judged[key]])))
}
