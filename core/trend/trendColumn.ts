import { declare, type Column } from '../column/column'
import type { Expression } from '../column/expression'
import type { Run } from '../column/run'
import type { DesignColumn } from '../regression/design'
import type { Stage } from '../stage'
import { TREND_FORMS, type TrendFormName } from './forms'
import { seasonOut } from '../words/seasonOut'

/** What the columns of a trend are made from. */
export interface TrendColumns<Report> {
  readonly fit: Report
  /** Of a least-squares trend, beside the constant. */
  readonly design: readonly DesignColumn[]
  /** The trend over the forecast; none where the forecast comes from elsewhere. */
  readonly ahead: readonly number[] | null
  /** Where its rows are shown; with all steps alone under a forecast that follows a level of its own. */
  readonly stages: readonly Stage[]
}

/** The trend itself; what it means, and how a cell of it came, is said by who fitted it. */
export function trendColumn(
  run: Run,
  { fit, ahead, stages }: TrendColumns<{ readonly form: TrendFormName }>,
  { means, arithmetic }: { readonly means: string; readonly arithmetic: (t: number) => Expression },
): Column {
  const form = TREND_FORMS[fit.form]
  return declare(run.unit, {
    name: 'trend',
    label: 'Trend',
    means,
    explains: `${form.words} through the ${run.hasSeason ? seasonOut(run.without).series : run.inputNoun}`,
    measure: 'level',
    component: 'deseasonalized',
    mark: 'line-dashed',
    stages: ahead ? [...stages, 'project'] : stages,
    actual: run.columns.trend,
    ahead,
    arithmetic,
    whyUndefined: notFitted(run),
  })
}

/** What the trend goes through. */
export function trended(run: Run): string {
  return run.hasSeason ? 'deseasonalized' : run.input.column
}

/** The same in few words, where a row says what it is. */
export function trendedShort({ hasSeason, without, inputNoun }: Run): string {
  if (!hasSeason) return inputNoun
  return seasonOut(without).briefSeries
}

/** Why a column that needs the trend, or a regression, is empty. */
export function notFitted(run: Run, what = 'The trend'): (t: number) => string {
  return (t) =>
    run.value(run.input.column, t) === null
      ? 'This period has no value.'
      : `${what} is fitted to later periods only.`
}
