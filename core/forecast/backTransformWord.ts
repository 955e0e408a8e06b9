import type { Choice, Word } from '../word'
import { BACK_TRANSFORMS, type BackTransform } from './commonOptions'

const SAYS: Readonly<Record<BackTransform, { readonly text: string; readonly means: string }>> = {
  median: { text: 'median', means: 'As often too high as too low.' },
  mean: { text: 'mean', means: 'Right on average and in sums, if residuals are normal.' },
  smearing: {
    text: 'mean by smearing',
    means: 'Right on average and in sums, whatever shape residuals have.',
  },
}

/** How a forecast comes back from logarithms, or another power, as a word of the sentence. */
export function backTransformWord(
  chosen: BackTransform,
  offered: readonly BackTransform[] = BACK_TRANSFORMS,
): Word {
  const choices = offered.map((one): Choice => ({
    ...SAYS[one],
    chosen: one === chosen,
    change: { forecast: { backTransform: one } },
  }))
  return { id: 'backTransform', text: SAYS[chosen].text, ask: { kind: 'pick', choices } }
}
