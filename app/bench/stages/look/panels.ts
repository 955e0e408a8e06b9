import { later } from '~/shell/later'
import type { Parts } from '../../stage/panel'

export const look: Parts = {
  bar: later(() => import('./LookBar.vue')),
  panels: [
    {
      needs: 'series',
      component: later(() => import('./LookWorking.vue')),
      shows: ({ stage }) => stage === 'look',
    },
  ],
}
