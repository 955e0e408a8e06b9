import type { CellReading } from '~~/intake/cellReadings'
import type { Row } from '~~/intake/grid'
import type { Answers, Reading } from '~~/intake/reading'

export type ReadRequest = { readonly id: number } & (
  | { readonly kind: 'open'; readonly bytes: Uint8Array; readonly answers: Answers }
  | { readonly kind: 'read'; readonly answers: Answers }
  | { readonly kind: 'rows'; readonly from: number; readonly to: number }
)

export type ReadAnswer = { readonly id: number } & (
  | {
      readonly kind: 'reading'
      readonly reading: Reading
      readonly rowCount: number
      readonly headerLine: number | null
    }
  | ({ readonly kind: 'rows' } & FileRows)
  /** On the way to the answer: what is done now. */
  | { readonly kind: 'progress'; readonly text: string }
)

/** Some rows of the file, and what their cells were read as. */
export interface FileRows {
  readonly rows: readonly Row[]
  readonly cells: readonly CellReading[]
}

/** A reading with the number of rows of the sheet it is about. */
export interface FileReading {
  readonly reading: Reading
  readonly rowCount: number
  /** Line of the headings, where there are any. */
  readonly headerLine: number | null
}

type Request = ReadRequest extends infer One
  ? One extends { id: number }
    ? Omit<One, 'id'>
    : never
  : never

/** A file that a worker holds open: it is read again with other answers, and its rows asked for. */
export class FileInWorker {
  private readonly worker = new Worker(new URL('./read.worker.ts', import.meta.url), {
    type: 'module',
  })
  private readonly waiting = new Map<
    number,
    { settle(answer: ReadAnswer): void; fail(error: Error): void }
  >()
  private lastId = 0

  /** @param onProgress told what is done, while a large file is read */
  constructor(onProgress: (text: string) => void) {
    this.worker.addEventListener('message', ({ data }: MessageEvent<ReadAnswer>) => {
      if (data.kind === 'progress') return onProgress(data.text)
      this.waiting.get(data.id)?.settle(data)
      this.waiting.delete(data.id)
    })
    this.worker.addEventListener('error', (event) => {
      const error = new Error(event.message || 'The file could not be read.')
      for (const { fail } of this.waiting.values()) fail(error)
      this.waiting.clear()
    })
  }

  open(bytes: Uint8Array, answers: Answers): Promise<FileReading> {
    return this.ask({ kind: 'open', bytes, answers }) as Promise<FileReading & ReadAnswer>
  }

  read(answers: Answers): Promise<FileReading> {
    return this.ask({ kind: 'read', answers }) as Promise<FileReading & ReadAnswer>
  }

  rows(from: number, to: number): Promise<FileRows> {
    return this.ask({ kind: 'rows', from, to }) as Promise<FileRows & ReadAnswer>
  }

  /** Gives up: what is on its way never comes. */
  close(): void {
    this.worker.terminate()
    this.waiting.clear()
  }

  private ask(request: Request): Promise<ReadAnswer> {
    const id = ++this.lastId
    return new Promise((settle, fail) => {
      this.waiting.set(id, { settle, fail })
      this.worker.postMessage({ ...request, id })
    })
  }
}
