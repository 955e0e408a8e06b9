import { axisOf } from '../calendar/axis'
import { rhythmOf } from '../calendar/rhythms'
import { ownForecast, originsOf, spanAhead, type Span } from '../addingUp/own'
import { pooledError } from '../check/accuracy'
import { checkTask, roll, tryFrom, type Try } from '../check/rolling'
import { compare } from '../check/tie'
import { offBy, scaledError, type Off } from '../check/verdict'
import { calculate } from '../calculate'
import { spanOf } from '../completeMethod'
import { defaultWay } from '../decompose/ways'
import { settledSoon } from '../check/settledSoon'
import { changed, type MethodDocument } from '../method'
import { Refusal } from '../refusal'
import type { Series } from '../series/series'
import { CYCLES_TO_GIVE, groupIndices, type GroupIndices } from './groupIndices'

export const GROUP_SEASON_FORMAT = 'elvant-group-season/1'

/** A member of a group, and how it is forecast. */
export interface Member {
  readonly series: Series
  /** Left out, it is begun with as a new series is. */
  readonly method?: MethodDocument
}

/** What the season of its group would be to a member. */
export interface MemberSeason {
  /** Place among the members that were given. */
  readonly at: number
  readonly name: string
  readonly periods: number
  /** How far off it would have been by its own method, and with the season of the group; null where that cannot be told. */
  readonly own: Off | null
  readonly group: Off | null
  /** `short`: it has not cycles enough for a season of its own. Else how the season of the group did beside its own. */
  readonly says: 'short' | 'nearer' | 'further' | 'as near' | 'untold'
  /** Whether it should take the season of the group. */
  readonly proposed: boolean
  /** Its method with that season; null where it is refused. */
  readonly method: MethodDocument | null
  readonly refused: string | null
}

/** The season of a group, and what it would be to each of its members. Plain data. */
export interface GroupSeason extends GroupIndices {
  readonly format: typeof GROUP_SEASON_FORMAT
  readonly source: string
  readonly seasons: number
  readonly members: number
  /** Whether it is one that the members have in common, as far as that can be told; where not, what is to be said of it. */
  readonly isCommon: boolean
  readonly says: string | null
  readonly rows: readonly MemberSeason[]
}

/**
 * The season of a group, tried on each of its members: at every origin it is what the members said by then.
 *
 * @param group what the indices are said to come from
 * @param all members in one rhythm with a season
 * @throws Refusal for members of several rhythms, or without a season, and where none has cycles enough
 */
export function groupSeason(group: string, all: readonly Member[]): GroupSeason {
  const calendar = requireOneRhythm(all)
  const series = all.map((member) => member.series)
  const found = groupIndices(series)
  if (!found) {
    throw new Refusal(
      `No series of ${group} has ${CYCLES_TO_GIVE} whole cycles of seasons with values above 0 throughout, so the group has no season to give.`,
      'group',
    )
  }
  const source = sourceOf(group, found)
  const known = new Map<number, GroupIndices | null>()
  const at = (until: number) => {
    if (!known.has(until)) known.set(until, groupIndices(series, until))
    return known.get(until)!
  }
  const indices = { ...found, source, at }
  const rows = all.map((member, place) => triedOn(member, place, indices))
  const further = rows.filter(({ says }) => says === 'further').length
  const told = rows.filter(({ says }) => says !== 'short' && says !== 'untold').length
  const isCommon = further <= NOT_COMMON * told
  return {
    format: GROUP_SEASON_FORMAT,
    ...{ ...found, source, seasons: calendar.seasons },
    isCommon,
    says: isCommon
      ? null
      : `The members have not one season: for ${further} of ${told} their own is nearer beyond chance, so it is proposed to none that is too short.`,
    rows: rows.map((row) => (isCommon || row.says !== 'short' ? row : { ...row, proposed: false })),
  }
}

/** Where their own season is nearer to more of the members than this share, they have none in common. */
const NOT_COMMON = 1 / 3

function sourceOf(group: string, { members }: GroupIndices): string {
  const of = members === 1 ? 'one series' : `${members} series, weighted by size`
  return `${group.slice(0, 120)}: mean of ${of}`
}

