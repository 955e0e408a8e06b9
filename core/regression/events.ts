import type { DesignColumn } from './design'

/** 1 in one period or over a span, 0 elsewhere: a strike, a promotion. */
export function indicator(name: string, from: number, to = from): DesignColumn {
  return { name, means: '1 while it lasts', at: (t) => (t >= from && t <= to ? 1 : 0) }
}

/** 1 from a period on, 0 before: a new shop, a price that stays. */
export function step(name: string, from: number): DesignColumn {
  return { name, means: '1 from then on', at: (t) => (t >= from ? 1 : 0) }
}

/**
 * A bend of the trend at a period, and with `level` a step there.
 *
 * @example breakColumns(25, false)[0].at(27) // 2: two periods of the new slope
 */
export function breakColumns(from: number, level: boolean): DesignColumn[] {
  const bend: DesignColumn = {
    name: `slope change at ${from}`,
    means: 'periods since the bend',
    at: (t) => Math.max(0, t - from),
  }
  return level ? [bend, step(`level change at ${from}`, from)] : [bend]
}
