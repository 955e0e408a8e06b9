import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { readText } from '~/workers/readFile'
import type { Series } from '~~/core/series'
import type { Reading } from '~~/intake/reading'
import { documentFromSeries } from '~~/shared/seriesSchema'
import type { NewSeries } from '~~/shared/api/series'

/** Larger text than this is refused before it is read. */
const MOST_BYTES = 20 * 1024 * 1024

/** What will be kept of one series that was read; name and unit may be changed first. */
export interface Candidate {
  /** Column of the file, from 0. */
  readonly column: number
  readonly series: Series
  name: string
  unit: string
  wanted: boolean
}

/** A file on its way in: nothing is kept until the analyst says so. */
export const useIntake = defineStore('intake', () => {
  const state = ref<'empty' | 'reading' | 'read'>('empty')
  const fileName = ref('')
  const failure = ref('')
  const reading = shallowRef<Reading | null>(null)
  const candidates = ref<Candidate[]>([])

  function clear(): void {
    state.value = 'empty'
    fileName.value = ''
    failure.value = ''
    reading.value = null
    candidates.value = []
  }

  async function readFile(file: File): Promise<void> {
    if (file.size > MOST_BYTES) {
      clear()
      failure.value = `${file.name} is larger than ${MOST_BYTES / 1024 / 1024} MB. Split it into several files.`
      return
    }
    if (/\.(xlsx?|ods|numbers|pdf|zip)$/i.test(file.name)) {
      clear()
      failure.value = `${file.name} is no text file. Save the sheet as CSV and bring that in, or copy its cells and paste them here.`
      return
    }
    await read(await file.text(), file.name)
  }

  async function read(text: string, name: string): Promise<void> {
    clear()
    fileName.value = name
    state.value = 'reading'
    try {
      const answer = await readText(text)
      if (!answer) return
      reading.value = answer
      candidates.value =
        answer.outcome === 'ok'
          ? answer.series.map(({ series, column }) => ({
              column,
              series,
              name: series.name,
              unit: series.unit,
              wanted: true,
            }))
          : []
      state.value = 'read'
    } catch (error) {
      clear()
      failure.value = (error as Error).message
    }
  }

  /** What to keep, as the server takes it. */
  function wanted(): NewSeries[] {
    return candidates.value
      .filter((candidate) => candidate.wanted)
      .map(({ series, name, unit, column }) => ({
        series: documentFromSeries({ ...series, name: name.trim(), unit: unit.trim() }),
        source: { file: fileName.value, column: column + 1 },
      }))
  }

  return { state, fileName, failure, reading, candidates, clear, readFile, read, wanted }
})
