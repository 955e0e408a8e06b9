import { calculate } from '../calculate'
import { completeCheck, type CheckDocument, type CheckPlan } from '../checkPlan'
import { spanOf } from '../completeMethod'
import { axisOf } from '../calendar/axis'
import { accuracyOf } from '../check/accuracy'
import { coverageOfModel, coverageOfPastErrors, scaleOfErrors } from '../check/coverage'
import { checkTask, rollSteps, type CheckTask, type Try } from '../check/rolling'
import { compare } from '../check/tie'
import { offBy, scaledError, type Off } from '../check/verdict'
import type { MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series, Value } from '../series/series'
import { mean, median } from '../statistics/average'
import { DEFAULT_FORECAST, forecastWayOf } from '../forecast/ways'
import { finish, type Steps } from '../work/steps'
import { candidatesFor, type Candidate } from './candidates'
import type { Contestant, Judged, Taking } from './contestant'
import { madeOfTwo, meanOfFirstTwo } from './meanTries'

export const CONTEST_FORMAT = 'elvant-contest/1'

/** How one method did. */
export interface ContestRow {
  readonly name: string
  readonly method: MethodDocument
  /** Over the origins, of the mean scaled error of each; undefined where the method is refused. */
  readonly mean: Value
  readonly median: Value
  readonly worst: Value
  /** The figure of the verdict over the same origins. */
  readonly off: Off | null
  /** One an origin that all share, in the order of time. */
  readonly byOrigin: readonly number[]
  /** Share of the actual values within the limits, keyed by level in per cent. */
  readonly coverage: Readonly<Record<string, Value>>
  /** Not told apart from the first by chance; the first itself is not marked. */
  readonly tiesWithBest: boolean
  /** Numbers estimated from the values. */
  readonly estimated: number | null
  /** Why it takes no part. */
  readonly refused: string | null
}

/** A contest of methods over the same origins: the nearest first, then those that were refused. */
export interface Contest {
  readonly format: typeof CONTEST_FORMAT
  readonly series: string
  /** Period codes of the first and the last origin that all methods share, and how many there are. */
  readonly origins: {
    readonly first: string
    readonly last: string
    readonly count: number
    readonly horizon: number
    readonly step: number
  }
  readonly rows: readonly ContestRow[]
  /** Name of the first, a benchmark too; null when all were refused. */
  readonly nearest: string | null
  /** The method that the series begins with, unless the nearest is nearer beyond chance; then that. */
  readonly proposed: string | null
  /** The simplest of those that tie with the nearest; null where that is the one proposed. */
  readonly plainer: string | null
}

/** Beyond this share of refused origins a method takes no part. */
const MOST_REFUSED = 0.5

/**
 * Lets methods forecast from the same origins and ranks them.
 *
 * @param document gives span, missing values, left-out values, horizon, limits and check
 * @param candidates those that the series admits when left out
 * @throws Refusal when the series is too short for any origin
 */
export function contest(
  series: Series,
  document: MethodDocument,
  candidates = candidatesFor(series, document),
): Contest {
  const plan = contestPlan(series, document)
  return concludeContest(
    series,
    plan,
    candidates.map((one) => finish(enter(series, one, document.check)).contestant),
  )
}

/** From which origins a contest is held. @throws Refusal when the series is too short for any */
export function contestPlan(series: Series, document: MethodDocument): CheckPlan {
  const { firstT, lastT } = spanOf(document, series)
  const facts = { periods: lastT - firstT + 1, seasons: series.calendar.seasons }
  const plan = completeCheck(document.check, facts)
  if (!plan) throw new Refusal(TOO_SHORT, 'check')
  return plan
}

/** One who takes part, and what its forecasts were made of; null where none were. */
export interface Entered {
  readonly contestant: Contestant
  readonly task: CheckTask | null
}

/** Has a candidate make its forecasts, where it can take part at all. */
export function* enter(
  series: Series,
  candidate: Candidate,
  check: CheckDocument | undefined,
): Steps<Entered> {
  const { madeOf, document, triedAs = document } = candidate
  if (madeOf) return { contestant: { candidate, estimated: null, outcome: { madeOf } }, task: null }
  try {
    const task = checkTask(series, triedAs, check)
    // What takes long to choose is not chosen once more for the number of its numbers.
    const { estimated } = calculate(series, task?.document ?? triedAs)
    const outcome = task ? { rolled: yield* rollSteps(task) } : { refused: TOO_SHORT }
    return { contestant: { candidate, estimated, outcome }, task }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const outcome = { refused: error.because }
    return { contestant: { candidate, estimated: null, outcome }, task: null }
  }
}

const TOO_SHORT = 'The series is too short to be checked: there is no origin to forecast from.'

/**
 * Ranks what methods forecast, over the origins that all of them share.
 *
 * @param plan that of {@link contestPlan}
 * @param contestants in the order of the list, which decides between equally simple methods
 * @param isWhole whether all have made their forecasts: the mean of the first two is then one row more
 */
