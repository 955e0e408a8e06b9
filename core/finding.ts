/** How much a finding matters: something to know, or something to act on. */
export type Severity = 'note' | 'caution'

/** What a finding is about, so that a screen can show it where it is looked at. */
export type Topic = 'data' | 'look' | 'season' | 'leftover' | 'forecast'

/** A part of a method document, to be laid over the present one. */
export type MethodChange = Readonly<Record<string, unknown>>

/** Something that can be done about what was said, with one click. */
export interface Action {
  readonly label: string
  readonly change: MethodChange
}

/** One plain sentence about the data or the method, with its figure and the place it points to. */
export interface Finding {
  readonly code: string
  readonly severity: Severity
  readonly topic: Topic
  readonly text: string
  /** Period code it points to; null when it is about the whole. */
  readonly period: string | null
  readonly figure: number | null
  readonly action?: Action
}
