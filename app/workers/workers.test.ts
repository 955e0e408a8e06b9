import { describe, expect, it } from 'vitest'
import { Refusal } from '~~/core/refusal'
import type { Progress, Steps } from '~~/core/work/steps'
import { Left, unlessLeft, WorkerClient } from './client'
import type { Telling } from './job'
import type { Answered } from './messages'
import { useRun } from './run'
import { ownThreadFor } from './testing'

/** What the jobs below have done, over all workers of a test. */
let done: string[] = []

const JOBS = {
  double: (_: Telling<never>, value: number) => 2 * value,
  refuse(): never {
    throw new Refusal('It is too short.', 'span', { t: 3 })
  },
  fail(): never {
    throw new TypeError('a defect')
  },
  say({ say, hear }: Telling<string>) {
    say('found')
    hear({ done: 1, of: 2, words: 'parts' })
    return 'through'
  },
  *long(_: Telling<never>, name: string, steps: number): Steps<string> {
    for (let i = 1; i <= steps; i++) {
      done.push(`${name} ${i}`)
      const until = performance.now() + 10
      while (performance.now() < until);
      yield { done: i, of: steps, words: 'steps' }
    }
    return name
  },
}

const OwnThread = ownThreadFor(JOBS)

/** @param toLeave no machine is so slow that a worker that looks up has not done so by then */
function opened(toLeave = 60_000) {
  done = []
  const workers: InstanceType<typeof OwnThread>[] = []
  const client = new WorkerClient<typeof JOBS>(() => {
    workers.push(new OwnThread())
    return workers.at(-1) as unknown as Worker
  }, toLeave)
  return { client, workers }
}

describe('a worker, as the page sees it', () => {
  it('gives what comes of each job, whatever order they end in', async () => {
    const { client, workers } = opened()
    const slow = client.ask('long', ['slow', 5])
    expect(await client.ask('double', [21])).toBe(42)
    expect(await slow).toBe('slow')
    expect(workers).toHaveLength(1)
  })

  it('tells what is found on the way, and how far it has come', async () => {
    const { client } = opened()
    const [found, heard]: [string[], Progress[]] = [[], []]
    const last = await client.ask('say', [], {
      told: (said) => found.push(said),
      hear: (soFar) => heard.push(soFar),
    })
    expect(last).toBe('through')
    expect(found).toEqual(['found'])
    expect(heard).toEqual([{ done: 1, of: 2, words: 'parts' }])
  })

  it('brings back a refusal as one, and a defect as an error', async () => {
    const { client } = opened()
    const refused: unknown = await client.ask('refuse', []).catch((error: unknown) => error)
    expect(refused).toBeInstanceOf(Refusal)
    expect(refused).toMatchObject({ because: 'It is too short.', where: 'span', names: { t: 3 } })
    await expect(client.ask('fail', [])).rejects.toThrow('a defect')
    expect(await client.ask('double', [1])).toBe(2)
  })

  it('leaves a job between two of its steps', async () => {
    const { client, workers } = opened()
    const gone = new AbortController()
    const heard: number[] = []
    const left = client.ask('long', ['left', 1000], {
      until: gone.signal,
      hear: (soFar) => {
        heard.push(soFar.done)
        gone.abort()
      },
    })
    await expect(left).rejects.toBeInstanceOf(Left)
    expect(await client.ask('double', [2])).toBe(4)
    const before = done.length
    await new Promise((resolve) => setTimeout(resolve, 100))
    expect(done.length).toBe(before)
    expect(heard).toHaveLength(1)
    expect(workers).toHaveLength(1)
  })

  it('never begins what is left at once', async () => {
    const { client } = opened()
    const gone = new AbortController()
    const left = unlessLeft(client.ask('long', ['never', 3], { until: gone.signal }))
    gone.abort()
    expect(await left).toBeNull()
    await client.ask('double', [1])
    expect(done).toEqual([])
  })

  it('ends a worker that does not look up, and asks the next for the rest', async () => {
    const { client, workers } = opened(20)
    const gone = new AbortController()
    const silent = client.ask('double', [1], { until: gone.signal })
    const [worker] = workers
    // It has begun, and says nothing more.
    worker!.tell('message', { data: { id: 1, begun: true } satisfies Answered } as never)
    worker!.postMessage = () => {}
    gone.abort()
    await expect(silent).rejects.toBeInstanceOf(Left)
    const others = [client.ask('double', [2]), client.ask('double', [3])]
    worker!.tell = () => {}
    expect(await Promise.all(others)).toEqual([4, 6])
    expect(workers).toHaveLength(2)
  })

  it('fails all that waits with a worker that breaks, and opens another for the next', async () => {
    const { client, workers } = opened()
    const all = [client.ask('long', ['a', 100]), client.ask('long', ['b', 100])]
    const ended = Promise.allSettled(all)
    workers[0]!.tell('error', { message: '' } as never)
    for (const one of await ended) {
      expect(one).toMatchObject({ status: 'rejected' })
      expect(String((one as PromiseRejectedResult).reason)).toContain('did not load')
    }
    expect(await client.ask('double', [4])).toBe(8)
    expect(workers).toHaveLength(2)
  })

  it('leaves everything when it is closed', async () => {
    const { client } = opened()
    const left = client.ask('long', ['left', 1000])
    client.close()
    await expect(left).rejects.toBeInstanceOf(Left)
  })
})

describe('a run', () => {
  it('is done, refused or failed, and says why', async () => {
    const run = useRun()
    expect(run.state.value).toBe('none')
    await run.begin(async ({ hear }) => hear({ done: 1, of: 1, words: 'steps' }))
    expect([run.state.value, run.because.value, run.progress.value]).toEqual(['done', '', null])
    await run.begin(() => Promise.reject(new Refusal('Too short.', '')))
    expect([run.state.value, run.because.value]).toEqual(['refused', 'Too short.'])
    await run.begin(() => Promise.reject(new Error('broken')))
    expect([run.state.value, run.because.value]).toEqual(['failed', 'broken'])
  })

  it('is overtaken by the next: what the first says no longer counts', async () => {
    const run = useRun()
    let end = () => {}
    let hear: (soFar: Progress) => void = () => {}
    const first = run.begin((followed) => {
      hear = followed.hear
      return new Promise((resolve) => (end = resolve))
    })
    const second = run.begin(() => new Promise((resolve) => setTimeout(resolve, 20)))
    hear({ done: 5, of: 9, words: 'steps' })
    end()
    await first
    expect([run.state.value, run.progress.value]).toEqual(['running', null])
    await second
    expect(run.state.value).toBe('done')
  })

  it('is stopped, and what was asked of a worker is left', async () => {
    const run = useRun()
    const { client } = opened()
    const begun = run.begin(async (followed) => {
      await client.ask('long', ['stopped', 1000], followed)
    })
    run.stop()
    await begun
    expect(run.state.value).toBe('stopped')
    run.forget()
    expect(run.state.value).toBe('none')
  })
})
