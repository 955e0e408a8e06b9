import { SaxesParser, type SaxesTagPlain } from 'saxes'
import { Refusal } from '../../core/refusal'

/** What is done at each place of an XML document, in its order. */
export interface XmlVisitor {
  open?(name: string, attributes: Record<string, string>): void
  text?(text: string): void
  close?(name: string): void
}

const CHUNK = 1 << 16
/** Tags within one another; the deepest of any workbook are a few dozen. */
const MOST_LEVELS = 250

/**
 * Walks through an XML part of a workbook. Names come without their prefix. Nothing is built and nothing
 * is expanded, so entities cannot hurt; tags within tags are counted, since the parser keeps each that is open.
 *
 * @throws Refusal when the part is not well-formed, or nested as no workbook is, naming it
 */
export function walkXml(bytes: Uint8Array, part: string, visitor: XmlVisitor): void {
  const parser = new SaxesParser()
  let levels = 0
  parser.on('opentag', ({ name, attributes }: SaxesTagPlain) => {
    if (++levels > MOST_LEVELS) {
      throw new Refusal(
        `The workbook is damaged in its part ${part}: it has more than ${MOST_LEVELS} tags within one another.`,
        'file',
      )
    }
    visitor.open?.(local(name), attributes)
  })
  parser.on('closetag', ({ name }) => {
    levels--
    visitor.close?.(local(name))
  })
  if (visitor.text) parser.on('text', (text) => visitor.text!(text))
  parser.on('error', () => {
    throw new Refusal(`The workbook is damaged in its part ${part}.`, 'file')
  })
  const decoder = new TextDecoder()
  for (let at = 0; at < bytes.length; at += CHUNK) {
    parser.write(decoder.decode(bytes.subarray(at, at + CHUNK), { stream: true }))
  }
  parser.close()
}

function local(name: string): string {
  return name.slice(name.indexOf(':') + 1)
}
