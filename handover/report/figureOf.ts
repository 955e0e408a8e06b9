import { stripSummary } from '../../core/picture/summary'
import type { Strip } from '../../core/picture/strips'
import { displayScale } from '../../core/words/displayScale'
import { pictureAsSvg } from '../picture/picture'
import { pictureOfResult } from '../picture/pictureOfResult'
import { html, Markup } from './markup'
import type { PartOf } from './study'

/** Pixels that a picture of a report is wide. */
const WIDTH = 720

/** Strips as a picture with its words: what it shows is said for those who do not see it. */
export function pictureIn(
  { result, says, workings }: PartOf,
  strips: readonly Strip[],
  height: number,
): Markup {
  const { label } = workings.ledger.run
  const told = {
    scale: displayScale(result.columns.value, result.series.unit),
    says,
    nameAt: label,
  }
  const words = strips.map((strip) => stripSummary(strip, told)).join(' ')
  const of = pictureOfResult(result, strips, says, { title: '', source: '' })
  const svg = pictureAsSvg(
    { ...of, subtitle: '' },
    {
      width: WIDTH,
      height,
    },
  )
  return html`<figure>
    ${new Markup(svg)}
    <figcaption class="hidden">${words}</figcaption>
  </figure>`
}
