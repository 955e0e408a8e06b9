import { Matrix, QrDecomposition } from 'ml-matrix'
import { addUp } from '../core/addingUp/addUp'
import { LEAST_SQUARES } from '../core/addingUp/agreement/leastSquares'
import { nodesOf } from '../core/addingUp/nodes'
import { calculate } from '../core/calculate'
import { USUAL_THRESHOLDS } from '../core/catalogue/attention'
import { catalogued, USUAL_ORIGINS } from '../core/catalogue/catalogued'
import type { MethodSource } from '../core/catalogue/chosen'
import { USUAL_CONTEST } from '../core/catalogue/usualContest'
import { METHOD_FORMAT, type MethodDocument } from '../core/method'
import { demoCatalogue } from '../demo/catalogue'
import { median, say } from './measured'

/** Speed of the work over many series on one core, beside a decomposition by the package in the same run. */
const ARTICLES = demoCatalogue(600)

const matrix = Matrix.from1DArray(
  120,
  13,
  Array.from({ length: 120 * 13 }, (_, i) => Math.sin(i * i)),
)
const yardstick = median(400, () => new QrDecomposition(matrix))
say('catalogue', 'yardstick: QR of 120 × 13 by the package', `${yardstick.toFixed(3)} ms`)

/** Milliseconds a series over articles. */
function each(count: number, work: (at: number) => void): number {
  for (let at = 0; at < Math.min(20, count); at++) work(at)
  const began = performance.now()
  for (let at = 0; at < count; at++) work(at)
  return (performance.now() - began) / count
}
const tell = (what: string, ms: number) =>
  say('catalogue', what, `${ms.toFixed(2)} ms a series, ${(1000 / ms).toFixed(0)} a second`)

const LINE: MethodDocument = { format: METHOD_FORMAT }
tell(
  'numbers alone, 120 months, averages and a line',
  each(600, (at) => calculate(ARTICLES[at]!.series, LINE)),
)
const work = (source: MethodSource) => (at: number) =>
  catalogued(ARTICLES[at]!.series, {
    ...{ source, origins: USUAL_ORIGINS, thresholds: USUAL_THRESHOLDS },
  })
tell('worked through by the line, 12 origins', each(300, work({ kind: 'given', method: LINE })))
tell('worked through by its first method, 12 origins', each(300, work({ kind: 'begin' })))
const SIX = USUAL_CONTEST.map(({ method }) => method)
tell('best by contest of six, 12 origins', each(24, work({ kind: 'contest', methods: SIX })))

const many = nodesOf(
  Array.from({ length: 10_000 }, (_, i) => ({ name: `${i}`, group: `${i % 10} / ${i % 100}` })),
)
const own = many.map(({ series }) => 10 * series.length + Math.sin(series[0]!))
const variances = many.map(({ series }) => 1 + series.length)
const agreeing = median(20, () => LEAST_SQUARES.agree({ nodes: many, own, variances }))
say(
  'catalogue',
  '10,000 series in 110 groups made to agree, one period',
  `${agreeing.toFixed(1)} ms`,
)
const few = ARTICLES.slice(0, 100).map(({ series, group }) => ({ series, group }))
const added = median(1, () => addUp(few))
say(
  'catalogue',
  '100 series added up, four ways tried at 12 origins',
  `${(added / 1000).toFixed(1)} s`,
)
