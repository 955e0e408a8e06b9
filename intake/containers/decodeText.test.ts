import { expect, it } from 'vitest'
import { decodeText } from './decodeText'

/** What a code page of one byte a letter makes of a text. */
function encoded(text: string, page: 'windows-1250' | 'windows-1252'): Uint8Array {
  const decoder = new TextDecoder(page)
  const bytes = new Map(
    Array.from({ length: 256 }, (_, byte) => [decoder.decode(new Uint8Array([byte])), byte]),
  )
  return Uint8Array.from([...text], (letter) => bytes.get(letter)!)
}

it.each([
  ['windows-1250', 'Miesiąc;Sprzedaż\nwrzesień 2021;5\npaździernik 2021;7'],
  ['windows-1250', 'Měsíc;Tržby za nátěry\n2021-01;5'],
  ['windows-1250', 'Źródło;żółte\n2021-01;5'],
  ['windows-1252', 'Monat;Umsatz Außen\nMärz 2021;5'],
  ['windows-1252', 'Mois;Ventes extérieures, coût\nfévrier 2021;5\naoût 2021;6'],
  ['windows-1252', 'Måned;Køb på øen\nmarts 2021;5'],
  ['windows-1252', 'month;volume (m³)\n2021-01;5'],
] as const)('%s is told by its words: %s', (page, text) => {
  const read = decodeText(encoded(text, page))
  expect(read).toEqual({ text, encoding: page.replace('w', 'W') })
})
