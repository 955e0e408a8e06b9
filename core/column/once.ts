import type { Expression } from './expression'

/** Makes an expression when it is first asked for, and hands out the same from then on: what is shared is written down once. */
export function once(make: () => Expression): () => Expression {
  let made: Expression | null = null
  return () => (made ??= make())
}
