import { expect, it } from 'vitest'
import { analyse } from '../analyse'
import { figureOf, operation, plain } from '../column/expression'
import { ledgerOf } from './ledger'
import { quarters, series } from './testing'
import { weightedCells } from './weighted'

it('weights stand over the cells of a weighted sum, in the order of time', () => {
  const result = analyse(series(quarters), {
    format: 'elvant-method/1',
    decompose: { by: 'iterated' },
  })
  const { find, run } = ledgerOf(result)
  const cells = weightedCells(find('trendCycle')!.arithmetic(run.lastT))!
  // At the end only those before it, the last counting most.
  expect(cells.at(-1)!.t).toBe(run.lastT)
  expect(cells.map(({ t }) => t)).toEqual([...cells.map(({ t }) => t)].sort((a, b) => a - b))
  expect(cells.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 12)
  expect(cells.reduce((sum, { weight, value }) => sum + weight * value, 0)).toBeCloseTo(
    result.columns.trendCycle.at(-1)!,
    9,
  )
  expect(cells.at(-1)!.weight).toBe(Math.max(...cells.map(({ weight }) => weight)))
})

it('of any other arithmetic there are none', () => {
  expect(weightedCells(plain(2))).toBeNull()
  expect(weightedCells(operation(plain(1), '×', figureOf('a', 2)))).toBeNull()
  expect(weightedCells({ kind: 'average', how: 'sum', terms: [plain(1)] })).toBeNull()
})
