import { watch } from 'vue'
import { useRoute, useRouter } from '#app'
import { usePins } from '../compare/pinStore'
import { useContest } from '../contest/contestStore'

/** What lies over strips and ledger. */
type Over = 'contest' | 'compare' | undefined

/** Contest and Compare are places of the browser's history, so that Back returns to the Bench; a contest goes on meanwhile. */
export function useViewHistory(): void {
  const route = useRoute()
  const router = useRouter()
  const contest = useContest()
  const pins = usePins()

  const over = (): Over => (contest.isOpen ? 'contest' : pins.comparing ? 'compare' : undefined)
  const inRoute = () => route.query.view as Over
  /** Whether the place in the history is one of ours, to be left again by going back. */
  let isPushed = false

  watch(over, (now) => {
    if (now === inRoute()) return
    if (now && !inRoute()) {
      isPushed = true
      void router.push({ query: { ...route.query, view: now } })
    } else if (now) void router.replace({ query: { ...route.query, view: now } })
    else if (isPushed) router.back()
    else leave()
  })

  // Back, or Forward to a place whose view is not there any more.
  watch(inRoute, (now) => {
    if (!now) isPushed = false
    if (now !== 'contest') contest.isOpen = false
    if (now !== 'compare') pins.comparing = false
    if (now && now !== over()) leave()
  })

  /** Opened by its address, a study is shown itself. */
  if (inRoute()) leave()

  function leave(): void {
    const { view: _, ...query } = route.query
    void router.replace({ query })
  }
}
