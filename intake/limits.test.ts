import { describe, expect, it } from 'vitest'
import { LIMITS } from './limits'
import { readFile } from './readFile'

/** Why a file is refused. */
function refused(text: string): string {
  const reading = readFile(new TextEncoder().encode(text))
  if (reading.outcome !== 'refused') throw new Error(reading.outcome)
  return reading.problems[0]!.because
}

describe('a file that no analyst has', () => {
  it('is refused before it takes the machine: line ends, columns, brackets', () => {
    expect(refused('a\n' + '\n'.repeat(LIMITS.lines))).toContain('more than 2 million lines')
    expect(
      refused(
        Array(LIMITS.columns + 1000)
          .fill('x')
          .join(','),
      ),
    ).toContain('A row has 13,000 cells')
    expect(refused(','.repeat(3_000_000))).toContain('A line has 3,000,000 characters')
    expect(refused('['.repeat(6_000_000))).toContain('stand inside one another')
  })
})
