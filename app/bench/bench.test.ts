import { READERS_FIGURES } from '~/figures/format'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { analyse } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import { completeMethod } from '~~/core/completeMethod'
import { changed, exclusionsOf } from '~~/core/method'
import { methodSentence } from '~~/core/sentence/sentence'
import { piecesText } from '~~/core/word'
import type { Field, Word } from '~~/core/word'
import type { LoessDocument } from '~~/core/decompose/loess/options'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import { axisTicks } from '~~/core/picture/draw/axisTicks'
import {
  columnWidth,
  fitWindow,
  periodsInside,
  periodUnder,
  xOf,
  zoomWindow,
  type TimeAxis,
} from '~~/core/picture/draw/timeAxis'
import { foldGrid } from '~~/core/ledger/foldGrid'
import { fileName } from '../shell/takeAway'
import { cellFormat, figureText, widestFigure } from './view/ledger/fitting'
import { cssShade, rangeOf, shadeOf } from './view/ledger/shade'
import { displayScale } from '~~/core/words/displayScale'
import { lineOf } from './stage/stages'
import { stripsOf } from '~~/core/picture/stages/stages'
import { rangeOfStrip } from '~~/core/picture/strips'
import { besideColumn } from '~~/core/beside/besideColumn'
import type { Result } from '~~/core/result'
import { STAGES, type Stage } from '~~/core/stage'
import type { Inspected, StripSources } from '~~/core/picture/sources'
import { stripSummary } from '~~/core/picture/summary'
import { leaveOutOfIndex, putBackIntoIndex } from './study/exclusion'

const quarters = [42, 68, 75, 39, 46, 74, 83, 41, 50, 79, 88, 45, 55, 86, 95, 48]
const series: Series = {
  name: 'Contract work',
  unit: 'jobs',
  noun: 'sales',
  calendar: calendarOf('quarterly'),
  start: { cycle: 2020, season: 1 },
  values: quarters,
}
const FORMAT = { format: 'elvant-method/1' } as const

const axes = fc.record({
  from: fc.integer({ min: -50, max: 400 }).map((t) => t - 0.5),
  span: fc.integer({ min: 4, max: 500 }),
  width: fc.integer({ min: 240, max: 3000 }),
})
const toAxis = ({
  from,
  span,
  width,
}: {
  from: number
  span: number
  width: number
}): TimeAxis => ({
  from,
  to: from + span,
  width,
})

describe('the shared axis', () => {
  it('finds the period under the middle of its own column', () => {
    fc.assert(
      fc.property(axes, fc.integer({ min: 0, max: 499 }), (made, step) => {
        const axis = toAxis(made)
        const t = axis.from + 0.5 + (step % made.span)
        expect(periodUnder(axis, xOf(axis, t))).toBe(t)
      }),
    )
  })

  it('fills its width with the columns inside', () => {
    fc.assert(
      fc.property(axes, (made) => {
        const axis = toAxis(made)
        const inside = periodsInside(axis)
        expect(inside).toHaveLength(made.span)
        expect(inside.length * columnWidth(axis)).toBeCloseTo(axis.width, 6)
        expect(xOf(axis, inside[0]!)).toBeCloseTo(columnWidth(axis) / 2, 6)
      }),
    )
  })

  it('shows a period that is only partly inside', () => {
    expect(periodsInside({ from: 2.9, to: 6.1, width: 100 })).toEqual([3, 4, 5, 6])
    expect(periodsInside({ from: 3.4, to: 6.6, width: 100 })).toEqual([3, 4, 5, 6, 7])
  })

  it('keeps windows inside the whole, of four periods at the least', () => {
    const whole = { from: 0.5, to: 120.5 }
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: -10, max: 500, noNaN: true }),
        (from, span) => {
          const got = fitWindow({ from, to: from + span }, whole)
          expect(got.from).toBeGreaterThanOrEqual(whole.from - 1e-9)
          expect(got.to).toBeLessThanOrEqual(whole.to + 1e-9)
          expect(got.to - got.from).toBeGreaterThanOrEqual(4 - 1e-9)
        },
      ),
    )
    expect(fitWindow({ from: 0, to: 9 }, { from: 0.5, to: 2.5 })).toEqual({ from: 0.5, to: 2.5 })
  })

  it('zooms around a period that stays where it is', () => {
    const whole = { from: 0.5, to: 120.5 }
    const before = { from: 30.5, to: 70.5 }
    const after = zoomWindow(before, 50, 0.5, whole)
    const place = ({ from, to }: typeof before) => (50 - from) / (to - from)
    expect(place(after)).toBeCloseTo(place(before), 10)
    expect(after.to - after.from).toBeCloseTo(20, 10)
  })
})

