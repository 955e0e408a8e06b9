/** The id of a cell's element, by which the grid says which one is selected. */
export function cellId(column: string, t: number): string {
  return `cell-${column.replace(/[^\w]/g, '-')}-${t}`
}
