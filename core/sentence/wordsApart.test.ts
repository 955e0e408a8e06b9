import { expect, it } from 'vitest'
import type { Piece } from '../word'
import { wordsApart } from './wordsApart'

const word = (id: string, text: string): Piece => ({ id, text, ask: { kind: 'own' } })

it('methods are named by the words that differ, and by none where all say the same', () => {
  const line = [
    'Sales as ',
    word('model', 'additive'),
    '; trend ',
    word('trend', 'a straight line'),
  ]
  const smooth = [
    'Sales as ',
    word('model', 'additive'),
    '; trend ',
    word('trend', 'a smoothed level'),
    word('slope', 'with a damped slope'),
  ]
  expect(wordsApart([line, smooth])).toEqual([
    'a straight line',
    'a smoothed level, with a damped slope',
  ])
  expect(wordsApart([line, line])).toEqual(['', ''])
  expect(wordsApart([])).toEqual([])
})
