import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { inReadersFigures } from '~/figures/format'
import { api } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import type { BeginRun, Run, RunState } from '~~/shared/api/catalogue'
import { useShelf } from './shelfStore'

/** Milliseconds between two looks at how far it is. */
const LOOKS_EVERY = 700

/** The work over many series that the server does, as it stands. */
export const useRun = defineStore('run', () => {
  const run = shallowRef<Run | null>(null)
  const isOver = computed(() => run.value === null || run.value.state === 'ended')
  let looking: ReturnType<typeof setTimeout> | undefined

  /** Looks how far it is, and again until it is over or nobody looks any more. */
  async function look(): Promise<void> {
    clearTimeout(looking)
    const before = run.value
    try {
      run.value = (await api<{ run: Run | null }>('/catalogue')).run
    } catch {
      // The server is asked again: it may be starting anew.
    }
    const shelf = useShelf()
    const ended = before?.state !== 'ended' && run.value?.state === 'ended'
    if (before && ended) {
      await shelf.load()
      tellEnd(run.value!)
    }
    if (run.value?.state === 'running') looking = setTimeout(() => void look(), LOOKS_EVERY)
  }

  function leave(): void {
    clearTimeout(looking)
  }

  function tellEnd({ task, done, of }: Run): void {
    const shelf = useShelf()
    const notices = useNotices()
    if (done < of) return
    const text =
      task.kind === 'keep'
        ? `The forecasts are kept as “${task.name.slice(0, 60)}”.`
        : shelf.toLookAt.length === 0
          ? `${of.toLocaleString('en')} series are worked through; none needs to be looked at.`
          : `${of.toLocaleString('en')} series are worked through; ${shelf.toLookAt.length.toLocaleString('en')} to look at.`
    notices.show({
      text,
      ...(task.kind === 'keep' ? { link: { to: '/kept', text: 'See them' } } : {}),
    })
  }

  /** Begins a run, or has one wait, go on or end; what is refused is said. */
  async function ask(method: 'POST' | 'PUT', body: BeginRun | { state: RunState }): Promise<void> {
    try {
      run.value = await api<Run>('/catalogue', { method, body })
    } catch (error) {
      useNotices().show({ text: inReadersFigures((error as Error).message) })
    }
    await look()
    if (run.value?.state !== 'running') await useShelf().load()
  }

  return {
    ...{ run, isOver, look, leave },
    begin: (body: BeginRun) => ask('POST', body),
    set: (state: RunState) => ask('PUT', { state }),
  }
})
