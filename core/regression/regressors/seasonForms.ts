import type { DesignCalendar, DesignColumn } from '../design'
import { TIME_CODE, type TimeVariable } from '../timeVariable'

/** How a regression says the season. */
export type SeasonForm =
  | { readonly form: 'none' }
  /** What each season adds to a base season. */
  | { readonly form: 'dummies'; readonly base: number }
  /** What each season adds to the mean of all, unweighted; the last is minus the sum of the others. */
  | { readonly form: 'effects' }
  /** Waves of one year, half a year, a third …: `pairs` of them, at most ⌊m/2⌋. */
  | { readonly form: 'fourier'; readonly pairs: number }
  /** A slope of its own for each season as well. */
  | { readonly form: 'dummies-by-trend'; readonly base: number }

export const SEASON_FORMS = ['none', 'dummies', 'effects', 'fourier', 'dummies-by-trend'] as const

/**
 * The columns of a season, beside the constant.
 *
 * Waves run along the time code, so that their phase does not depend on the month a year begins in; twice
 * the shortest wave of an even m has no sine, which would be 0 throughout.
 *
 * @param time what stands for time in slopes of single seasons
 * @example seasonColumns({ form: 'dummies', base: 1 }, quarters).map(({ name }) => name)
 *   // ['season 2', 'season 3', 'season 4']
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., ch. 14 (coding)
 */
export function seasonColumns(
  form: SeasonForm,
  calendar: DesignCalendar,
  time: TimeVariable = TIME_CODE,
): DesignColumn[] {
  const { seasons: m, seasonOf, seasonLabel } = calendar
  const all = Array.from({ length: m }, (_, k) => k + 1)
  switch (form.form) {
    case 'none':
      return []
    case 'dummies':
      return all.filter((season) => season !== form.base).map((season) => dummy(season, calendar))
    case 'effects':
      return all.slice(0, -1).map((season) => ({
        name: `season ${season}`,
        label: seasonLabel(season),
        means: `1 in ${seasonLabel(season)}, −1 in ${seasonLabel(m)}`,
        at: (t) => (seasonOf(t) === season ? 1 : seasonOf(t) === m ? -1 : 0),
      }))
    case 'fourier':
      return Array.from({ length: form.pairs }, (_, k) => wave(k + 1, m)).flat()
    case 'dummies-by-trend': {
      const dummies = seasonColumns({ ...form, form: 'dummies' }, calendar)
      return [
        ...dummies,
        ...dummies.map(({ name, label, means, at }) => ({
          name: `${name} × t`,
          label: `${label} × ${time.label}`,
          means: `${time.label} where ${means}`,
          at: (t: number) => time.at(t) * at(t),
        })),
      ]
    }
  }
}

function dummy(season: number, { seasonOf, seasonLabel }: DesignCalendar): DesignColumn {
  return {
    name: `season ${season}`,
    label: seasonLabel(season),
    means: `1 in ${seasonLabel(season)}`,
    at: (t) => (seasonOf(t) === season ? 1 : 0),
  }
}

function wave(k: number, m: number): DesignColumn[] {
  const column = (name: 'sin' | 'cos'): DesignColumn => ({
    name: `${name} ${k}`,
    label: `${name} ${k}`,
    means: k === 1 ? 'wave of one year' : `wave that comes ${k} times a year`,
    at: (t) => Math[name]((2 * Math.PI * k * t) / m),
  })
  return 2 * k === m ? [column('cos')] : [column('sin'), column('cos')]
}

/**
 * The columns of a season less their mean over the seasons, at a time code: weights on their coefficients that
 * give what the season adds to the average one, whatever it is coded against.
 *
 * @example of quarters with dummies against Q1, in Q1: [−¼, −¼, −¼]
 */
export function centredSeason(
  form: SeasonForm,
  calendar: DesignCalendar,
  time: TimeVariable = TIME_CODE,
): (t: number) => number[] {
  const columns = seasonColumns(form, calendar, time)
  const { seasons } = calendar
  switch (form.form) {
    // Effects and waves average 0 as they are.
    case 'none':
    case 'effects':
    case 'fourier':
      return (t) => columns.map(({ at }) => at(t))
    case 'dummies':
      return (t) => columns.map(({ at }) => at(t) - 1 / seasons)
    case 'dummies-by-trend': {
      // Dummies come first, then as many slopes, which are the time itself in one season of m.
      const dummies = columns.length / 2
      return (t) => columns.map(({ at }, j) => at(t) - (j < dummies ? 1 : time.at(t)) / seasons)
    }
  }
}
