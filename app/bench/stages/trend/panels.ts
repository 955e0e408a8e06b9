import { later } from '~/shell/later'
import type { Parts } from '../../stage/panel'

/** The reports of trend and regression are those of the ways. */
export const trend: Parts = {
  overlay: later(() => import('./TrendHandles.vue')),
  panels: [],
}
