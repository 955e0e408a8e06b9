import { later } from '~/shell/later'
import type { Panel } from '../../stage/panel'

/** The report of a regression, what it makes of the season, what it leaves, and the periods that it hangs on. */
export const regression: readonly Panel[] = [
  {
    needs: 'result',
    component: later(() => import('./RegressionReport.vue')),
    shows: ({ stage }) => stage === 'trend',
  },
  {
    needs: 'result',
    component: later(() => import('./SeasonEffects.vue')),
    shows: ({ stage }, { regression }) =>
      stage === 'trend' && (regression?.seasonEffects.length ?? 0) > 0,
  },
  {
    needs: 'result',
    component: later(() => import('./RegressionResiduals.vue')),
    shows: ({ stage }) => stage === 'trend',
  },
  {
    needs: 'result',
    component: later(() => import('./InfluentialPeriods.vue')),
    shows: ({ stage }, { regression }) =>
      stage === 'trend' && (regression?.influence.length ?? 0) > 0,
  },
]
