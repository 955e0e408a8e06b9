import { z } from 'zod'
import type { Series } from '../series/series'
import type { Piece } from '../word'
import type { Extent } from '../work/extent'
import { adjust } from './adjust/adjust'
import { calendar } from './calendar/calendar'
import type { CalendarDocument } from './calendar/options'
import { fill } from './fill/fill'
import type { MissingRule } from './fill/fillMissing'
import type { Preparation } from './preparation'

/** What a method asks of the preparations, complete. */
export interface PreparationChoices {
  readonly missing: MissingRule
  /** Left out where nothing of the calendar is taken out. */
  readonly calendar?: CalendarDocument
}
/** The same, as a person or a script writes it. */
export type PreparationDocuments = {
  readonly [Key in keyof PreparationChoices]?: PreparationChoices[Key] | undefined
}

/** Every preparation in the order in which they are carried out; those that put values in stand before those that take out. */
const ALL = [adjust, fill, calendar] as const

/** The same, their own types left behind: what one finds is only ever handed to itself. */
export const PREPARATIONS = ALL as unknown as readonly Preparation<unknown, unknown>[]

/** The choice of one preparation. */
export function choiceOf(
  choices: PreparationDocuments,
  { key, usual }: Preparation<unknown, unknown>,
) {
  return (choices as Readonly<Record<string, unknown>>)[key] ?? usual
}

/** The schema of every choice that a method can make. */
export const preparationDocument = Object.fromEntries(
  PREPARATIONS.flatMap(({ key, document }) => (document ? [[key, document.optional()]] : [])),
) as {
  readonly [Key in keyof PreparationChoices]-?: z.ZodOptional<
    z.ZodType<Exclude<PreparationChoices[Key], undefined>>
  >
}

/** The choices of a method, the usual ones where it names none. */
export function completePreparations(document: PreparationDocuments): PreparationChoices {
  return Object.fromEntries(
    PREPARATIONS.flatMap((one) => {
      const choice = one.document ? choiceOf(document, one) : null
      return choice === null ? [] : [[one.key, choice]]
    }),
  ) as unknown as PreparationChoices
}

/** What of a method is about its preparations, as it was said. */
export function preparationsOf(document: PreparationDocuments): PreparationDocuments {
  const said = document as Readonly<Record<string, unknown>>
  return Object.fromEntries(
    PREPARATIONS.flatMap(({ key, document: asked }) =>
      asked && said[key] !== undefined ? [[key, said[key]]] : [],
    ),
  )
}

/** How the values are prepared, in the sentence. */
export function preparationPieces(choices: PreparationDocuments, series: Series): Piece[] {
  return PREPARATIONS.flatMap((one) => one.words(choiceOf(choices, one), series))
}

/** About how many multiplications the preparations of a method take. */
export function stepsOfPreparations(choices: PreparationDocuments, extent: Extent): number {
  return PREPARATIONS.reduce(
    (sum, one) => sum + (one.steps?.(choiceOf(choices, one), extent) ?? 0),
    0,
  )
}