function requireOneRhythm(all: readonly Member[]) {
  const [first] = all
  if (!first || all.length < 2) throw new Refusal('A group takes two series.', 'group')
  const { calendar } = first.series
  const other = all.find(
    ({ series: { calendar: own } }) =>
      own.frequency !== calendar.frequency || own.seasons !== calendar.seasons,
  )
  if (other) {
    throw new Refusal(
      `${other.series.name} has other periods than ${first.series.name}: they have no season in common.`,
      'group',
    )
  }
  if (calendar.seasons < 2) {
    throw new Refusal('Series of years have no season to take from each other.', 'group')
  }
  return calendar
}

/** The indices of a group, and as they were at a period. */
interface Indices extends GroupIndices {
  readonly source: string
  readonly at: (until: number) => GroupIndices | null
}

function triedOn({ series, method }: Member, at: number, indices: Indices): MemberSeason {
  const { calendar, values, name } = series
  const span = spanAhead(calendar.seasons)
  const periods = values.filter((value) => value !== null).length
  const nothing = { own: null, group: null, method: null, refused: null, proposed: false }
  const about = { at, name, periods }
  try {
    const own = ownForecast(series, method, span)
    const given = withIndices(method ?? own.document, series, indices)
    const triedAs = settledSoon(series, given, calculate(series, given))
    const isShort = periods < CYCLES_TO_GIVE * calendar.seasons
    const origins = originsOf(series, own, span)
    const tried =
      origins > 0 ? triedBoth(series, own.triedAs, triedAs, origins, span, indices) : null
    const says = isShort ? 'short' : (tried?.says ?? 'untold')
    return {
      ...{ ...about, ...nothing, method: given, says },
      ...{ own: tried?.own ?? null, group: tried?.group ?? null },
      proposed: says === 'short' || says === 'nearer',
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { ...about, ...nothing, says: 'untold', refused: error.because }
  }
}

/** A method with indices of elsewhere, by the usual averages: what of it chose indices of its own goes. */
function withIndices(
  method: MethodDocument,
  { calendar }: Series,
  { given, source }: Pick<Indices, 'given' | 'source'>,
): MethodDocument {
  return changed(method, {
    decompose: {
      ...{ by: defaultWay(calendar), model: 'multiplicative', indices: { given, source } },
      ...{ average: undefined, exclude: undefined },
    },
  })
}

function triedBoth(
  series: Series,
  own: MethodDocument,
  given: MethodDocument,
  origins: number,
  { horizon, step }: Span,
  indices: Indices,
): Pick<MemberSeason, 'own' | 'group' | 'says'> | null {
  const { firstT, lastT } = spanOf(own, series)
  const first = lastT - firstT + 1 - origins * step
  const check = { rolling: { first, horizon, step } }
  const [ownTask, task] = [checkTask(series, own, check), checkTask(series, given, check)]
  if (!ownTask || !task) return null
  const ownTries = roll(ownTask).tries
  const axis = axisOf(series)
  const tries = task.origins.flatMap((origin): Try[] => {
    const then = indices.at(rhythmOf(series.calendar).countOf(axis.periodAt(origin)))
    if (!then) return []
    const document = withIndices(task.document, series, { ...then, source: indices.source })
    const made = tryFrom({ ...task, document }, origin)
    return 'forecast' in made ? [made] : []
  })
  // Only what both could forecast is compared.
  const both = tries.flatMap((one) => {
    const other = ownTries.find(({ origin }) => origin === one.origin)
    return other ? [{ one, other }] : []
  })
  const differences = both.flatMap(({ one, other }) => {
    const [a, b] = [scaledError(one, one.forecast), scaledError(other, other.forecast)]
    return a === null || b === null ? [] : [a - b]
  })
  const compared = compare(differences, horizon, step)
  const off = (all: readonly Try[]) => offBy(all, pooledError(all, 'method'))
  return {
    own: off(both.map(({ other }) => other)),
    group: off(both.map(({ one }) => one)),
    says: !compared
      ? 'untold'
      : compared.isTie
        ? 'as near'
        : compared.mean < 0
          ? 'nearer'
          : 'further',
  }
}
