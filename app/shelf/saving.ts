import { onBeforeUnmount, shallowRef } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import { saveSeries, type SaveAs } from './saveSeries'

/** The file that is being written from series, and what stops it: nothing is saved then, as when the page is left. */
export function useSaving() {
  const saving = shallowRef<{ readonly what: string; readonly stop: AbortController } | null>(null)

  /** @param what is written, as it is said meanwhile */
  async function save(ids: readonly string[], as: SaveAs, what: string): Promise<void> {
    const stop = new AbortController()
    saving.value = { what, stop }
    try {
      await saveSeries(ids, as, stop.signal)
    } catch (error) {
      const text = stop.signal.aborted
        ? 'It was stopped; nothing was saved.'
        : (error as Error).message
      useNotices().show({ text })
    } finally {
      saving.value = null
    }
  }
  onBeforeUnmount(() => saving.value?.stop.abort())

  return { saving, save }
}
