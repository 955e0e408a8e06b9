import type { Palette } from '~~/core/picture/draw/palette'

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
