import { forget, keysBeginning, recall, remember } from '~/storage/browserStorage'
import type { StudyContent } from '~~/shared/api/desk'

/** Changes of a study that the server does not have yet, kept in the browser until it has. */
export interface Unsaved {
  readonly content: StudyContent
  /** The copy and the version that they were made over. */
  readonly base: StudyContent
  readonly version: number
  /** Milliseconds since 1970. */
  readonly at: number
}

/**
 * Every page has a place of its own, so that two tabs with one study do not write over each other; the browser lets go of a
 * page's lock when it is closed, and what is left in its place is no longer on its way.
 */
const OWN = crypto.randomUUID?.() ?? String(Math.random())
const lockOf = (page: string) => `elvant.page.${page}`
const locks = globalThis.navigator?.locks
void locks?.request(lockOf(OWN), () => new Promise(() => {}))

/** Where no locks are to be had: what another tab has just done is on its way to the server. */
const ON_ITS_WAY_MS = 3000

const placesOf = (studyId: string) => `elvant.unsaved.${studyId}.`
/** Places of pages that are gone, whose changes this one has taken up; they are given up together with its own. */
const takenUp = new Set<string>()

/**
 * Keeps changes until {@link forgetUnsaved}.
 *
 * @returns whether they would outlive this page: a browser may keep nothing
 */
export function keepUnsaved(studyId: string, changes: Omit<Unsaved, 'at'>): boolean {
  const unsaved: Unsaved = { ...changes, at: Date.now() }
  return remember(placesOf(studyId) + OWN, JSON.stringify(unsaved))
}

/** Gives up what was kept: the server has answered that it has it. */
export function forgetUnsaved(studyId: string): void {
  forget(placesOf(studyId) + OWN)
  for (const place of takenUp) {
    if (!place.startsWith(placesOf(studyId))) continue
    forget(place)
    takenUp.delete(place)
  }
}

/** The changes that pages or a server left behind when they ended, the oldest first. */
export async function findUnsaved(studyId: string): Promise<Unsaved[]> {
  const alive = await pagesAlive()
  const found = keysBeginning(placesOf(studyId)).flatMap((place) => {
    const page = place.slice(placesOf(studyId).length)
    const unsaved = parsed(recall(place))
    if (!unsaved || page === OWN || alive?.has(page)) return []
    if (!alive && Date.now() - unsaved.at <= ON_ITS_WAY_MS) return []
    takenUp.add(place)
    return [unsaved]
  })
  return found.sort((a, b) => a.at - b.at)
}

/** Pages of this browser that are open; null where that cannot be known. */
async function pagesAlive(): Promise<ReadonlySet<string> | null> {
  if (!locks) return null
  const { held = [] } = await locks.query()
  const names = held.flatMap(({ name }) => (name?.startsWith(lockOf('')) ? [name] : []))
  return new Set(names.map((name) => name.slice(lockOf('').length)))
}

function parsed(text: string | null): Unsaved | null {
  try {
    return text === null ? null : (JSON.parse(text) as Unsaved)
  } catch {
    return null
  }
}
