import { ref, shallowRef, type Ref } from 'vue'
import { Refusal } from '~~/core/refusal'
import type { Hear, Progress } from '~~/core/work/steps'
import { Left } from './client'

/** How something that is worked out beside the page stands. */
export type RunState = 'none' | 'running' | 'done' | 'stopped' | 'refused' | 'failed'

/** How the work of a run is followed: until when it is wanted, and who hears how far it has come. */
export interface RunFollowed {
  readonly until: AbortSignal
  readonly hear: Hear
}

/** Something that is worked out beside the page, of which only the newest is wanted. */
export interface Run {
  readonly state: Ref<RunState>
  /** Why it is refused, or what failed. */
  readonly because: Ref<string>
  readonly progress: Ref<Progress | null>
  /** Begins; what was begun before is left. */
  begin(work: (followed: RunFollowed) => Promise<void>): Promise<void>
  /** Leaves it at the wish of whoever waits. */
  stop(): void
  /** Leaves it, as if it had never begun. */
  forget(): void
}

/** A run that has not begun. */
export function useRun(): Run {
  const state = ref<RunState>('none')
  const because = ref('')
  const progress = shallowRef<Progress | null>(null)
  let own: AbortController | null = null

  function leave(as: RunState): void {
    own?.abort()
    own = null
    progress.value = null
    because.value = ''
    state.value = as
  }

  async function begin(work: (followed: RunFollowed) => Promise<void>): Promise<void> {
    leave('running')
    const mine = (own = new AbortController())
    const end = (as: RunState, why = '') => {
      if (own !== mine) return
      progress.value = null
      because.value = why
      state.value = as
    }
    try {
      await work({ until: mine.signal, hear: (soFar) => own === mine && (progress.value = soFar) })
      end('done')
    } catch (error) {
      if (error instanceof Left) return
      end(error instanceof Refusal ? 'refused' : 'failed', (error as Error).message)
    }
  }

  return {
    ...{ state, because, progress, begin },
    stop: () => leave('stopped'),
    forget: () => leave('none'),
  }
}