describe('labels of the axis', () => {
  const months = { calendar: calendarOf('monthly'), start: { cycle: 2016, season: 1 } }

  it('are seasons and years when there is room', () => {
    const ticks = axisTicks({ from: 10.5, to: 34.5, width: 648 }, months, 20)
    expect(ticks).toHaveLength(24)
    expect(ticks[0]).toMatchObject({ season: 'Nov', year: '2016', isForecast: false })
    expect(ticks[2]).toMatchObject({ season: 'Jan', year: '2017', isYearStart: true })
    expect(ticks.at(-1)!.isForecast).toBe(true)
  })

  it('are years when there is not, and fewer of them when they would touch', () => {
    const labels = (to: number) =>
      axisTicks({ from: 0.5, to, width: 648 }, months, 600).map(({ year }) => year)
    expect(labels(120.5)).toEqual(Array.from({ length: 10 }, (_, i) => String(2016 + i)))
    expect(labels(480.5).slice(0, 3)).toEqual(['2020', '2025', '2030'])
  })
})

describe('the fold', () => {
  it('lays a fiscal year out from its first season and keeps holes as holes', () => {
    const july = {
      calendar: calendarOf('quarterly', { yearStart: 3 }),
      start: { cycle: 2020, season: 2 },
    }
    const grid = foldGrid(july, (t) => (t === 3 ? null : t * 10), { first: 1, last: 6 })
    expect(grid.seasons.map(({ label }) => label)).toEqual(['Q3', 'Q4', 'Q1', 'Q2'])
    expect(grid.years.map(({ year, cells }) => [year, cells.map(({ value }) => value)])).toEqual([
      [2020, [null, null, null, 10]],
      [2021, [20, null, 40, 50]],
      [2022, [60, null, null, null]],
    ])
    expect(grid.years[1]!.cells[1]!.t).toBe(3)
    expect(grid.seasons.map(({ mean }) => mean)).toEqual([40, null, 40, 30])
  })
})

function sentenceOf(document: MethodDocument, of: Series = series) {
  const method = completeMethod(document, of)
  return { method, pieces: methodSentence(method, of) }
}

/** What a word of the sentence could be instead. */
function choicesOf(id: string, document: MethodDocument, of: Series = series) {
  const { pieces } = sentenceOf(document, of)
  const word = pieces.find((piece): piece is Word => typeof piece !== 'string' && piece.id === id)!
  return word.ask.kind === 'pick' ? word.ask.choices : []
}

