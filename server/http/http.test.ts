import { createApp, createRouter, toNodeListener, type H3Event } from 'h3'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { Readable } from 'node:stream'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { Refusal } from '../../core/refusal'
import type { Problem } from '../../shared/api/problem'
import { apiRoute } from './apiRoute'
import { parseJson, readJsonBytes } from './body'
import { check } from './check'
import { contentSecurityPolicy, withNonce } from './contentSecurity'
import { log } from './log'
import { isLoopbackName, isOwnHost, isSameOrigin } from './origin'
import { requireBoundedJson } from './jsonBounds'
import { isPage, isWithoutData } from './pages'
import { pointerTo, type HttpProblem } from './problem'

describe('apiRoute', () => {
  let server: Server
  let base: string
  const body = z.strictObject({ name: z.string(), list: z.array(z.int()).optional() })

  const readEcho = async (event: H3Event) => check(body, parseJson(await readJsonBytes(event)), 400)

  beforeAll(async () => {
    log.level = 'silent'
    const router = createRouter()
      .post(
        '/echo',
        apiRoute({ body: readEcho, answer: body, status: 201 }, (input) => input.body),
      )
      .get(
        '/refuse',
        apiRoute({}, () => {
          throw new Refusal('Too short.', 'decompose.by')
        }),
      )
      .get(
        '/defect',
        apiRoute({}, () => {
          throw new TypeError('secret detail')
        }),
      )
      .get(
        '/wrong-answer',
        apiRoute({ answer: z.number() }, () => 'words' as never),
      )
      .get(
        '/things/:id',
        apiRoute({ params: z.object({ id: z.uuid() }) }, () => undefined),
      )
    server = createServer(toNodeListener(createApp().use(router)))
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  })
  afterAll(() => server.close())

  async function ask(path: string, send?: string) {
    const response = await fetch(
      base + path,
      send === undefined ? {} : { method: 'POST', body: send },
    )
    const text = await response.text()
    return { status: response.status, type: response.headers.get('content-type'), text }
  }
  const problemOf = ({ text }: { text: string }) => JSON.parse(text) as Problem

  it('answers what fits its schemas', async () => {
    expect(await ask('/echo', '{"name":"a","list":[1]}')).toMatchObject({
      status: 201,
      text: expect.stringContaining('"list"') as string,
    })
  })

  it.each([
    ['{"name":5}', '/name'],
    ['{"name":"a","list":[1,"x"]}', '/list/1'],
    ['{"name":"a","colour":1}', '/colour'],
    ['[]', ''],
  ])('%s is a 400 that points at "%s"', async (send, pointer) => {
    const answer = await ask('/echo', send)
    expect([answer.status, answer.type]).toEqual([400, 'application/problem+json'])
    expect(problemOf(answer).pointer).toBe(pointer)
  })

  it.each(['', '{"name":', 'null', '\u0000'])('%j is a 400, never a 500', async (send) => {
    expect((await ask('/echo', send)).status).toBe(400)
  })

  it('a body beyond the limit is a 413', async () => {
    const answer = await ask('/echo', JSON.stringify({ name: 'x'.repeat(26 * 1024 * 1024) }))
    expect(answer.status).toBe(413)
    expect(problemOf(answer).detail).toContain('25 MB')
  })

  it('reads a body whose length is not said, in whatever pieces it comes', async () => {
    const text = JSON.stringify({ name: 'ü'.repeat(200_000), list: [1] })
    const bytes = Buffer.from(text)
    const pieces = [1, 70_000, 70_001, 300_000, bytes.length].map((end, i, ends) =>
      bytes.subarray(ends[i - 1] ?? 0, end),
    )
    const response = await fetch(`${base}/echo`, {
      method: 'POST',
      body: Readable.toWeb(Readable.from(pieces)),
      duplex: 'half',
    } as unknown as RequestInit)
    expect(await response.text()).toBe(text)
  })

  it('a refusal is a 422 with its words and its place', async () => {
    expect(problemOf(await ask('/refuse'))).toMatchObject({
      status: 422,
      detail: 'Too short.',
      pointer: '/decompose/by',
    })
  })

  it('an id of the wrong form is a 404', async () => {
    expect((await ask('/things/1')).status).toBe(404)
  })

  it('a defect is a 500 that keeps its details to itself, and so is an answer of the wrong form', async () => {
    const defect = await ask('/defect')
    expect(defect.status).toBe(500)
    expect(defect.text).not.toContain('secret')
    expect((await ask('/wrong-answer')).status).toBe(500)
  })
})

describe('pointerTo', () => {
  it('escapes as RFC 6901 asks', () => {
    expect(pointerTo(['a/b', 'c~d', 0])).toBe('/a~1b/c~0d/0')
  })
})

