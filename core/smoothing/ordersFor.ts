/** The orders that are worth comparing for a season of this length, from none to more than a year. */
export function ordersFor(seasons: number): number[] {
  const year = seasons < 2 ? [] : [seasons - 1, seasons, seasons + 1, 2 * seasons]
  const usual = [1, 3, 5, 7, 9, ...year]
  return [...new Set(usual.filter((order) => order >= 1))].sort((a, b) => a - b)
}
