import { analyse } from '../../core/analyse'
import { Refusal } from '../../core/refusal'
import type { Result } from '../../core/result'
import type { Series } from '../../core/series/series'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import { seriesDocumentSchema, seriesFromDocument } from '../../shared/seriesSchema'
import { readJson } from '../files'
import { chooseSeries } from './chooseSeries'

/** A method, and the series that it is run on. */
export interface MethodOnSeries {
  readonly method: string
  readonly data?: string
  readonly series?: string
  readonly values?: string
  readonly answer?: readonly string[]
}

/** Runs a method document on a series of a file. */
export function runMethod(options: MethodOnSeries): { series: Series; result: Result } {
  const method = parseDocument(methodSchema, readJson(options.method))
  const series = readSeries(options)
  return { series, result: analyse(series, method) }
}

function readSeries({ data, values, series, answer }: MethodOnSeries): Series {
  if ((data === undefined) === (values === undefined)) {
    throw new Refusal('Give the series either by --data or by --values.', 'arguments')
  }
  if (values !== undefined) {
    return seriesFromDocument(parseDocument(seriesDocumentSchema, readJson(values)))
  }
  return chooseSeries(data!, series, answer ?? [])
}
