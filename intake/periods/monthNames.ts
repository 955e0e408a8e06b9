/** Month names of English, German, French and Spanish, January first: whoever writes several, these come first. */
const NAMES = [
  'january february march april may june july august september october november december',
  'januar februar märz april mai juni juli august september oktober november dezember',
  'janvier février mars avril mai juin juillet août septembre octobre novembre décembre',
  'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre',
].map((names) => names.split(' '))

/** Abbreviations that are no beginning of three letters or more of a name, or are those of two months. */
const SHORT: Readonly<Record<string, number>> = {
  sept: 9,
  setiembre: 9,
  mrz: 3,
  jän: 1,
  jänner: 1,
  maerz: 3,
  jui: 6,
}

const MONTHS = new Map<string, number>(
  Object.entries(SHORT).map(([name, month]) => [plain(name), month]),
)
for (const names of NAMES) {
  names.forEach((name, i) => {
    for (let length = 3; length <= name.length; length++) {
      const short = plain(name.slice(0, length))
      if (!MONTHS.has(short)) MONTHS.set(short, i + 1)
    }
  })
}

/** Languages whose months are taken as the platform writes them: by themselves, and behind a day. */
const BY_LOCALE = ['it', 'nl', 'pt', 'sv', 'pl', 'da', 'nb', 'cs']
for (const locale of BY_LOCALE) addNames([...monthsOf(locale, false), ...monthsOf(locale, true)])

/**
 * Whole names, and their beginnings that are those of one month only and of no word before: `červe` could be June or July.
 *
 * @param names twelve by themselves, and twelve as they are behind a day
 */
function addNames(names: readonly string[]): void {
  const whole = names.map(plain)
  const monthOf = (i: number) => (i % 12) + 1
  whole.forEach((name, i) => MONTHS.has(name) || MONTHS.set(name, monthOf(i)))
  whole.forEach((name, i) => {
    for (let length = 3; length < name.length; length++) {
      const short = name.slice(0, length)
      const isOwn = whole.every((other, k) => monthOf(k) === monthOf(i) || !other.startsWith(short))
      if (isOwn && !MONTHS.has(short)) MONTHS.set(short, monthOf(i))
    }
  })
}

/** The names of the months in a language. @param behindDay as they are written behind a day: `3 stycznia` */
function monthsOf(locale: string, behindDay: boolean): string[] {
  const format = new Intl.DateTimeFormat(locale, {
    ...(behindDay ? { day: 'numeric' as const } : {}),
    ...{ month: 'long', timeZone: 'UTC' },
  })
  return Array.from({ length: 12 }, (_, month) => {
    const parts = format.formatToParts(Date.UTC(2021, month, 15))
    return parts.find(({ type }) => type === 'month')?.value ?? ''
  })
}

/** Letters of a month's name at the most. */
const LONGEST = 40

/**
 * 1…12 for a month name or its abbreviation of three letters or more, with or without accents and a
 * full stop; null for any other word.
 *
 * @example monthByName('févr.') // 2
 */
export function monthByName(text: string): number | null {
  if (text.length > LONGEST) return null
  return MONTHS.get(plain(text.replace(/\.$/, ''))) ?? null
}

function plain(text: string): string {
  return text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '')
}
