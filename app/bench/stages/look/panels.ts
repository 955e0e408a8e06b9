import { later } from '~/shell/later'
import { calendarTakenOf } from '~~/core/prepare/calendar/reading'
import type { Parts } from '../../stage/panel'

export const look: Parts = {
  bar: later(() => import('./LookBar.vue')),
  panels: [
    {
      needs: 'result',
      component: later(() => import('./CalendarWorking.vue')),
      shows: ({ stage }, result) => stage === 'look' && calendarTakenOf(result) !== null,
    },
    {
      needs: 'series',
      component: later(() => import('./WeekdaysBehind.vue')),
      shows: ({ stage }) => stage === 'look',
    },
    {
      needs: 'series',
      component: later(() => import('./LookWorking.vue')),
      shows: ({ stage }) => stage === 'look',
    },
  ],
}
