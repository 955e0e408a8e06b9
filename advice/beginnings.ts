import { begin } from '../core/begin'
import { calculate } from '../core/calculate'
import { contest } from '../core/contest/contest'
import type { MethodDocument } from '../core/method'
import type { Series } from '../core/series/series'
import { KINDS, makeKind } from './kinds'
import type { Say } from './say'

const FORMAT = { format: 'elvant-method/1' } as const
const LINE: MethodDocument = { ...FORMAT, trend: { form: 'linear' } }
/** A contest takes about as long as hundreds of forecasts. */
const CONTESTS_FOR = 8

/** How far off the method that a series begins with is over a further year, beside what else could be taken. */
export function beginnings(say: Say, count: number): void {
  for (const { name, ...kind } of Object.values(KINDS)) {
    let [begun, line] = [0, 0]
    const plain = { lastValue: 0, lastYear: 0 }
    for (let seed = 1; seed <= count; seed++) {
      const { known, came } = parted({ name, ...kind }, seed)
      begun += off(known, begin(known).method, came)
      line += off(known, LINE, came)
      for (const which of ['lastValue', 'lastYear'] as const) {
        plain[which] += off(known, { ...FORMAT, forecast: { by: 'benchmark', which } }, came)
      }
    }
    const better = Math.min(plain.lastValue, plain.lastYear)
    const what = `error of the method begun with, of that of`
    say(`${what} the better benchmark: ${name}`, (100 * begun) / better, { most: 110 })
    say(`${what} a line through all: ${name}`, (100 * begun) / line, { most: 125 })
  }
  const few = Math.max(2, Math.ceil(count / CONTESTS_FOR))
  for (const { name, ...kind } of [KINDS.likeLine, KINDS.noisyWalk, KINDS.turn]) {
    let [begun, proposed] = [0, 0]
    for (let seed = 1; seed <= few; seed++) {
      const { known, came } = parted({ name, ...kind }, seed)
      const held = contest(known, FORMAT)
      const row = held.rows.find((one) => one.name === held.proposed)!
      begun += off(known, begin(known).method, came)
      proposed += off(known, row.method, came)
    }
    say(
      `error of the contest's proposal, of that of the method begun with: ${name}`,
      (100 * proposed) / begun,
      { most: 110 },
    )
  }
}

function parted(kind: Parameters<typeof makeKind>[0], seed: number) {
  const whole = makeKind(kind, { length: 96, seed, noise: 0.04 })
  const known = { ...whole, values: whole.values.slice(0, 84) }
  return { known, came: whole.values.slice(84) as number[] }
}

/** Sum of what a forecast is off by, as shares of what came, so that no series counts for more than another. */
function off(known: Series, method: MethodDocument, came: readonly number[]): number {
  const { forecast } = calculate(known, method).ahead
  return came.reduce((sum, value, i) => sum + Math.abs(value - forecast[i]!) / value, 0)
}