describe('the method sentence', () => {
  const words = (document: MethodDocument) =>
    piecesText(methodSentence(completeMethod(document, series), series))

  it('says every choice', () => {
    expect(words(FORMAT)).toBe(
      'Sales of all 16 quarters with calendar effects as multiplicative, by ratio to a 2×4 moving average; indices by mean, adjusted to average 1; trend a straight line through all 16 quarters; project 4 quarters by decomposition, with 80% and 95% limits of the model.',
    )
    expect(
      words({
        ...FORMAT,
        decompose: {
          model: 'additive',
          average: 'trimmed-mean',
          exclude: [{ period: '2021-Q1', reason: 'x' }],
        },
        trend: { last: 8 },
        forecast: { horizon: 1, levels: [90] },
      }),
    ).toBe(
      'Sales of all 16 quarters with calendar effects as additive, by difference from a 2×4 moving average; indices by trimmed mean, adjusted to sum to 0, 1 value left out; trend a straight line through the last 8 quarters; project 1 quarter by decomposition, with 90% limits of the model.',
    )
  })

  it('every choice changes the sentence, and one is chosen', () => {
    for (const id of ['model', 'by', 'average', 'adjust']) {
      const choices = choicesOf(id, FORMAT)
      expect(choices.filter(({ chosen }) => chosen)).toHaveLength(1)
      const sentences = choices.map(({ change }) => words(changed(FORMAT, change)))
      expect(new Set(sentences).size).toBe(choices.length)
    }
  })

  /** A figure or choice that a field allows. */
  function anotherOf(field: Field) {
    if (field.kind === 'number') return field.least
    return field.kind === 'choice' ? field.options.at(-1)!.value : field.offered.slice(0, 2)
  }

  it('every field stands where it says, within its own bounds', () => {
    for (const by of ['stl', 'none'] as const) {
      const { pieces } = sentenceOf({ ...FORMAT, decompose: { by } })
      const fields = pieces.flatMap((piece) =>
        typeof piece !== 'string' && piece.ask.kind === 'fields' ? piece.ask.fields : [],
      )
      expect(fields.length).toBeGreaterThan(0)
      for (const field of fields) {
        const value = anotherOf(field)
        const [part, key] = field.path as [string, string]
        const document = changed({ ...FORMAT, decompose: { by } }, { [part]: { [key]: value } })
        expect(sentenceOf(document).method).toMatchObject({ [part]: { [key]: value } })
      }
    }
  })
})

describe('leaving out and putting back', () => {
  it('ends where it began, and a second reason replaces the first', () => {
    const once = leaveOutOfIndex(FORMAT, ['2021-Q1'], 'strike')
    const twice = leaveOutOfIndex(once, ['2021-Q1'], 'flood')
    expect(twice.decompose).toEqual({ exclude: [{ period: '2021-Q1', reason: 'flood' }] })
    expect(putBackIntoIndex(twice, '2021-Q1').decompose).toEqual({ exclude: [] })
  })
})

/** The result alone, with nothing beside it. */
const ALONE: StripSources = {
  scale: displayScale(quarters, 'jobs'),
  says: READERS_FIGURES,
  noun: 'sales',
  inspected: [],
  peaks: null,
  ghost: null,
  pinned: [],
  tried: null,
  kept: [],
  outside: [],
  oneScale: false,
}
const linesOf = (result: Result) =>
  Object.fromEntries(STAGES.map((stage) => [stage, lineOf(stage, result)]))

/** What the stage Deseasonalize lays beside the ledger. */
function besideOf(stage: Stage, result: Result): Inspected[] {
  if (stage !== 'deseasonalize') return []
  return (['value', 'deseasonalized'] as const).map((on) => {
    const beside = { kind: 'growth', rate: 'periodOnPeriod', on } as const
    return { beside, problem: null, column: besideColumn(result, beside) }
  })
}

describe('stages', () => {
  const documents: MethodDocument[] = [
    FORMAT,
    { ...FORMAT, decompose: { model: 'additive' } },
    { ...FORMAT, decompose: { by: 'simple-averages' }, trend: { last: 5 } },
    { ...FORMAT, decompose: { by: 'stl' } },
  ]

  it('each has strips whose figures lie in their range', () => {
    for (const document of documents) {
      const result = analyse(series, document)
      for (const stage of STAGES) {
        const strips = stripsOf(stage, result, {
          ...ALONE,
          inspected: besideOf(stage, result),
        })
        expect(strips.length).toBeGreaterThan(0)
        expect(new Set(strips.map(({ id }) => id)).size).toBe(strips.length)
        for (const strip of strips) expect(rangeOfStrip(strip)).not.toBeNull()
      }
    }
  })

  it('each says its result in one line', () => {
    const lines = linesOf(analyse(series, FORMAT))
    expect(lines).toMatchObject({
      look: '16 quarters, none missing',
      smooth: '2×4; 2 lost at each end',
      season: 'Q3 1.34 · Q4 0.66',
      trend: '+1.23 jobs a quarter; R² 0.08 → 0.99',
    })
    expect(linesOf(analyse(series, documents[1]!)).season).toMatch(
      /^Q3 \+\d+\.\d · Q4 −\d+\.\d jobs$/,
    )
  })
})

