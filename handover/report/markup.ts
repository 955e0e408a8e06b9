import { escaped } from '../picture/svgPen'

/** Text that may stand in a page as it is: what it was made of is escaped already. */
export class Markup {
  constructor(readonly text: string) {}
}

/** What can be put into a page; a list is put one behind the other, and null leaves nothing. */
export type Content = Markup | string | number | null | readonly Content[]

/**
 * Markup in which everything that is put in is escaped, unless it is markup itself: no name of a series can become a mark.
 *
 * @example html`<h1>${'<b>'}</h1>`.text // '<h1>&lt;b&gt;</h1>'
 */
export function html(marks: TemplateStringsArray, ...contents: readonly Content[]): Markup {
  // Lines and indents are for whoever reads the code.
  const raw = marks.raw.map((part) => part.replace(/\s*\n\s*/g, ' '))
  return new Markup(String.raw({ raw }, ...contents.map(written)))
}

function written(content: Content): string {
  if (content === null) return ''
  if (content instanceof Markup) return content.text
  if (typeof content === 'string') return escaped(content)
  return typeof content === 'number' ? String(content) : content.map(written).join('')
}
