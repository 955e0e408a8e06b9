/** All series, a group of them, or one: what has a forecast of its own and adds up with others. */
export interface SumNode {
  readonly name: string
  /** 0 of the total, 1 of its members, and so on. */
  readonly level: number
  /** Place of what it is a member of; null of the total. */
  readonly parent: number | null
  /** Places of its members; none of a series. */
  readonly members: readonly number[]
  /** Places of the series in it; of a series, its own. */
  readonly series: readonly number[]
}

/** What stands between the levels of a group's name. */
export const LEVELS_APART = ' / '

/** The levels of a group's name, from the widest down. @example `Exteriors / Garden oil`: Exteriors, Garden oil */
export function levelsOf(group: string): string[] {
  return group
    .split(LEVELS_APART.trim())
    .map((name) => name.trim())
    .filter((name) => name !== '')
}

/** Whether a group is another one, or lies in it; to be in no group is one too. @example `Exteriors / Wall` lies in `Exteriors` */
export function isWithin(group: string, wanted: string): boolean {
  const [own, around] = [levelsOf(group), levelsOf(wanted)]
  if (around.length === 0) return own.length === 0
  return around.every((level, i) => own[i] === level)
}

/** Groups with all that they lie in, each once, in the order of the alphabet. @example `A / x`: `A`, `A / x` */
export function withWider(groups: readonly string[]): string[] {
  const all = groups.flatMap((group) => {
    const levels = levelsOf(group)
    return levels.length < 2
      ? [group]
      : levels.map((_, i) => levels.slice(0, i + 1).join(LEVELS_APART))
  })
  return [...new Set(all)].sort()
}

/** A series with the group that it belongs to. */
export interface Grouped {
  readonly name: string
  readonly group: string
}

/**
 * The groups of series as they add up, down from the total: what stands above comes before what stands below it.
 *
 * A group of one is that one itself: two that are always the same would have to agree about nothing.
 *
 * @param total what all of them together are called, where no group is
 * @example Satin and Matt in `Exteriors`, Stain in none: total (Exteriors (Satin, Matt), Stain)
 */
export function nodesOf(all: readonly Grouped[], total = 'all together'): SumNode[] {
  const nodes: SumNode[] = []
  const add = (branch: Branch, level: number, parent: number | null, name: string): number => {
    const only = branch.members.length === 1 ? branch.members[0]! : null
    if (only) return add(only, level, parent, only.name)
    const place = nodes.length
    const own = { name, level, parent, series: seriesIn(branch) }
    nodes.push({ ...own, members: [] })
    const members = branch.members.map((member) => add(member, level + 1, place, member.name))
    nodes[place] = { ...own, members }
    return place
  }
  const whole = branchOf(all)
  add(whole, 0, null, whole.members.length === 1 ? whole.members[0]!.name : total)
  return nodes
}

/** A group before it has its place. */
interface Branch {
  readonly name: string
  readonly members: Branch[]
  /** Of a series its place among those given. */
  readonly series: number | null
}

function branchOf(all: readonly Grouped[]): Branch {
  const whole: Branch = { name: '', members: [], series: null }
  const known = new Map<string, Branch>([['', whole]])
  all.forEach(({ name, group }, series) => {
    let [branch, path] = [whole, '']
    for (const level of levelsOf(group)) {
      path += `${LEVELS_APART}${level}`
      let next = known.get(path)
      if (!next) {
        next = { name: level, members: [], series: null }
        known.set(path, next)
        branch.members.push(next)
      }
      branch = next
    }
    branch.members.push({ name, members: [], series })
  })
  return whole
}

function seriesIn({ series, members }: Branch): number[] {
  return series === null ? members.flatMap(seriesIn) : [series]
}
