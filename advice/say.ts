/** Prints a rate in per cent beside the limits it must keep, and remembers whether it does. */
export type Say = (what: string, rate: number, limits: { least?: number; most?: number }) => void
