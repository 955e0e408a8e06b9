import { figure } from '../words/figure'
import type { Piece } from '../word'
import { backTransformWord } from './backTransformWord'
import { BACK_FROM_POWER, type PowerOptions } from './powerOptions'

const TRANSFORM_SAYS = {
  none: { text: 'as they are', means: 'What grows with the level is left to season and errors.' },
  ln: { text: 'as logarithms', means: 'What grows with the level is made even: shares count.' },
  'square-root': { text: 'as square roots', means: 'Half-way to logarithms; right for counts.' },
  chosen: {
    text: 'to a power chosen',
    means: 'The power that makes the spread within years most alike.',
  },
  number: { text: 'to the power', means: 'Any power: 1 changes nothing, 0 is the logarithm.' },
} as const
/** Powers that make sense to be typed, and the one to begin with. */
const [LEAST_TYPED, USUAL_TYPED, MOST_TYPED] = [-1, 0.3, 2]

/** `as they are`, `to the power`, `0.3`, `, as the median` */
export function powerPieces({ transform, backTransform }: PowerOptions): Piece[] {
  const kind = typeof transform === 'number' ? 'number' : transform
  const choices = (Object.keys(TRANSFORM_SAYS) as (keyof typeof TRANSFORM_SAYS)[]).map((one) => ({
    ...TRANSFORM_SAYS[one],
    chosen: one === kind,
    change: {
      forecast:
        one === 'none'
          ? { transform: undefined, backTransform: undefined }
          : { transform: one === 'number' ? USUAL_TYPED : one },
    },
  }))
  const power: Piece[] =
    typeof transform === 'number'
      ? [
          ' ',
          {
            id: 'power',
            text: figure(transform),
            ask: {
              kind: 'fields',
              fields: [
                {
                  kind: 'number',
                  label: 'values to the power',
                  path: ['forecast', 'transform'],
                  value: transform,
                  ...{ least: LEAST_TYPED, most: MOST_TYPED, step: 0.1, unit: '' },
                },
              ],
              usual: { forecast: { transform: USUAL_TYPED } },
            },
          },
        ]
      : []
  return [
    { id: 'transform', text: TRANSFORM_SAYS[kind].text, ask: { kind: 'pick', choices } },
    ...power,
    ...(backTransform === undefined
      ? []
      : [', as the ', backTransformWord(backTransform, BACK_FROM_POWER)]),
  ]
}

/** Behind the name of a method: `, values as logarithms`; nothing for values as they are. */
export function powerLabel(transform: PowerOptions['transform']): string {
  if (transform === 'none') return ''
  return typeof transform === 'number'
    ? `, values ${TRANSFORM_SAYS.number.text} ${figure(transform)}`
    : `, values ${TRANSFORM_SAYS[transform].text}`
}
