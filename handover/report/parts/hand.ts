import { capitalized } from '../../../core/series/noun'
import { doneByHand } from '../../doneByHand'
import { html, type Markup } from '../markup'
import { listOf } from '../table'
import type { PartOf } from '../study'

/** What is not calculated but the analyst's own, with its reasons. */
export function handPart({ result, says }: PartOf): Markup {
  const done = doneByHand(result)
  if (done.length === 0) {
    return html`<p>
      Nothing: every value is as it came in, and the forecast is as the method makes it.
    </p>`
  }
  return html`${done.map(
    ({ what, texts }) =>
      html`<h3>${capitalized(what)}</h3>
        ${listOf(texts.map((text) => says.inText(text)))}`,
  )}`
}
