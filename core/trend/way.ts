import type { Calendar } from '../calendar/calendar'
import type { Period } from '../calendar/period'
import type { Column } from '../column/column'
import type { Regression } from '../column/expression'
import type { Run } from '../column/run'
import type { MethodChange } from '../finding'
import type { DesignColumn } from '../regression/design'
import type { Value } from '../series/series'
import type { Piece } from '../word'
import type { ReadersFigures } from '../words/readersFigures'
import type { CommonTrend, CommonTrendDocument, TrainingSpan, TrendFacts } from './commonOptions'
import type { TrendForm } from './form'
import type { TrendLine } from './leastSquares/fit'
import type { BreakAt } from './leastSquares/options'
import type { LimitArithmetic, LimitFigures } from './limits'
import type { TrendReported } from './reported'
import type { Extent } from '../work/extent'
import type { Hear } from '../work/steps'
import type { TrendSaid, TrendTold } from './said'
import type { NearChoices, SlowChoices } from './slowChoices'
import type { TrendThrough, TrendTime } from './trend'
import type { TrendColumns } from './trendColumn'

/**
 * A way of laying a trend through values in time; each form of trend belongs to one.
 *
 * `Document` is its part of the method and `Options` the same with every default filled in, `Trend` what it finds, `Report`
 * what there is to say of that; options and report bear the form as `form`.
 */
export interface TrendWay<
  Document extends CommonTrendDocument,
  Options extends CommonTrend & { readonly form: string },
  Trend extends TrendThrough,
  Report,
> {
  readonly name: string
  /** Its forms, in the order in which they are offered. */
  readonly forms: Readonly<Record<Options['form'], TrendForm>>
  /** Fills in the defaults. @throws Refusal for what cannot be */
  complete(form: Options['form'], document: Document, facts: TrendFacts): Options
  /** The same for a shorter span: what lies outside it is left behind. */
  within(document: Document, span: TrainingSpan): Document
  /** About how many multiplications its fit takes. */
  steps(options: Options, extent: Extent): number
  /**
   * @param values one a period, null = missing
   * @param nameOf a period, for a refusal
   * @param hear is told how far a long choice has come
   * @throws Refusal with too few values, and for those that the form cannot be fitted to
   */
  fit(
    values: readonly Value[],
    options: Options,
    time: TrendTime,
    nameOf: (t: number) => string,
    hear?: Hear,
  ): Trend
  /** Choices that take so long that the tries of a check keep them as they were made at the first; most ways have none. */
  readonly slowChoices?: SlowChoices<Options, Trend, Document>
  /** Left out by a way that finds its own at once, or whose slow choices say it already. */
  readonly nearChoices?: NearChoices<Trend, Document>
  report(trend: Trend, options: Options, told: TrendReported): Report
  /** Share of the variation that it explains; undefined where it is no regression. */
  r2(report: Report): Value
  /** What is said of it where it is drawn, and in the path. */
  said(report: Report, told: TrendTold, says: ReadersFigures): TrendSaid
  /** The columns beside the constant; none where it is no regression. */
  design(options: Options, calendar: Calendar, start: Period): DesignColumn[]
  /** Its rows of the ledger, the trend the last of them. */
  columns(run: Run, parts: TrendColumns<Report>): Column[]
  /** The trend at periods after the last, in units of the values, from what is said of it. @param t time codes, one after the other */
  ahead(report: Report, design: readonly DesignColumn[], t: readonly number[]): number[]
  /** How the figures of its limits came. */
  limits(
    run: Run,
    report: Report,
    design: readonly DesignColumn[],
    figures: LimitFigures,
  ): LimitArithmetic
  /** The regression that it comes from; only of a way that has one. */
  regression?(run: Run, report: Report, design: readonly DesignColumn[]): () => Regression
  /** The trend as the straight line that it is; null for any other, and left out by a way that has none. */
  asLine?(trend: Trend, firstT: number): TrendLine | null
  /** Its own words of the sentence, behind its form. */
  words(options: Options, calendar: Calendar): Piece[]
  /**
   * What makes the trend of a method this form.
   *
   * @param breaks of the trend as it is
   * @param middle code of the middle of the fitted periods
   */
  change(
    form: Options['form'],
    breaks: readonly BreakAt[] | undefined,
    middle: string,
  ): MethodChange
}