export function concludeContest(
  series: Series,
  { rolling: { horizon, step } }: CheckPlan,
  contestants: readonly Contestant[],
  isWhole = true,
): Contest {
  const plan = { horizon, step }
  const alone = contestants.flatMap((one): Judged[] =>
    'madeOf' in one.outcome ? [] : [{ one, tries: triesOf(one) }],
  )
  const judged = contestants.flatMap((one): Judged[] => {
    const { outcome } = one
    if (!('madeOf' in outcome)) return alone.filter((own) => own.one === one)
    return isWhole ? [madeOfTwo(one, outcome.madeOf, alone)] : []
  })
  const taking = judged.flatMap(({ one, tries }): Taking[] => (tries ? [{ one, tries }] : []))
  const shared = sharedOrigins(taking.map(({ tries }) => tries))
  const rank = (all: readonly Taking[]) =>
    all
      .map(({ one, tries }) =>
        rowOf(
          one,
          tries.filter(({ origin }) => shared.has(origin)),
        ),
      )
      .sort((a, b) => (a.mean ?? Infinity) - (b.mean ?? Infinity))
  const before = rank(taking)
  const together = isWhole ? meanOfFirstTwo(series, before, taking) : null
  const ranked = together ? rank([...taking, together]) : before
  const [best] = ranked
  const rows = ranked.map((row) => ({
    ...row,
    tiesWithBest: row !== best && ties(row, best!, plan),
  }))
  const refused = judged
    .filter(({ tries }) => !tries)
    .map(({ one }) => ({ ...emptyRow(one), refused: whyRefused(one) }))
  const code = axisOf(series).codeAt
  const origins = [...shared].sort((a, b) => a - b)
  return {
    format: CONTEST_FORMAT,
    series: series.name,
    origins: {
      first: origins.length > 0 ? code(origins[0]!) : '',
      last: origins.length > 0 ? code(origins.at(-1)!) : '',
      count: origins.length,
      ...plan,
    },
    rows: [...rows, ...refused],
    nearest: best?.name ?? null,
    ...(best
      ? choices(best, rows, together ? [...contestants, together.one] : contestants)
      : { proposed: null, plainer: null }),
  }
}

/** What is proposed, and what is plainer and not worse beyond chance. */
function choices(
  best: ContestRow,
  rows: readonly ContestRow[],
  contestants: readonly Contestant[],
): Pick<Contest, 'proposed' | 'plainer'> {
  const begins = contestants.find(({ candidate }) => candidate.begins)?.candidate.name
  // What ranks first of many is often first by luck; the method begun with needs no luck.
  const isAsGood = rows.some(({ name, tiesWithBest }) => name === begins && tiesWithBest)
  const proposed = isAsGood ? begins! : best.name
  const plainest = plainestOf(best, rows, contestants)
  return { proposed, plainer: plainest === proposed ? null : plainest }
}

type Stride = Pick<CheckPlan['rolling'], 'horizon' | 'step'>

/** The tries that can be compared; null where the method takes no part. */
function triesOf({ outcome }: Contestant): readonly Try[] | null {
  if (!('rolled' in outcome)) return null
  const { tries, passedOver } = outcome.rolled
  if (passedOver.length > MOST_REFUSED * (tries.length + passedOver.length)) return null
  return tries.filter((one) => scaledError(one, one.forecast) !== null)
}

function whyRefused({ outcome }: Contestant): string {
  if ('refused' in outcome) return outcome.refused
  if ('madeOf' in outcome) return TOO_SHORT
  const { tries, passedOver } = outcome.rolled
  return `From ${passedOver.length} of ${tries.length + passedOver.length} origins: ${passedOver[0]!.because}`
}

/** Origins from which every method made a forecast that can be judged. */
function sharedOrigins(all: readonly (readonly Try[])[]): ReadonlySet<number> {
  const [first = [], ...rest] = all.map((tries) => new Set(tries.map(({ origin }) => origin)))
  return new Set([...first].filter((origin) => rest.every((own) => own.has(origin))))
}

function emptyRow({ candidate, estimated }: Contestant): ContestRow {
  return {
    ...{ name: candidate.name, method: candidate.document, estimated },
    ...{ mean: null, median: null, worst: null, off: null, byOrigin: [], coverage: {} },
    ...{ tiesWithBest: false, refused: null },
  }
}

function rowOf(contestant: Contestant, tries: readonly Try[]): ContestRow {
  const byOrigin = tries.map((one) => scaledError(one, one.forecast)!)
  const { forecast } = contestant.candidate.document
  const { limits } = forecastWayOf(forecast?.by ?? DEFAULT_FORECAST.name)
  const levels = Object.keys(tries[0]?.limits ?? {})
  const scale = scaleOfErrors(tries, true, [])
  const ofPastErrors = (forecast?.limits ?? limits[0]) === 'past-errors'
  return {
    ...emptyRow(contestant),
    mean: mean(byOrigin),
    median: median(byOrigin),
    worst: byOrigin.length > 0 ? Math.max(...byOrigin) : null,
    off: offBy(tries, accuracyOf(tries, 'method')),
    byOrigin,
    coverage: Object.fromEntries(
      levels.map((level) => {
        const held = ofPastErrors
          ? coverageOfPastErrors(tries, Number(level), scale)
          : coverageOfModel(tries, Number(level))
        return [level, held.pooled.share]
      }),
    ),
  }
}

/** With too few origins nothing is said to tie. */
function ties(row: ContestRow, best: ContestRow, { horizon, step }: Stride): boolean {
  const differences = row.byOrigin.map((figure, i) => figure - best.byOrigin[i]!)
  return compare(differences, horizon, step)?.isTie ?? false
}

/** The simplest of the first and those that tie with it: fewest estimated numbers, then the order of the list. */
function plainestOf(
  best: ContestRow,
  rows: readonly ContestRow[],
  contestants: readonly Contestant[],
): string {
  const order = contestants.map(({ candidate }) => candidate.name)
  const tied = rows.filter(({ name, tiesWithBest }) => tiesWithBest || name === best.name)
  const [plainest] = [...tied].sort(
    (a, b) =>
      (a.estimated ?? Infinity) - (b.estimated ?? Infinity) ||
      order.indexOf(a.name) - order.indexOf(b.name),
  )
  return plainest?.name ?? best.name
}
