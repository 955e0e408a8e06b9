/** How the trend of an exponential smoothing goes on. */
export const SMOOTHING_TRENDS = ['none', 'additive', 'damped', 'multiplicative'] as const
export const SMOOTHING_SEASONS = ['none', 'additive', 'multiplicative'] as const
/** Errors of one size, or in proportion to the forecast. */
export const SMOOTHING_ERRORS = ['additive', 'proportional'] as const

/** One of the 24 forms of exponential smoothing. */
export interface SmoothingForm {
  readonly trend: (typeof SMOOTHING_TRENDS)[number]
  readonly season: (typeof SMOOTHING_SEASONS)[number]
  readonly error: (typeof SMOOTHING_ERRORS)[number]
}

/** Every form, the plainest first. */
export const ALL_FORMS: readonly SmoothingForm[] = SMOOTHING_TRENDS.flatMap((trend) =>
  SMOOTHING_SEASONS.flatMap((season) =>
    SMOOTHING_ERRORS.map((error) => ({ trend, season, error })),
  ),
)

export const WEIGHT_NAMES = ['alpha', 'beta', 'gamma', 'phi'] as const
export type WeightName = (typeof WEIGHT_NAMES)[number]

/** The weights that a form has, each from 0 to 1: of level, trend and season, and the damping. */
export type Weights = Readonly<Partial<Record<WeightName, number>>>

/** The weights that a form has, in their order. */
export function weightsOf({ trend, season }: SmoothingForm): WeightName[] {
  return [
    'alpha',
    ...(trend === 'none' ? [] : (['beta'] as const)),
    ...(season === 'none' ? [] : (['gamma'] as const)),
    ...(trend === 'damped' ? (['phi'] as const) : []),
  ]
}

/** The weights that any of some forms has, in their order. */
export function formsHave(forms: readonly SmoothingForm[]): WeightName[] {
  return WEIGHT_NAMES.filter((name) => forms.some((form) => weightsOf(form).includes(name)))
}

/** Where a weight may lie when it is chosen. */
export const BOUNDS: Readonly<Record<WeightName, readonly [least: number, most: number]>> = {
  alpha: [0, 1],
  beta: [0, 1],
  gamma: [0, 1],
  phi: [0.8, 0.98],
}

/** The states before the first period. */
export interface InitialStates {
  readonly level: number
  /** Left out without a trend. */
  readonly trend?: number
  /** Those that periods 1…m use, in that order; left out without a season. */
  readonly season?: readonly number[]
}

/** Whether every value must be above 0. */
export function needsPositive({ trend, season, error }: SmoothingForm): boolean {
  return trend === 'multiplicative' || season === 'multiplicative' || error === 'proportional'
}

/** Parts that multiply, or errors that are shares: what is less plain at equal numbers. */
export function multiplicativeParts({ trend, season, error }: SmoothingForm): number {
  return (
    Number(trend === 'multiplicative') +
    Number(season === 'multiplicative') +
    Number(error === 'proportional')
  )
}

/** Initial states that are free when they are chosen: 1 for the level, 1 for the trend, m − 1 for the seasons. */
export function freeStates({ trend, season }: SmoothingForm, seasons: number): number {
  return 1 + (trend === 'none' ? 0 : 1) + (season === 'none' ? 0 : seasons - 1)
}
