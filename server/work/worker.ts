import { worker } from 'workerpool'
import { Refusal, type RefusalNames } from '../../core/refusal'
import { TASKS, type Tasks } from './tasks'

/** What comes back from a worker: a refusal loses its class on the way, and is told by what it holds. */
export type Answer<T> =
  | { readonly done: T }
  | {
      readonly refused: {
        readonly because: string
        readonly where: string
        readonly names: RefusalNames
      }
    }

type Task = (...words: never[]) => unknown

async function answer(task: Task, words: readonly unknown[]): Promise<Answer<unknown>> {
  try {
    return { done: await task(...(words as never[])) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    const { because, where, names } = error
    return { refused: { because, where, names } }
  }
}

worker(
  Object.fromEntries(
    Object.entries(TASKS as Record<keyof Tasks, Task>).map(([name, task]) => [
      name,
      (...words: unknown[]) => answer(task, words),
    ]),
  ),
)
