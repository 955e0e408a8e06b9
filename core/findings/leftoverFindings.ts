import type { Traits } from '../decompose/way'
import type { Examined } from '../examine'
import type { Action, Finding } from '../finding'
import type { Leftover } from '../leftover/leftover'
import type { Model } from '../model'
import { figure, percent, probability } from '../words/figure'

/** What is asked of the way of decomposing. */
export interface WayOfLeftover extends Pick<Traits, 'followsLevel'> {
  /** Whether its trend-cycle is an average, which a freak value sways. */
  readonly swaysAverage: boolean
  /** One turn of the seasons: `year`. */
  readonly cycle: string
  /** What to try under this method when it waves. */
  readonly advice: (waves: NonNullable<Leftover['waves']>) => string
}

/**
 * Whether what is left over still holds a pattern, with what to try: a model is only as good as its leftover
 * is dull.
 *
 * @param model the one that the method uses
 * @param trendShare yearly rise or fall as a share of the level, where it can be told from chance; else null
 */
export function leftoverFindings(
  {
    leftover,
    advisedModel,
    outliers,
    seasonLeft,
    modelMends,
  }: Pick<Examined, 'leftover' | 'advisedModel' | 'outliers' | 'seasonLeft' | 'modelMends'>,
  model: Model,
  { followsLevel, swaysAverage, cycle, advice }: WayOfLeftover,
  trendShare: number | null,
): Finding[] {
  const { waves, wavesAtLag: lag, fan, autocorrelation: r, limit } = leftover
  const caution = (code: string, text: string, at: number): Finding => ({
    ...{ code, severity: 'caution', stage: 'season', text },
    ...{ period: null, figure: at },
  })
  if (leftover.isNothing) {
    const text = 'Nothing is left over: trend and season explain every value.'
    return [{ ...caution('nothing-left-over', text, 0), severity: 'note' }]
  }
  // An average that outliers sway leaves a patch of noise around each, which is no fan.
  const isPatchy = swaysAverage && outliers.length > 0
  const findings: Finding[] = []
  // Under the model that does not fit what is left over has a pattern of its own: the model is what to change first.
  const better = advisedModel && !advisedModel.close ? advisedModel.better : model
  const isContrary = better !== model
  const takeModel: Action = {
    label: `Take the ${better} model`,
    change: { decompose: { model: better } },
  }
  if (seasonLeft) {
    const own = r?.[seasonLeft.lag - 1] ?? null
    const text = `What is left over still holds a season${own === null ? '' : ` (autocorrelation one ${cycle} back ${figure(own)})`}: the tests find one, and this method takes none out.`
    findings.push({
      ...caution('season-left', text, own ?? 0),
      actions: [{ label: 'Take the season out', change: seasonLeft.change }],
    })
    return findings
  }
  if (!followsLevel) {
    if (trendShare !== null) {
      const text = `The indices hold part of the trend: simple averages take its ${percent(trendShare)} a ${cycle} for season, from the first season to the last. ${advice('slowly')}`
      findings.push(caution('indices-hold-trend', text, trendShare))
    }
  } else if (waves !== null) {
    const own = r![lag! - 1]!
    const swayed = waves === 'slowly' && isPatchy
    const what = isContrary
      ? `The ${better} model fits better${modelMends ? ' and leaves no wave' : ''}: take that first.`
      : swayed
        ? 'The outliers named at Look sway the average around them.'
        : advice(waves)
    const text = `What is left over still waves ${waves} (autocorrelation at lag ${lag} ${figure(own)}, noise stays below ${figure(limit!)}). ${what}`
    findings.push({
      ...caution('leftover-waves', text, own),
      ...(modelMends ? { actions: [takeModel] } : {}),
    })
  }
  if (fan !== null && fan.verdict !== 'even' && !isPatchy) {
    const suited = fan.verdict === 'out' ? 'multiplicative' : 'additive'
    // One rule says which model; a fan only agrees with it.
    const agrees = isContrary && better === suited
    const text = `What is left over fans ${fan.verdict}: its spread goes from ${figure(fan.first)} in the first third to ${figure(fan.last)} in the last (p ${probability(fan.p)}). ${agrees ? `The ${suited} model expects that.` : 'Look at which years are noisy, and why.'}`
    findings.push({
      ...caution('leftover-fans', text, fan.last),
      ...(agrees ? { actions: [takeModel] } : {}),
    })
  }
  if (findings.length > 0 || r === null) return findings
  const first = r[0]!
  if (first < -limit!) {
    const text = `What is left over neither waves slowly nor fans out; neighbours lean to opposite sides (autocorrelation at lag 1 ${figure(first)}), as smoothing makes them.`
    return [{ ...caution('leftover-opposite', text, first), severity: 'note' }]
  }
  if (leftover.looksRandom) {
    const text = `What is left over looks random: it neither waves nor fans out (autocorrelation at lag 1 ${figure(first)}, noise stays within ±${figure(limit!)}).`
    return [{ ...caution('leftover-dull', text, first), severity: 'note' }]
  }
  return []
}
