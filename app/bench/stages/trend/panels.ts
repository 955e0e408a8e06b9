/** The parts of the working at Trend, loaded when that is first looked at. */
export { default as InfluentialPeriods } from './InfluentialPeriods.vue'
export { default as RegressionReport } from './RegressionReport.vue'
export { default as ResidualPictures } from './ResidualPictures.vue'
export { default as SeasonEffects } from './SeasonEffects.vue'
export { default as SmoothedTrend } from './SmoothedTrend.vue'
export { default as SmoothingReport } from './SmoothingReport.vue'
export { default as TrendReport } from './TrendReport.vue'
