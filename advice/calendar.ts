import { analyse } from '../core/analyse'
import type { MethodDocument } from '../core/method'
import { axisOf } from '../core/calendar/axis'
import { tradingDays } from '../core/regression/regressors/calendar/days'
import { easterColumn } from '../core/regression/regressors/calendar/easter'
import type { Series } from '../core/series/series'
import { KINDS, makeKind } from './kinds'
import { clicksOf } from './offers'
import type { Say } from './say'

/** Of the logarithm, as {@link makeKind} makes it. */
const NOISE = 0.03
/** Series that are clicked through, which takes a check each. */
const CLICKED = 10
const FORMS = ['linear', 'smoothed'] as const

/** What is said of Saturdays and Easter, where they do nothing and where their effect doubles the spread of the noise. */
export function calendarEffects(say: Say, count: number): void {
  for (const form of FORMS) {
    const document: MethodDocument = { format: 'elvant-method/1', trend: { form } }
    const told = (series: Series) => analyse(series, document).calendarLeft.map(({ key }) => key)
    const rate = (of: (seed: number) => boolean) => {
      let found = 0
      for (let seed = 1; seed <= count; seed++) if (of(seed)) found++
      return (100 * found) / count
    }
    for (const kind of Object.values(KINDS)) {
      for (const [frequency, length] of [
        ['monthly', 60],
        ['monthly', 120],
        ['quarterly', 40],
      ] as const) {
        const what = `${kind.name}, ${length} ${frequency === 'monthly' ? 'months' : 'quarters'}, ${form} trend`
        say(
          `an effect of the calendar told without one: ${what}`,
          rate((seed) => told(makeKind(kind, { length, seed, frequency })).length > 0),
          { most: 5 },
        )
      }
    }
    // A line through a level that wanders leaves the wandering to the errors: there an effect may be missed.
    const kinds = form === 'linear' ? [KINDS.line, KINDS.likeLine] : [KINDS.line, KINDS.walk]
    for (const kind of kinds) {
      const what = `${kind.name}, 84 months, ${form} trend`
      const made = (seed: number) => makeKind(kind, { length: 84, seed })
      say(
        `trading days told: ${what}`,
        rate((seed) => told(withTradingDays(made(seed))).includes('tradingDay')),
        { least: 80 },
      )
      say(
        `Easter told: ${what}`,
        rate((seed) => told(withEaster(made(seed))).includes('easter')),
        { least: kind === KINDS.walk ? 70 : 80 },
      )
      const clicks = Array.from({ length: Math.min(count, CLICKED) }, (_, i) =>
        clicksOf(withTradingDays(made(i + 1)), document),
      )
        .flat()
        .filter(({ code }) => code.startsWith('calendar'))
      const bad = clicks.filter((one) => one.stays || one.worsens || one.brings.length > 0)
      say(
        `a click that takes them out and does not mend: ${what}`,
        (100 * bad.length) / Math.max(1, clicks.length),
        { most: 0 },
      )
    }
  }
}

/** Saturdays sell most, Fridays more than usual, Mondays least; together they double the spread of the noise. */
function withTradingDays(series: Series): Series {
  const six = tradingDays(axisOf(series))
  return carrying(
    series,
    (t) => 1.5 * six[5]!.at(t) + 0.5 * six[4]!.at(t) - six[0]!.at(t),
    () => true,
  )
}

/** The same of the eight days before Easter, in the months that they can fall into. */
function withEaster(series: Series): Series {
  const { at } = easterColumn(axisOf(series), 8)
  return carrying(series, at, (effect) => effect !== 0)
}

/** An effect in the values that makes √3 times the noise in the periods that it touches. */
export function carrying(
  series: Series,
  effectAt: (t: number) => number,
  touches: (effect: number) => boolean,
): Series {
  const effects = series.values.map((_, i) => effectAt(i + 1))
  const touched = effects.filter(touches)
  const spread = Math.sqrt(touched.reduce((sum, one) => sum + one ** 2, 0) / touched.length)
  const size = (Math.sqrt(3) * NOISE) / spread
  return {
    ...series,
    values: series.values.map((value, i) => value! * Math.exp(size * effects[i]!)),
  }
}
