/** How the components make up the series: y = T·S·I, or y = T + S + I. */
export const MODELS = ['multiplicative', 'additive'] as const
export type Model = (typeof MODELS)[number]

/** What a model does with a component, and how that is said. */
export interface ModelTerms {
  /** Takes a component out of a value: divides by it, or subtracts it. */
  takeOut(value: number, component: number): number
  /** Puts a component back into a value: multiplies by it, or adds it. */
  putBack(value: number, component: number): number
  /** The component that changes nothing: the baseline a season is read against. */
  readonly neutral: 0 | 1
  readonly remove: '÷' | '−'
  readonly restore: '×' | '+'
  /** What a component that is not a level is measured in. */
  readonly measure: 'factor' | 'difference'
  /** To the scale on which components add up, and back from it. */
  toSum(value: number): number
  fromSum(value: number): number
}

/** The two models. */
export const MODEL: Readonly<Record<Model, ModelTerms>> = {
  multiplicative: {
    takeOut: (value, component) => value / component,
    putBack: (value, component) => value * component,
    neutral: 1,
    remove: '÷',
    restore: '×',
    measure: 'factor',
    toSum: Math.log,
    fromSum: Math.exp,
  },
  additive: {
    takeOut: (value, component) => value - component,
    putBack: (value, component) => value + component,
    neutral: 0,
    remove: '−',
    restore: '+',
    measure: 'difference',
    toSum: (value) => value,
    fromSum: (value) => value,
  },
}
