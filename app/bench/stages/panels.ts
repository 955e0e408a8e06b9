import { type Component } from 'vue'
import { later } from '~/shell/later'
import { isResult } from '~~/core/ledger/ledger'
import type { Looked, Result } from '~~/core/result'
import type { Stage } from '~~/core/stage'
import CheckBar from './check/CheckBar.vue'
import { useCheck } from './check/checkStore'
import GrowthBar from './deseasonalize/GrowthBar.vue'
import LookBar from './look/LookBar.vue'
import { hasSeason, type At, type Panel } from './panel'
import SeasonTests from './season/SeasonTests.vue'
import SeasonWorking from './season/SeasonWorking.vue'
import SmoothBar from './smooth/SmoothBar.vue'

const trend = () => import('./trend/panels')
const InfluentialPeriods = later(() => trend().then((all) => all.InfluentialPeriods))
const RegressionReport = later(() => trend().then((all) => all.RegressionReport))
const ResidualPictures = later(() => trend().then((all) => all.ResidualPictures))
const SeasonEffects = later(() => trend().then((all) => all.SeasonEffects))
const SmoothedTrend = later(() => trend().then((all) => all.SmoothedTrend))
const SmoothingReport = later(() => trend().then((all) => all.SmoothingReport))
const TrendReport = later(() => trend().then((all) => all.TrendReport))

const TrendHandles = later(() => import('./trend/TrendHandles.vue'))

const check = () => import('./check/panels')
const ErrorFigures = later(() => check().then((all) => all.ErrorFigures))
const HorizonTable = later(() => check().then((all) => all.HorizonTable))
const OutOfSample = later(() => check().then((all) => all.OutOfSample))
const TriedForecast = later(() => check().then((all) => all.TriedForecast))
const VerdictPanel = later(() => check().then((all) => all.VerdictPanel))

const LeftoverWorking = later(() => import('./season/LeftoverWorking.vue'))
const LookWorking = later(() => import('./look/LookWorking.vue'))
const FurthestPeriods = later(() => import('./deseasonalize/FurthestPeriods.vue'))
const ForecastTotals = later(() => import('./project/ForecastTotals.vue'))
const SmoothWorking = later(() => import('./smooth/SmoothWorking.vue'))

/** The line of words above the strips, at the stages that have one. */
export const BARS: Readonly<Partial<Record<Stage, Component>>> = {
  look: LookBar,
  smooth: SmoothBar,
  deseasonalize: GrowthBar,
  check: CheckBar,
}

/** What lies over the first strip, at the stages that have something to take hold of there. */
export const OVERLAYS: Readonly<Partial<Record<Stage, Component>>> = { trend: TrendHandles }

/** Rows that are about one season over the years. */
const SEASON_ROWS: readonly (string | undefined)[] = ['seasonalIrregular', 'index']
/** Rows that the trend makes, wherever they are selected. */
const TREND_ROWS: readonly (string | undefined)[] = [
  'trend',
  'trendLevel',
  'trendSlope',
  'forecastDeseasonalized',
]

function showsTrend({ stage, column }: At, { regression }: Result): boolean {
  return stage === 'trend' || (TREND_ROWS.includes(column) && regression === null)
}

/** The parts of the working, in the order in which they stand. */
const PANELS: readonly Panel[] = [
  { needs: 'series', component: LookWorking, shows: ({ stage }) => stage === 'look' },
  { needs: 'series', component: SmoothWorking, shows: ({ stage }) => stage === 'smooth' },
  {
    needs: 'result',
    component: SeasonWorking,
    shows: ({ column }, result) => SEASON_ROWS.includes(column) && hasSeason(result),
  },
  {
    needs: 'result',
    component: LeftoverWorking,
    shows: ({ stage, column }, result) =>
      column === 'irregular' && (stage === 'season' || !hasSeason(result)),
  },
  {
    needs: 'result',
    component: SeasonTests,
    shows: ({ stage }, result) => stage === 'season' && hasSeason(result),
  },
  { needs: 'result', component: FurthestPeriods, shows: ({ stage }) => stage === 'deseasonalize' },
  {
    needs: 'result',
    component: SmoothingReport,
    shows: ({ stage }, { forecast }) => stage === 'trend' && 'weights' in forecast,
  },
  {
    needs: 'result',
    component: RegressionReport,
    shows: ({ stage }, result) => stage === 'trend' && result.regression !== null,
  },
  {
    needs: 'result',
    component: SeasonEffects,
    shows: ({ stage }, { regression }) =>
      stage === 'trend' && regression !== null && regression.seasonEffects.length > 0,
  },
  {
    needs: 'result',
    component: ResidualPictures,
    shows: ({ stage }, result) => stage === 'trend' && result.regression !== null,
  },
  {
    needs: 'result',
    component: InfluentialPeriods,
    shows: ({ stage }, { regression }) =>
      stage === 'trend' && (regression?.influence.length ?? 0) > 0,
  },
  {
    needs: 'result',
    component: SmoothedTrend,
    shows: (at, result) => showsTrend(at, result) && result.trendFit.form === 'smoothed',
  },
  {
    needs: 'result',
    component: TrendReport,
    shows: (at, result) => showsTrend(at, result) && result.trendFit.form !== 'smoothed',
  },
  {
    needs: 'result',
    component: VerdictPanel,
    shows: ({ stage }) => stage === 'check' || stage === 'project',
  },
  {
    needs: 'result',
    component: ForecastTotals,
    shows: ({ stage }, result) => stage === 'project' && result.series.seasons > 1,
  },
  {
    needs: 'result',
    component: TriedForecast,
    shows: ({ stage }) => stage === 'check' && useCheck().tried !== null,
  },
  {
    needs: 'result',
    component: HorizonTable,
    shows: ({ stage }) => stage === 'check' && useCheck().checked !== null,
  },
  {
    needs: 'result',
    component: OutOfSample,
    shows: ({ stage }) => stage === 'check' && useCheck().checked !== null,
  },
  { needs: 'result', component: ErrorFigures, shows: ({ stage }) => stage === 'check' },
]

/** The parts of the working to show for what is selected. */
export function panelsFor(at: At, shown: Looked | Result): Component[] {
  return PANELS.filter((panel) =>
    panel.needs === 'series' ? panel.shows(at, shown) : isResult(shown) && panel.shows(at, shown),
  ).map(({ component }) => component)
}
