import type { Hear, Steps } from '~~/core/work/steps'

/** What a job is told with: what it finds on the way, and how far a part of it has come that is not done in steps. */
export interface Telling<Said> {
  say(said: Said): void
  hear: Hear
}

/** A job that is done beside the page: at once, or in steps between which it can be left; what comes of it may take a turn of its own. */
export type Job<Words extends readonly unknown[] = never, Said = never, Given = unknown> = (
  telling: Telling<Said>,
  ...words: Words
) => Given | Steps<Given>

/** What is done in one worker, by name. */
export type Jobs = Readonly<Record<string, Job>>

/** What a job is given, what it says on the way, and what comes of it. */
export type WordsOf<One> = One extends (telling: never, ...words: infer Words) => unknown
  ? Words
  : never
export type SaidOf<One> = One extends (telling: Telling<infer Said>, ...words: never) => unknown
  ? Said
  : never
export type GivenOf<One> = One extends (...words: never) => infer Given
  ? Awaited<Given extends Steps<infer Last> ? Last : Given>
  : never
