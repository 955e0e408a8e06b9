import { analyse } from '~~/core/analyse'
import { concludeCheck, type Checked } from '~~/core/check/check'
import { checkTask, rolledOf, tryFrom, type CheckTask, type Rolled } from '~~/core/check/rolling'
import { concludeContest, contestPlan, enter } from '~~/core/contest/contest'
import type { Contestant } from '~~/core/contest/contestant'
import {
  asTried,
  mends,
  offerName,
  offersIn,
  offersName,
  taken,
  togetherAt,
  type Offer,
  type Run,
  type Standing,
} from '~~/core/offers'
import { orNull, Refusal } from '~~/core/refusal'
import { STAGES } from '~~/core/stage'
import type { TriesAnswer, TriesRequest } from './messages'

/** The request that is wanted; what another has overtaken is given up between two tries. */
let wanted = 0
/** Milliseconds of work between two looks at what has come in. */
const LOOK_EVERY = 25

/** Makes forecasts from earlier origins; a later request overtakes the one before. */
export function answerTries(request: TriesRequest): void {
  wanted = request.id
  if (request.kind !== 'stop') void answer(request)
}

class Overtaken extends Error {}

async function answer(request: Exclude<TriesRequest, { kind: 'stop' }>): Promise<void> {
  const { id } = request
  try {
    if (request.kind === 'check') await answerCheck(request)
    else await answerContest(request)
  } catch (error) {
    if (error instanceof Overtaken) return
    if (!(error instanceof Refusal)) throw error
    post({ id, kind: 'refused', because: error.because })
  }
}

async function answerCheck({ id, series, document }: TriesRequest & { kind: 'check' }) {
  const task = checkTask(series, document)
  let checked: Checked | null = null
  if (task) {
    const pace = paceOf(id, (done) => post({ id, kind: 'progress', done, of: task.origins.length }))
    checked = concludeCheck(task, await rollAtPace(task, pace))
  }
  post({ id, kind: 'checked', checked })
  await tryOffers(id, { series, document }, checked)
}

/** Takes every offer to see whether it mends, and says those that do. */
async function tryOffers(id: number, { series, document }: Run, checked: Checked | null) {
  const own = { series, document: asTried(document) }
  const pace = paceOf(id, () => {})
  const isSame = JSON.stringify(own.document.check) === JSON.stringify(document.check ?? {})
  const before = await standingOf(own, pace, isSame ? checked : undefined)
  if (!before) return
  const mending: Offer[] = []
  for (const offer of offersIn(before.findings)) {
    const { finding, action } = offer
    const after = await standingOf(taken(own, action), pace)
    if (!mends(finding, action, before, after)) continue
    mending.push(offer)
    post({ id, kind: 'offer', name: offerName(finding, action) })
  }
  for (const stage of STAGES) {
    const together = togetherAt(stage, mending)
    if (together.length === 0) continue
    const all = together.reduce((run, { action }) => taken(run, action), own)
    const after = await standingOf(all, pace)
    const allMend = together.every(({ finding, action }) => mends(finding, action, before, after))
    if (allMend) post({ id, kind: 'offer', name: offersName(stage) })
  }
}

/**
 * What is said of a run, and how far off it is.
 *
 * @param known its check, where it has been made; null where the series is too short for one
 * @returns null where it is refused
 */
async function standingOf(
  { series, document }: Run,
  pace: (done: number) => Promise<void>,
  known?: Checked | null,
): Promise<Standing | null> {
  await pace(0)
  const result = orNull(() => analyse(series, { ...document, check: undefined }))
  if (!result) return null
  const task = known === undefined ? orNull(() => checkTask(series, document)) : null
  const checked = task ? concludeCheck(task, await rollAtPace(task, pace)) : (known ?? null)
  return {
    findings: [...result.findings, ...(checked?.findings ?? [])],
    off: checked?.verdict?.method ?? null,
  }
}

async function answerContest(request: TriesRequest & { kind: 'contest' }) {
  const { id, series, document, candidates } = request
  const plan = contestPlan(series, document)
  const contestants: Contestant[] = []
  let [finished, of] = [0, candidates.length]
  const pace = paceOf(id, (done) => post({ id, kind: 'progress', done: finished + done, of }))
  for (const candidate of candidates) {
    const entry = enter(series, candidate, document.check)
    if ('task' in entry) {
      of = candidates.length * entry.task.origins.length
      const rolled = await rollAtPace(entry.task, pace)
      contestants.push({ ...entry.as, outcome: { rolled } })
      finished += entry.task.origins.length
    } else contestants.push(entry)
    const isLast = contestants.length === candidates.length
    const contest = concludeContest(series, plan, contestants, isLast)
    post({ id, kind: 'contest', contest, isLast })
  }
}

/** Makes every try of a task, looking now and then whether it is still wanted. */
async function rollAtPace(task: CheckTask, pace: (done: number) => Promise<void>): Promise<Rolled> {
  const outcomes = []
  for (const origin of task.origins) {
    outcomes.push(tryFrom(task, origin))
    await pace(outcomes.length)
  }
  return rolledOf(outcomes)
}

/** Lets messages in after a while of work, says how far it has come, and ends what is no longer wanted. */
function paceOf(id: number, say: (done: number) => void) {
  let since = performance.now()
  return async (done: number) => {
    if (performance.now() - since < LOOK_EVERY) return
    await new Promise((resolve) => setTimeout(resolve))
    if (wanted !== id) throw new Overtaken()
    say(done)
    since = performance.now()
  }
}

function post(answer: TriesAnswer): void {
  self.postMessage(answer)
}
