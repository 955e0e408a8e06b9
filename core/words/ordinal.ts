/** `1st`, `2nd`, `23rd`, `112th` */
export function ordinal(rank: number): string {
  const teen = rank % 100 >= 11 && rank % 100 <= 13
  const ending = teen ? 'th' : (['th', 'st', 'nd', 'rd'][rank % 10] ?? 'th')
  return `${rank}${ending}`
}
