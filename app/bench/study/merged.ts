import type { MethodDocument } from '~~/core/method'
import type { StudyContent } from '~~/shared/api/desk'
import { isSame } from './trail'

/** Two copies of a study put together. */
export interface Merged {
  readonly content: StudyContent
  /** What both have changed, in words; there the content has one's own. */
  readonly touched: readonly string[]
  /** What was taken over from the other, in words. */
  readonly takenOver: readonly string[]
}

const METHOD_PARTS: Readonly<Record<Exclude<keyof MethodDocument, 'format'>, string>> = {
  span: 'the span',
  missing: 'what stands in for missing values',
  calendar: 'what is taken out of the calendar',
  decompose: 'how the series is decomposed',
  trend: 'the trend',
  forecast: 'the forecast',
  check: 'the check',
}
const ABOUT_PARTS: Readonly<Record<keyof StudyContent['about'], string>> = {
  name: 'the name',
  unit: 'the unit',
  noun: 'what the values are',
  quantity: 'what values do over time',
  group: 'the group',
  notes: 'the notes',
}

/**
 * Puts two copies of a study together that were changed from the same one: what only one has changed is taken from it.
 *
 * @param base what both were changed from
 * @example the horizon changed in mine, the notes in theirs: both changes, and nothing touched
 */
export function merged(base: StudyContent, mine: StudyContent, theirs: StudyContent): Merged {
  const touched: string[] = []
  const takenOver: string[] = []
  const choose = <T>(words: string, b: T, m: T, t: T): T => {
    if (isSame(b, t) || isSame(m, t)) return m
    if (!isSame(b, m)) {
      touched.push(words)
      return m
    }
    takenOver.push(words)
    return t
  }
  const method: MethodDocument = { format: mine.method.format }
  for (const [key, words] of entriesOf(METHOD_PARTS)) {
    const part = choose(words, base.method[key], mine.method[key], theirs.method[key])
    if (part !== undefined) Object.assign(method, { [key]: part })
  }
  const about = { ...mine.about }
  for (const [key, words] of entriesOf(ABOUT_PARTS)) {
    Object.assign(about, {
      [key]: choose(words, base.about[key], mine.about[key], theirs.about[key]),
    })
  }
  return {
    content: {
      method,
      about,
      adjustments: choose(
        'adjusted values',
        base.adjustments,
        mine.adjustments,
        theirs.adjustments,
      ),
      vintageId: choose('the values themselves', base.vintageId, mine.vintageId, theirs.vintageId),
    },
    touched,
    takenOver,
  }
}

function entriesOf<Key extends string>(parts: Readonly<Record<Key, string>>): [Key, string][] {
  return Object.entries(parts) as [Key, string][]
}
