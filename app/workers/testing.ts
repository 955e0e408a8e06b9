import type { Jobs } from './job'
import type { Asked } from './messages'
import { serve, type Wire } from './serve'

/** A kind of worker on this very thread, whose messages arrive a turn later, as between threads. For tests. */
export function ownThreadFor(jobs: Jobs) {
  return class OwnThread {
    private ended = false
    private readonly heard = new Map<string, ((event: never) => void)[]>()
    private readonly wire: Wire

    constructor() {
      this.wire = {
        onmessage: null,
        postMessage: (answer) => {
          const data = structuredClone(answer)
          setTimeout(() => this.tell('message', { data } as never))
        },
      }
      serve(jobs, this.wire)
    }

    postMessage(asked: Asked): void {
      const data = structuredClone(asked)
      setTimeout(() => this.ended || this.wire.onmessage?.({ data } as MessageEvent<Asked>))
    }

    addEventListener(kind: string, listener: (event: never) => void): void {
      this.heard.set(kind, [...(this.heard.get(kind) ?? []), listener])
    }

    terminate(): void {
      this.ended = true
    }

    tell(kind: string, event: never): void {
      if (this.ended) return
      for (const listener of this.heard.get(kind) ?? []) listener(event)
    }
  }
}
