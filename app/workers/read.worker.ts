import { Refusal } from '~~/core/refusal'
import { open, refusedWhole, type OpenFile } from '~~/intake/readFile'
import type { Answers } from '~~/intake/reading'
import type { ReadAnswer, ReadRequest } from './readFile'

let file: OpenFile | null = null
let sheet: string | null = null

/** Keeps a file open beside the page, so that a large one never holds it up, and reads it again. */
self.onmessage = ({ data }: MessageEvent<ReadRequest>) => {
  switch (data.kind) {
    case 'open':
      return answer(data.id, () => {
        file = open(data.bytes)
        const count = file.rowsOf(null).length.toLocaleString()
        post({ id: data.id, kind: 'progress', text: `Finding the series in ${count} rows…` })
        return readAgain(data.answers)
      })
    case 'read':
      return answer(data.id, () => readAgain(data.answers))
    case 'rows':
      return post({
        id: data.id,
        kind: 'rows',
        rows: file?.rowsOf(sheet).slice(data.from, data.to) ?? [],
      })
  }
}

function readAgain(answers: Answers): ReadAnswer & { kind: 'reading' } {
  const reading = file!.read(answers)
  sheet = reading.sheet
  const rows = file!.rowsOf(sheet)
  const headerLine = rows[reading.shape.rowKinds.indexOf('header')]?.line ?? null
  return { id: 0, kind: 'reading', reading, rowCount: rows.length, headerLine }
}

function answer(id: number, work: () => ReadAnswer): void {
  try {
    post({ ...work(), id })
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    file = null
    post({ id, kind: 'reading', reading: refusedWhole(error), rowCount: 0, headerLine: null })
  }
}

function post(message: ReadAnswer): void {
  self.postMessage(message)
}