describe('shades', () => {
  const palette = { season: '#aa0000', seasonLow: '#0000aa', original: '#111111' } as never
  const row = { component: 'season', baseline: 1 } as never

  it('tell above from below the baseline, and how far', () => {
    const range = rangeOf([0.5, null, 1.2])!
    expect(range).toEqual({ low: 0.5, high: 1.2 })
    expect(cssShade(shadeOf(row, 0.5, range, palette, 1))).toBe('#0000aaff')
    expect(cssShade(shadeOf(row, 1, range, palette, 1))).toBe('#aa000000')
    expect(cssShade(shadeOf(row, 1.25, range, palette, 1))).toBe('#aa000080')
  })

  it('have no range without figures', () => {
    expect(rangeOf([null, null])).toBeNull()
  })
})

describe('file names', () => {
  it.each([
    ['Exterior paint', 'Exterior paint'],
    ['a/b\\c:d*e?"<>|', 'a b c d e'],
    ['../../etc', 'etc'],
    ['   ', 'series'],
    ['x'.repeat(200), 'x'.repeat(80)],
  ])('of %j', (name, file) => {
    expect(fileName(name)).toBe(file)
  })
})

describe('a pinned result in the strips', () => {
  const pinned = analyse(series, { ...FORMAT, decompose: { model: 'multiplicative' } })
  const present = analyse(series, { ...FORMAT, decompose: { model: 'additive' } })
  const layersOf = (ghost: Result | null, stage: Stage) =>
    stripsOf(stage, present, {
      ...ALONE,
      inspected: besideOf(stage, present),
      ghost: ghost && { how: 'pinned', name: 'other', result: ghost },
    }).flatMap(({ layers }) => layers.filter(({ label }) => label === 'pinned'))

  it('is pale, in every strip of components, and nowhere without one', () => {
    expect(layersOf(null, 'season')).toEqual([])
    const layers = layersOf(pinned, 'season')
    expect(layers).toHaveLength(3)
    for (const layer of layers) expect(layer).toMatchObject({ opacity: expect.closeTo(0.38, 6) })
  })

  it('stands on the scale of the present model: what its season adds, in jobs', () => {
    const season = layersOf(pinned, 'season')[1]!
    if (season.kind !== 'series') throw new Error('no series')
    season.points.forEach(({ y }, i) => {
      const { recomposed, trendCycle } = pinned.columns
      if (y !== null) expect(y).toBeCloseTo(recomposed[i]! - trendCycle[i]!, 10)
    })
    expect(season.points.some(({ y }) => y !== null && Math.abs(y) > 5)).toBe(true)
  })
})

describe('methods judged by eye', () => {
  const pinned = [
    {
      how: 'pinned' as const,
      name: 'additive',
      result: analyse(series, { ...FORMAT, decompose: { model: 'additive' } }),
    },
    {
      how: 'pinned' as const,
      name: 'robust loess',
      result: analyse(series, { ...FORMAT, decompose: { by: 'stl' } }),
    },
  ]
  const present = analyse(series, FORMAT)

  it.each(['project', 'check'] as const)('have fit, forecast and limits at %s', (stage) => {
    const [main] = stripsOf(stage, present, { ...ALONE, pinned })
    const lines = main!.layers.filter(({ label }) => label.startsWith('pinned: '))
    expect(lines.map(({ label }) => label)).toEqual(['pinned: additive', 'pinned: robust loess'])
    expect(new Set(lines.map((line) => line.kind === 'series' && line.mark)).size).toBe(2)
    const [additive] = lines
    if (additive?.kind !== 'series') throw new Error('no line')
    expect(additive.points.map(({ y }) => y)).toEqual([
      ...pinned[0]!.result.columns.fitted,
      ...pinned[0]!.result.forecast.forecast,
    ])
    expect(main!.layers.map(({ label }) => label)).toEqual(
      expect.arrayContaining(['sales', 'fitted', 'forecast', '80%, 95% limits']),
    )
  })
})

