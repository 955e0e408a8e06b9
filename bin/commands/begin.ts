import { begin, beginWords } from '../../core/begin'
import { printJson } from '../output'
import { chooseSeries } from './chooseSeries'

interface BeginOptions {
  readonly data: string
  readonly series?: string
  readonly answer?: readonly string[]
}

/** Prints the method that a series of a file begins with, and how it came about. */
export function beginOf({ data, series: name, answer }: BeginOptions): void {
  const beginning = begin(chooseSeries(data, name, answer ?? []))
  printJson(beginning)
  process.stderr.write(`${beginWords(beginning)}\n`)
}
