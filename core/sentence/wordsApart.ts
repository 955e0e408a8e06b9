import type { Piece, Word } from '../word'

/**
 * What names methods beside each other: the words of their sentences that are not the same in all.
 *
 * @returns one text a sentence; empty throughout where all say the same
 * @example ['a straight line', 'a smoothed level, with a damped slope']
 */
export function wordsApart(sentences: readonly (readonly Piece[])[]): string[] {
  const words = sentences.map(
    (pieces) =>
      new Map(
        pieces
          .filter((piece): piece is Word => typeof piece !== 'string')
          .map(({ id, text }) => [id, text] as const),
      ),
  )
  const ids = [...new Set(words.flatMap((own) => [...own.keys()]))]
  const differing = ids.filter((id) => new Set(words.map((own) => own.get(id))).size > 1)
  return words.map((own) => differing.flatMap((id) => own.get(id) ?? []).join(', '))
}
