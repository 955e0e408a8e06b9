import type { StudyContent } from '~~/shared/api/desk'

/** Changes of a study that the server does not have yet, kept in the browser until it has. */
export interface Unsaved {
  readonly content: StudyContent
  /** The version that they were made over. */
  readonly version: number
  /** Milliseconds since 1970. */
  readonly at: number
}

/** What another tab has just done is on its way to the server. */
const ON_ITS_WAY_MS = 3000

const keyOf = (studyId: string) => `elvant.unsaved.${studyId}`

/** Keeps changes until {@link forgetUnsaved}; a browser that keeps nothing is no reason to stop working. */
export function keepUnsaved(studyId: string, content: StudyContent, version: number): void {
  try {
    localStorage.setItem(
      keyOf(studyId),
      JSON.stringify({ content, version, at: Date.now() } satisfies Unsaved),
    )
  } catch {
    // Full, or forbidden: the changes are still in this tab.
  }
}

export function forgetUnsaved(studyId: string): void {
  try {
    localStorage.removeItem(keyOf(studyId))
  } catch {
    // As above.
  }
}

/** The changes that a tab or a server left behind when it ended; null for none. */
export function findUnsaved(studyId: string): Unsaved | null {
  try {
    const kept = localStorage.getItem(keyOf(studyId))
    const unsaved = kept === null ? null : (JSON.parse(kept) as Unsaved)
    return unsaved && Date.now() - unsaved.at > ON_ITS_WAY_MS ? unsaved : null
  } catch {
    return null
  }
}
