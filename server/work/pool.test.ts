import { mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { buildWorkers } from '../../scripts/workers.mjs'
import type { SeriesDocument } from '../../shared/seriesSchema'
import { HttpProblem } from '../http/problem'
import { calculate } from './bySize'
import { endWorkers, inWorker, useWorkers } from './pool'

/** Below the packages, so that the script finds the database driver. */
let folder: string
let script: string
beforeAll(async () => {
  folder = mkdtempSync(join('node_modules', '.work-'))
  script = join(process.cwd(), await buildWorkers(folder))
})
afterAll(async () => {
  await endWorkers()
  rmSync(folder, { recursive: true, force: true })
})

const series = (periods: number): SeriesDocument => ({
  name: 'Primer',
  unit: 'litres',
  frequency: 'monthly',
  start: '0100-01',
  values: Array.from({ length: periods }, (_, t) => 100 + t + 20 * Math.sin((Math.PI * t) / 6)),
})
/** A request as it comes in. */
const asked = (own: SeriesDocument, method: object) =>
  Buffer.from(JSON.stringify({ series: own, method }))
const textOf = (bytes: Uint8Array) => Buffer.from(bytes).toString('utf8')
const METHOD = { format: 'elvant-method/1' } as const
const problemOf = (work: Promise<unknown>) =>
  work.then(
    () => null,
    (error: unknown) => (error instanceof HttpProblem ? error.problem : error),
  )

describe('work beside the server', () => {
  it('gives the result as it is written', async () => {
    useWorkers(script)
    const bytes = await inWorker({}, 'analyse', asked(series(48), METHOD))
    const result = JSON.parse(textOf(bytes)) as { format: string }
    expect(result.format).toBe('elvant-result/1')
  })

  it('says where a request is wrong, as the server would', async () => {
    useWorkers(script)
    const wrong = await problemOf(inWorker({}, 'analyse', asked(series(48), { format: 'other' })))
    expect(wrong).toMatchObject({ status: 400, pointer: '/method/format' })
    expect(await problemOf(inWorker({}, 'analyse', Buffer.from('{')))).toMatchObject({
      status: 400,
    })
  })

  it('brings a refusal back as one', async () => {
    useWorkers(script)
    await expect(inWorker({}, 'analyse', asked(series(5), METHOD))).rejects.toMatchObject({
      name: 'Refusal',
      because: expect.stringContaining('two full years') as string,
    })
  })

  it('holds nothing up, and is stopped when it takes too long; the next request is answered', async () => {
    // Long enough for a slow machine to start a thread, far too short for what is asked first.
    useWorkers(script, 5000)
    let ticks = 0
    const ticking = setInterval(() => ticks++, 20)
    const long = await problemOf(
      inWorker(
        {},
        'analyse',
        asked(series(3000), {
          ...METHOD,
          forecast: { by: 'smoothing' },
          check: { rolling: { first: 2100 } },
        }),
      ),
    )
    clearInterval(ticking)
    expect(long).toMatchObject({ status: 503, detail: expect.stringMatching(/stopped/) as string })
    expect(ticks).toBeGreaterThan(30)
    const next = await inWorker({}, 'analyse', asked(series(48), METHOD))
    expect(textOf(next)).toContain('elvant-result/1')
  })

  it('is stopped when nobody waits for it any more, and the thread is free for the next', async () => {
    useWorkers(script, 60_000)
    const gone = new AbortController()
    const forgotten = problemOf(
      inWorker(
        { until: gone.signal },
        'analyse',
        asked(series(3000), {
          ...METHOD,
          forecast: { by: 'smoothing' },
          check: { rolling: { first: 2100 } },
        }),
      ),
    )
    gone.abort()
    expect(await forgotten).toMatchObject({
      status: 503,
      detail: expect.stringMatching(/nobody waits/) as string,
    })
    expect(textOf(await inWorker({}, 'analyse', asked(series(48), METHOD)))).toContain(
      'elvant-result/1',
    )
  })

  it('answers what is small while all that is long waits, and what is not over at once after all', async () => {
    useWorkers(script, 60_000, 30_000)
    const gone = new AbortController()
    const rolling = {
      ...METHOD,
      forecast: { by: 'smoothing' },
      check: { rolling: { first: 2100 } },
    }
    const heavy = Array.from({ length: 6 }, () =>
      problemOf(calculate(gone.signal, 'analyse', asked(series(3000), rolling))),
    )
    const small = await calculate(gone.signal, 'analyse', asked(series(48), METHOD))
    expect(textOf(small)).toContain('elvant-result/1')
    gone.abort()
    for (const one of heavy) {
      expect(await one).toMatchObject({ detail: expect.stringMatching(/nobody waits/) as string })
    }
    // Nothing is over within a millisecond.
    useWorkers(script, 60_000, 1)
    const later = await calculate(
      new AbortController().signal,
      'analyse',
      asked(series(48), METHOD),
    )
    expect(textOf(later)).toContain('elvant-result/1')
  })

  it('sends away what would wait too long', async () => {
    useWorkers(script, 20_000)
    const all = Array.from({ length: 80 }, () =>
      problemOf(inWorker({}, 'analyse', asked(series(1200), METHOD))),
    )
    const answers = await Promise.all(all)
    expect(answers.filter((one) => one === null).length).toBeGreaterThan(10)
    expect(answers.filter((one) => one !== null)).not.toHaveLength(0)
    for (const one of answers) if (one) expect(one).toMatchObject({ status: 503 })
  })
})
