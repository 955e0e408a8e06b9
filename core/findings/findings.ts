import { costOf } from '../prepare/prepare'
import { oneCycle } from '../calendar/labels'
import type { Figures } from '../calculate'
import { wayOf } from '../decompose/ways'
import type { Examined } from '../examine'
import type { Finding } from '../finding'
import { forecastWayOf } from '../forecast/ways'
import { exclusionsOf, type Method } from '../method'
import type { SeasonTold } from '../seasonality/peakWords'
import type { AverageKind } from '../smoothing/averageKinds'
import { assumptionFindings } from './assumptionFindings'
import { calendarFindings } from './calendarFindings'
import { bothFindings, careFindings, leftOutByHand } from './careFindings'
import { withoutTaken } from './offers'
import { leftoverFindings } from './leftoverFindings'
import { limitFindings } from './limitFindings'
import { modelFinding, peakFindings } from './lookFindings'
import { outlierFindings } from './outlierFindings'
import { seasonFindings } from './seasonFindings'
import { spanFindings } from './spanFindings'
import type { TrendUse } from './levelFindings'
import { trendFindings } from './trendFindings'

/** Every sentence that there is to say of a result, what sways the others first. */
export function findingsOf(figures: Figures, examined: Examined): Finding[] {
  const { prepared, decomposed, method, series, ahead } = figures
  const stretch = prepared.used
  const { decompose } = method
  const { model } = decompose
  const way = wayOf(decompose.by)
  const { unit, adjustments = [] } = series
  const filled = prepared.filled.map(({ t }) => t)
  const care = careFindings(stretch, adjustments, prepared.filled, method.missing, unit)
  const told = new Set(care.map(({ period }) => period))
  const hasSeason = examined.seasonTests?.found ?? false
  const all = withoutContradiction(
    [
      ...care,
      ...outlierFindings(stretch, examined, told, {
        ...{ model, unit, missing: method.missing, hasSeason: decomposed.season !== null },
        averagesLost: averagesLost(way.average(decompose, series.calendar)),
        ...{ forecast: method.forecast, trend: method.trend, uses: useOfTrend(method) },
      }),
      ...bothFindings(stretch, adjustments, method.forecast),
      ...modelFinding(examined, model),
      ...calendarFindings(examined, prepared.takenOut, method, series),
      ...peakFindings(stretch, seasonTold(examined)),
      ...seasonFindings(examined, { model, traits: way.traits, stretch, filled }),
      ...leftoverFindings(
        examined,
        model,
        {
          followsLevel: way.traits.followsLevel,
          swaysAverage: way.average(decompose, series.calendar) !== null,
          cycle: oneCycle(series.calendar),
          advice: way.advice,
        },
        examined.trendShare,
      ),
      ...way.findings(stretch, decompose, decomposed, hasSeason),
      ...trendFindings(stretch, examined, method.trend, { unit, uses: useOfTrend(method) }),
      ...spanFindings(
        stretch,
        exclusionsOf(method),
        decomposed.trendCycle,
        decomposed.season?.seasonalIrregular ?? [],
        ahead.t.length,
        lastCame(figures),
        { leftOut: leftOutByHand(adjustments), hasSeason: decomposed.season !== null },
      ),
      ...assumptionFindings(figures),
      ...limitFindings(figures, examined),
      ...forecastWayOf(method.forecast.by).findings(
        stretch,
        ahead,
        {
          seasonCost: decomposed.season?.cost ?? 0,
          costBefore: costOf(prepared.takenOut),
          ...{ report: figures.report(), unit },
        },
        method.forecast,
      ),
    ],
    way.traits.trendIsLine,
  )
  return withoutTaken(all, method)
}

/** Sentences that name a pattern in what is left over, or a model that leaves one. */
const PATTERNS = [
  'level-step',
  'season-moves',
  'season-left',
  'indices-hold-trend',
  'residuals-wave',
]

/** What is left over does not look random where another sentence names a pattern in it, or calls the model wrong. */
function withoutContradiction(findings: readonly Finding[], trendIsLine: boolean): Finding[] {
  const names = findings.some(
    ({ code, severity }) =>
      PATTERNS.includes(code) ||
      (code === 'which-model' && severity === 'caution') ||
      (trendIsLine && (code === 'line-does-not-fit' || code === 'level-wanders')),
  )
  return findings.filter(({ code }) => !names || code !== 'leftover-dull')
}

/** What the tests say of a season; of a method without one what it leaves. */
function seasonTold({ seasonTests, seasonLeft }: Examined): SeasonTold {
  if (seasonLeft) return 'found'
  if (!seasonTests || seasonTests.stable.p === null) return seasonTests?.found ? 'found' : null
  return seasonTests.found || seasonTests.hidden ? 'found' : 'none'
}

/** Averages that stand over a period: those that a gap there takes away. */
function averagesLost(average: AverageKind | null): number {
  if (average?.kind !== 'centred') return 0
  return average.order % 2 === 0 ? average.order + 1 : average.order
}

/** The last period with a value, where the analysed span ends before it. */
function lastCame({ series, prepared, lastT }: Figures): string | null {
  const last = series.values.findLastIndex((value) => value !== null)
  return last + 1 > lastT ? prepared.used.periodOf(last + 1 - prepared.used.firstT).label : null
}

function useOfTrend({ forecast }: Method): TrendUse {
  const { extendsTrend, fitsTrend } = forecastWayOf(forecast.by)
  if (extendsTrend) return 'extends'
  return fitsTrend ? 'fits' : 'nothing'
}
