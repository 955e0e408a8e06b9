import { html, type Content, type Markup } from './markup'

/** A table of a report: its first column is of words, the others of figures. */
export interface ReportTable {
  readonly caption: string
  readonly head: readonly Content[]
  readonly rows: readonly (readonly Content[])[]
  /** Whether its last column is of words too. */
  readonly endsInWords?: boolean
}

/** A table whose figures open by themselves, or not at all. */
export function tableOf({ caption, head, rows, endsInWords = false }: ReportTable): Markup {
  return html`<div class="wide">
    <table class="${endsInWords ? 'said' : 'told'}">
      <caption>
        ${caption}
      </caption>
      <thead>
        <tr>
          ${head.map((cell) => html`<th scope="col">${cell}</th>`)}
        </tr>
      </thead>
      <tbody>
        ${rows.map(
          ([name, ...cells]) =>
            html`<tr>
              <th scope="row">${name ?? ''}</th>
              ${cells.map((cell) => html`<td>${cell}</td>`)}
            </tr>`,
        )}
      </tbody>
    </table>
  </div>`
}

/** A list of sentences; null of none. */
export function listOf(texts: readonly Content[]): Markup | null {
  return texts.length === 0
    ? null
    : html`<ul>
        ${texts.map((text) => html`<li>${text}</li>`)}
      </ul>`
}
