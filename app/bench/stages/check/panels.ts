/** The parts of the working at Check, loaded when that is first looked at. */
export { default as ErrorFigures } from './ErrorFigures.vue'
export { default as HorizonTable } from './HorizonTable.vue'
export { default as OutOfSample } from './OutOfSample.vue'
export { default as TriedForecast } from './TriedForecast.vue'
export { default as VerdictPanel } from './VerdictPanel.vue'
