import type { Stage } from './stage'

/** How much a finding matters: something to know, or something to act on. */
export type Severity = 'note' | 'caution'

/** A part of a method document, to be laid over the present one. */
export type MethodChange = Readonly<Record<string, unknown>>

/** Something that can be done about what was said, with one click: to the method, or to single values. */
export type Action = MethodAction | ValueAction

/** A change of single values, and of the method with them where one needs the other. */
export interface ValueAction {
  readonly label: string
  readonly adjust: readonly ValueChange[]
  readonly change?: MethodChange
}

/** A change of the method. */
export interface MethodAction {
  readonly label: string
  readonly change: MethodChange
}

/** A value to be replaced, or left out (null), with the reason that is kept. */
export interface ValueChange {
  /** Period code. */
  readonly period: string
  readonly value: number | null
  readonly reason: string
}

/** One plain sentence about the data or the method, with its figure and the place it points to. */
export interface Finding {
  readonly code: string
  readonly severity: Severity
  /** The stage that it is about, where it stands, once. */
  readonly stage: Stage
  readonly text: string
  /** Period code it points to; null when it is about the whole. */
  readonly period: string | null
  readonly figure: number | null
  /** What can be done, the first the most likely. */
  readonly actions?: readonly Action[]
}
