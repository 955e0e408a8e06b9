import { later } from '~/shell/later'
import { hasSeason, type Parts } from '../../stage/panel'

/** Rows that are about one season over the years, at whatever stage they are selected. */
const SEASON_ROWS: readonly (string | undefined)[] = ['seasonalIrregular', 'index']

export const season: Parts = {
  panels: [
    {
      needs: 'result',
      component: later(() => import('./SeasonWorking.vue')),
      shows: ({ column }, result) => SEASON_ROWS.includes(column) && hasSeason(result),
    },
    {
      needs: 'result',
      component: later(() => import('./LeftoverWorking.vue')),
      shows: ({ stage, column }, result) =>
        column === 'irregular' && (stage === 'season' || !hasSeason(result)),
    },
    {
      needs: 'result',
      component: later(() => import('./SeasonTests.vue')),
      shows: ({ stage }, result) => stage === 'season' && hasSeason(result),
    },
  ],
}
