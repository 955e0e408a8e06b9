import { later } from '~/shell/later'
import { memberNamed } from '~~/core/forecast/combination/columns'
import type { ForecastName } from '~~/core/forecast/ways'
import type { Panel } from '../stages/panel'

/** The parts of the working that are a way's own, in the order in which they stand; most ways need none. */
export const WAY_PANELS: Readonly<Partial<Record<ForecastName, readonly Panel[]>>> = {
  regression: [
    {
      needs: 'result',
      component: later(() => import('./regression/RegressionReport.vue')),
      shows: ({ stage }, { regression }) => stage === 'trend' && regression !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./regression/SeasonEffects.vue')),
      shows: ({ stage }, { regression }) =>
        stage === 'trend' && (regression?.seasonEffects.length ?? 0) > 0,
    },
    {
      needs: 'result',
      component: later(() => import('./regression/ResidualPictures.vue')),
      shows: ({ stage }, { regression }) => stage === 'trend' && regression !== null,
    },
    {
      needs: 'result',
      component: later(() => import('./regression/InfluentialPeriods.vue')),
      shows: ({ stage }, { regression }) =>
        stage === 'trend' && (regression?.influence.length ?? 0) > 0,
    },
  ],
  combination: [
    {
      needs: 'result',
      component: later(() => import('./combination/MemberWorking.vue')),
      shows: ({ column }) => column !== undefined && memberNamed(column) !== null,
    },
  ],
  smoothing: [
    {
      needs: 'result',
      component: later(() => import('./smoothing/SmoothingReport.vue')),
      shows: ({ stage }) => stage === 'trend',
    },
  ],
}
