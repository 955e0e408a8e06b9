import { describe, expect, it } from 'vitest'
import { seriesDocumentSchema } from './seriesSchema'
import { visibleText, wellFormed } from './visibleText'

describe('a line of text', () => {
  it.each([
    ['Primer', 'Primer'],
    ['Farbe für außen – 5 l', 'Farbe für außen – 5 l'],
    ['نمی\u200Cخواهم', 'نمی\u200Cخواهم'],
    ['👩\u200D🎨', '👩\u200D🎨'],
    ['a\u0000b', 'a␀b'],
    ['a\u007Fb', 'a␡b'],
    ['a\r\nb\tc', 'a b c'],
    ['Prim\u202Eer', 'Prim�er'],
    ['zero\u200Bwidth\uFEFF', 'zero�width�'],
    ['half \uD83D surrogate', 'half � surrogate'],
  ])('%j is seen as %j', (given, seen) => {
    expect(visibleText(given)).toBe(seen)
    expect(visibleText(seen)).toBe(seen)
  })

  it('of a name is what is kept', () => {
    const { name } = seriesDocumentSchema.parse({
      ...{ name: ' a\u0000\uD800 ', frequency: 'monthly', start: '2020-01', values: [1] },
    })
    expect(name).toBe('a␀�')
    expect(wellFormed('line\nbreak \uDC00')).toBe('line\nbreak �')
  })
})
