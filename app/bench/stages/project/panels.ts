import { later } from '~/shell/later'
import { limitNamed } from '~~/core/forecast/columns'
import { useBench } from '../../study/benchStore'
import { useKept } from '../../kept/keptStore'
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
      shows: ({ stage }, { method }) =>
        stage === 'project' &&
        // Of a kept forecast the hand is to be read, not to be laid on.
        (!useBench().frozen ||
          method.forecast.assumptions !== undefined ||
          method.forecast.scenarios !== undefined),
    },
    {
      needs: 'result',
      component: later(() => import('../../kept/KeptList.vue')),
      shows: ({ stage }) => (stage === 'project' || stage === 'check') && useKept().rows.length > 0,
    },
    {
      needs: 'result',
      component: later(() => import('./ForecastTotals.vue')),
      shows: ({ stage }, result) => stage === 'project' && result.series.seasons > 1,
    },
  ],
}
