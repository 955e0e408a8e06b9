/** Where the names of the lines stand, each with its mark. */
export const LEGENDS = ['above', 'right', 'none'] as const
export type Legend = (typeof LEGENDS)[number]

/** How a picture looks; lengths are in pixels of which 96 are an inch. */
export interface PictureLook {
  readonly width: number
  readonly height: number
  /** In black alone: what colours told apart, lines and marks do. */
  readonly isBlack?: boolean
  readonly legend?: Legend
  /** How much heavier lines are than on the screen. */
  readonly weight?: number
  /** Height of the letters; those of the title are a third larger. */
  readonly letters?: number
  /** Ends of the scale of the first strip, in what it is shown in; null leaves one to its figures. */
  readonly scale?: { readonly low: number | null; readonly high: number | null }
  /** Whether all strips that are counted alike have one scale. */
  readonly isEqual?: boolean
}

/** Room around a picture. */
export const EDGE = 14
/** Room of a mark beside its name. */
export const MARK_WIDTH = 18

/** Letters of a look, and the room of a line of them. */
export interface Letters {
  readonly title: number
  readonly small: number
  readonly line: number
}

/** Pixels of the letters on the Bench. */
export const USUAL_LETTERS = 11

export function lettersOf({ letters = USUAL_LETTERS }: Pick<PictureLook, 'letters'>): Letters {
  return { title: Math.round(1.36 * letters), small: letters, line: Math.round(1.45 * letters) }
}
