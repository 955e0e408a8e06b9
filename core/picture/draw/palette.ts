/** Colours that pictures are drawn with; each component of a series has one. */
export interface Palette {
  readonly paper: string
  readonly ink: string
  readonly muted: string
  readonly rule: string
  readonly ruleStrong: string
  readonly original: string
  readonly trendCycle: string
  readonly season: string
  readonly seasonLow: string
  readonly irregular: string
  readonly deseasonalized: string
  readonly forecast: string
}

/** A hexadecimal colour with an opacity from 0 to 1. */
export function faded(colour: string, opacity: number): string {
  const alpha = Math.round(opacity * 255)
    .toString(16)
    .padStart(2, '0')
  return `${colour}${alpha}`
}
