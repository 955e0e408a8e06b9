import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import { begin } from '../core/begin'
import { seriesFromDocument } from '../shared/seriesSchema'
import { expect, startServer, test } from './ownServer'

const PORT = 4392
const BASE = `http://127.0.0.1:${PORT}/api/v1`

/** Starts a server of its own on a database, without the demo; resolves once it answers. */
function start(data: string): Promise<ChildProcess> {
  return startServer(data, PORT, { ELVANT_DEMO: 'none' })
}

async function kill(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null || server.signalCode !== null) return
  const gone = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGKILL')
  await gone
}

function put(path: string, body: unknown, method = 'PUT') {
  return fetch(BASE + path, {
    method,
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  })
}

const series = (name: string, values: (number | null)[] = [1, 2, null]) => ({
  series: { name, unit: 'litres', frequency: 'monthly', start: '2020-01', values },
  source: { file: 'test.csv' },
})

test('everything is backed up and restored over HTTP, and survives the next start', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'elvant-restore-'))
  const data = join(folder, 'elvant.sqlite')
  const names = async () => {
    const answer = (await (await fetch(`${BASE}/series`)).json()) as { series: { name: string }[] }
    return answer.series.map(({ name }) => name)
  }
  let server = await start(data)
  try {
    await put('/series', { series: [series('Before')] }, 'POST')
    const backup = Buffer.from(await (await fetch(`${BASE}/backup`)).arrayBuffer())
    await put('/series', { series: [series('After')] }, 'POST')
    const send = (body: Buffer) =>
      fetch(`${BASE}/backup`, { method: 'POST', body: new Uint8Array(body) })
    const damaged = await send(backup.subarray(0, backup.length - 5000))
    expect(damaged.status).toBe(422)
    expect(await damaged.text()).not.toContain(folder)
    expect(await names()).toEqual(['After', 'Before'])
    expect((await send(backup)).status).toBe(204)
    expect(await names()).toEqual(['Before'])
    await put('/series', { series: [series('Later')] }, 'POST')
    await kill(server)
    server = await start(data)
    expect(await names()).toEqual(['Before', 'Later'])
    expect(readdirSync(folder).filter((name) => /backup|upload/.test(name))).toEqual([])
    expect(readdirSync(folder).filter((name) => name.includes('before-restore'))).toHaveLength(1)
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true, force: true })
  }
})

test('what the routes do not understand is answered as a problem, never a 500 or a page', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'elvant-bad-'))
  const server = await start(join(folder, 'elvant.sqlite'))
  const gone = '00000000-0000-4000-8000-000000000000'
  try {
    for (const [method, path, body, status] of [
      ['POST', '/series/acts', { act: 'discard', ids: ['x'] }, 400],
      ['POST', '/series/acts', { act: 'burn', ids: [gone] }, 400],
      ['POST', '/series/acts', { act: 'restore', ids: [gone] }, 404],
      ['POST', '/series/export', { ids: [gone], as: 'csv' }, 404],
      ['POST', '/series/export', { ids: [gone], as: 'pdf' }, 400],
      ['POST', `/series/${gone}/vintages`, series('Gone'), 404],
      ['POST', `/series/${gone}/vintages`, {}, 400],
      ['POST', '/series/updates', { updates: [{ id: gone, ...series('Gone') }] }, 404],
      ['POST', '/series/updates', { updates: [] }, 400],
      ['POST', '/files?name=a.csv', 'not packed', 400],
      ['POST', '/files', 'x', 400],
      ['POST', '/backup', 'x', 422],
      ['DELETE', '/backup', {}, 405],
      ['PUT', '/nothing/here', {}, 404],
    ] as const) {
      const answer = await put(path, body, method)
      expect([method, path, answer.status]).toEqual([method, path, status])
      expect(answer.headers.get('content-type')).toContain('application/problem+json')
      const details = (await answer.json()) as { detail: string }
      expect(details.detail.length).toBeGreaterThan(10)
    }
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true, force: true })
  }
})

