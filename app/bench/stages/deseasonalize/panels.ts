import { later } from '~/shell/later'
import type { Parts } from '../../stage/panel'

export const deseasonalize: Parts = {
  bar: later(() => import('./GrowthBar.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./FurthestPeriods.vue')),
      shows: ({ stage }) => stage === 'deseasonalize',
    },
  ],
}
