/**
 * Easter Sunday of the Gregorian calendar, as a day in UTC.
 *
 * @see Meeus, J. (1991), Astronomical Algorithms, ch. 8
 * @example easterSunday(2024) // 31 March 2024
 */
export function easterSunday(year: number): Date {
  const a = year % 19
  const b = Math.floor(year / 100)
  const c = year % 100
  const d = Math.floor(b / 4)
  const e = b % 4
  const f = Math.floor((b + 8) / 25)
  const g = Math.floor((b - f + 1) / 3)
  const h = (19 * a + b - d - g + 15) % 30
  const i = Math.floor(c / 4)
  const k = c % 4
  const l = (32 + 2 * e + 2 * i - h - k) % 7
  const m = Math.floor((a + 11 * h + 22 * l) / 451)
  const month = Math.floor((h + l - 7 * m + 114) / 31)
  const day = ((h + l - 7 * m + 114) % 31) + 1
  return new Date(Date.UTC(year, month - 1, day))
}

/** Share of the fourteen days before Easter Sunday that fall in a month (1..12). */
export function easterShare(year: number, month: number): number {
  const sunday = easterSunday(year).getTime()
  let inside = 0
  for (let back = 1; back <= 14; back++) {
    const day = new Date(sunday - back * 86_400_000)
    if (day.getUTCMonth() + 1 === month) inside += 1
  }
  return inside / 14
}
