import { Refusal } from '~~/core/refusal'
import { cellReadings, type CellReading } from '~~/intake/cellReadings'
import type { Row } from '~~/intake/grid'
import { open, refusedWhole, type OpenFile, type OpenReading } from '~~/intake/readFile'
import type { Answers, Reading } from '~~/intake/reading'
import type { Telling } from './job'

/** A reading with the number of rows of the sheet it is about. */
export interface FileReading {
  readonly reading: Reading
  readonly rowCount: number
  /** Line of the headings, where there are any. */
  readonly headerLine: number | null
}

/** Some rows of the file, and what their cells were read as. */
export interface FileRows {
  readonly rows: readonly Row[]
  readonly cells: readonly CellReading[]
}

/** What is done with one file that is kept open beside the page, so that a large one never holds it up. */
export function fileJobs() {
  let file: OpenFile | null = null
  let last: OpenReading | null = null

  function readAgain(answers: Answers): FileReading {
    last = file!.read(answers)
    const { reading, rows } = last
    const headerLine = rows[reading.shape.rowKinds.indexOf('header')]?.line ?? null
    return { reading, rowCount: rows.length, headerLine }
  }

  /** A file that cannot be read is a reading too: it says why. */
  function orRefused(read: () => FileReading): FileReading {
    try {
      return read()
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      file = last = null
      return { reading: refusedWhole(error), rowCount: 0, headerLine: null }
    }
  }

  return {
    /** Takes a file apart and reads it; says what is done. */
    open({ say }: Telling<string>, bytes: Uint8Array, answers: Answers): FileReading {
      return orRefused(() => {
        file = open(bytes)
        const most = Math.max(...file.workbook.sheets.map(({ rows }) => rows.length))
        say(`Finding the series in ${most.toLocaleString()} rows…`)
        return readAgain(answers)
      })
    },
    /** Reads it again with other answers. */
    read(_: Telling<never>, answers: Answers): FileReading {
      return orRefused(() => readAgain(answers))
    },
    /** Its rows from one to before another. */
    rows(_: Telling<never>, from: number, to: number): FileRows {
      const rows = last?.rows.slice(from, to) ?? []
      const [first, end] = [rows[0], rows.at(-1)]
      const cells = last && first && end ? cellReadings(last.cells, first.line, end.line) : []
      return { rows, cells }
    },
  }
}
export type FileJobs = ReturnType<typeof fileJobs>
