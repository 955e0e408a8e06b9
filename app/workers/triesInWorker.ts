import type { Checked } from '~~/core/check/check'
import type { Candidate } from '~~/core/contest/candidates'
import type { Contest } from '~~/core/contest/contest'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { faultOf } from './fault'

interface Asked {
  readonly id: number
  readonly series: Series
  readonly document: MethodDocument
}
export type TriesRequest =
  | (Asked & { readonly kind: 'check' })
  | (Asked & { readonly kind: 'contest'; readonly candidates: readonly Candidate[] })
  | { readonly id: number; readonly kind: 'stop' }

export type TriesAnswer = { readonly id: number } & (
  | { readonly kind: 'progress'; readonly done: number; readonly of: number }
  /** null for a series that is too short to be checked. */
  | { readonly kind: 'checked'; readonly checked: Checked | null }
  /** Of the methods that are done so far; the last is of all. */
  | { readonly kind: 'contest'; readonly contest: Contest; readonly isLast: boolean }
  | { readonly kind: 'refused'; readonly because: string }
)

type Request = TriesRequest extends infer One
  ? One extends Asked
    ? Omit<One, 'id'>
    : never
  : never

/** A worker that makes forecasts from earlier origins; a later request overtakes the one before. */
export class TriesWorker {
  private worker: Worker | null = null
  private lastId = 0

  /**
   * @param onAnswer told of every answer to the newest request
   * @param onFault told of a defect; the next request begins with a new worker
   */
  constructor(
    private readonly onAnswer: (answer: TriesAnswer) => void,
    private readonly onFault: (message: string) => void,
  ) {}

  ask(request: Request): void {
    this.own().postMessage({ ...request, id: ++this.lastId } satisfies TriesRequest)
  }

  /** Gives up what is under way. */
  stop(): void {
    this.worker?.postMessage({ id: ++this.lastId, kind: 'stop' } satisfies TriesRequest)
  }

  private own(): Worker {
    if (this.worker) return this.worker
    this.worker = new Worker(new URL('./tries.worker.ts', import.meta.url), { type: 'module' })
    this.worker.addEventListener('message', ({ data }: MessageEvent<TriesAnswer>) => {
      if (data.id === this.lastId) this.onAnswer(data)
    })
    this.worker.addEventListener('error', (event) => {
      this.worker?.terminate()
      this.worker = null
      this.onFault(faultOf(event).message)
    })
    return this.worker
  }
}
