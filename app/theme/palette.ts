/** Colours that canvases draw with, read from the page's own tokens. */
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

/** The palette of the theme the page is in now. */
export function readPalette(): Palette {
  const style = getComputedStyle(document.documentElement)
  const token = (name: string) => style.getPropertyValue(`--${name}`).trim()
  return {
    paper: token('paper'),
    ink: token('ink'),
    muted: token('muted'),
    rule: token('rule'),
    ruleStrong: token('rule-strong'),
    original: token('original'),
    trendCycle: token('trend-cycle'),
    season: token('season'),
    seasonLow: token('season-low'),
    irregular: token('irregular'),
    deseasonalized: token('deseasonalized'),
    forecast: token('forecast'),
  }
}

/** A hexadecimal colour with an opacity from 0 to 1. */
export function faded(colour: string, opacity: number): string {
  const alpha = Math.round(opacity * 255)
    .toString(16)
    .padStart(2, '0')
  return `${colour}${alpha}`
}
