/** How the components make up the series: y = T·S·I, or y = T + S + I. */
export const MODELS = ['multiplicative', 'additive'] as const
export type Model = (typeof MODELS)[number]

/** Takes a component out of a value: divides by it, or subtracts it. */
export function takeOut(model: Model, value: number, component: number): number {
  return model === 'multiplicative' ? value / component : value - component
}

/** Puts a component back into a value: multiplies by it, or adds it. */
export function putBack(model: Model, value: number, component: number): number {
  return model === 'multiplicative' ? value * component : value + component
}

/** The component that changes nothing: the baseline a season is read against. */
export function baseline(model: Model): number {
  return model === 'multiplicative' ? 1 : 0
}
