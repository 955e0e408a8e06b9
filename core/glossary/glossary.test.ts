import { describe, expect, it } from 'vitest'
import { GLOSSARY, termOfColumn } from './glossary'

describe('the glossary', () => {
  it('says every term in one sentence, with a formula or a source', () => {
    for (const { term, means, by } of Object.values(GLOSSARY)) {
      expect(means, term).toMatch(/^[A-Z].*\.$/)
      expect(means.match(/\. /), term).toBeNull()
      expect(by.length, term).toBeGreaterThan(0)
    }
  })

  it('names no term twice', () => {
    const terms = Object.values(GLOSSARY).map(({ term }) => term)
    expect(new Set(terms).size).toBe(terms.length)
  })

  it('knows the columns of a ledger', () => {
    expect(termOfColumn('deseasonalized')).toBe('deseasonalized')
    expect(termOfColumn('upper:95')).toBe('limits')
    expect(termOfColumn('beside:growth_yearOnYear_value')).toBe('growth')
    expect(termOfColumn('t')).toBe('timeCode')
    expect(termOfColumn('value')).toBeNull()
    expect(termOfColumn('constructor')).toBeNull()
  })
})