const THREE_YEARS = Array.from({ length: 36 }, (_, i) => 100 + 10 * (i % 12) + i)

test('every answered write outlives a server that is killed at any moment', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'elvant-kill-'))
  const data = join(folder, 'elvant.sqlite')
  const kept = new Set<string>()
  /** Names of forecasts that are kept. */
  const frozen = new Set<string>()
  let version = 1
  let studyId: string | null = null
  for (let round = 0; round < 4; round++) {
    const server = await start(data)
    let timer: ReturnType<typeof setTimeout> | undefined
    try {
      for (let i = 0; ; i++) {
        // After so many answers, in the middle of whatever comes next: a slow machine is killed as late as a fast one.
        if (i === 2 + round) timer = setTimeout(() => server.kill('SIGKILL'), 5 + 9 * round)
        const name = `series ${round}-${i}`
        const answer = await put('/series', { series: [series(name, THREE_YEARS)] }, 'POST')
        const { series: rows } = (await answer.json()) as {
          series: { id: string; studyId: string }[]
        }
        kept.add(name)
        studyId ??= rows[0]!.studyId
        const method = {
          format: 'elvant-method/1',
          forecast: { horizon: 1 + ((version + 1) % 50) },
        }
        const saved = await put(`/studies/${studyId}`, { method, version })
        expect(saved.status).toBe(200)
        version = ((await saved.json()) as { version: number }).version
        const forecast = await put(`/series/${rows[0]!.id}/kept`, { name, method }, 'POST')
        expect(forecast.status).toBe(201)
        frozen.add(name)
      }
    } catch {
      // The server is gone in the middle of something; what it had answered counts.
    }
    clearTimeout(timer)
    await kill(server)

    const again = await start(data)
    const { series: rows } = (await (await fetch(`${BASE}/series`)).json()) as {
      series: { name: string }[]
    }
    const names = new Set(rows.map(({ name }) => name))
    for (const name of kept) expect(names.has(name)).toBe(true)
    const forecasts = (await (await fetch(`${BASE}/kept`)).json()) as { kept: { name: string }[] }
    const there = new Set(forecasts.kept.map(({ name }) => name))
    for (const name of frozen) expect(there.has(name)).toBe(true)
    if (studyId) {
      const study = (await (await fetch(`${BASE}/studies/${studyId}`)).json()) as {
        version: number
      }
      expect(study.version).toBeGreaterThanOrEqual(version)
      version = study.version
    }
    await kill(again)
  }
  expect(kept.size).toBeGreaterThan(5)
  expect(frozen.size).toBeGreaterThan(3)
  rmSync(folder, { recursive: true, force: true })
})

test('a server that others can reach gives nothing without its key, whatever name is forged', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'elvant-key-'))
  const server = await startServer(join(folder, 'elvant.sqlite'), PORT, { NITRO_HOST: '0.0.0.0' })
  const key = readFileSync(join(folder, 'elvant.sqlite.key'), 'utf8').trim()
  try {
    const address = Object.values(networkInterfaces())
      .flat()
      .find((one) => one?.family === 'IPv4' && !one.internal)?.address
    const statusOf = (host: string, headers: Record<string, string>) =>
      new Promise<number>((resolve, reject) => {
        httpRequest(`http://${host}:${PORT}/api/v1/backup`, { headers }, (answer) => {
          answer.resume()
          resolve(answer.statusCode!)
        })
          .on('error', reject)
          .end()
      })
    const bearer = { authorization: `Bearer ${key}` }
    expect(await statusOf('127.0.0.1', {})).toBe(401)
    expect(await statusOf('127.0.0.1', { authorization: 'Bearer wrong' })).toBe(401)
    expect(await statusOf('127.0.0.1', bearer)).toBe(200)
    // A machine without a network has no such address.
    if (address) {
      expect(await statusOf(address, { host: 'localhost' })).toBe(403)
      expect(await statusOf(address, { ...bearer, host: 'localhost' })).toBe(403)
      expect(await statusOf(address, {})).toBe(401)
      expect(await statusOf(address, bearer)).toBe(200)
    }

    await page.goto(`http://127.0.0.1:${PORT}/`)
    const dialog = page.getByRole('dialog', { name: 'The key of this Elvant' })
    await dialog.getByLabel('Key').fill('not the key')
    await dialog.getByRole('button', { name: 'Open' }).click()
    await expect(dialog.getByText('This is not the key.')).toBeVisible()
    await dialog.getByLabel('Key').fill(key)
    await dialog.getByRole('button', { name: 'Open' }).click()
    await expect(page.getByRole('link', { name: 'Interior paint' })).toBeVisible()
    expect(await page.evaluate(() => document.cookie)).toBe('')
    await page.reload()
    await page.getByRole('link', { name: 'Interior paint' }).click()
    await expect(page.getByText('Worth knowing')).toBeVisible()
  } finally {
    await kill(server)
    rmSync(folder, { recursive: true, force: true })
  }
})

