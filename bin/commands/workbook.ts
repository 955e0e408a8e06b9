import { methodSentence } from '../../core/sentence/sentence'
import { piecesText } from '../../core/word'
import { finish } from '../../core/work/steps'
import { workbookSteps } from '../../handover/workbook/workbook'
import { writeWorkbook } from '../../handover/workbook/writeWorkbook'
import { VERSION } from '../../shared/version'
import { today, writeBytes } from '../files'
import { runMethod, type MethodOnSeries } from './runMethod'

export interface WorkbookOptions extends MethodOnSeries {
  readonly out: string
}

/** Runs a method on a series of a file and writes the workbook that calculates. */
export async function workbook({ out, ...options }: WorkbookOptions): Promise<void> {
  const { series, result } = runMethod(options)
  const told = {
    sentence: piecesText(methodSentence(result.method, series)),
    version: VERSION,
    date: today(),
  }
  writeBytes(out, await writeWorkbook(finish(workbookSteps(result, told))))
}
