import { readTable } from '~~/intake/readTable'
import type { ReadRequest, ReadAnswer } from './readFile'

/** Reads files beside the page, so that a large one never holds it up. */
self.onmessage = ({ data }: MessageEvent<ReadRequest>) => {
  self.postMessage({ id: data.id, reading: readTable(data.text) } satisfies ReadAnswer)
}
