const SPACES = /[\t\n\v\f\r\u0085\u2028\u2029]+/g
const CONTROLS = /\p{Cc}/gu
const INVISIBLE = /[\p{Cf}\p{Co}\p{Cn}]/gu
/** Characters that join letters or break words in some scripts, and are meant where they stand. */
const MEANT: ReadonlySet<string> = new Set(['\u200C', '\u200D', '\u00AD'])
/** Where the pictures of control characters begin. */
const PICTURES = 0x2400
const DELETE = 0x7f

/** A text without halves of surrogates, which no encoding can hold. */
export function wellFormed(text: string): string {
  return text.replace(/\p{Cs}/gu, '\uFFFD')
}

/**
 * A name in which everything can be seen: control characters as their pictures, other invisible ones and halves of
 * surrogates as �, breaks of lines as spaces. Two names that look alike are then the same.
 *
 * @example visibleText('Primer\u0000\u202E') // 'Primer␀�'
 */
export function visibleText(text: string): string {
  return wellFormed(text)
    .replace(SPACES, ' ')
    .replace(CONTROLS, (one) => {
      const code = one.codePointAt(0)!
      return code < 0x20 || code === DELETE
        ? String.fromCodePoint(code === DELETE ? PICTURES + 0x21 : PICTURES + code)
        : '\uFFFD'
    })
    .replace(INVISIBLE, (one) => (MEANT.has(one) ? one : '\uFFFD'))
}