describe('growth of two kinds', () => {
  it('has its means over the periods that both have', () => {
    const result = analyse(series, FORMAT)
    const inspected = (['periodOnPeriod', 'yearOnYear'] as const).map((rate): Inspected => {
      const beside = { kind: 'growth', rate, on: 'value' } as const
      return { beside, problem: null, column: besideColumn(result, beside) }
    })
    const growth = stripsOf('deseasonalize', result, { ...ALONE, inspected })[1]!
    expect(growth.spans).toBe('means over the 12 periods that all have')
    const onYear = quarters.map((y, i) => (i < 4 ? null : 100 * (y / quarters[i - 4]! - 1)))
    const onQuarter = quarters.map((y, i) => (i < 4 ? null : 100 * (y / quarters[i - 1]! - 1)))
    const mean = (all: (number | null)[]) => all.reduce<number>((sum, y) => sum + (y ?? 0), 0) / 12
    expect(growth.layers.map(({ label }) => label)).toEqual([
      `sales quarter on quarter, mean +${mean(onQuarter).toFixed(1)}%`,
      `sales year on year, mean +${mean(onYear).toFixed(1)}%`,
    ])
  })
})

describe('the summary of a strip', () => {
  it('says where each line begins and ends, its lowest and its highest', () => {
    const [main] = stripsOf('smooth', analyse(series, FORMAT), ALONE)
    expect(stripSummary(main!, { ...ALONE, nameAt: (x) => `t${x}` })).toBe(
      'Sales in jobs. sales: 42.0 in t1 to 48.0 in t16, lowest 39.0 in t4, highest 95.0 in t15. centred average: 56.5 in t3 to 70.6 in t14, lowest 56.5 in t3, highest 70.6 in t14.',
    )
  })
})

describe('the analysed span', () => {
  it('is a word of the sentence, and the periods around it stay in sight', () => {
    const document = { ...FORMAT, span: { from: '2021-Q1' } }
    expect(piecesText(sentenceOf(document).pieces)).toMatch(
      /^Sales of 12 quarters from 2021 Q1 to 2023 Q4 with calendar effects as multiplicative/,
    )
    const outside = [{ x: 4, y: 39 }]
    const [main] = stripsOf('project', analyse(series, document), { ...ALONE, outside })
    expect(main!.layers).toContainEqual(
      expect.objectContaining({ label: 'not analysed', points: outside, opacity: 0.4 }),
    )
  })
})

describe('what strips span', () => {
  const strips = (model: 'multiplicative' | 'additive', oneScale = false) =>
    stripsOf('season', analyse(series, { ...FORMAT, decompose: { model } }), {
      ...ALONE,
      oneScale,
    })

  it('is said in units of the series and as a share of its swing, whatever the model', () => {
    for (const model of ['additive', 'multiplicative'] as const) {
      const [main, season, irregular] = strips(model)
      expect(main!.spans).toMatch(/^spans \d+\.\d, 1\d\d% of the swing of sales$/)
      // Indices of 1.336 and 0.665 at a level of 62 jobs: 41.6 jobs of a swing of 56.
      expect(season!.spans).toMatch(/^spans 4[0-2]\.\d, 7\d% of the swing of sales$/)
      expect(irregular!.spans).toMatch(/^spans [0-9]\.\d, \d\.\d% of the swing of sales$/)
    }
  })

  it('is the same for a pixel on all of them, once they are on one scale', () => {
    const drawn = strips('additive', true)
    const perShare = drawn.map(({ fixed, share }) => (fixed!.high - fixed!.low) / share)
    for (const each of perShare) expect(each / perShare[0]!).toBeCloseTo(1, 10)
    for (const strip of drawn) {
      const range = rangeOfStrip(strip)!
      expect(strip.fixed!.low).toBeLessThanOrEqual(range.low + 1e-9)
      expect(strip.fixed!.high).toBeGreaterThanOrEqual(range.high - 1e-9)
    }
  })
})

