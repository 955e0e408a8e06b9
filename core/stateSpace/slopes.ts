import type { Runner } from './recursion'

/** Where the criterion goes when something of a smoothing moves: one figure a weight, and one an initial state. */
export interface Slopes {
  /** Of α, β, γ, φ; 0 for those that the form does not have. */
  readonly weights: Float64Array
  /** Of level, trend, then the m seasons. */
  readonly states: Float64Array
}

/**
 * Slopes of −2 ln L by going back through the last pass: what each step owes to the states before it, from the last to
 * the first. All of them together cost about three passes, where differences would cost one for each.
 *
 * The steps are those of the recursion read backwards (the chain rule); a missing period passes on what it was given.
 *
 * @param runner after an admissible pass
 * @param weights of that pass
 * @param into is overwritten
 * @see Griewank, A. & Walther, A. (2008), Evaluating Derivatives, 2nd ed., ch. 3 (reverse mode)
 */
export function slopesOf(runner: Runner, weights: Float64Array, into: Slopes): void {
  const { form, n, values, fitted, error, before, observed, sums } = runner
  const alpha = weights[0]!
  const beta = weights[1]!
  const gamma = weights[2]!
  const isDamped = form.trend === 'damped'
  const phi = isDamped ? weights[3]! : 1
  const grows = form.trend === 'multiplicative'
  const isTrended = form.trend !== 'none'
  const factors = form.season === 'multiplicative'
  const adds = form.season === 'additive'
  const isShare = form.error === 'proportional'
  const squares = isShare ? sums.sseRelative : sums.sse
  const { states } = into
  into.weights.fill(0)
  states.fill(0)
  // A perfect fit has no slope that a number could hold; a search that comes there is at its end.
  if (!(squares > 0)) return
  const perSquare = observed / squares
  const m = states.length - 2
  let [ofAlpha, ofBeta, ofGamma, ofPhi] = [0, 0, 0, 0]
  let [ofLevel, ofTrend] = [0, 0]
  let k = (n - 1) % m
  for (let t = n - 1; t >= 0; t--) {
    const level = before.level[t]!
    const trend = before.trend[t]!
    const s = before.season[t]!
    const base = phi * trend
    const u = grows ? level * trend : isTrended ? level + base : level
    const y = values[t]!
    let ofSeason = states[2 + k]!
    let ofU = ofLevel
    let [toLevel, toTrend, ofBase] = [0, 0, 0]
    if (y === y) {
      const mu = fitted[t]!
      const e = error[t]!
      const q = factors ? e / s : e
      const next = u + alpha * q
      let ofNext = ofLevel
      if (factors) {
        ofGamma += ofSeason * (y / next - s)
        ofNext -= (ofSeason * gamma * y) / (next * next)
        ofSeason *= 1 - gamma
      } else if (adds) {
        ofGamma += ofSeason * (y - next - s)
        ofNext -= ofSeason * gamma
        ofSeason *= 1 - gamma
      }
      if (grows) {
        ofBeta += ofTrend * (next / level - trend)
        ofNext += (ofTrend * beta) / level
        toLevel -= (ofTrend * beta * next) / (level * level)
        toTrend += ofTrend * (1 - beta)
      } else if (isTrended) {
        ofBeta += ofTrend * (next - level - base)
        ofNext += ofTrend * beta
        toLevel -= ofTrend * beta
        ofBase += ofTrend * (1 - beta)
      }
      ofAlpha += ofNext * q
      ofU = ofNext
      const ofQ = ofNext * alpha
      const ofE = factors ? ofQ / s : ofQ
      if (factors) ofSeason -= (ofQ * e) / (s * s)
      const own = isShare ? (-2 * perSquare * e * y) / (mu * mu * mu) + 2 / mu : -2 * perSquare * e
      const ofMu = own - ofE
      if (factors) {
        ofU += ofMu * s
        ofSeason += ofMu * u
      } else {
        ofU += ofMu
        if (adds) ofSeason += ofMu
      }
    } else if (grows) toTrend += ofTrend
    else ofBase += ofTrend
    if (grows) {
      toLevel += ofU * trend
      toTrend += ofU * level
    } else {
      toLevel += ofU
      if (isTrended) ofBase += ofU
    }
    if (!grows && isTrended) {
      if (isDamped) ofPhi += ofBase * trend
      toTrend += phi * ofBase
    }
    ofLevel = toLevel
    ofTrend = toTrend
    states[2 + k] = ofSeason
    k = k === 0 ? m - 1 : k - 1
  }
  states[0] = ofLevel
  states[1] = ofTrend
  into.weights.set([ofAlpha, ofBeta, ofGamma, ofPhi])
}
