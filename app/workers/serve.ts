import { Refusal } from '~~/core/refusal'
import type { Hear, Steps } from '~~/core/work/steps'
import type { Jobs, Telling } from './job'
import type { Answered, Asked, Ended } from './messages'

/** Milliseconds of work between two looks at what has come in. */
const LOOK_EVERY = 25

/** What a worker's messages come by and go by. */
export interface Wire {
  onmessage: ((event: MessageEvent<Asked>) => void) | null
  postMessage(answer: Answered): void
}

/** Does the jobs that the page asks for, in the worker; those in steps beside one another. */
export function serve(jobs: Jobs, wire: Wire): void {
  const wanted = new Set<number>()

  wire.onmessage = ({ data }) => {
    if ('leave' in data) wanted.delete(data.leave)
    else {
      wanted.add(data.id)
      void answer(data)
    }
  }

  async function answer({ id, name, words }: Exclude<Asked, { leave: number }>): Promise<void> {
    // What is left again at once is never begun.
    await turn()
    if (wanted.has(id)) wire.postMessage({ id, begun: true })
    const ended = wanted.has(id) ? await end(id, name, words) : LEFT
    wanted.delete(id)
    wire.postMessage({ id, ...ended })
  }

  async function end(id: number, name: string, words: readonly unknown[]): Promise<Ended> {
    const hear: Hear = (progress) => wire.postMessage({ id, progress })
    const telling: Telling<unknown> = {
      say: (said) => wire.postMessage({ id, said }),
      hear,
    }
    try {
      const job = jobs[name] as (telling: Telling<unknown>, ...words: unknown[]) => unknown
      const made = job(telling, ...words)
      return isSteps(made) ? await drive(id, made, hear) : { given: await made }
    } catch (error) {
      if (!(error instanceof Refusal)) return { fault: (error as Error).message }
      const { because, where, names } = error
      return { refused: { because, where, names } }
    }
  }

  /** Takes step after step; after a while of work lets messages in, says how far it has come, and leaves what nobody wants. */
  async function drive(id: number, steps: Steps<unknown>, hear: Hear): Promise<Ended> {
    let since = performance.now()
    for (;;) {
      const step = steps.next()
      if (step.done) return { given: await step.value }
      if (performance.now() - since < LOOK_EVERY) continue
      await turn()
      if (!wanted.has(id)) return LEFT
      hear(step.value)
      since = performance.now()
    }
  }
}

const LEFT = { left: true } as const

const turn = () => new Promise<void>((resolve) => setTimeout(resolve))

function isSteps(made: unknown): made is Steps<unknown> {
  return typeof made === 'object' && made !== null && Symbol.iterator in made && 'next' in made
}
