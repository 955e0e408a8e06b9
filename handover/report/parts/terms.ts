import { GLOSSARY, termOfColumn, type TermName } from '../../../core/glossary/glossary'
import { html, type Markup } from '../markup'
import type { PartOf } from '../study'

/** Terms that are spoken of wherever something was checked. */
const OF_CHECK: readonly TermName[] = ['origin', 'mae', 'rmse', 'mase']

/** What the terms of this study mean, each with its formula or source. */
export function termsPart({ workings, result }: PartOf): Markup {
  const used = new Set<string>([
    ...workings.ledger.columns.flatMap(({ name }) => termOfColumn(name) ?? []),
    ...(result.check ? OF_CHECK : []),
    ...(result.seasons.length > 0 ? ['standardError', result.method.decompose.model] : []),
  ])
  const terms = Object.entries(GLOSSARY).filter(([name]) => used.has(name))
  return html`<dl>
    ${terms.map(
      ([, { term, means, by }]) =>
        html`<dt>${term}</dt>
          <dd>${means} <span class="muted">${by}</span></dd>`,
    )}
  </dl>`
}
