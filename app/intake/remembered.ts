import { z } from 'zod'
import { recall, remember } from '~/storage/browserStorage'
import { textAt, type Row } from '~~/intake/grid'
import type { Answers, Reading } from '~~/intake/reading'

const KEY = 'elvant-intake-answers'
/** Shapes of files that are remembered; the oldest go first. */
const MOST_SHAPES = 100
const storedSchema = z.array(z.tuple([z.string(), z.record(z.string(), z.string())]))

/** What two files have in common when the same choices fit both: container, sheets and headings. */
export function shapeKey({ container, sheets }: Reading, first: Row | null): string {
  const headings = first
    ? first.cells.map((_, column) => textAt(first, column).replace(/\d+/g, '#')).slice(0, 200)
    : []
  return JSON.stringify([container, sheets.map((name) => name.replace(/\d+/g, '#')), headings])
}

/** The answers that were given to the last file of this shape. */
export function rememberedAnswers(shape: string): Answers | null {
  return stored().find(([known]) => known === shape)?.[1] ?? null
}

/** Remembers answers for the next file of this shape; no answers are nothing to remember. */
export function rememberAnswers(shape: string, answers: Answers): void {
  const others = stored().filter(([known]) => known !== shape)
  const own = Object.keys(answers).length > 0 ? [[shape, answers] as const] : []
  remember(KEY, JSON.stringify([...others, ...own].slice(-MOST_SHAPES)))
}

function stored(): [string, Record<string, string>][] {
  try {
    return storedSchema.parse(JSON.parse(recall(KEY) ?? '[]'))
  } catch {
    return []
  }
}
