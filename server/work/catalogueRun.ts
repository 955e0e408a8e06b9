import type { BeginRun, Run, RunState, RunTask } from '../../shared/api/catalogue'
import type { ToWork } from '../catalogue/workedStore'
import {
  addToRun,
  lastRun,
  lastWork,
  nextLeft,
  setRunState,
  workedBefore,
  writeRun,
} from '../catalogue/runStore'
import { database, readOnly, writtenElsewhere } from '../database/current'
import { whenFree } from '../database/whenFree'
import { log } from '../http/log'
import { HttpProblem, problem } from '../http/problem'
import { inWorker, THREADS_OF_RUNS } from './pool'

/** Series that a thread is given at once, at first and at the most: worth the way, and soon over when the run is to stop. */
const AT_FIRST = 3
const AT_ONCE = 20
/** A lot takes about this long, in milliseconds: a contest of long series would be silent for minutes otherwise. */
const A_LOT = 500

/** How fast the run is that is going on in this process: what was done before it was taken up again says nothing of it. */
let pace: { readonly began: number; done: number } | null = null
let driving: Promise<void> | null = null

/** The run that is going on, or was the last to; null where there never was one. */
export function runNow(): Run | null {
  const run = lastRun(database())
  if (!run) return null
  const { id, state, task, of, left } = run
  const isKnown = state === 'running' && pace !== null && pace.done > 0
  const seconds = isKnown ? ((performance.now() - pace!.began) / 1000 / pace!.done) * left : null
  return { id, state, task, of, done: of - left, left: seconds }
}

/**
 * Begins a run over series of the shelf.
 *
 * @throws HttpProblem while another is not over, and where none of the series is there
 */
export function beginRun(asked: BeginRun): Run {
  const before = lastRun(database())
  if (before && before.state !== 'ended') {
    throw problem(409, 'Series are being worked through already. Wait for it, or stop it first.')
  }
  if (writeRun(database(), asked) === null) {
    throw problem(404, 'None of these series is there.')
  }
  drive()
  return runNow()!
}

/** Has a run wait, go on or end. @throws HttpProblem where none can */
export function changeRun(state: RunState): Run {
  const run = lastRun(database())
  if (!run || run.state === 'ended') throw problem(404, 'Nothing is being worked through.')
  setRunState(database(), run.id, state)
  if (state === 'running') drive()
  return runNow()!
}

/** Takes up a run that the end of the server, whatever ended it, has left: what was done is kept, and nothing is done twice. */
export function takeUpRun(): void {
  if (readOnly()) return
  if (lastRun(database())?.state === 'running') drive()
}

/**
 * Works series through once more that were before, since their values are others now: beside what is going on, where something is.
 *
 * @param seriesIds whose values have changed
 */
export function workAgain(seriesIds: readonly string[]): void {
  const ids = workedBefore(database(), seriesIds)
  if (ids.length === 0) return
  const run = lastRun(database())
  if (run && run.state !== 'ended') {
    if (run.task.kind === 'work') addToRun(database(), run.id, ids)
    return
  }
  writeRun(database(), { task: ofThemselves(lastWork(database())), ids })
  drive()
}

/**
 * Works new series through where others are: who has his catalogue worked through wants to know of what is new in it, too.
 *
 * @param seriesIds that were just kept
 * @returns whether they are worked through now; else nobody does
 */
export function workNew(seriesIds: readonly string[]): boolean {
  const last = lastWork(database())
  if (!last || seriesIds.length === 0) return false
  const run = lastRun(database())
  if (run && run.state !== 'ended') {
    if (run.task.kind !== 'work') return false
    addToRun(database(), run.id, seriesIds)
    return true
  }
  writeRun(database(), { task: ofThemselves(last), ids: [...seriesIds] })
  drive()
  return true
}

/** What is worked by itself has the thresholds that were last set, and its own method. */
function ofThemselves(last: ReturnType<typeof lastWork>): RunTask {
  return { kind: 'work', ...(last?.thresholds ? { thresholds: last.thresholds } : {}) }
}

/** Sees to it that somebody works on the run; more than one at a time would do the same twice. */
function drive(): void {
  driving ??= workThrough()
    .catch((error: unknown) => {
      log.error({ err: error }, 'a run over series waits, as it could not go on')
      // To try the same again at once would fail as often as it is tried.
      whileOpen(() => {
        const run = lastRun(database())
        if (run?.state === 'running') setRunState(database(), run.id, 'paused')
      })
    })
    .then(() => {
      driving = null
      pace = null
      // It may have been begun anew, or taken up again, while the last of it was ending.
      whileOpen(() => {
        if (lastRun(database())?.state === 'running') drive()
      })
    })
}

/** Does something with the database, unless it was closed while a run was ending: the next start takes the run up. */
function whileOpen(act: () => void): void {
  try {
    act()
  } catch (error) {
    log.warn({ err: error }, 'a run over series was left')
  }
}

const DEFECT = 'Something went wrong inside Elvant. The details are in its log.'

async function workThrough(): Promise<void> {
  const busy = new Set<string>()
  pace = { began: performance.now(), done: 0 }
  await Promise.all(Array.from({ length: THREADS_OF_RUNS }, () => workAlong(busy)))
  const run = lastRun(database())
  if (run?.state === 'running' && run.left === 0) setRunState(database(), run.id, 'ended')
}

/** Does one lot after another until nothing is left, or somebody says to stop. */
async function workAlong(busy: Set<string>): Promise<void> {
  let most = AT_FIRST
  for (;;) {
    const run = await whenFree(() => lastRun(database()))
    if (run?.state !== 'running') return
    const some = await whenFree(() => nextLeft(database(), run.id, most, busy))
    if (some.length === 0) return
    for (const { seriesId } of some) busy.add(seriesId)
    const began = performance.now()
    await done(run, some)
    const each = (performance.now() - began) / some.length
    most = Math.min(AT_ONCE, Math.max(1, Math.round(A_LOT / each)))
    for (const { seriesId } of some) busy.delete(seriesId)
    if (pace) pace.done += some.length
  }
}

/** Does a lot; one series that takes too long does not take the others with it. */
async function done(
  run: NonNullable<ReturnType<typeof lastRun>>,
  some: readonly ToWork[],
): Promise<void> {
  try {
    await writtenElsewhere((path) =>
      inWorker({ lane: 'runs' }, 'workOnSeries', path, run.id, run.task, some),
    )
  } catch (error) {
    if (some.length > 1) {
      for (const one of some) await done(run, [one])
      return
    }
    const { seriesId } = some[0]!
    log.warn({ err: error, seriesId }, 'left out of a run')
    const because = error instanceof HttpProblem ? error.problem.detail : DEFECT
    await writtenElsewhere((path) =>
      inWorker({ lane: 'runs' }, 'passOver', path, run.id, seriesId, because),
    )
  }
}
