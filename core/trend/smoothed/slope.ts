/** What a smoothed trend may do ahead; `chosen` by AICc. */
export const TREND_SMOOTHINGS = ['chosen', 'none', 'additive', 'damped'] as const
export type TrendSmoothing = (typeof TREND_SMOOTHINGS)[number]

/** What the slope of a smoothed level does ahead, in words. */
export const SLOPE_SAYS: Readonly<
  Record<TrendSmoothing, { readonly text: string; readonly means: string }>
> = {
  chosen: {
    text: 'with its slope chosen',
    means: 'Without, with or with a damped slope, by AICc.',
  },
  none: { text: 'without a slope', means: 'The latest level goes on.' },
  additive: { text: 'with a slope', means: 'The latest slope goes on without end.' },
  damped: { text: 'with a damped slope', means: 'The latest slope goes on and dies away.' },
}
