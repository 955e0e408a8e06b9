/** Pixels left of the shared axis, where strips and rows are named; fewer where there is little room. */
export function gutterFor(width: number): number {
  return width < NARROW_PX ? 116 : 164
}

const NARROW_PX = 620