test('requests that are not of this server’s own pages are turned away', async ({
  request,
  address,
}) => {
  const foreign = await request.get('/api/v1/series', {
    headers: { origin: 'https://elsewhere.example' },
  })
  expect(foreign.status()).toBe(403)
  const rebound = await new Promise<number>((resolve, reject) => {
    httpRequest(`${address}/api/v1/series`, { headers: { host: 'evil.example' } }, (response) =>
      resolve(response.statusCode!),
    )
      .on('error', reject)
      .end()
  })
  expect(rebound).toBe(403)
  const crossSite = await request.delete('/api/v1/series/x', {
    headers: { 'sec-fetch-site': 'cross-site' },
  })
  expect(crossSite.status()).toBe(403)
})

test('bad input is answered with problem details, never with a 500', async ({ request }) => {
  const cases: [string, string, unknown, number][] = [
    ['get', '/api/v1/nothing', undefined, 404],
    ['get', '/api/v1/studies/1', undefined, 404],
    ['get', '/api/v1/studies/6b1f4f0e-8f0e-4c55-9d6e-000000000000/contest', undefined, 404],
    ['put', '/api/v1/studies/6b1f4f0e-8f0e-4c55-9d6e-000000000000/contest', { of: 'x' }, 400],
    ['post', '/api/v1/series', {}, 400],
    ['post', '/api/v1/beginnings', {}, 400],
    ['post', '/api/v1/beginnings', { series: { ...series('a').series, start: '2020-Q9' } }, 422],
    ['post', '/api/v1/series', { series: [] }, 400],
    ['post', '/api/v1/series', { series: [{ ...series('a'), source: {} }] }, 400],
    ['post', '/api/v1/analyses', { series: series('a').series, method: { format: 'x' } }, 400],
    [
      'post',
      '/api/v1/analyses',
      { series: series('a').series, method: { format: 'elvant-method/1' } },
      422,
    ],
  ]
  for (const [method, path, data, status] of cases) {
    const answer = await request.fetch(path, { method, data })
    expect([path, answer.status()]).toEqual([path, status])
    expect(answer.headers()['content-type']).toBe('application/problem+json')
    expect(await answer.json()).toMatchObject({
      status,
      detail: expect.stringMatching(/\.$/) as unknown,
    })
  }
})

test('HTTP calculates what the core calculates', async ({ request }) => {
  const values = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
  const answer = await request.post('/api/v1/analyses', {
    data: {
      series: { name: 'jobs', unit: 'jobs', frequency: 'quarterly', start: '2020-Q1', values },
      method: { format: 'elvant-method/1' },
    },
  })
  const result = (await answer.json()) as { forecast: { forecast: number[] } }
  expect(result.forecast.forecast[0]!.toFixed(3)).toBe('57.826')

  const jobs = {
    name: 'jobs',
    unit: 'jobs',
    frequency: 'quarterly',
    start: '2020-Q1',
    values,
  } as const
  const begun = await request.post('/api/v1/beginnings', { data: { series: jobs } })
  expect(await begun.json()).toEqual(begin(seriesFromDocument(jobs)))
})
