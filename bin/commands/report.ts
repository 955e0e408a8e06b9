import { basename } from 'node:path'
import { Refusal } from '../../core/refusal'
import { finish } from '../../core/work/steps'
import { CORE_FIGURES } from '../../core/words/readersFigures'
import { MOST_SERIES, type Length, type ReportChoices } from '../../handover/report/choices'
import { reportSteps } from '../../handover/report/report'
import { studyOf } from '../../handover/report/study'
import { looseTies } from '../../handover/report/ties'
import { reportChoicesSchema } from '../../shared/api/report'
import { methodSchema } from '../../shared/methodSchema'
import { parseDocument } from '../../shared/parseDocument'
import { VERSION } from '../../shared/version'
import { readJson, today, writeBytes } from '../files'
import { printJson } from '../output'
import { chooseAll } from './chooseSeries'

export interface ReportOptions {
  readonly method: string
  readonly data: string
  readonly series?: readonly string[]
  readonly answer?: readonly string[]
  readonly length?: Length
  readonly choices?: string
  readonly out: string
}

/** Runs a method on series of a file and writes a report on them; prints which tied numbers of the paragraphs no longer hold. */
export function report({ out, ...options }: ReportOptions): void {
  if (!/\.html?$/i.test(out)) {
    throw new Refusal(`A report is written as .html; ${out} is not.`, '--out')
  }
  const method = parseDocument(methodSchema, readJson(options.method))
  const all = chooseAll(options.data, options.series ?? [], options.answer ?? [])
  if (all.length > MOST_SERIES) {
    throw new Refusal(
      `A report takes ${MOST_SERIES} series at the most, and the file has ${all.length}; choose with --series.`,
      '--series',
    )
  }
  const choices = choicesOf(options)
  const studies = all.map((series) =>
    studyOf(series, method, { choices, source: basename(options.data) }),
  )
  const told = { says: CORE_FIGURES, version: VERSION, date: today() }
  writeBytes(out, new TextEncoder().encode(finish(reportSteps(studies, told))))
  printJson({
    format: 'elvant-report/1',
    series: all.map(({ name }) => name),
    noLongerHold: studies.flatMap(({ result }) =>
      looseTies(result, CORE_FIGURES, choices).map(({ place, tie, now }) => ({
        ...{ series: result.series.name, place, text: tie.text, now },
      })),
    ),
  })
}

function choicesOf({ choices, length }: Pick<ReportOptions, 'choices' | 'length'>): ReportChoices {
  const own = parseDocument(reportChoicesSchema, choices === undefined ? {} : readJson(choices))
  return length === undefined ? own : { ...own, length }
}
