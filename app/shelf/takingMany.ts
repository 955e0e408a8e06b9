import { ref } from 'vue'
import { useNotices } from '~/shell/noticeStore'
import type { Study } from '~~/shared/api/studies'
import { takeBack, type Taken } from './applying'

/** Methods given to many studies, one after another: how far it is, why it ended early, and the way back for all that were. */
export function useTakingMany() {
  const isUnderWay = ref(false)
  const done = ref(0)
  const failure = ref('')
  let isStopped = false

  /**
   * Gives each its method; what was given before one failed, or somebody stopped, stays, and can be taken back.
   *
   * @param give saves the study of one
   * @param says what is told of so many
   * @param after hears of every study as it was saved last, also when all are taken back
   * @returns whether all went through
   */
  async function takeEach<T>(
    all: Iterable<T>,
    give: (one: T) => Promise<Taken>,
    says: (count: number) => string,
    after: (saved: readonly Study[]) => void = () => {},
  ): Promise<boolean> {
    const taken: Taken[] = []
    ;[isUnderWay.value, done.value, failure.value, isStopped] = [true, 0, '', false]
    try {
      for (const one of all) {
        if (isStopped) break
        taken.push(await give(one))
        done.value = taken.length
      }
    } catch (error) {
      failure.value = (error as Error).message
    } finally {
      isUnderWay.value = false
    }
    if (taken.length > 0) {
      after(taken.map(({ saved }) => saved))
      useNotices().show({
        text: says(taken.length),
        undo: async () => {
          const back: Study[] = []
          for (const one of taken) back.push(await takeBack(one))
          after(back)
        },
      })
    }
    return failure.value === ''
  }

  return { isUnderWay, done, failure, takeEach, stop: () => (isStopped = true) }
}
