import { Refusal } from '~~/core/refusal'
import { cellReadings } from '~~/intake/cellReadings'
import { open, refusedWhole, type OpenFile, type OpenReading } from '~~/intake/readFile'
import type { Answers } from '~~/intake/reading'
import type { ReadAnswer, ReadRequest } from './readFile'

let file: OpenFile | null = null
let last: OpenReading | null = null

/** Keeps a file open beside the page, so that a large one never holds it up, and reads it again. */
self.onmessage = ({ data }: MessageEvent<ReadRequest>) => {
  switch (data.kind) {
    case 'open':
      return answer(data.id, () => {
        file = open(data.bytes)
        const most = Math.max(...file.workbook.sheets.map(({ rows }) => rows.length))
        const count = most.toLocaleString()
        post({ id: data.id, kind: 'progress', text: `Finding the series in ${count} rows…` })
        return readAgain(data.answers)
      })
    case 'read':
      return answer(data.id, () => readAgain(data.answers))
    case 'rows': {
      const rows = last?.rows.slice(data.from, data.to) ?? []
      const cells =
        last && rows.length > 0 ? cellReadings(last.cells, rows[0]!.line, rows.at(-1)!.line) : []
      return post({ id: data.id, kind: 'rows', rows, cells })
    }
  }
}

function readAgain(answers: Answers): ReadAnswer & { kind: 'reading' } {
  last = file!.read(answers)
  const { reading, rows } = last
  const headerLine = rows[reading.shape.rowKinds.indexOf('header')]?.line ?? null
  return { id: 0, kind: 'reading', reading, rowCount: rows.length, headerLine }
}

function answer(id: number, work: () => ReadAnswer): void {
  try {
    post({ ...work(), id })
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    file = last = null
    post({ id, kind: 'reading', reading: refusedWhole(error), rowCount: 0, headerLine: null })
  }
}

function post(message: ReadAnswer): void {
  self.postMessage(message)
}
