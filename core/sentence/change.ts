import type { Piece, Word } from '../word'

/**
 * What two sentences of a method say differently, word by word; words that only one of them has follow from
 * those and are passed over.
 *
 * @example ['through all 120 months → the last 36 months']
 */
export function sentenceChanges(before: readonly Piece[], after: readonly Piece[]): string[] {
  const wordsOf = (pieces: readonly Piece[]) =>
    pieces.filter((piece): piece is Word => typeof piece !== 'string')
  const old = new Map(wordsOf(before).map(({ id, text }) => [id, text]))
  return wordsOf(after).flatMap(({ id, text }) => {
    const was = old.get(id)
    return was === undefined || was === text ? [] : [`${was} → ${text}`]
  })
}
