import { wayOf } from '~~/core/decompose/ways'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { isResult } from '~~/core/ledger/ledger'
import type { AverageKind } from '~~/core/smoothing/averageKinds'
import type { SeriesStage } from './stage'

/** Averages laid over the series: the one that the method works with, and those compared. */
export const smooth: SeriesStage = {
  needs: 'series',
  label: 'Smooth',
  focus: ['trendCycle', 'value'],
  barHeight: 50,
  beside: ({ averages }) => averages.flatMap(withOffCentre).map((by) => ({ kind: 'average', by })),
  line: (shown) => {
    if (!isResult(shown)) return '–'
    const { decompose } = shown.method
    return wayOf(decompose.by).smooths(decompose, calendarOfResult(shown))
  },
}

/** An even centred average is shown in its two steps: off-centre, then centred. */
function withOffCentre(kind: AverageKind): AverageKind[] {
  return kind.kind === 'centred' && kind.order % 2 === 0
    ? [{ kind: 'off-centre', order: kind.order }, kind]
    : [kind]
}
