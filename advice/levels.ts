import { analyse } from '../core/analyse'
import type { MethodDocument } from '../core/method'
import type { Result } from '../core/result'
import { KINDS, makeKind, type Kind, type Making } from './kinds'
import type { Say } from './say'

const FORMAT = { format: 'elvant-method/1' } as const

/** What is said of where the level goes, on levels unlike those that the rules were made from. */
export function levels(say: Say, count: number): void {
  const told = (
    kind: Kind,
    making: Omit<Making, 'seed'>,
    is: (result: Result) => boolean,
    method: Partial<MethodDocument> = {},
  ) => {
    let found = 0
    for (let seed = 1; seed <= count; seed++) {
      if (is(analyse(makeKind(kind, { ...making, seed }), { ...FORMAT, ...method }))) found++
    }
    return (100 * found) / count
  }
  const says =
    (...codes: string[]) =>
    ({ findings }: Result) =>
      findings.some(({ code }) => codes.includes(code))

  for (const length of [60, 84, 120]) {
    const months = `${length} months`
    for (const kind of [KINDS.walk, KINDS.noisyWalk, KINDS.stairs, KINDS.step]) {
      say(
        `"no rise or fall" of ${kind.name} whose line leaves neighbours the same, ${months}`,
        told(
          kind,
          { length },
          (one) => says('no-trend')(one) && (one.level.lineLikeness ?? 2) < 0.4,
        ),
        { most: 0 },
      )
    }
    // Noise that is alike by 0.7 can hardly be told from a walk in five years: there a false word is what a true one costs.
    const most = (kind: Kind) => (kind === KINDS.veryLikeLine ? 10 : 5)
    for (const kind of [KINDS.line, KINDS.likeLine, KINDS.veryLikeLine, KINDS.flat]) {
      say(
        `said not to fit: ${kind.name}, ${months}`,
        told(kind, { length }, says('line-does-not-fit')),
        { most: most(kind) },
      )
      say(
        `said to wander: ${kind.name}, ${months}`,
        told(kind, { length }, says('level-wanders')),
        {
          most: most(kind),
        },
      )
    }
  }
  for (const length of [84, 120]) {
    say(
      `said not to fit: a walk, ${length} months`,
      told(KINDS.walk, { length, noise: 0.01 }, says('line-does-not-fit')),
      { least: 80 },
    )
  }
  say(
    'said to turn or break: steady growth over 40 years',
    told(KINDS.growth, { length: 480 }, says('trend-phases', 'level-stretches')),
    { most: 5 },
  )
  say(
    'said to grow evenly: steady growth over 40 years',
    told(KINDS.growth, { length: 480 }, says('even-growth')),
    { least: 80 },
  )
  const simple = { decompose: { by: 'simple-averages' } } as const
  say(
    'by simple averages a right line of 36 months said to turn, or not to fit',
    told(
      KINDS.line,
      { length: 36 },
      says('trend-phases', 'line-does-not-fit', 'level-wanders'),
      simple,
    ),
    { most: 5 },
  )
  const none = { decompose: { by: 'none' } } as const
  for (const frequency of ['quarterly', 'monthly'] as const) {
    const length = frequency === 'quarterly' ? 40 : 60
    say(
      `without a season in the method a ${frequency} line said to be level`,
      told(KINDS.line, { length, frequency, noise: 0.02 }, says('no-trend'), none),
      { most: 5 },
    )
  }
  for (const frequency of ['quarterly', 'monthly'] as const) {
    const length = frequency === 'quarterly' ? 44 : 84
    for (const likeness of [0, 0.3, 0.6]) {
      const alike = { ...KINDS.line, likeness }
      say(
        `a step told without one: ${frequency}, noise alike by ${likeness}`,
        told(alike, { length, frequency }, ({ step }) => step !== null),
        { most: 5 },
      )
    }
    say(
      `a step of a quarter told, ${frequency}`,
      told(
        KINDS.step,
        { length, frequency, noise: 0.02 },
        ({ step }) => step !== null && Math.abs(step.t - 1 - length / 2) <= 2,
      ),
      { least: 80 },
    )
  }
  const random: Making = { length: 120, season: 0, seed: 0 }
  for (const kind of [KINDS.flat, KINDS.walk]) {
    say(
      `peaks called a cycle, or a season: ${kind.name} without a season`,
      told(kind, random, says('peaks-cyclical', 'peaks-seasonal')),
      { most: 5 },
    )
  }
  say(
    'peaks of a season called seasonal',
    told(KINDS.line, { length: 120, noise: 0.01 }, says('peaks-seasonal')),
    { least: 80 },
  )
  const patterns = ['level-step', 'season-moves', 'leftover-waves', 'leftover-fans', 'season-left']
  let beside = 0
  for (const kind of Object.values(KINDS)) {
    beside += told(
      kind,
      { length: 72 },
      (one) => says('leftover-dull')(one) && says(...patterns)(one),
    )
  }
  say('"looks random" beside a pattern that another sentence names', beside, { most: 0 })
}
