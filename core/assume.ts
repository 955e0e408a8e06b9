import { axisOf } from './calendar/axis'
import type { Figures } from './calculate'
import { bend, type Bent, type ToBend } from './forecast/assumptions/bend'
import type { CommonAhead } from './forecast/way'
import { putBack } from './prepare/prepare'

/** A forecast before assumptions bent it, and what they did. */
export interface Assumed {
  readonly statistical: Pick<CommonAhead, 'deseasonalized' | 'forecast' | 'limits'>
  readonly bent: Bent
}

/** What a named set of assumptions would make of the statistical forecast. */
export interface BentScenario {
  readonly name: string
  readonly bent: Bent
}

/** What the hand makes of a forecast: the set that is in force, and those beside it. */
export interface ByHand {
  /** Only where something is assumed. */
  readonly assumed?: Assumed
  /** Only where there are any. */
  readonly scenarios?: readonly BentScenario[]
}

/**
 * The forecast of a method as the analyst's assumptions bend it; the statistical one stays beside it.
 *
 * @param figures with the limits that the method asks for
 * @throws Refusal for what this forecast cannot be bent by, with its path
 */
export function assume(figures: Figures): ByHand {
  const { assumptions, scenarios } = figures.method.forecast
  const { forecast, limits, deseasonalized } = figures.ahead
  const of = toBend(figures)
  return {
    ...(assumptions
      ? {
          assumed: {
            statistical: { deseasonalized, forecast, limits },
            bent: bend(of, assumptions),
          },
        }
      : {}),
    ...(scenarios
      ? {
          scenarios: scenarios.map(({ name, assumptions: own }, i) => ({
            name,
            bent: bend(of, own, `forecast.scenarios.${i}.assumptions`),
          })),
        }
      : {}),
  }
}

function toBend({ series, prepared, ahead, inside, level }: Figures): ToBend {
  const { calendar, seasonOf, tOfCode, label } = axisOf(series)
  const { takenOut } = prepared
  const { t, forecast, limits } = ahead
  return {
    ...{ t, level, forecast, limits, seasons: calendar.seasons },
    season: t.map(seasonOf),
    inside: inside?.forecast ?? forecast,
    putBack: (value, at) => (takenOut ? putBack(takenOut, value, at)! : value),
    timeCode: (code) => tOfCode(code)!,
    labelOf: label,
  }
}
