const DAY_MS = 86_400_000

/**
 * The date of a spreadsheet serial number.
 *
 * @param serial days, with the time of day behind the point
 * @param is1904 whether the workbook counts from 1 January 1904 instead of 1900
 * @returns `2021-03-01`, or `2021-03-01T13:30` with a time; null outside of the years 1900–2199
 * @example spreadsheetDate(44256, false) // '2021-03-01'
 */
export function spreadsheetDate(serial: number, is1904: boolean): string | null {
  // The 1900 count has a 29 February that never was; from 1 March 1900 on it is off by one.
  const shift = !is1904 && serial < 60 ? 1 : 0
  const epoch = is1904 ? Date.UTC(1904, 0, 1) : Date.UTC(1899, 11, 30)
  const at = new Date(epoch + Math.round((serial + shift) * 86_400) * 1000)
  if (!(at.getTime() >= Date.UTC(1900, 0, 1) && at.getTime() < Date.UTC(2200, 0, 1))) return null
  const text = at.toISOString()
  return at.getTime() % DAY_MS === 0 ? text.slice(0, 10) : text.slice(0, 16)
}
