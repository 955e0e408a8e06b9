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
      /** Nothing is set yet: what is found takes the place of the figure, and typing it sets it. */
      readonly isOpen?: boolean
      /** What it counts, behind the field. */
      readonly unit: string
      /** Figures that are often wanted, each a button; undefined takes the default. */
      readonly shortcuts?: readonly { readonly text: string; readonly value: number | undefined }[]
    }
  | {
      readonly kind: 'choice'
      readonly value: string | number | boolean
      readonly options: readonly {
        readonly value: string | number | boolean
        readonly text: string
      }[]
    }
  /** Any number of figures at once: those offered, and others that are typed. */
  | {
      readonly kind: 'several'
      readonly value: readonly number[]
      readonly offered: readonly number[]
      /** Both ends are out. */
      readonly above: number
      readonly below: number
      readonly unit: string
    }
)

/** What is asked when a word is pressed: one of several, fields to fill, or a sheet of its own. */
export type Ask =
  | { readonly kind: 'pick'; readonly choices: readonly Choice[] }
  | {
      readonly kind: 'fields'
      /** What the fields decide, where their labels do not say it. */
      readonly lead?: string
      readonly fields: readonly Field[]
      /** Takes every field back to its default. */
      readonly usual: MethodChange
    }
  | { readonly kind: 'own' }

/** A word of the method sentence that can be changed. */
export interface Word {
  readonly id: string
  readonly text: string
  readonly ask: Ask
}

/** A piece of the sentence: plain text, or a word. */
export type Piece = string | Word

/** The pieces as plain text. */
export function piecesText(pieces: readonly Piece[]): string {
  return pieces.map((piece) => (typeof piece === 'string' ? piece : piece.text)).join('')
}
