import { later } from '~/shell/later'
import type { Parts } from '../../stage/panel'

export const smooth: Parts = {
  bar: later(() => import('./SmoothBar.vue')),
  panels: [
    {
      needs: 'series',
      component: later(() => import('./SmoothWorking.vue')),
      shows: ({ stage }) => stage === 'smooth',
    },
  ],
}
