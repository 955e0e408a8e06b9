import { computed, watch } from 'vue'
import { useRouter } from '#app'
import { usePins } from '../pins/pinStore'
import { useContest } from '../contest/contestStore'

/** What lies over strips and ledger. */
type Over = 'contest' | 'compare' | null

/** Contest and Compare are places of the browser's history, so that Back returns to the Bench; a contest goes on meanwhile. */
export function useViewHistory(): void {
  const router = useRouter()
  const contest = useContest()
  const pins = usePins()

  const over = computed<Over>(() =>
    contest.isOpen ? 'contest' : pins.comparing ? 'compare' : null,
  )
  const inAddress = () => (router.currentRoute.value.query.view ?? null) as Over

  /** Whether the address is being brought in line with the screen, so that its change is nobody's wish. */
  let isFollowing = false
  /** A navigation takes a while, and what is shown can change meanwhile: one follows the other. */
  let last = Promise.resolve()
  watch(over, () => {
    last = last.then(follow)
  })

  async function follow(): Promise<void> {
    const [now, before] = [over.value, inAddress()]
    if (now === before || !isStudy(router.currentRoute.value.path)) return
    isFollowing = true
    if (now === null) await leave()
    else await router[before === null ? 'push' : 'replace']({ query: { view: now } })
    isFollowing = false
  }

  /** Goes back where the study itself is the place before: it would otherwise be there twice. */
  async function leave(): Promise<void> {
    const { path } = router.currentRoute.value
    const { back } = history.state as { back?: string | null }
    if (back !== path) return void (await router.replace({ query: {} }))
    await new Promise<void>((resolve) => {
      const end = router.afterEach(() => {
        end()
        resolve()
      })
      router.back()
    })
  }

  // Back, or Forward again.
  watch(
    () => router.currentRoute.value,
    ({ path }, before) => {
      if (isFollowing || path !== before.path) return
      const wanted = inAddress()
      if (wanted === over.value) return
      if (wanted !== 'contest') contest.isOpen = false
      if (wanted !== 'compare') pins.comparing = false
      if (wanted === 'contest') void contest.show()
      if (wanted === 'compare') void pins.show()
    },
  )

  // Opened by its address, a study is shown itself.
  if (inAddress() !== null && over.value === null) last = last.then(follow)
}

const isStudy = (path: string) => path.startsWith('/study/')
