import { describe, expect, it } from 'vitest'
import { Refusal } from '../core/refusal'
import { methodSchema } from './methodSchema'
import { parseDocument } from './parseDocument'
import { documentFromSeries, seriesDocumentSchema, seriesFromDocument } from './seriesSchema'

const FORMAT = { format: 'elvant-method/1' }

function whereRefused(document: unknown): string {
  try {
    parseDocument(methodSchema, document)
  } catch (error) {
    if (error instanceof Refusal) return error.where
  }
  return 'accepted'
}

describe('the method document', () => {
  it('takes every key of the format, built or not', () => {
    const whole = {
      ...FORMAT,
      span: { from: '2016-01', to: '2025-12' },
      missing: 'seasonal',
      decompose: {
        by: 'stl',
        model: 'multiplicative',
        exclude: [{ period: '2019-06', reason: 'flood' }],
        seasonalWindow: 'periodic',
        trendWindow: 23,
        lowPassWindow: 13,
        seasonalDegree: 1,
        trendDegree: 1,
        lowPassDegree: 1,
        robust: true,
        inner: 1,
        outer: 15,
      },
      trend: { form: 'breaks', breaks: [{ period: '2020-03', level: false }], last: 60 },
      forecast: {
        by: 'regression',
        horizon: 12,
        levels: [80, 95],
        season: 'effects',
        base: 1,
        pairs: 3,
        model: 'additive',
        indicators: [{ name: 'flood', from: '2019-06', to: '2019-07' }],
        steps: [{ name: 'price rise', from: '2022-04' }],
        backTransform: 'median',
      },
      check: { holdout: 12, rolling: { first: 60, horizon: 12 } },
    }
    expect(parseDocument(methodSchema, whole)).toEqual(whole)
    const averaged = {
      ...FORMAT,
      decompose: { model: 'additive', average: 'trimmed-mean', adjust: true, exclude: [] },
    }
    expect(parseDocument(methodSchema, averaged)).toEqual(averaged)
    const yearly = { ...FORMAT, decompose: { order: 7 } }
    expect(parseDocument(methodSchema, yearly)).toEqual(yearly)
  })

  it('says whom a choice belongs to', () => {
    const document = { ...FORMAT, decompose: { by: 'none', seasonalWindow: 13 } }
    expect(() => parseDocument(methodSchema, document)).toThrow(
      'decompose.seasonalWindow: seasonalWindow belongs to a decomposition by robust loess; this one is without a season. Take it out.',
    )
  })

  it.each<[unknown, string]>([
    [{}, 'format'],
    [{ format: 'elvant-method/2' }, 'format'],
    [null, 'document'],
    [[], 'document'],
    [{ ...FORMAT, colour: 'red' }, 'colour'],
    [{ ...FORMAT, decompose: { modle: 'additive' } }, 'decompose.modle'],
    [{ ...FORMAT, decompose: { model: 'mixed' } }, 'decompose.model'],
    [{ ...FORMAT, decompose: { adjust: 'yes' } }, 'decompose.adjust'],
    [{ ...FORMAT, decompose: { by: 'guess' } }, 'decompose.by'],
    [{ ...FORMAT, decompose: { robust: true } }, 'decompose.robust'],
    [{ ...FORMAT, decompose: { by: 'stl', average: 'median' } }, 'decompose.average'],
    [{ ...FORMAT, decompose: { by: 'stl', trendDegree: 2 } }, 'decompose.trendDegree'],
    [{ ...FORMAT, decompose: { by: 'none', exclude: [] } }, 'decompose.exclude'],
    [{ ...FORMAT, decompose: { by: 'none', order: 1 } }, 'decompose.order'],
    [{ ...FORMAT, decompose: { exclude: [{ period: '2019-06' }] } }, 'decompose.exclude.0.reason'],
    [
      { ...FORMAT, decompose: { exclude: [{ period: '2019-06', reason: ' ' }] } },
      'decompose.exclude.0.reason',
    ],
    [{ ...FORMAT, forecast: { horizon: 1.5 } }, 'forecast.horizon'],
    [{ ...FORMAT, forecast: { levels: [0] } }, 'forecast.levels.0'],
    [{ ...FORMAT, trend: { last: '60' } }, 'trend.last'],
  ])('%j is refused at %s', (document, where) => {
    expect(whereRefused(document)).toBe(where)
  })
})

describe('the series document', () => {
  const read = (document: unknown) =>
    seriesFromDocument(parseDocument(seriesDocumentSchema, document))

  it('goes to a series and back', () => {
    for (const document of [
      { name: 'a', unit: 'l', frequency: 'monthly', start: '2019-01', values: [1, null, 3] },
      { name: 'a', unit: 'l', frequency: 'quarterly', yearStart: 3, start: '2019-Q2', values: [1] },
      { name: 'a', unit: 'l', frequency: 'seasons', seasons: 7, start: '12-S3', values: [1] },
      { name: 'a', unit: '', frequency: 'yearly', start: '2019', values: [1] },
    ]) {
      expect(documentFromSeries(read(document))).toEqual(document)
    }
  })

  it.each<[string, object]>([
    ['start', { frequency: 'monthly', start: '2019-Q1', values: [1] }],
    ['start', { frequency: 'quarterly', start: '2019-Q5', values: [1] }],
    ['seasons', { frequency: 'seasons', start: '1-S1', values: [1] }],
    ['seasons', { frequency: 'monthly', seasons: 4, start: '2019-01', values: [1] }],
    ['values', { frequency: 'monthly', start: '2019-01', values: [] }],
    ['values.1', { frequency: 'monthly', start: '2019-01', values: [1, 'x'] }],
    ['name', { name: '  ', frequency: 'monthly', start: '2019-01', values: [1] }],
  ])('is refused at %s', (where, document) => {
    expect(() => read(document)).toThrow(Refusal)
    try {
      read(document)
    } catch (error) {
      expect((error as Refusal).where).toBe(where)
    }
  })
})
