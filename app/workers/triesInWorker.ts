import { faultOf } from './fault'
import type { Asked, TriesAnswer, TriesRequest } from './messages'
import { openCore } from './openCore'

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
    const id = ++this.lastId
    try {
      this.own().postMessage({ ...request, id } satisfies TriesRequest)
    } catch (error) {
      this.onFault((error as Error).message)
    }
  }

  /** Gives up what is under way. */
  stop(): void {
    this.worker?.postMessage({ id: ++this.lastId, kind: 'stop' } satisfies TriesRequest)
  }

  private own(): Worker {
    if (this.worker) return this.worker
    this.worker = openCore()
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
