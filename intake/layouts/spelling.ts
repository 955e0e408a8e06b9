import type { Inquiry } from '../inquiry'
import type { Observation, RawSeries } from './observations'

/** Names this long or longer may differ in one letter by a slip. */
const LONG_NAME = 4

/**
 * Asks about names that are most likely one, spelt in two ways: other capitals, spaces or accents, or one letter off and never
 * in the same period.
 *
 * @throws Waiting for an answer
 * @example oneSpelling([North, north], …) // asks whether they are one
 */
export function oneSpelling(series: readonly RawSeries[], inquiry: Inquiry): RawSeries[] {
  const groups = alike(series)
  if (groups.length === 0) return [...series]
  const [first] = groups as [RawSeries[]]
  const names = first.map(({ name }) => `"${name.slice(0, 40)}"`).join(' and ')
  const more = groups.length > 1 ? `, and ${groups.length - 1} more like these` : ''
  const answer = inquiry.ask({
    id: 'spelling',
    ask: `${names}${more}: is that one series, spelt in two ways?`,
    options: [
      { value: 'one', consequence: `One: all its rows are "${mostRows(first).name}".` },
      { value: 'apart', consequence: 'They are different series.' },
    ],
  })
  if (answer === 'apart') return [...series]
  inquiry.note('spelling', `${names}${more} were read as one.`)
  const merged = new Map<RawSeries, RawSeries>()
  for (const group of groups) {
    const observations: Observation[] = group
      .flatMap((own) => own.observations)
      .sort((a, b) => a.line - b.line)
    for (const own of group) merged.set(own, { ...mostRows(group), observations })
  }
  const kept = new Set<string>()
  return series.flatMap((own) => {
    const one = merged.get(own) ?? own
    if (kept.has(one.name)) return []
    kept.add(one.name)
    return [one]
  })
}

function mostRows(group: readonly RawSeries[]): RawSeries {
  return group.reduce((best, own) =>
    own.observations.length > best.observations.length ? own : best,
  )
}

function alike(series: readonly RawSeries[]): RawSeries[][] {
  const byPlain = new Map<string, RawSeries[]>()
  for (const own of series) {
    const plain = plainName(own.name)
    byPlain.set(plain, [...(byPlain.get(plain) ?? []), own])
  }
  const groups = [...byPlain.values()].filter(({ length }) => length > 1)
  if (groups.length > 0 || series.length > 200) return groups
  // One letter off: only a name with few rows beside one with many.
  const most = Math.max(...series.map(({ observations }) => observations.length))
  for (const rare of series) {
    if (rare.observations.length > 0.2 * most || rare.name.length < LONG_NAME) continue
    const periods = new Set(rare.observations.map(({ period }) => JSON.stringify(period)))
    const like = series.find(
      (own) =>
        own !== rare &&
        isOneLetterOff(plainName(own.name), plainName(rare.name)) &&
        !own.observations.some(({ period }) => periods.has(JSON.stringify(period))),
    )
    if (like) groups.push([like, rare])
  }
  return groups
}

function plainName(name: string): string {
  return name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[\s._-]+/g, ' ')
    .trim()
}

/** Whether one letter replaced, put in or taken out makes one of the other; digits tell things apart. */
function isOneLetterOff(a: string, b: string): boolean {
  const [long, short] = a.length >= b.length ? [a, b] : [b, a]
  if (long.length - short.length > 1 || /\d/.test(long)) return false
  let at = 0
  while (at < short.length && short[at] === long[at]) at++
  return (
    long.slice(at + 1) === short.slice(at + (long.length === short.length ? 1 : 0)) &&
    at < long.length
  )
}
