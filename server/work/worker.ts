import { Transfer, worker } from 'workerpool'
import { Refusal, type RefusalNames } from '../../core/refusal'
import { causeOf } from '../database/cause'
import { HttpProblem, problem } from '../http/problem'
import type { Problem } from '../../shared/api/problem'
import { TASKS, type Tasks } from './tasks'

/** What comes back from a worker: a refusal loses its class on the way, and is told by what it holds. */
export type Answer<T> =
  | { readonly done: T }
  | { readonly problem: Problem }
  | {
      readonly refused: {
        readonly because: string
        readonly where: string
        readonly names: RefusalNames
      }
    }

type Task = (...words: never[]) => unknown

async function answer(task: Task, words: readonly unknown[]) {
  try {
    const done = await task(...(words as never[]))
    return handedOver({ done }, done)
  } catch (error) {
    if (error instanceof HttpProblem) return { problem: error.problem } satisfies Answer<unknown>
    const cause = causeOf(error)
    if (cause !== null) return { problem: problem(507, cause).problem } satisfies Answer<unknown>
    if (!(error instanceof Refusal)) throw error
    const { because, where, names } = error
    return { refused: { because, where, names } }
  }
}

/** Bytes change hands; anything else is copied. */
function handedOver(answer: Answer<unknown>, done: unknown) {
  const bytes = done instanceof Uint8Array ? done : (done as { bytes?: unknown } | null)?.bytes
  const isWhole = bytes instanceof Uint8Array && bytes.byteLength === bytes.buffer.byteLength
  return isWhole ? new Transfer(answer, [bytes.buffer]) : answer
}

worker(
  Object.fromEntries(
    Object.entries(TASKS as Record<keyof Tasks, Task>).map(([name, task]) => [
      name,
      (...words: unknown[]) => answer(task, words),
    ]),
  ),
)
