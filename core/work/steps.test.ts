import { expect, it } from 'vitest'
import { finish, type Progress, type Steps } from './steps'

it('does every step, in order, and gives what comes of them', () => {
  const done: number[] = []
  function* work(): Steps<string> {
    for (let i = 1; i <= 3; i++) {
      done.push(i)
      yield { done: i, of: 3, words: 'steps' }
    }
    return 'through'
  }
  expect(finish(work())).toBe('through')
  expect(done).toEqual([1, 2, 3])
})

it('is left between two steps, and nothing more of it is done', () => {
  let done = 0
  function* work(): Steps<void> {
    for (;;) yield { done: ++done, of: 10, words: 'steps' } satisfies Progress
  }
  const steps = work()
  steps.next()
  steps.next()
  steps.return()
  expect(steps.next().done).toBe(true)
  expect(done).toBe(2)
})
