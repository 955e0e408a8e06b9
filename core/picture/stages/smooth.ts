import type { Mark } from '../../column/column'
import { isResult } from '../../ledger/ledger'
import type { Looked, Result } from '../../result'
import { capitalized } from '../../series/noun'
import { componentsOf } from '../components'
import { mainStrip, pointsOf, salesLayers } from '../salesLayers'
import type { Inspected, StripSources } from '../sources'
import { layer, type Layer, type Strip } from '../strips'

/** Compared averages are told apart by their lines. */
const COMPARED: readonly Mark[] = ['line-thick', 'line-dashed', 'line-dotted', 'line-thin']

/** The method's own average lies this pale beside others. */
const OWN_BESIDE_OTHERS = 0.45

/** Averages laid over the series: the one that the method works with, and those compared. */
export function smoothStrips(shown: Looked | Result, sources: StripSources): Strip[] {
  const compared = comparedAverages(shown, sources.inspected)
  const own = isResult(shown) ? componentsOf(shown, sources).trendCycle : []
  return [
    mainStrip(capitalized(sources.noun), sources, [
      ...salesLayers(shown, sources),
      ...(compared.length === 0 ? own : own.map((one) => ({ ...one, opacity: OWN_BESIDE_OTHERS }))),
      ...compared,
    ]),
  ]
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
