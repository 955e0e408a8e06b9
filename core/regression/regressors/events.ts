import type { DesignColumn } from '../design'
import type { TimeVariable } from '../timeVariable'
import type { Events } from './eventOptions'

/** Time codes of the first and the last period of something that lasts. */
export interface Lasting {
  readonly from: number
  readonly to: number
}

/**
 * 1 while something lasts, 0 elsewhere: a strike, a promotion that comes every spring.
 *
 * @param stretches when it happened, or is to; each counts alike
 * @example indicator('fair', [{ from: 3, to: 3 }, { from: 15, to: 16 }]).at(16) // 1
 */
export function indicator(name: string, stretches: readonly Lasting[]): DesignColumn {
  return {
    name,
    label: name,
    means: '1 while it lasts',
    at: (t) => (stretches.some(({ from, to }) => t >= from && t <= to) ? 1 : 0),
  }
}

/** 1 from a period on, 0 before: a new shop, a price that stays. */
export function step(name: string, from: number, label = name): DesignColumn {
  return { name, label, means: '1 from then on', at: (t) => (t >= from ? 1 : 0) }
}

/** The columns of what happened, what passed first. @param timeCode of a period by its code */
export function eventColumns(
  { indicators, steps }: Events,
  timeCode: (code: string) => number,
): DesignColumn[] {
  return [
    ...indicators.map(({ name, again = [], ...first }) =>
      indicator(
        name,
        [first, ...again].map(({ from, to }) => ({ from: timeCode(from), to: timeCode(to) })),
      ),
    ),
    ...steps.map(({ name, from }) => step(name, timeCode(from))),
  ]
}

/** A bend of the trend at a time code, and perhaps a step of its level there. */
export interface Break {
  readonly t: number
  readonly level: boolean
}

/**
 * The columns of a break: time since the bend, and with `level` a step there.
 *
 * @param when the period as it is read
 * @example breakColumns({ t: 25, level: false }, TIME_CODE, 'Jan 2021')[0].at(27) // 2: two periods of the new slope
 */
export function breakColumns(
  { t: from, level }: Break,
  time: TimeVariable,
  when: string,
): DesignColumn[] {
  const origin = time.at(from)
  const bend: DesignColumn = {
    name: `slope change at ${from}`,
    label: `${time.label} since ${when}`,
    means: 'time since the bend, 0 before it',
    bend: from,
    at: (t) => Math.max(0, time.at(t) - origin),
  }
  return level ? [bend, step(`level change at ${from}`, from, `step at ${when}`)] : [bend]
}
