import { shallowRef, watchEffect } from 'vue'
import { api } from '~/api/client'
import { MOST_VALUES, type SeriesValues, type ShelfRow } from '~~/shared/api/series'

/** Points that a small chart is drawn from: two for each of its pixels that are told apart. */
const POINTS = 360

/**
 * The small pictures of rows that are in sight; the shelf itself comes without them.
 *
 * @param inSight the rows that are there to be seen
 * @param shelf what is replaced when the shelf is read again: pictures are asked for anew then, the old ones stand until they come
 * @returns the values of a series with what is forecast of it, once they are there
 */
export function usePictures(
  inSight: () => readonly ShelfRow[],
  shelf: () => object,
): (id: string) => SeriesValues | undefined {
  const pictures = shallowRef<ReadonlyMap<string, SeriesValues>>(new Map())
  /** What was asked for, of the shelf as it is now. */
  let asked = new Set<string>()
  let askedOf: object | null = null

  watchEffect(() => {
    if (shelf() !== askedOf) {
      askedOf = shelf()
      asked = new Set()
    }
    const wanted = inSight()
      .map(({ id }) => id)
      .filter((id) => !asked.has(id))
    for (const id of wanted) asked.add(id)
    for (let from = 0; from < wanted.length; from += MOST_VALUES) {
      void ask(wanted.slice(from, from + MOST_VALUES), asked)
    }
  })

  async function ask(ids: readonly string[], among: Set<string>): Promise<void> {
    try {
      const path = `/series/values?ids=${ids.join(',')}&points=${POINTS}`
      const { series } = await api<{ series: SeriesValues[] }>(path)
      pictures.value = new Map([...pictures.value, ...series.map((one) => [one.id, one] as const)])
    } catch {
      // A row says what it says without its picture; it is asked for again when it comes into sight.
      for (const id of ids) among.delete(id)
    }
  }

  return (id) => pictures.value.get(id)
}
