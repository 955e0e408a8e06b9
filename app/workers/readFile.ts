import type { Reading } from '~~/intake/reading'

export interface ReadRequest {
  readonly id: number
  readonly text: string
}

export interface ReadAnswer {
  readonly id: number
  readonly reading: Reading
}

let worker: Worker | null = null
let lastId = 0

/**
 * Reads delimited text in a worker.
 *
 * @returns the reading, or null when a later text has taken its place
 */
export function readText(text: string): Promise<Reading | null> {
  worker ??= new Worker(new URL('./read.worker.ts', import.meta.url), { type: 'module' })
  const own = worker
  const id = ++lastId
  return new Promise((resolve, reject) => {
    const onMessage = ({ data }: MessageEvent<ReadAnswer>) => {
      if (data.id !== id) return
      stop()
      resolve(id === lastId ? data.reading : null)
    }
    const onError = (event: ErrorEvent) => {
      stop()
      reject(new Error(event.message || 'The file could not be read.'))
    }
    const stop = () => {
      own.removeEventListener('message', onMessage)
      own.removeEventListener('error', onError)
    }
    own.addEventListener('message', onMessage)
    own.addEventListener('error', onError)
    own.postMessage({ id, text } satisfies ReadRequest)
  })
}
