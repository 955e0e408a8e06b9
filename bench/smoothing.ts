import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { SmoothingForm } from '../core/stateSpace/forms'
import { initialByRule } from '../core/stateSpace/initial'
import { limitsOfPaths, simulatedPaths } from '../core/stateSpace/limits'
import { packStates, packWeights, runnerOf } from '../core/stateSpace/recursion'
import { chooseSmoothing } from '../core/stateSpace/search'
import { selectForm } from '../core/stateSpace/selection'
import { median, say } from './measured'

/** Speed of smoothing: one pass beside the same in plain C, a fit, a selection, simulated paths. */
const MONTHS = 120
const values = Array.from(
  { length: MONTHS },
  (_, i) => (20_000 + 60 * i) * (1 + 0.35 * Math.sin((2 * Math.PI * i) / 12)) + ((i * 7919) % 997),
)
const form: SmoothingForm = { trend: 'additive', season: 'multiplicative', error: 'additive' }
const PASSES = 400_000

const rule = initialByRule(values, form, 1, 12)
const runner = runnerOf(values, form, 12)
const weights = packWeights({ alpha: 0.3, beta: 0.1, gamma: 0.2 })
const states = packStates(rule.states)
const own =
  (median(3, () => {
    for (let i = 0; i < PASSES; i++) runner.run(weights, states)
  }) *
    1000) /
  PASSES
say('smoothing', `one pass, trend and season, ${MONTHS} months`, `${own.toFixed(2)} µs`)

/** The same pass in C, on the same values, by the compiler that is there. */
function plainC(): number | null {
  const folder = mkdtempSync(join(tmpdir(), 'elvant-smoothing-'))
  const program = join(folder, 'smoothing')
  const source = fileURLToPath(new URL('smoothing.c', import.meta.url))
  const built = spawnSync('cc', ['-O2', '-o', program, source, '-lm'], { stdio: 'inherit' })
  if (built.status !== 0) return null
  const input = [MONTHS, 12, PASSES, ...values, ...states].join(' ')
  const ran = spawnSync(program, [], { input, encoding: 'utf8' })
  const [nanoseconds, sse] = ran.stdout.trim().split(' ').map(Number)
  runner.run(weights, states)
  if (Math.abs(sse! - runner.sums.sse) > 1e-6 * sse!) throw new Error('The two differ.')
  return nanoseconds! / 1000
}
const c = plainC()
if (c === null) say('smoothing', 'the same in C', 'no compiler')
else
  say(
    'smoothing',
    'the same in plain C',
    `${c.toFixed(2)} µs; ours at ${Math.round((100 * c) / own)}% of its speed`,
  )

for (const one of [
  form,
  { trend: 'damped', season: 'multiplicative', error: 'proportional' },
] as const) {
  const from = initialByRule(values, one, 1, 12)
  const wished = { weights: {}, initial: 'chosen' } as const
  const took = median(9, () => void chooseSmoothing(values, one, 12, from, wished))
  say(
    'smoothing',
    `a fit, ${Object.values(one).join(', ')}, initial states chosen`,
    `${took.toFixed(1)} ms`,
  )
}
say(
  'smoothing',
  'selection over 24 forms',
  `${median(3, () => void selectForm(values, 1, 12)).toFixed(0)} ms`,
)
const plan = { missingAtEnd: 0, horizon: 12, levels: [80, 95] }
const paths = median(9, () => {
  const end = { ...rule.states, trend: 60 }
  limitsOfPaths(
    simulatedPaths(form, { alpha: 0.3, beta: 0.1, gamma: 0.2 }, end, { sigma: 400 }, plan, 1),
    [80, 95],
  )
})
say('smoothing', '5,000 paths of 12 months', `${paths.toFixed(1)} ms`)
