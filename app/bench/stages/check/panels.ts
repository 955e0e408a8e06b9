import { later } from '~/shell/later'
import type { Parts } from '../../stage/panel'
import { useCheck } from '../../check/checkStore'

export const check: Parts = {
  bar: later(() => import('./CheckBar.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./VerdictPanel.vue')),
      // A forecast is not looked at without how such forecasts would have done.
      shows: ({ stage }) => stage === 'check' || stage === 'project',
    },
    {
      needs: 'result',
      component: later(() => import('./TriedForecast.vue')),
      shows: ({ stage }) => stage === 'check' && useCheck().tried !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./HorizonTable.vue')),
      shows: ({ stage }) => stage === 'check' && useCheck().checked !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./OutOfSample.vue')),
      shows: ({ stage }) => stage === 'check' && useCheck().checked !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./ErrorFigures.vue')),
      shows: ({ stage }) => stage === 'check',
    },
  ],
}
