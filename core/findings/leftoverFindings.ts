import type { Leftover } from '../leftover/leftover'
import type { Model } from '../model'
import { figure, probability } from '../words/figure'
import type { Finding } from '../finding'

/**
 * Whether what is left over still holds a pattern, with what to try: a model is only as good as its leftover
 * is dull.
 *
 * @param advice what to try under this method when it waves
 */
export function leftoverFindings(
  leftover: Leftover,
  model: Model,
  advice: (waves: NonNullable<Leftover['waves']>) => string,
): Finding[] {
  const { waves, wavesAtLag: lag, fan, autocorrelation: r, limit } = leftover
  const findings: Finding[] = []
  const caution = (code: string, text: string, at: number): Finding => ({
    code,
    severity: 'caution',
    topic: 'leftover',
    text,
    period: null,
    figure: at,
  })
  if (waves !== null) {
    const own = r![lag! - 1]!
    findings.push(
      caution(
        'leftover-waves',
        `What is left over still waves ${waves} (autocorrelation at lag ${lag} ${figure(own)}, noise stays below ${figure(limit!)}). ${advice(waves)}`,
        own,
      ),
    )
  }
  if (fan !== null && fan.verdict !== 'even') {
    const other = model === 'multiplicative' ? 'additive' : 'multiplicative'
    const fits = (fan.verdict === 'out') === (model === 'additive')
    findings.push(
      caution(
        'leftover-fans',
        `What is left over fans ${fan.verdict}: its spread goes from ${figure(fan.first)} in the first third to ${figure(fan.last)} in the last (p ${probability(fan.p)}). ${fits ? `Try the ${other} model.` : 'Look at which years are noisy, and why.'}`,
        fan.last,
      ),
    )
  }
  if (findings.length === 0 && r !== null) {
    const first = r[0]!
    const words =
      first < -limit!
        ? `What is left over neither waves slowly nor fans out; neighbours lean to opposite sides (autocorrelation at lag 1 ${figure(first)}), as smoothing makes them.`
        : `What is left over looks random: it neither waves nor fans out (autocorrelation at lag 1 ${figure(first)}, noise stays within ±${figure(limit!)}).`
    findings.push({ ...caution('leftover-dull', words, first), severity: 'note' })
  }
  return findings
}
