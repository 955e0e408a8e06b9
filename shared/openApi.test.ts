import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openApi, ROUTES } from './openApi'

/** `server/api/v1/series/[id]/kept.post.ts` is `post /series/{id}/kept`. */
const FILES = (readdirSync('server/api/v1', { recursive: true }) as string[]).filter(
  (file) => /\.ts$/.test(file) && !file.startsWith('[...'),
)
const routeOf = (file: string) => {
  const [, path, method] = /^(.+)\.(get|post|put|patch|delete)\.ts$/.exec(file)!
  return `${method} /${path!.replace(/\[id\]/g, '{id}').replace(/\/?index$/, '')}`
}

describe('the description of the HTTP interface', () => {
  it('has every route, and no other', () => {
    const described = Object.entries(ROUTES).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    )
    expect(described.sort()).toEqual(FILES.map(routeOf).sort())
  })

  it('says of a body what the route checks by, where it is told by name', () => {
    // A route that reads a body has one described, and none that reads none.
    for (const file of FILES) {
      const text = readFileSync(`server/api/v1/${file}`, 'utf8')
      const [method, path] = routeOf(file).split(' ') as ['post', string]
      const own = ROUTES[path]![method]!
      const reads = /bodyOf\(|readJsonBytes|threadRoute\(/.test(text)
      expect([file, own.body !== undefined]).toEqual([file, reads])
    }
  })

  it('says the status that a route answers with', () => {
    const { paths } = openApi()
    for (const file of FILES) {
      const text = readFileSync(`server/api/v1/${file}`, 'utf8')
      const [method, path] = routeOf(file).split(' ') as ['post', string]
      const said = /(?:setResponseStatus\(event, |status: )(\d{3})/.exec(text)?.[1]
      const isEmpty = /apiRoute\(/.test(text) && !/answer:/.test(text)
      const { responses } = paths[`/api/v1${path}`]![method]!
      const [status] = Object.keys(responses)
      expect([file, status]).toEqual([file, said ?? (isEmpty ? '204' : '200')])
    }
  })

  it('is a document by itself, its references within it, and every operation named once', () => {
    const document = JSON.parse(JSON.stringify(openApi())) as ReturnType<typeof openApi>
    expect(document.openapi).toBe('3.1.0')
    const text = JSON.stringify(document)
    for (const [, place] of text.matchAll(/"\$ref":"#\/([^"]+)"/g)) {
      const [, kind, name] = place!.split('/') as ['components', 'schemas', 'Problem']
      expect(document.components[kind][name]).toBeDefined()
    }
    const ids = Object.values(document.paths).flatMap((methods) =>
      Object.values(methods).map(({ operationId }) => operationId),
    )
    expect(new Set(ids).size).toBe(ids.length)
    const { requestBody } = document.paths['/api/v1/catalogue']!.post!
    expect(requestBody!.content).toMatchObject({
      'application/json': { schema: { type: 'object', properties: { ids: { type: 'array' } } } },
    })
  })
})
