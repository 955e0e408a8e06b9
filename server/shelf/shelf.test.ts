import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { openDatabase, type OpenDatabase } from '../database/open'
import { shelfPage, shelfRows } from '../series/shelfRows'
import { actOnSeries, keepSeries } from './shelfStore'
import { drawable, valuesOf } from '../series/valuesOf'

let opened: OpenDatabase
beforeEach(() => (opened = openDatabase(':memory:', 'server/database/migrations')))
afterEach(() => opened.close())

const named = (name: string, values: (number | null)[] = [1, null, 3]) => ({
  series: { name, unit: 'litres', frequency: 'monthly' as const, start: '2020-01', values },
  source: { file: 'test.csv' },
})

/** Every name of the shelf, read by pages. */
function names(limit: number, between: () => void = () => {}): string[] {
  const found: string[] = []
  let after: string | undefined
  do {
    const page = shelfPage(opened.db, { after, limit })
    expect(page.series.length).toBeLessThanOrEqual(limit)
    found.push(...page.series.map(({ name }) => name))
    after = page.next ?? undefined
    between()
  } while (after !== undefined)
  return found
}

describe('the shelf by pages', () => {
  it('has every series once, by name, whatever the size of a page, also of one name', () => {
    const all = [
      ...Array.from({ length: 60 }, (_, i) => `Depot ${i}`),
      'Same',
      'Same',
      'Same',
      '🎨'.repeat(300),
    ]
    keepSeries(
      opened.db,
      all.toReversed().map((name) => named(name)),
    )
    for (const limit of [1, 2, 7, 32, 64, 1000]) expect(names(limit)).toEqual(all.toSorted())
    expect(shelfPage(opened.db).series.map(({ name }) => name)).toEqual(all.toSorted())
  })

  it('goes on where it was when the series that a page ended with is erased', () => {
    const [first] = keepSeries(
      opened.db,
      ['A', 'B', 'C'].map((name) => named(name)),
    ) as [string]
    const erase = () => {
      actOnSeries(opened.db, { act: 'discard', ids: [first] })
      actOnSeries(opened.db, { act: 'erase', ids: [first] })
    }
    expect(names(1, erase)).toEqual(['A', 'B', 'C'])
  })

  it('gives rows and values of those that are asked for', () => {
    const ids = keepSeries(opened.db, [named('A', [4, null]), named('B', [null, 7])])
    expect(shelfRows(opened.db, ids.toReversed()).map(({ name }) => name)).toEqual(['B', 'A'])
    expect(shelfRows(opened.db, ids)[0]).toMatchObject({ periods: 2, missing: 1, end: '2020-02' })
    expect(valuesOf(opened.db, [ids[1]!])).toEqual([{ id: ids[1], values: [null, 7] }])
    actOnSeries(opened.db, { act: 'discard', ids: [ids[0]!] })
    expect(shelfRows(opened.db, ids).map(({ name }) => name)).toEqual(['B'])
    expect(valuesOf(opened.db, ids).map(({ id }) => id)).toEqual([ids[1]])
  })
})

it('a small picture keeps the lowest and highest value, and no more points than are asked for', () => {
  expect(drawable([1, 5, 2, 3, 9, 4, 4, 4], 4)).toEqual([1, 5, 9, 4])
  expect(drawable([...Array<null>(6).fill(null), 1, 2, 3], 6)).toEqual([
    null,
    null,
    null,
    null,
    1,
    3,
  ])
  const value = fc.option(fc.double({ noNaN: true, noDefaultInfinity: true }))
  const present = (all: readonly (number | null)[]) => all.filter((one) => one !== null)
  fc.assert(
    fc.property(
      fc.array(value, { minLength: 1, maxLength: 200 }),
      fc.integer({ min: 2, max: 60 }),
      (values, points) => {
        const drawn = drawable(values, points)
        expect(drawn.length).toBeLessThanOrEqual(points)
        expect(Math.min(...present(drawn))).toBe(Math.min(...present(values)))
        expect(Math.max(...present(drawn))).toBe(Math.max(...present(values)))
      },
    ),
  )
})
