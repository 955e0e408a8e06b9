import fc from 'fast-check'
import { Matrix, QrDecomposition } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { isWithin, levelsOf, nodesOf, withWider, type SumNode } from '../nodes'
import { AGREE_BY, agreementWay, type AgreeBy } from './ways'

const grouped = (...groups: readonly string[]) =>
  groups.map((group, i) => ({ name: `series ${i + 1}`, group }))
const PAIR = nodesOf(grouped('', ''))
const agreed = (
  nodes: readonly SumNode[],
  own: readonly number[],
  by: AgreeBy,
  variances: readonly number[],
) => agreementWay(by).agree({ nodes, own, variances })

/** Series in up to three levels of groups, with a forecast and a variance for every node. */
const anyTree = fc
  .array(fc.constantFrom('', 'A', 'A / x', 'A / y', 'B', 'B / x', 'B / y / z'), {
    minLength: 2,
    maxLength: 12,
  })
  .chain((groups) => {
    const nodes = nodesOf(grouped(...groups))
    const each = <T>(one: fc.Arbitrary<T>) =>
      fc.array(one, { minLength: nodes.length, maxLength: nodes.length })
    return fc.record({
      nodes: fc.constant(nodes),
      own: each(fc.double({ min: -1000, max: 1000, noNaN: true })),
      variances: each(fc.double({ min: 0.01, max: 100, noNaN: true })),
    })
  })

/** The same least-squares problem as one matrix, by QR. */
function byMatrix(
  nodes: readonly SumNode[],
  own: readonly number[],
  variances: readonly number[],
): number[] {
  const count = nodes.filter(({ members }) => members.length === 0).length
  const sums = Matrix.zeros(nodes.length, count)
  nodes.forEach(({ series }, i) => series.forEach((j) => sums.set(i, j, 1)))
  const weighted = new Matrix(
    nodes.map((_, i) => sums.getRow(i).map((one) => one / Math.sqrt(variances[i]!))),
  )
  const y = Matrix.columnVector(own.map((one, i) => one / Math.sqrt(variances[i]!)))
  return sums.mmul(new QrDecomposition(weighted).solve(y)).getColumn(0)
}

describe('groups as they add up', () => {
  it('has what stands above before what stands below, and a group of one as that one', () => {
    const nodes = nodesOf([
      { name: 'Satin', group: 'Exteriors / Wall' },
      { name: 'Stain', group: '' },
      { name: 'Matt', group: 'Exteriors / Wall' },
      { name: 'Primer', group: 'Exteriors / Metal' },
    ])
    expect(nodes.map(({ name, level, parent, series }) => [name, level, parent, series])).toEqual([
      ['all together', 0, null, [0, 2, 3, 1]],
      ['Exteriors', 1, 0, [0, 2, 3]],
      ['Wall', 2, 1, [0, 2]],
      ['Satin', 3, 2, [0]],
      ['Matt', 3, 2, [2]],
      ['Primer', 2, 1, [3]],
      ['Stain', 1, 0, [1]],
    ])
    expect(nodes[1]!.members).toEqual([2, 5])
  })

  it('calls the total as the group that all are in', () => {
    expect(nodesOf(grouped('Oil', 'Oil')).map(({ name }) => name)).toEqual([
      ...['Oil', 'series 1', 'series 2'],
    ])
    expect(levelsOf(' Exteriors/ Garden oil / ')).toEqual(['Exteriors', 'Garden oil'])
  })

  it('has wider groups around those that are named, and what lies in them', () => {
    expect(withWider(['A / x / y', 'B', '', 'A / x'])).toEqual(['', 'A', 'A / x', 'A / x / y', 'B'])
    expect(['A', 'A / x', 'B', 'Ax', ''].map((group) => isWithin(group, 'A'))).toEqual([
      ...[true, true, false, false, false],
    ])
    expect([isWithin('', ''), isWithin('A', '')]).toEqual([true, false])
  })
})

describe('forecasts that add up', () => {
  it('are worked out by hand for a total of two', () => {
    const own = [100, 60, 50]
    expect(agreed(PAIR, own, 'below', [2, 1, 1])).toEqual([110, 60, 50])
    const above = agreed(PAIR, own, 'above', [2, 1, 1])
    expect(above[1]).toBeCloseTo(600 / 11, 12)
    expect(above[2]).toBeCloseTo(500 / 11, 12)
    expect(agreed(PAIR, own, 'least-squares', [2, 1, 1])).toEqual([105, 57.5, 47.5])
    // A member that is certain stays, and the other bears what is left.
    const certain = agreed(PAIR, own, 'least-squares', [2, 1e-12, 1])
    expect(certain[1]).toBeCloseTo(60, 9)
    expect(certain[0]).toBeCloseTo(60 + (50 * 2 + 40) / 3, 9)
  })

  it('add up on every level, whatever the way', () => {
    fc.assert(
      fc.property(anyTree, fc.constantFrom(...AGREE_BY), ({ nodes, own, variances }, by) => {
        const made = agreed(nodes, own, by, variances)
        nodes.forEach(({ members }, i) => {
          if (members.length === 0) return
          const sum = members.reduce((total, member) => total + made[member]!, 0)
          expect(Math.abs(sum - made[i]!)).toBeLessThan(1e-9 * 20_000)
        })
        expect(made[0]).toBe(by === 'above' ? own[0] : made[0])
      }),
    )
  })

  it('by least squares are those of the matrix of all sums', () => {
    fc.assert(
      fc.property(anyTree, ({ nodes, own, variances }) => {
        const made = agreed(nodes, own, 'least-squares', variances)
        byMatrix(nodes, own, variances).forEach((value, i) =>
          expect(Math.abs(value - made[i]!)).toBeLessThan(1e-9 * 1000),
        )
      }),
    )
  })

  it('stay as they are where they add up already', () => {
    fc.assert(
      fc.property(anyTree, fc.constantFrom(...AGREE_BY), ({ nodes, own, variances }, by) => {
        const positive = own.map((one) => 1 + Math.abs(one))
        const whole = agreed(nodes, positive, 'below', variances)
        agreed(nodes, whole, by, variances).forEach((value, i) =>
          expect(Math.abs(value - whole[i]!)).toBeLessThan(1e-9 * whole[0]!),
        )
      }),
    )
  })

  it('have shares by how many series are in a member where forecasts have none', () => {
    const nodes = nodesOf(grouped('A', 'A', ''))
    expect(nodes.map(({ name }) => name)).toEqual([
      ...['all together', 'A', 'series 1', 'series 2', 'series 3'],
    ])
    const [total, a, first, second, third] = agreed(nodes, [12, 5, 3, 2, -1], 'above', [])
    expect([total, a, third]).toEqual([12, 8, 4])
    expect(first).toBeCloseTo(8 * (3 / 5), 12)
    expect(second).toBeCloseTo(8 * (2 / 5), 12)
    expect(agreed(nodes, [12, 0, 0, 0, 0], 'above', [])).toEqual([12, 8, 4, 4, 4])
  })
})