describe('origins', () => {
  it.each([
    ['127.0.0.1:4300', true],
    ['localhost', true],
    ['LOCALHOST:80', true],
    ['[::1]:4300', true],
    ['elvant.example', false],
    ['127.0.0.1.example', false],
    ['', false],
    [undefined, false],
  ])('host %s: %s', (host, own) => {
    expect(isOwnHost(host, '127.0.0.1')).toBe(own)
  })

  it('answers to a name that was allowed', () => {
    expect(isOwnHost('paint.example:4300', '192.168.0.7', 'other.example, paint.example')).toBe(
      true,
    )
    expect(isOwnHost('evil.example', '127.0.0.1', 'paint.example')).toBe(false)
    expect(isOwnHost('192.168.0.7:4300', '192.168.0.7')).toBe(true)
    expect(isOwnHost('192.168.0.7:4300', '::ffff:192.168.0.7')).toBe(true)
    expect(isOwnHost('[fe80::1]:4300', 'fe80::1')).toBe(true)
    expect(isOwnHost('192.168.0.8', '192.168.0.7')).toBe(false)
  })

  it('takes nobody for this machine who comes over the network, whatever the header says', () => {
    for (const host of ['localhost', '127.0.0.1:4300', '[::1]']) {
      expect(isOwnHost(host, '192.168.0.7')).toBe(false)
      expect(isOwnHost(host, undefined)).toBe(false)
      expect(isOwnHost(host, '::ffff:127.0.0.1')).toBe(true)
    }
  })

  it('takes requests of its own pages and of no page', () => {
    expect(isSameOrigin(undefined, '127.0.0.1:4300')).toBe(true)
    expect(isSameOrigin('http://127.0.0.1:4300', '127.0.0.1:4300')).toBe(true)
    expect(isSameOrigin('http://127.0.0.1:9999', '127.0.0.1:4300')).toBe(false)
    expect(isSameOrigin('https://elsewhere.example', '127.0.0.1:4300')).toBe(false)
    expect(isSameOrigin('null', '127.0.0.1:4300')).toBe(false)
  })
})

describe('JSON that is made to be hard to read', () => {
  const refused = (text: string) => {
    try {
      requireBoundedJson(Buffer.from(text))
      return null
    } catch (error) {
      return (error as HttpProblem).problem.status
    }
  }

  it('is refused before it is read: deep, or of too many parts', () => {
    expect(refused('['.repeat(6_000_000))).toBe(400)
    expect(refused(`[${'[],'.repeat(400_000)}[]]`)).toBe(413)
    expect(refused(`[${'1,'.repeat(5_000_000)}1]`)).toBe(413)
  })

  it('is not what only holds brackets and commas in its texts, or many values', () => {
    expect(refused(JSON.stringify({ notes: '[{,'.repeat(500_000) + '\\"[[' }))).toBeNull()
    expect(
      refused(JSON.stringify({ series: Array(12_000).fill({ values: Array(240).fill(1) }) })),
    ).toBeNull()
  })
})

it.each([
  ['/', true],
  ['/?view=compare', true],
  ['/intake', true],
  ['/sums?group=Wood', true],
  ['/study/0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11?view=contest', true],
  ['/kept', true],
  ['/kept/0b0e5c1c-2f0f-4b7e-9a55-0a7c8f3b1d11', true],
  ['/kept/a/b', false],
  ['/study', false],
  ['/wp-admin', false],
  ['/study/a/b', false],
])('%s is a page: %s', (path, there) => {
  expect(isPage(path)).toBe(there)
})

it.each([
  ['/', true],
  ['/_nuxt/entry.js', true],
  ['/study/1?view=compare', true],
  ['/api/v1/series', false],
  ['//api/v1/series', false],
  ['/%61pi/v1/series', false],
  ['/mark.svg/../api/v1/backup', false],
  ['/wp-admin', false],
])('%s can be had without the key: %s', (path, can) => {
  expect(isWithoutData(path)).toBe(can)
})

it.each([
  ['127.0.0.1', true],
  ['localhost', true],
  ['::1', true],
  ['0.0.0.0', false],
  ['::', false],
  ['192.168.0.7', false],
  [undefined, false],
])('what listens on %s is reached from this machine alone: %s', (name, alone) => {
  expect(isLoopbackName(name)).toBe(alone)
})

describe('content security', () => {
  it('allows nothing inline without the nonce, and nothing from elsewhere', () => {
    const policy = contentSecurityPolicy('abc')
    expect(policy).toContain("script-src 'self' 'nonce-abc'")
    expect(policy).toContain("default-src 'none'")
    expect(policy).not.toMatch(/unsafe|http|\*/)
  })

  it('marks scripts and styles, and no word that only begins like them', () => {
    expect(withNonce('<script src="a"></script><style>b</style><scripted>', 'n')).toBe(
      '<script nonce="n" src="a"></script><style nonce="n">b</style><scripted>',
    )
  })
})
