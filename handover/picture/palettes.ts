import type { Palette } from '../../core/picture/draw/palette'

/** Light paper, whatever the screen. */
export const PAPER: Palette = {
  ...{ paper: '#ffffff', ink: '#1d2733', muted: '#696357', rule: '#e2dccf', ruleStrong: '#b9b1a2' },
  ...{ original: '#1d2733', trendCycle: '#0b7a75', season: '#8c2f6b', seasonLow: '#4d6f9f' },
  ...{ irregular: '#9a7b4f', deseasonalized: '#2b62b8', forecast: '#c2501a' },
}

const INK = '#111111'
/** The same in one ink: components are told apart by their marks, as they are beside their colours. */
export const BLACK: Palette = {
  ...{ paper: '#ffffff', ink: INK, muted: '#555555', rule: '#dddddd', ruleStrong: '#aaaaaa' },
  ...{ original: INK, trendCycle: INK, season: INK, seasonLow: INK },
  ...{ irregular: INK, deseasonalized: INK, forecast: INK },
}
