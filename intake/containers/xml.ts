import { SaxesParser, type SaxesTagPlain } from 'saxes'
import { Refusal } from '../../core/refusal'

/** What is done at each place of an XML document, in its order. */
export interface XmlVisitor {
  open?(name: string, attributes: Record<string, string>): void
  text?(text: string): void
  close?(name: string): void
}

const CHUNK = 1 << 16

/**
 * Walks through an XML part of a workbook. Names come without their prefix. Nothing is built and nothing
 * is expanded, so depth and entities cannot hurt.
 *
 * @throws Refusal when the part is not well-formed, naming it
 */
export function walkXml(bytes: Uint8Array, part: string, visitor: XmlVisitor): void {
  const parser = new SaxesParser()
  parser.on('opentag', ({ name, attributes }: SaxesTagPlain) =>
    visitor.open?.(local(name), attributes),
  )
  parser.on('closetag', ({ name }) => visitor.close?.(local(name)))
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
