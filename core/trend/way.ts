import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Column } from '../column/column'
import type { Run } from '../column/run'
import type { DesignColumn } from '../regression/design'
import type { Value } from '../series/series'
import type { TrendDocument, TrendFacts } from './document'
import type { TrendReported } from './reported'
import type { TrendThrough, TrendTime } from './trend'
import type { TrendColumns } from './trendColumn'

/**
 * A way of laying a trend through values in time; each form of trend belongs to one.
 *
 * `Options` is its part of the method with every default filled in, `Trend` what it finds, `Report` what there is to say of that;
 * options and report bear the form as `form`.
 */
export interface TrendWay<
  Options extends { readonly form: string },
  Trend extends TrendThrough,
  Report,
> {
  /** Fills in the defaults. @throws Refusal for what belongs to another form */
  complete(form: Options['form'], document: TrendDocument, facts: TrendFacts): Options
  /**
   * @param values one a period, null = missing
   * @param nameOf a period, for a refusal
   * @throws Refusal with too few values, and for those that the form cannot be fitted to
   */
  fit(
    values: readonly Value[],
    options: Options,
    time: TrendTime,
    nameOf: (t: number) => string,
  ): Trend
  report(trend: Trend, told: TrendReported): Report
  /** The columns beside the constant; none where it is no regression. */
  design(options: Options, calendar: Calendar, start: Period): DesignColumn[]
  /** Its rows of the ledger, the trend the last of them. */
  columns(run: Run, parts: TrendColumns<Report>): Column[]
  /** The trend at periods after the last, in units of the values, from what is said of it. @param t time codes, one after the other */
  ahead(report: Report, design: readonly DesignColumn[], t: readonly number[]): number[]
}
