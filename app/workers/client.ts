import { Refusal } from '~~/core/refusal'
import type { Hear } from '~~/core/work/steps'
import type { GivenOf, SaidOf, WordsOf } from './job'
import type { Answered, Asked, Ended } from './messages'

/** Milliseconds that a worker has to leave a job; one that is busy longer without looking up is ended. */
const TO_LEAVE = 150

/** A job was left before its end, since nobody wants it any more. */
export class Left extends Error {}

/** How a job is followed. */
export interface Following<Said> {
  /** Until when it is wanted. */
  readonly until?: AbortSignal | undefined
  /** Hears how far it has come. */
  readonly hear?: Hear | undefined
  /** Hears what it finds on the way. */
  readonly told?: ((said: Said) => void) | undefined
}

interface Waiting {
  readonly asked: Exclude<Asked, { leave: number }>
  readonly following: Following<never>
  settle(given: never): void
  fail(error: Error): void
}

/**
 * A worker, as the page sees it: jobs are asked for, followed and left in one way. The worker is opened with the first job, and anew
 * after a defect.
 */
export class WorkerClient<Jobs> {
  private worker: Worker | null = null
  private readonly waiting = new Map<number, Waiting>()
  /** Jobs that the worker is at, and those that it was told to leave. */
  private readonly begun = new Set<number>()
  private readonly leaving = new Map<number, ReturnType<typeof setTimeout> | null>()
  private lastId = 0

  /**
   * @param open makes the worker
   * @param toLeave milliseconds that it has to leave a job
   */
  constructor(
    private readonly open: () => Worker,
    private readonly toLeave = TO_LEAVE,
  ) {}

  /**
   * Has a job done.
   *
   * @returns what comes of it
   * @throws Refusal as the job does
   * @throws Left where it is not wanted any more
   * @throws Error for a defect
   */
  ask<Name extends keyof Jobs & string>(
    name: Name,
    words: WordsOf<Jobs[Name]>,
    following: Following<SaidOf<Jobs[Name]>> = {},
  ): Promise<GivenOf<Jobs[Name]>> {
    const { until } = following
    const id = ++this.lastId
    return new Promise((settle, fail) => {
      if (until?.aborted) return fail(new Left())
      const asked = { id, name, words }
      this.waiting.set(id, { asked, following, settle, fail } as unknown as Waiting)
      until?.addEventListener('abort', () => this.leave(id), { once: true })
      try {
        this.own().postMessage(asked)
      } catch (error) {
        this.waiting.delete(id)
        fail(error as Error)
      }
    })
  }

  /** Ends the worker, and leaves whatever it is at. */
  close(): void {
    this.end()
    for (const { fail } of this.waiting.values()) fail(new Left())
    this.waiting.clear()
  }

  private leave(id: number): void {
    const waiting = this.waiting.get(id)
    if (!waiting) return
    this.waiting.delete(id)
    waiting.fail(new Left())
    this.worker?.postMessage({ leave: id } satisfies Asked)
    this.leaving.set(id, this.begun.has(id) ? this.patience() : null)
  }

  /** Waits a moment for the worker to look up: one that has not begun a job finds it left before it does. */
  private patience(): ReturnType<typeof setTimeout> {
    return setTimeout(() => this.beginAgain(), this.toLeave)
  }

  /** Ends a worker that does not look up; what else was asked of it is asked of the next. */
  private beginAgain(): void {
    this.end()
    for (const { asked } of this.waiting.values()) this.own().postMessage(asked)
  }

  private own(): Worker {
    if (this.worker) return this.worker
    const worker = this.open()
    worker.addEventListener('message', ({ data }: MessageEvent<Answered>) => this.take(data))
    worker.addEventListener('error', (event) => {
      this.end()
      const all = [...this.waiting.values()]
      this.waiting.clear()
      for (const { fail } of all) fail(faultOf(event))
    })
    this.worker = worker
    return worker
  }

  private take(answer: Answered): void {
    if ('begun' in answer) return this.takeBegun(answer.id)
    if (isEnd(answer)) this.forget(answer.id)
    const waiting = this.waiting.get(answer.id)
    if (!waiting) return
    const { following } = waiting
    if ('progress' in answer) return following.hear?.(answer.progress)
    if ('said' in answer) return following.told?.(answer.said as never)
    this.waiting.delete(answer.id)
    if ('given' in answer) waiting.settle(answer.given as never)
    else waiting.fail(errorOf(answer))
  }

  private takeBegun(id: number): void {
    this.begun.add(id)
    if (this.leaving.has(id)) this.leaving.set(id, this.patience())
  }

  private forget(id: number): void {
    clearTimeout(this.leaving.get(id) ?? undefined)
    this.leaving.delete(id)
    this.begun.delete(id)
  }

  private end(): void {
    this.worker?.terminate()
    this.worker = null
    for (const id of [...this.leaving.keys(), ...this.begun]) this.forget(id)
  }
}

function isEnd(answer: Answered): answer is Answered & Ended {
  return !('begun' in answer || 'progress' in answer || 'said' in answer)
}

function errorOf(ended: Exclude<Ended, { given: unknown }>): Error {
  if ('left' in ended) return new Left()
  if ('fault' in ended) return new Error(ended.fault)
  const { because, where, names } = ended.refused
  return new Refusal(because, where, names)
}

/** What ended a worker: a defect says itself, a script that did not load says nothing. */
function faultOf({ message }: ErrorEvent): Error {
  return new Error(message || 'This part of Elvant did not load. Is the server still running?')
}

/** What comes of a job; null where it was left. */
export async function unlessLeft<Given>(job: Promise<Given>): Promise<Given | null> {
  try {
    return await job
  } catch (error) {
    if (error instanceof Left) return null
    throw error
  }
}
