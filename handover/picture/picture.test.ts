import { SaxesParser } from 'saxes'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { calendarOf } from '../../core/calendar/calendar'
import type { MethodDocument } from '../../core/method'
import { cellValue } from '../../core/ledger/ledger'
import { averagesPicture } from '../../core/picture/drawn/averages'
import { drawLayers } from '../../core/picture/draw/layers'
import type { Pen } from '../../core/picture/draw/canvas'
import type { Series } from '../../core/series/series'
import { STAGES } from '../../core/stage'
import { CORE_FIGURES } from '../../core/words/readersFigures'
import { PAPER } from './palettes'
import { pictureAsSvg } from './picture'
import type { PictureLook } from './look'
import { pictureOfDrawn, pictureOfResult, stripsOfStage } from './pictureOfResult'
import { scalesOf } from './scales'
import { otherSubjects, stripSubjects } from './subjects'
import { SvgPen } from './svgPen'

const months: Series = {
  ...{ name: 'Varnish <&"> "gloss"', unit: 'litres', calendar: calendarOf('monthly') },
  start: { cycle: 2016, season: 3 },
  values: Array.from(
    { length: 96 },
    (_, i) => (1000 + 6 * i) * (1 + 0.2 * Math.cos(i / 1.91)) * (1 + 0.03 * Math.sin(i * i)),
  ),
}
const METHODS: readonly MethodDocument['forecast'][] = [
  undefined,
  { by: 'regression' },
  { by: 'smoothing', initial: 'rule' },
]
const resultBy = (forecast: MethodDocument['forecast']) =>
  analyse(months, { format: 'elvant-method/1', ...(forecast ? { forecast } : {}) })

/** A canvas as far as strips draw on one: it counts what is put on it. */
function counting() {
  const marks = { path: 0, rect: 0, text: 0 }
  let hasPath = false
  const draws = (kind: keyof typeof marks) => () => {
    if (kind !== 'path' || hasPath) marks[kind] += 1
  }
  const goes = () => {
    hasPath = true
  }
  const pen = {
    ...{
      fillStyle: '',
      strokeStyle: '',
      lineWidth: 1,
      lineJoin: 'miter',
      lineCap: 'butt',
      font: '',
    },
    ...{ textAlign: 'left', textBaseline: 'middle', setLineDash: () => {}, closePath: () => {} },
    beginPath: () => {
      hasPath = false
    },
    ...{ moveTo: goes, lineTo: goes, arc: goes, rect: goes },
    ...{ fill: draws('path'), stroke: draws('path'), fillRect: draws('rect') },
    ...{ fillText: draws('text'), strokeText: draws('text') },
    measureText: (text: string) => ({ width: text.length * 6.6 }),
  } as unknown as Pen
  return { pen, marks }
}

describe.each(METHODS)('the strips of a forecast %j', (forecast) => {
  const result = resultBy(forecast)
  it.each(STAGES)('at %s have the same marks in lines as on a canvas', (stage) => {
    const strips = stripsOfStage(result, stage, CORE_FIGURES)
    expect(strips.length).toBeGreaterThan(0)
    for (const strip of strips) {
      const place = {
        ...{ strip, palette: PAPER, axis: { from: 0.5, to: 108.5, width: 1000 } },
        ...{ top: 0, bottom: 200, x: (t: number) => 9 * t, y: (value: number) => 200 - value / 10 },
      }
      const canvas = counting()
      drawLayers({ ...place, context: canvas.pen })
      const lines = new SvgPen('sans-serif', PAPER)
      drawLayers({ ...place, context: lines })
      const counted = (kind: string) => lines.marks.split(`<${kind} `).length - 1
      expect({ path: counted('path'), rect: counted('rect'), text: counted('text') }).toEqual(
        canvas.marks,
      )
    }
  })
})

