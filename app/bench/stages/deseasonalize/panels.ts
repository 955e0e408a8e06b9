import { later } from '~/shell/later'
import { hasSeason, type Parts } from '../../stage/panel'

export const deseasonalize: Parts = {
  bar: later(() => import('./GrowthBar.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./FurthestPeriods.vue')),
      shows: ({ stage }) => stage === 'deseasonalize',
    },
    {
      needs: 'result',
      component: later(() => import('./PartsOfWhole.vue')),
      shows: ({ stage }, result) => stage === 'deseasonalize' && hasSeason(result),
    },
    {
      needs: 'result',
      component: later(() => import('./RevisionsPart.vue')),
      shows: ({ stage }, result) => stage === 'deseasonalize' && hasSeason(result),
    },
  ],
}
