import { describe, expect, it } from 'vitest'
import { clicksOf } from '../../advice/offers'
import { begin } from '../begin'
import { DOCUMENT_CASES, seriesOfCase } from '../../reference/documents/cases'

const demo = new Map(
  DOCUMENT_CASES.map((one) => [one.file, seriesOfCase({ ...one, adjustments: [] })]),
)

describe('what is offered', () => {
  it.each([...demo])(
    '%s: every click does what it says, and brings no new caution',
    (_, series) => {
      for (const method of [{ format: 'elvant-method/1' } as const, begin(series).method]) {
        for (const { code, label, stays, brings } of clicksOf(series, method)) {
          expect({ code, label, stays, brings }).toEqual({ code, label, stays: false, brings: [] })
        }
      }
    },
  )
})
