import { cycleOfResult } from '../../../core/ledger/calendarOfResult'
import type { Checked } from '../../../core/check/check'
import { errorArithmetic } from '../../../core/check/errorArithmetic'
import {
  accuracyWords,
  ERROR_NAMES,
  errorFigureText,
  heldLine,
  unitOfError,
  verdictLine,
} from '../../../core/check/words'
import type { SaidFigure } from '../../../core/check/words'
import { traitsOf } from '../../../core/decompose/ways'
import { benchmarkSays, type Benchmark } from '../../../core/forecast/benchmarks'
import { html, type Content, type Markup } from '../markup'
import { listOf, tableOf } from '../table'
import type { PartOf } from '../study'
import { decimalsOfValue } from '../totals'

/** How far it can be trusted: how such forecasts would have done, what the limits held, and what is worth knowing. */
export function trustPart(of: PartOf): Markup {
  const { result, says, choices } = of
  const { check } = result
  const said = [...result.findings, ...(check?.findings ?? [])]
  const cautions = said
    .filter(({ severity }) => severity === 'caution')
    .map(({ text }) => says.inText(text))
  return html`${check ? checked(of, check) : html`<p>The method was not checked: the series is too short, or it was not asked for.</p>`}
  ${
    cautions.length > 0
      ? html`<h3>Worth knowing</h3>
          ${listOf(cautions)}`
      : null
  }
  ${choices.length === 'full' ? fittedErrors(of) : null}`
}

function checked(of: PartOf, check: Checked): Markup {
  const { result, says, choices } = of
  const held = heldLine(check.coverage)
  return html`${check.verdict ? html`<p>${says.inText(verdictLine(check.verdict, result.series.unit, cycleOfResult(result)))}</p>` : null}
  ${held === '' ? null : html`<p>${says.inText(held)}</p>`}
  ${choices.length === 'page' ? null : benchmarks(of, check)}
  ${choices.length === 'full' ? byHorizon(of, check) : null}`
}

function benchmarks(
  { result, says }: PartOf,
  { method, benchmarks: others, tries }: Checked,
): Markup {
  const decimals = decimalsOfValue(result)
  const row = (name: string, { mae, rmse, mase }: Checked['method']['pooled']): Content[] => [
    name,
    mae === null ? '–' : says.decimals(mae, decimals),
    rmse === null ? '–' : says.decimals(rmse, decimals),
    mase === null ? '–' : says.decimals(mase, 2),
  ]
  return tableOf({
    caption: `Errors over ${tries.length} origins, ${result.series.unit}`,
    head: ['forecast by', 'mean absolute error', 'root mean squared error', 'MASE'],
    rows: [
      row('this method', method.pooled),
      ...Object.entries(others).map(([which, { pooled }]) =>
        row(benchmarkSays(which as Benchmark, cycleOfResult(result)), pooled),
      ),
    ],
  })
}

function byHorizon({ result, says, workings }: PartOf, { method, coverage }: Checked): Markup {
  const decimals = decimalsOfValue(result)
  return tableOf({
    caption: `Errors by horizon, ${result.series.unit}`,
    head: [
      `${workings.ledger.run.per}s ahead`,
      'tries',
      'mean absolute error',
      ...coverage.map(({ level }) => `${level}% limits held`),
    ],
    rows: method.byHorizon.map(({ h, count, mae }, i) => [
      String(h),
      count,
      mae === null ? '–' : says.decimals(mae, decimals),
      ...coverage.map(({ inUse }) => {
        const share = inUse.byHorizon[i]?.share ?? null
        return share === null ? '–' : `${Math.round(100 * share)}%`
      }),
    ]),
  })
}

/** Error figures of the fit, each with its arithmetic. */
function fittedErrors({ workings, result, says }: PartOf): Markup {
  const { fitted } = result.accuracy
  const { hasSeason } = traitsOf(result.method.decompose)
  const arithmetic = errorArithmetic(
    workings.ledger.run,
    fitted,
    hasSeason ? result.series.seasons : 1,
  )
  const { unit } = result.series
  const written = (key: SaidFigure['key']): Content => {
    const [text, expression] = [errorFigureText(key, fitted[key], unit, says), arithmetic[key]]
    if (!expression) return text
    const title = ERROR_NAMES[key]
    const about = { title, means: 'of what is fitted', unit: unitOfError(key, unit) }
    return workings.other({ ...about, expression }, text)
  }
  return tableOf({
    endsInWords: true,
    caption: 'Fitted against actual: what is fitted has seen these values',
    head: ['error', 'figure', 'says'],
    rows: accuracyWords(fitted, unit, hasSeason).map(({ key, says: words }) => [
      ERROR_NAMES[key],
      written(key),
      says.inText(words),
    ]),
  })
}
