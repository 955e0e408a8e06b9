import { pool, type Pool } from 'workerpool'
import { Refusal } from '../../core/refusal'
import { HttpProblem, problem } from '../http/problem'
import type { Tasks } from './tasks'
import type { Answer } from './worker'

/** Threads beside the server's own. */
const THREADS = 2
/** Requests that wait for a thread; more are sent away. */
const LONGEST_QUEUE = 50
/** Milliseconds that a task may take once it has begun. */
const LONGEST = 30_000
/** Megabytes that a thread may hold. */
const MOST_MEMORY = 1024

let threads: Pool | null = null
let script = ''
let longest = LONGEST

/**
 * Names the script that the threads run; the server does so at its start.
 *
 * @param most milliseconds that a task may take
 */
export function useWorkers(path: string, most = LONGEST): void {
  script = path
  longest = most
}

/**
 * Does a task beside the server's own thread.
 *
 * @throws Refusal as the task does
 * @throws HttpProblem 503 when too many wait already, and when the task takes longer than 30 seconds or more memory than
 *   a thread has: it is stopped then
 */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  ...words: Parameters<Tasks[Name]>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  return inWorkerUntil(null, name, ...words)
}

/**
 * The same, given up when it is no longer wanted: a thread is not kept by what nobody waits for.
 *
 * @param stopped told that it is not; null for work that goes on in any case
 */
export async function inWorkerUntil<Name extends keyof Tasks>(
  stopped: AbortSignal | null,
  name: Name,
  ...words: Parameters<Tasks[Name]>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  threads ??= pool(script, {
    ...{ maxWorkers: THREADS, maxQueueSize: LONGEST_QUEUE, workerType: 'thread' },
    workerThreadOpts: { resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY } },
  })
  type Done = Awaited<ReturnType<Tasks[Name]>>
  const answer = await settled<Answer<Done>>(threads, name, words, stopped)
  if ('done' in answer) return answer.done
  if ('problem' in answer) throw new HttpProblem(answer.problem)
  const { because, where, names } = answer.refused
  throw new Refusal(because, where, names)
}

async function settled<T>(
  own: Pool,
  name: string,
  words: readonly unknown[],
  stopped: AbortSignal | null,
): Promise<T> {
  let cancel = () => {}
  try {
    const running = own.exec(name, [...words]).timeout(longest)
    // Nothing is given back: what rejects in a listener ends the process.
    cancel = () => {
      running.cancel()
    }
    stopped?.addEventListener('abort', cancel)
    return (await running) as T
  } catch (error) {
    const { name: kind, message } = error as Error
    if (stopped?.aborted)
      throw problem(503, 'This was stopped, since nobody waits for it any more.')
    if (kind === 'TimeoutError') {
      throw problem(
        503,
        `This took longer than ${longest / 1000} seconds and was stopped. Take fewer periods or series, or smaller windows.`,
      )
    }
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
    stopped?.removeEventListener('abort', cancel)
  }
}

/** Ends the threads, whatever they are at. */
export async function endWorkers(): Promise<void> {
  await threads?.terminate(true)
  threads = null
}