describe('a picture', () => {
  const result = resultBy(undefined)
  const svgOf = (width: number, height: number, isBlack = false) =>
    pictureAsSvg(
      pictureOfResult(result, stripsOfStage(result, 'project', CORE_FIGURES), CORE_FIGURES, {
        ...{ title: result.series.name, source: 'Elvant' },
      }),
      { width, height, isBlack },
    )

  it('is well-formed whatever the series is called, and has its text as text', () => {
    const svg = svgOf(600, 400)
    const texts: string[] = []
    const parser = new SaxesParser()
    parser.on('error', (error) => {
      throw error
    })
    parser.on('text', (text) => texts.push(text))
    parser.write(svg).close()
    expect(texts).toContain(months.name)
    expect(texts).toEqual(
      expect.arrayContaining([
        'Forecast, litres',
        'Forecast',
        'litres',
        '80%, 95% limits',
        'Elvant',
      ]),
    )
    expect(svg).not.toMatch(/NaN|Infinity|undefined/)
  })

  it('is as large as it is asked for, and says the same at any size', () => {
    expect(svgOf(600, 400)).toMatch(/width="600" height="400" viewBox="0 0 600 400"/)
    expect(svgOf(1800, 900)).toMatch(/width="1800" height="900"/)
    // Wide enough, months are named under their columns.
    expect(svgOf(6000, 900)).toContain('>Aug<')
    expect(svgOf(600, 400)).not.toContain('>Aug<')
  })

  it('is drawn in one ink where colours cannot be printed', () => {
    const coloursOf = (svg: string) =>
      new Set([...svg.matchAll(/(?:fill|stroke)="(#[0-9a-f]{6})"/gi)].map(([, colour]) => colour))
    const isGrey = (colour: string) => colour.slice(1, 3) === colour.slice(3, 5)
    expect([...coloursOf(svgOf(600, 400))].some((colour) => !isGrey(colour!))).toBe(true)
    expect([...coloursOf(svgOf(600, 400, true))].every((colour) => isGrey(colour!))).toBe(true)
  })

  const projected = (look: Partial<PictureLook>, ...ids: string[]) => {
    const strips = stripsOfStage(result, 'project', CORE_FIGURES)
    const own = ids.length === 0 ? strips : strips.filter(({ id }) => ids.includes(id))
    const of = pictureOfResult(result, own, CORE_FIGURES, { title: 'A', source: 'B' })
    return pictureAsSvg(of, { width: 700, height: 420, ...look })
  }
  const textsOf = (svg: string) => [...svg.matchAll(/<text[^>]*>([^<]*)</g)].map(([, text]) => text)

  it('names its lines above, at the right or not at all', () => {
    const named = '80%, 95% limits'
    const xOfName = (svg: string) =>
      Number(new RegExp(`<text x="([\\d.]+)"[^>]*>${named}<`).exec(svg)![1])
    expect(xOfName(projected({ legend: 'right' }))).toBeGreaterThan(500)
    expect(xOfName(projected({ legend: 'above' }))).toBeLessThan(500)
    expect(textsOf(projected({ legend: 'none' }))).not.toContain(named)
  })

  it('has lines and letters as heavy and as large as they are asked for, and rules as fine as ever', () => {
    const widths = (svg: string) =>
      new Set([...svg.matchAll(/stroke-width="([\d.]+)"/g)].map(([, width]) => Number(width)))
    const [usual, heavy] = [widths(projected({})), widths(projected({ weight: 2 }))]
    expect(Math.max(...heavy)).toBeCloseTo(2 * Math.max(...usual), 1)
    expect(heavy).toContain(1)
    expect(projected({ letters: 14 })).toContain('font-size="14"')
  })

  it('has the scale that was set by hand, and marks what lies beyond it', () => {
    const scale = { low: 0.9, high: 1.2 }
    const marks = (svg: string) => svg.split('<path ').length
    const set = projected({ scale }, 'main')
    expect(textsOf(set)).toEqual(expect.arrayContaining(['0.9', '1.2']))
    expect(marks(set)).toBeGreaterThan(marks(projected({}, 'main')))
    // Ends that leave nothing between them are not taken.
    expect(projected({ scale: { low: 5, high: 2 } }, 'main')).toBe(projected({}, 'main'))
  })

  it('has one scale for all strips of one unit where it is asked to', () => {
    const of = pictureOfDrawn(result, averagesPicture(result), CORE_FIGURES, {
      title: '',
      source: '',
    })
    const loose = { ...of, strips: of.strips.map((strip) => ({ ...strip, fixed: undefined })) }
    const tops = (isEqual: boolean) =>
      scalesOf(loose.strips, { isEqual }, loose.scale).map(({ high }) => high)
    expect(new Set(tops(true)).size).toBe(1)
    const [level, growth] = stripsOfStage(result, 'deseasonalize', CORE_FIGURES)
    const apart = scalesOf([level!, growth!], { isEqual: true }, loose.scale)
    expect(apart[0]!.high).not.toBe(apart[1]!.high)
  })

  it('has level and growth in one frame, each with a scale at its own side', () => {
    const strips = stripsOfStage(result, 'deseasonalize', CORE_FIGURES)
    const [both] = stripSubjects(result, CORE_FIGURES, {
      ...{ strips, stage: { id: 'deseasonalize', title: '' } },
    }).filter(({ id }) => id === 'level-and-growth')
    const svg = both!.svg({ title: '', source: '' }, { width: 700, height: 420 })
    expect(svg.match(/data-strip="/g)).toHaveLength(2)
    const [, percent] = /<text x="([\d.]+)"[^>]*text-anchor="start"[^>]*>[−\d.]+%</.exec(svg)!
    expect(Number(percent)).toBeGreaterThan(600)
    expect(textsOf(svg).some((text) => text!.startsWith('growth of '))).toBe(true)
  })

  it('of everything that there is can be drawn at its least size', () => {
    const subjects = otherSubjects(result, CORE_FIGURES)
    expect(subjects.map(({ id }) => id)).toEqual([
      ...['fold', 'grid', 'averages', 'correlation', 'histogram', 'scatter'],
    ])
    for (const subject of subjects) {
      const least = subject.least({})
      const size = { width: Math.ceil(least.width), height: Math.ceil(least.height) }
      const svg = subject.svg({ title: 'A <b>', source: 'B' }, size)
      expect(svg, subject.id).not.toMatch(/NaN|Infinity|undefined|<b>/)
      expect(textsOf(svg), subject.id).toContain('A &lt;b&gt;')
    }
    const grid = subjects.find(({ id }) => id === 'grid')!
    const figures = textsOf(grid.svg({ title: '', source: '' }, { width: 800, height: 500 }))
    const ratios = result.columns.t.filter(
      (t) => cellValue(result, { column: 'seasonalIrregular', t }) !== null,
    )
    expect(figures.filter((text) => /^\d\.\d\d$/.test(text!))).toHaveLength(ratios.length)
  })

  it('cuts off what lies beyond the scale without a name that others on a page could have', () => {
    expect(svgOf(600, 400)).not.toMatch(/ id=/)
  })
})