describe('figures in the ledger', () => {
  const scale = displayScale([-48_210, 1200], 'jobs')
  const ratio = { measure: 'factor', name: 'seasonalIrregular' } as const

  it('have as many decimals as the longest of the row has room for', () => {
    expect(cellFormat(ratio, [0.9, 1.2], scale, 60).decimals).toBe(3)
    expect(cellFormat(ratio, [0.9, 1.2], scale, 33).decimals).toBe(2)
    expect(cellFormat(ratio, [0.9, 1012.5], scale, 46).decimals).toBe(2)
  })

  it('count the sign, the marks and the room between neighbours', () => {
    const level = { measure: 'level', name: 'value' } as const
    const format = cellFormat(level, [-48_210, 1200], scale, 10)
    expect(figureText(-48_210, format)).toBe('−48.2')
    expect(widestFigure([-48_210, 1200], format)).toBeGreaterThan(
      widestFigure([48_210, 1200], format),
    )
    expect(widestFigure([null], format)).toBe(widestFigure([], format))
  })
})

describe('robust loess in the sentence', () => {
  const words = (decompose: Partial<LoessDocument>) =>
    piecesText(sentenceOf({ ...FORMAT, decompose: { ...decompose, by: 'stl' } }).pieces)

  it('says how its season and trend may change, and what it makes of outliers', () => {
    expect(words({})).toBe(
      'Sales of all 16 quarters with calendar effects as multiplicative, by robust loess, the same season every year, trend over 7 quarters, outliers distrusted; trend a straight line through all 16 quarters; project 4 quarters by decomposition, with 80% and 95% limits of the model.',
    )
    expect(words({ seasonalWindow: 'periodic', robust: false, trendWindow: 9 })).toContain(
      'the same season every year, trend over 9 quarters, every value believed alike',
    )
  })

  it('is one of six ways, and changing the way keeps what is left out', () => {
    const document: MethodDocument = {
      ...FORMAT,
      decompose: { average: 'median', exclude: [{ period: '2021-Q3', reason: 'strike' }] },
    }
    const ways = choicesOf('by', document)
    expect(ways.map(({ text, chosen }) => [text, chosen])).toEqual([
      ['ratio to a 2×4 moving average', true],
      ['robust loess', false],
      ['iterated averages', false],
      ['ratio to trend', false],
      ['simple averages', false],
      ['no season', false],
    ])
    const kept = ways.map(({ change }) =>
      exclusionsOf(completeMethod(changed(document, change), series)),
    )
    expect(kept.map((list) => list.length)).toEqual([1, 1, 0, 1, 1, 0])
  })
})

describe('a yearly series', () => {
  const yearly: Series = {
    ...series,
    calendar: calendarOf('yearly'),
    values: [42, 48, 51, 55, 53, 60, 66, 65, 71, 78, 80, 86],
  }

  it('has no season, and the sentence says so without a word of one', () => {
    expect(piecesText(sentenceOf(FORMAT, yearly).pieces)).toBe(
      'Sales of all 12 years as multiplicative, with no season; smoothed by a 5-term moving average; trend a straight line through all 12 years; project 3 years by decomposition, with 80% and 95% limits of the model.',
    )
    expect(choicesOf('by', FORMAT, yearly).map(({ text }) => text)).toEqual(['no season'])
  })

  it('says its results in one line each', () => {
    expect(linesOf(analyse(yearly, FORMAT))).toMatchObject({
      look: '12 years, none missing',
      smooth: '5-term; 2 lost at each end',
      season: 'none in a yearly series',
      trend: expect.stringMatching(/^\+\d\.\d+ jobs a year; R² 0\.9\d$/) as string,
      check: expect.stringMatching(/^MASE [\d.]+ in the sample$/) as string,
    })
  })

  it('has strips at every stage, none of a season', () => {
    const result = analyse(yearly, FORMAT)
    for (const stage of STAGES) {
      const strips = stripsOf(stage, result, {
        ...ALONE,
        scale: displayScale(yearly.values, 'jobs'),
      })
      expect(strips.map(({ id }) => id)).not.toContain('season')
      expect(strips[0]!.layers.length).toBeGreaterThan(0)
    }
  })
})
