import type { Try } from '../check/rolling'
import type { Value } from '../series/series'
import { layer, type Layer, type Point } from './strips'

/** Forecasts that are not looked at lie this pale over one another. */
const PALE = 0.22

/** The forecasts of all origins as thin lines over what came, that of one strong and with its limits. */
export function triedLayers(all: readonly Try[], one: Try, level: number, label: string): Layer[] {
  const ahead = ({ origin }: Try, values: readonly Value[]): Point[] =>
    values.map((y, i) => ({ x: origin + 1 + i, y }))
  const others = all.filter(({ origin }) => origin !== one.origin)
  const limits = one.limits[level]
  return [
    ...(limits
      ? [
          {
            kind: 'band',
            label: `its ${level}% limits`,
            lower: ahead(one, limits.lower),
            upper: ahead(one, limits.upper),
          } as const,
        ]
      : []),
    ...others.map((other, i) => ({
      // One name speaks for all of them.
      ...layer(i === 0 ? 'from other origins' : '', 'forecast', 'line-thin', [
        ...ahead(other, other.forecast),
      ]),
      opacity: PALE,
      unread: true,
    })),
    layer(label, 'forecast', 'line-dashed', ahead(one, one.forecast)),
  ]
}
