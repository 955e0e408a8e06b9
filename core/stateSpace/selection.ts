import { Refusal } from '../refusal'
import type { Value } from '../series/series'
import { WITHOUT_HORIZON, type Reach } from './admissible'
import {
  ALL_FORMS,
  freeStates,
  multiplicativeParts,
  needsPositive,
  weightsOf,
  type SmoothingForm,
  type WeightName,
  type Weights,
} from './forms'
import { initialByRule } from './initial'
import { chooseSmoothing, type ChosenSmoothing } from './search'

/** A form in the table of a selection: everything chosen, or why it cannot be. */
export type Contender =
  | { readonly form: SmoothingForm; readonly k: number; readonly chosen: ChosenSmoothing }
  | { readonly form: SmoothingForm; readonly k: number; readonly because: string }

/** Every form by AICc, those that cannot be carried out last; and which to take. */
export interface Selection {
  readonly table: readonly Contender[]
  readonly lowest: SmoothingForm | null
  readonly winner: ChosenSmoothing | null
}

/** Forms within this of the lowest AICc are as good. */
const AS_GOOD = 2
/** Criteria that differ by less are the same. */
const SAME = 1e-6

/**
 * Chooses a form by AICc: among those within 2 of the lowest the one with the fewest numbers, then the lower AICc, and
 * where that is the same the one with fewer parts that multiply.
 *
 * @param forms those to choose from, all 24 when left out
 */
export function selectForm(
  values: readonly Value[],
  firstSeason: number,
  seasons: number,
  forms: readonly SmoothingForm[] = ALL_FORMS,
  wished: SelectionWished = EVERYTHING,
): Selection {
  const through: Contender[] = []
  for (const form of forms) {
    through.push(contend(values, form, firstSeason, seasons, wished))
    wished.hear?.({ table: ranked(through), of: forms.length })
  }
  return concludeSelection(through)
}

/** What a selection leaves to be chosen, form by form. */
export interface SelectionWished extends Reach {
  /** Fixed ones; what a form does not have it passes over. */
  readonly weights: Weights
  readonly initial: 'chosen' | 'rule'
  /** Hears of every form as it is through. */
  readonly hear?: ((so: SelectionSoFar) => void) | undefined
}

/** The forms that are through, the best first, of so many. */
export interface SelectionSoFar {
  readonly table: readonly Contender[]
  readonly of: number
}

const EVERYTHING: SelectionWished = {
  weights: {},
  initial: 'chosen',
  ...WITHOUT_HORIZON,
}

/** One form with everything chosen, or why not. */
export function contend(
  values: readonly Value[],
  form: SmoothingForm,
  firstSeason: number,
  seasons: number,
  { weights, initial, ...reach }: SelectionWished = EVERYTHING,
): Contender {
  const own = weightsOf(form)
  const fixed = Object.fromEntries(
    Object.entries(weights).filter(([name]) => own.includes(name as WeightName)),
  )
  const states = initial === 'chosen' ? freeStates(form, seasons) : 0
  const k = 1 + own.length - Object.keys(fixed).length + states
  const observed = values.filter((value) => value !== null).length
  try {
    requireAdmissible(values, form, reach.nameOf)
    if (observed <= k + 1) {
      return { form, k, because: `${k} numbers are too many for ${observed} values.` }
    }
    const rule = initialByRule(values, form, firstSeason, seasons)
    const wished = {
      weights: fixed,
      initial: initial === 'chosen' ? initial : rule.states,
    } as const
    return { form, k, chosen: chooseSmoothing(values, form, seasons, rule, wished, reach) }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { form, k, because: error.because }
  }
}

/** @throws Refusal for a value not above 0 where something multiplies, naming the first */
export function requireAdmissible(
  values: readonly Value[],
  form: SmoothingForm,
  nameOf = EVERYTHING.nameOf,
): void {
  if (!needsPositive(form)) return
  const at = values.findIndex((value) => value !== null && value <= 0)
  if (at < 0) return
  throw new Refusal(
    `What multiplies needs every value above 0; that of ${nameOf(at)} is ${values[at]}. Take additive parts and errors.`,
    'season',
    { t: at + 1 },
  )
}

/** By AICc, those that cannot be carried out last. */
function ranked(contenders: readonly Contender[]): Contender[] {
  const aicc = (one: Contender) => ('chosen' in one ? (one.chosen.aicc ?? Infinity) : Infinity)
  return [...contenders].sort((a, b) => aicc(a) - aicc(b))
}

/** Ranks the forms of a selection, and chooses. */
export function concludeSelection(contenders: readonly Contender[]): Selection {
  const table = ranked(contenders)
  const chosen = table.flatMap((one) =>
    'chosen' in one && one.chosen.aicc !== null ? [one.chosen] : [],
  )
  const [lowest] = chosen
  if (!lowest) return { table, lowest: null, winner: null }
  const good = chosen.filter((one) => one.aicc! <= lowest.aicc! + AS_GOOD)
  const [winner] = good.sort((a, b) => {
    if (a.k !== b.k) return a.k - b.k
    if (Math.abs(a.aicc! - b.aicc!) > SAME) return a.aicc! - b.aicc!
    return multiplicativeParts(a.form) - multiplicativeParts(b.form)
  })
  return { table, lowest: lowest.form, winner: winner! }
}
