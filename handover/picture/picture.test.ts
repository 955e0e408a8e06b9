import { SaxesParser } from 'saxes'
import { describe, expect, it } from 'vitest'
import { analyse } from '../../core/analyse'
import { calendarOf } from '../../core/calendar/calendar'
import type { MethodDocument } from '../../core/method'
import { drawLayers } from '../../core/picture/draw/layers'
import type { Pen } from '../../core/picture/draw/canvas'
import type { Series } from '../../core/series/series'
import { STAGES } from '../../core/stage'
import { CORE_FIGURES } from '../../core/words/readersFigures'
import { PAPER } from './palettes'
import { pictureAsSvg } from './picture'
import { pictureOfResult, stripsOfStage } from './pictureOfResult'
import { SvgPen } from './svgPen'

const months: Series = {
  ...{ name: 'Varnish <&"> "gloss"', unit: 'litres', calendar: calendarOf('monthly') },
  start: { year: 2016, season: 3 },
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

  it('cuts off what lies beyond the scale without a name that others on a page could have', () => {
    expect(svgOf(600, 400)).not.toMatch(/ id=/)
  })
})
