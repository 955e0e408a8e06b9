import type { MethodChange } from './finding'

/** One thing that a word of the sentence could be instead. */
export interface Choice {
  readonly text: string
  readonly means: string
  readonly chosen: boolean
  readonly change: MethodChange
}

/** A figure or choice of the method that is set in a field. */
export type Field = {
  readonly label: string
  /** Where it stands in the method document: `['decompose', 'trendWindow']`. */
  readonly path: readonly string[]
  /** Whether it is asked at first, or only with all the others. */
  readonly rare?: boolean
} & (
  | {
      readonly kind: 'number'
      readonly value: number
      readonly least: number
      readonly most: number
      readonly step?: number
      /** What it counts, behind the field. */
      readonly unit: string
    }
  | {
      readonly kind: 'choice'
      readonly value: string | number | boolean
      readonly options: readonly {
        readonly value: string | number | boolean
        readonly text: string
      }[]
    }
)

/** What is asked when a word is pressed: one of several, fields to fill, or a sheet of its own. */
export type Ask =
  | { readonly kind: 'pick'; readonly choices: readonly Choice[] }
  | { readonly kind: 'fields'; readonly fields: readonly Field[]; readonly usual: MethodChange }
  | { readonly kind: 'own' }

/** A word of the method sentence that can be changed. */
export interface Word {
  readonly id: string
  readonly text: string
  readonly ask: Ask
}

/** A piece of the sentence: plain text, or a word. */
export type Piece = string | Word
