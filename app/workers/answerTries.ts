import { mendingOffers, mendingTogether } from '~~/core/analyse'
import { accuracyOf } from '~~/core/check/accuracy'
import { concludeCheck, hideLast } from '~~/core/check/check'
import { checkTask, rolledOf, tryFrom, type CheckTask, type Rolled } from '~~/core/check/rolling'
import { offBy, type Off } from '~~/core/check/verdict'
import { concludeContest, contestPlan, enter } from '~~/core/contest/contest'
import type { Contestant } from '~~/core/contest/contestant'
import { offerName, offersName, type MethodOnSeries, type Offer } from '~~/core/offers'
import { Refusal } from '~~/core/refusal'
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
  if (task) {
    const pace = paceOf(id, (done) => post({ id, kind: 'progress', done, of: task.origins.length }))
    const rolled = await rollAtPace(task, pace)
    post({ id, kind: 'checked', checked: concludeCheck(task, rolled) })
  } else post({ id, kind: 'checked', checked: null })
  await tryOffers(id, { series, document })
}

/** Says every offer that mends, as it is found. */
async function tryOffers(id: number, own: MethodOnSeries) {
  const pace = paceOf(id, () => {})
  const mending: Offer[] = []
  for (const offer of mendingOffers(own)) {
    if (offer) {
      mending.push(offer)
      post({ id, kind: 'offer', name: offerName(offer.finding, offer.action) })
    }
    await pace(mending.length)
  }
  for (const stage of mendingTogether(own, mending)) {
    if (stage) post({ id, kind: 'offer', name: offersName(stage) })
    await pace(mending.length)
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
      if (request.hidesLast)
        post({ id, kind: 'hidden', name: candidate.name, ...atEnd(entry.task) })
    } else contestants.push(entry)
    const isLast = contestants.length === candidates.length
    const contest = concludeContest(series, plan, contestants, isLast)
    post({ id, kind: 'contest', contest, isLast })
  }
}

/** How far off a method was over the hidden end of the series. */
function atEnd(task: CheckTask): { periods: number; off: Off | null } {
  const hidden = hideLast(task)
  const off = 'forecast' in hidden ? offBy([hidden], accuracyOf([hidden], 'method')) : null
  return { periods: task.plan.holdout, off }
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
