import { describe, expect, it } from 'vitest'
import { calendarOf } from '../calendar/calendar'
import { peakSpacing } from './peakSpacing'
import { apartWords, peaksTold, type SeasonTold } from './peakWords'
import { standingTurns } from './standingTurns'

const calendar = calendarOf('monthly')
const seasonOf = Array.from({ length: 400 }, (_, t) => (t % 12) + 1)

function told(peaks: readonly number[], troughs: readonly number[], season: SeasonTold) {
  return peaksTold({ peaks, troughs }, seasonOf, calendar, season, 300)
}
/** Places that stand these distances apart, from the tenth period on. */
const places = (...gaps: number[]) => gaps.reduce((all, gap) => [...all, all.at(-1)! + gap], [10])

describe('turns in words', () => {
  it('a year apart are a season only as long as the tests do not deny it', () => {
    const year = places(12, 12, 11, 12)
    expect(told(year, year, 'found')).toMatchObject({
      kind: 'seasonal',
      text: expect.stringMatching(/: seasonal, as the tests find\.$/) as string,
    })
    expect(told(year, year, 'none')).toMatchObject({
      kind: 'chance',
      text: expect.stringMatching(/about a year, though the tests find no season\.$/) as string,
    })
  })

  it('unequal distances make no cycle, equal ones of another length do', () => {
    const walk = places(8, 21, 13, 30, 9)
    expect(told(walk, walk, 'none')!.kind).toBe('uneven')
    const cycle = places(41, 43, 40, 42)
    expect(told(cycle, cycle, 'none')).toMatchObject({
      kind: 'cyclical',
      text: expect.stringMatching(/a cycle of about 4[12] months, which is no season/) as string,
    })
  })

  it('under a season wander, between months or over most of the year', () => {
    const few = [5, 19, 29, 43, 53]
    expect(told(few, [1, 30], 'found')!.text).toMatch(/^Peaks wander: they come in May or Jul\./)
    const many = [5, 20, 37, 50, 68, 79]
    expect(told(many, [1, 30], 'found')!.text).toMatch(/^Peaks come in no one part of the year/)
  })

  it('many gaps are told by their range, and the last turn is provisional', () => {
    expect(apartWords([7, 12, 12, 13, 19], calendar)).toBe(
      '7 to 19 months apart, 12 in the middle (5 gaps)',
    )
    expect(apartWords([12, 12], calendar)).toBe('12 months apart (2 gaps)')
    const late = peaksTold({ peaks: places(12, 12), troughs: [] }, seasonOf, calendar, null, 40)
    expect(late!.text).toMatch(/ The last turn is provisional\.$/)
  })

  it('of noise between two peaks are not counted', () => {
    const wave = Array.from({ length: 72 }, (_, t) => 100 * Math.cos((t * Math.PI) / 6))
    const spacing = peakSpacing(wave, 12)
    const bump = { peaks: [...spacing.peaks, 19].sort((a, b) => a - b), troughs: spacing.troughs }
    expect(standingTurns(wave.with(18, -95), bump).peaks).toEqual(spacing.peaks)
  })
})
