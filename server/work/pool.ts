import { pool, type Pool } from 'workerpool'
import { Refusal } from '../../core/refusal'
import { HttpProblem, problem } from '../http/problem'
import type { Tasks } from './tasks'
import type { Answer } from './worker'

/** Milliseconds that a task may take once it has begun. */
const LONGEST = 30_000
/** The same where it is expected to be over at once; a thread may still have to be started in it. */
const SOON = 2000
/** Megabytes that a thread may hold. */
const MOST_MEMORY = 1024
/** Bytes from which on what a task is given is no longer copied. */
const LONG_BYTES = 256 * 1024

/**
 * Threads beside the server's own, apart by what is done on them: how many, how many of them stand ready before the first request,
 * and how many requests may wait for them.
 */
const LANES = {
  /** What can take long. */
  long: { threads: 2, ready: 0, queue: 50 },
  /** What is expected to be over at once: it never waits behind what takes long. */
  short: { threads: 2, ready: 1, queue: 100 },
  /** Long requests are read here, and what is in them is kept: nothing is saved later because something is calculated. */
  kept: { threads: 1, ready: 1, queue: 100 },
  /** Work over many series: what somebody waits for never waits behind it. */
  runs: { threads: 2, ready: 0, queue: 10 },
} as const
/** How many threads work on a run at once. */
export const THREADS_OF_RUNS = LANES.runs.threads
export type Lane = keyof typeof LANES

const running = new Map<Lane, Pool>()
let script = ''
let longest = LONGEST
let soon = SOON

/**
 * Names the script that the threads run; the server does so at its start.
 *
 * @param most milliseconds that a task may take
 * @param mostSoon milliseconds that one may take which is expected to be over at once
 */
export function useWorkers(path: string, most = LONGEST, mostSoon = SOON): void {
  script = path
  longest = most
  soon = mostSoon
}

/**
 * Does a task on the threads for what is over at once; where it is not after all, it is begun anew among those that take long.
 *
 * @param until when it is still wanted; null for work that goes on in any case
 */
export async function inWorkerSoon<Name extends keyof Tasks>(
  until: AbortSignal | null,
  name: Name,
  ...words: Parameters<Tasks[Name]>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  try {
    return await inWorker({ lane: 'short', until, most: soon }, name, ...words)
  } catch (error) {
    if (!(error instanceof TookTooLong)) throw error
    return inWorker({ until }, name, ...words)
  }
}

/** Has the threads stand ready that answer what nobody wants to wait for. */
export function readyWorkers(): void {
  threadsOf('short')
  threadsOf('kept')
}

/** A task that was stopped, since it took longer than it may. */
class TookTooLong extends HttpProblem {
  constructor(milliseconds: number) {
    const { problem: details } = problem(
      503,
      `This took longer than ${milliseconds / 1000} seconds and was stopped. Take fewer periods or series, or smaller windows.`,
    )
    super(details)
  }
}

/** How a task is done: which threads, until when it is wanted (null: in any case), and how many milliseconds it may take. */
export interface Way {
  readonly lane?: Lane
  readonly until?: AbortSignal | null
  readonly most?: number
}

/**
 * Does a task beside the server's own thread.
 *
 * @param words what the task is given; long bytes are taken away from who gives them
 * @throws Refusal as the task does
 * @throws HttpProblem 503 when too many wait already, and when the task takes longer or more memory than it may: it is
 *   stopped then, as one is that nobody waits for any more
 */
export async function inWorker<Name extends keyof Tasks>(
  { lane = 'long', until = null, most = longest }: Way,
  name: Name,
  ...words: Parameters<Tasks[Name]>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  type Done = Awaited<ReturnType<Tasks[Name]>>
  const answer = await settled<Answer<Done>>(threadsOf(lane), name, words, until, most)
  if ('done' in answer) return answer.done
  if ('problem' in answer) throw new HttpProblem(answer.problem)
  const { because, where, names } = answer.refused
  throw new Refusal(because, where, names)
}

function threadsOf(lane: Lane): Pool {
  let threads = running.get(lane)
  if (!threads) {
    threads = pool(script, {
      maxWorkers: LANES[lane].threads,
      minWorkers: LANES[lane].ready,
      maxQueueSize: LANES[lane].queue,
      workerType: 'thread',
      workerThreadOpts: { resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY } },
    })
    running.set(lane, threads)
  }
  return threads
}

async function settled<T>(
  threads: Pool,
  name: string,
  words: readonly unknown[],
  until: AbortSignal | null,
  most: number,
): Promise<T> {
  const forgotten = () => problem(503, 'This was stopped, since nobody waits for it any more.')
  if (until?.aborted) throw forgotten()
  let cancel = () => {}
  try {
    const task = threads.exec(name, [...words], { transfer: changingHands(words) }).timeout(most)
    // Nothing is given back: what rejects in a listener ends the process.
    cancel = () => {
      task.cancel()
    }
    until?.addEventListener('abort', cancel)
    return (await task) as T
  } catch (error) {
    const { name: kind, message } = error as Error
    if (until?.aborted) throw forgotten()
    if (kind === 'TimeoutError') throw new TookTooLong(most)
    if (/queue size/i.test(message)) {
      throw problem(503, 'Too much is being calculated at once. Ask again in a few seconds.')
    }
    if (/memory|terminated/i.test(message)) {
      throw problem(
        503,
        'This needed more memory than there is for one request, and was stopped. Take fewer periods or series.',
      )
    }
    throw error
  } finally {
    until?.removeEventListener('abort', cancel)
  }
}

/** Long bytes change hands, as they were read for the task alone: to copy them would hold everyone. */
function changingHands(words: readonly unknown[]): ArrayBufferLike[] {
  return words.flatMap((word) =>
    word instanceof Uint8Array &&
    word.byteLength >= LONG_BYTES &&
    word.byteLength === word.buffer.byteLength
      ? [word.buffer]
      : [],
  )
}

/** Ends the threads, whatever they are at. */
export async function endWorkers(): Promise<void> {
  const ended = [...running.values()]
  running.clear()
  await Promise.all(ended.map((threads) => threads.terminate(true)))
}
