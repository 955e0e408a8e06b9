import { html, type Markup } from '../markup'
import type { PartOf } from '../study'

/** How it was made: the method in words, and of which values. */
export function madePart({ result, sentence, source, says, workings }: PartOf): Markup {
  const { series } = result
  const { label, firstT, lastT } = workings.ledger.run
  const missing =
    series.missing === 0 ? 'none of them missing' : `${series.missing} of them missing`
  const span = `${label(firstT)} to ${label(lastT)}`
  return html`<p>${says.inText(sentence)}</p>
    <p class="muted">
      ${series.frequency} values from ${source}, ${span} analysed; ${String(series.periods)} came
      in, ${missing}.
    </p>`
}
