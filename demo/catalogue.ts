import { calendarOf } from '../core/calendar/calendar'
import type { Series, Value } from '../core/series/series'
import { randomFrom, type Random } from './random'

/** What is wrong with an article of the invented catalogue; none of most. */
export const PECULIARITIES = [
  'ten-times-too-large',
  'level-changed',
  'sold-no-more',
  'ends-early',
  'three-far-off',
  'runs-away',
] as const
export type Peculiarity = (typeof PECULIARITIES)[number]

/** An article with what was put into it. */
export interface Article {
  readonly series: Series
  readonly group: string
  readonly peculiarity: Peculiarity | null
}

const LINES = [
  'Exterior satin',
  'Exterior matt',
  'Interior matt',
  'Interior silk',
  'Wood stain',
  'Floor varnish',
  'Masonry coat',
  'Metal primer',
  'Radiator enamel',
  'Garden furniture oil',
] as const
const COLOURS = [
  ...['white', 'ivory', 'sand', 'slate', 'fern', 'moss', 'teal', 'rust', 'brick', 'plum'],
  ...['ochre', 'honey', 'clay', 'mist', 'dusk', 'coal', 'sage', 'coral', 'navy', 'chalk'],
] as const
const SIZES = [
  '0.75 l',
  '1 l',
  '2.5 l',
  '3 l',
  '5 l',
  '7.5 l',
  '10 l',
  '12.5 l',
  '15 l',
  '20 l',
] as const

/** One article of so many is made peculiar. */
const ONE_IN = 10
const MONTHS = 120
const END = { cycle: 2025, season: 12 } as const

/**
 * Invented articles of Quillfield Paints: ten years of months each, with trends, seasons and noise of their own, and every tenth
 * with something that somebody should look at. The same seed gives the same catalogue.
 *
 * @param count up to 2,000
 */
export function demoCatalogue(count = 2000, seed = 20251130): Article[] {
  return Array.from({ length: count }, (_, i): Article => {
    const random = randomFrom(seed + i)
    // One of every ten, of another line each time, and of ten lines alike.
    const ten = Math.floor(i / ONE_IN)
    const isPeculiar = i % ONE_IN === ten % ONE_IN
    const kind = Math.floor(ten / LINES.length) % PECULIARITIES.length
    const peculiarity = isPeculiar ? PECULIARITIES[kind]! : null
    const [line, colour, size] = [
      LINES[i % LINES.length]!,
      COLOURS[Math.floor(i / LINES.length) % COLOURS.length]!,
      SIZES[Math.floor(i / (LINES.length * COLOURS.length)) % SIZES.length]!,
    ]
    return {
      group: line,
      peculiarity,
      series: {
        ...{ name: `${line} ${colour} ${size}`, unit: 'pieces', noun: 'sales' },
        calendar: calendarOf('monthly'),
        start: { cycle: END.cycle - MONTHS / 12 + 1, season: 1 },
        values: withPeculiarity(ordinary(random), peculiarity, random),
      },
    }
  })
}

/** Sales of an article: a level, a trend of up to 6% a year either way, a season of its line, noise of 2 to 6%. */
function ordinary(random: Random): number[] {
  const level = 200 * 10 ** (2 * random.uniform())
  const growth = 0.12 * (random.uniform() - 0.5)
  const swing = 0.1 + 0.3 * random.uniform()
  const peak = 12 * random.uniform()
  const noise = 0.02 + 0.04 * random.uniform()
  return Array.from({ length: MONTHS }, (_, t) => {
    const season = 1 + swing * Math.cos((2 * Math.PI * (t - peak)) / 12)
    return Math.round(level * (1 + (growth * t) / 12) * season * (1 + random.normal(noise)))
  })
}

function withPeculiarity(
  values: readonly number[],
  peculiarity: Peculiarity | null,
  random: Random,
): Value[] {
  const back = (from: number, to: number) =>
    MONTHS - from - Math.floor((to - from + 1) * random.uniform())
  const from = (at: number, change: (value: number, i: number) => number) =>
    values.map((value, i) => (i < at ? value : Math.round(change(value, i))))
  switch (peculiarity) {
    case null:
      return [...values]
    case 'ten-times-too-large': {
      const at = back(2, 60)
      return values.map((value, i) => (i === at ? 10 * value : value))
    }
    case 'level-changed': {
      const share = random.uniform() < 0.5 ? 1.5 : 0.6
      return from(back(8, 18), (value) => share * value)
    }
    case 'sold-no-more':
      return from(back(4, 9), () => 0)
    case 'ends-early':
      return values.slice(0, back(2, 6))
    case 'three-far-off':
      return from(MONTHS - 3, (value) => 0.55 * value)
    case 'runs-away':
      return from(MONTHS - 24, (value, i) => value * 1.05 ** (i - MONTHS + 25))
  }
}
