import type { DesignColumn } from './design'

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

/** How a design finds the season of a time code. */
export interface Seasons {
  /** m */
  readonly seasons: number
  seasonOf(t: number): number
}

/**
 * The columns of a season, beside the constant.
 *
 * Waves run along the time code, so that their phase does not depend on the month a year begins in; twice
 * the shortest wave of an even m has no sine, which would be 0 throughout.
 *
 * @example seasonColumns({ form: 'dummies', base: 1 }, quarters).map(({ name }) => name)
 *   // ['season 2', 'season 3', 'season 4']
 * @see Draper, N. R. & Smith, H. (1998), Applied Regression Analysis, 3rd ed., ch. 14 (coding)
 */
export function seasonColumns(form: SeasonForm, { seasons: m, seasonOf }: Seasons): DesignColumn[] {
  const all = Array.from({ length: m }, (_, k) => k + 1)
  switch (form.form) {
    case 'none':
      return []
    case 'dummies':
      return all.filter((season) => season !== form.base).map((season) => dummy(season, seasonOf))
    case 'effects':
      return all.slice(0, -1).map((season) => ({
        name: `season ${season}`,
        means: `1 in season ${season}, −1 in season ${m}`,
        at: (t) => (seasonOf(t) === season ? 1 : seasonOf(t) === m ? -1 : 0),
      }))
    case 'fourier':
      return Array.from({ length: form.pairs }, (_, k) => wave(k + 1, m)).flat()
    case 'dummies-by-trend': {
      const dummies = seasonColumns({ ...form, form: 'dummies' }, { seasons: m, seasonOf })
      return [
        ...dummies,
        ...dummies.map(({ name, means, at }) => ({
          name: `${name} × t`,
          means: `time code where ${means}`,
          at: (t: number) => t * at(t),
        })),
      ]
    }
  }
}

function dummy(season: number, seasonOf: (t: number) => number): DesignColumn {
  return {
    name: `season ${season}`,
    means: `1 in season ${season}`,
    at: (t) => (seasonOf(t) === season ? 1 : 0),
  }
}

function wave(k: number, m: number): DesignColumn[] {
  const column = (name: 'sin' | 'cos'): DesignColumn => ({
    name: `${name} ${k}`,
    means: `wave that comes ${k} times a year`,
    at: (t) => Math[name]((2 * Math.PI * k * t) / m),
  })
  return 2 * k === m ? [column('cos')] : [column('sin'), column('cos')]
}
