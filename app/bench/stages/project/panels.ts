import { later } from '~/shell/later'
import { limitNamed } from '~~/core/forecast/columns'
import { useBeside } from '../../beside/besideStore'
import type { Parts } from '../../stage/panel'

export const project: Parts = {
  overlay: later(() => import('../../hand/ForecastHandles.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./PastErrorList.vue')),
      shows: ({ column }, { forecast }) =>
        forecast.pastErrors !== undefined && column !== undefined && limitNamed(column) !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./CameAfter.vue')),
      shows: ({ stage }) => stage === 'project' && useBeside().came !== null,
    },
    {
      needs: 'result',
      component: later(() => import('../../hand/HandCare.vue')),
      shows: ({ stage }) => stage === 'project',
    },
    {
      needs: 'result',
      component: later(() => import('./ForecastTotals.vue')),
      shows: ({ stage }, result) => stage === 'project' && result.series.seasons > 1,
    },
  ],
}
