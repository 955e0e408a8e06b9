import type { Mark } from '~~/core/column/column'
import { capitalized } from '~~/core/series/noun'
import { wayOf } from '~~/core/decompose/ways'
import { calendarOfResult } from '~~/core/ledger/calendarOfResult'
import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import type { AverageKind } from '~~/core/smoothing/averageKinds'
import type { Inspected } from '../../beside/choices'
import { componentsOf } from '../../view/strips/components'
import { mainStrip, pointsOf, salesLayers } from '../../view/strips/salesLayers'
import { layer, type Layer } from '../../view/strips/strips'
import type { SeriesStage } from '../stage'

/** Compared averages are told apart by their lines. */
const COMPARED: readonly Mark[] = ['line-thick', 'line-dashed', 'line-dotted', 'line-thin']

/** The method's own average lies this pale beside others. */
const OWN_BESIDE_OTHERS = 0.45

/** Averages laid over the series: the one that the method works with, and those compared. */
export const smooth: SeriesStage = {
  needs: 'series',
  label: 'Smooth',
  focus: ['trendCycle', 'value'],
  barHeight: 50,
  beside: ({ averages }) => averages.flatMap(withOffCentre).map((by) => ({ kind: 'average', by })),
  strips: (shown, sources) => {
    const compared = comparedAverages(shown, sources.inspected)
    const own = isResult(shown) ? componentsOf(shown, sources).trendCycle : []
    return [
      mainStrip(capitalized(sources.noun), sources, [
        ...salesLayers(shown, sources),
        ...(compared.length === 0
          ? own
          : own.map((one) => ({ ...one, opacity: OWN_BESIDE_OTHERS }))),
        ...compared,
      ]),
    ]
  },
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

/** Every compared average in a line of its own; the steps before centring are the ledger's. */
function comparedAverages(shown: Looked | Result, inspected: readonly Inspected[]): Layer[] {
  const averages = inspected.flatMap(({ beside, column }) =>
    column && beside.kind === 'average' && beside.by.kind !== 'off-centre' ? [column] : [],
  )
  return averages.map(({ label, actual }, i) =>
    layer(label, 'trendCycle', COMPARED[i % COMPARED.length]!, pointsOf(shown, actual!)),
  )
}
