import { axisOf } from '../calendar/axis'
import { rhythmOf } from '../calendar/rhythms'
import { takeApart } from '../calculate'
import { defaultWay } from '../decompose/ways'
import { METHOD_FORMAT } from '../method'
import { orNull } from '../refusal'
import { asAnalysed } from '../series/asAnalysed'
import type { Series } from '../series/series'
import { mean, sum } from '../statistics/average'

/** Cycles of seasons that a member must have to say anything of the season of its group. */
export const CYCLES_TO_GIVE = 3

/** The season of a group. */
export interface GroupIndices {
  /** Factors around 1, season 1 first. */
  readonly given: readonly number[]
  /** How many of the members it is the mean of. */
  readonly members: number
}

/**
 * The season that members of a group have in common: the mean of their indices, season by season, each as heavy as its values are
 * large, so that small and noisy ones say little.
 *
 * Each member has its own by the usual averages, multiplicative whatever its own method is: amounts of large members would be
 * nothing to small ones. Who has fewer than three cycles, or a value at 0 or below, says nothing.
 *
 * @param all members in one rhythm
 * @param until number of the last period that is known; left out, all of it is
 * @returns null where nobody can say anything
 * @example indices 0.8 and 1.2 of a member that sells 300, 0.9 and 1.1 of one that sells 100: 0.825, 1.175
 */
export function groupIndices(all: readonly Series[], until = Infinity): GroupIndices | null {
  const own = all.flatMap((series) => {
    const known = untilThen(series, until)
    const indices = indicesOf(known)
    return indices ? [{ indices, size: mean(lastCycle(known))! }] : []
  })
  if (own.length === 0) return null
  const total = sum(own.map(({ size }) => size))
  const raw = own[0]!.indices.map((_, season) =>
    sum(own.map(({ indices, size }) => (size / total) * indices[season]!)),
  )
  const average = mean(raw)!
  return { given: raw.map((index) => index / average), members: own.length }
}

/** What is known of a series at a period, by the number of that. */
function untilThen(series: Series, until: number): Series {
  const first = rhythmOf(series.calendar).countOf(axisOf(series).periodAt(1))
  return asAnalysed(series, until - first + 1)
}

function indicesOf(series: Series): readonly number[] | null {
  const { calendar, values } = series
  const there = values.filter((value) => value !== null)
  const isLong = there.length >= CYCLES_TO_GIVE * calendar.seasons
  if (!isLong || there.some((value) => value <= 0)) return null
  const apart = orNull(() =>
    takeApart(series, {
      format: METHOD_FORMAT,
      decompose: { by: defaultWay(calendar), model: 'multiplicative' },
    }),
  )
  return apart?.decomposed.season?.indices.map(({ index }) => index) ?? null
}

function lastCycle({ values, calendar }: Series): number[] {
  return values.filter((value) => value !== null).slice(-calendar.seasons)
}
