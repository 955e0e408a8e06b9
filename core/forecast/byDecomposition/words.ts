import type { Piece } from '../../word'
import { backTransformWord } from '../backTransformWord'
import type { ByDecompositionOptions } from './options'

/** Of an exponential trend: how it comes back from logarithms, `, as the median`. */
export function wordsOfDecompositionForecast({ backTransform }: ByDecompositionOptions): Piece[] {
  return backTransform === undefined ? [] : [', as the ', backTransformWord(backTransform)]
}
