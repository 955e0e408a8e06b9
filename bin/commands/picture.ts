import { contest } from '../../core/contest/contest'
import { Refusal } from '../../core/refusal'
import type { Result } from '../../core/result'
import type { Series } from '../../core/series/series'
import { STAGES } from '../../core/stage'
import { CORE_FIGURES } from '../../core/words/readersFigures'
import type { Legend, PictureLook } from '../../handover/picture/look'
import { stripsOfStage } from '../../handover/picture/pictureOfResult'
import { pixelsOf, PX_AN_INCH } from '../../handover/picture/size'
import {
  contestSubjects,
  otherSubjects,
  stripSubjects,
  type Subject,
} from '../../handover/picture/subjects'
import { VERSION } from '../../shared/version'
import { today, writeBytes } from '../files'
import { runMethod, type MethodOnSeries } from './runMethod'

export interface PictureOptions extends MethodOnSeries {
  /** A stage, `strip:ID` of the stage that has it, or what is drawn beside the stages. */
  readonly of: string
  readonly size: string
  /** Dots an inch, of PNG. */
  readonly dpi: string
  readonly black?: boolean
  readonly title?: string
  readonly legend?: Legend
  /** How much heavier lines are. */
  readonly weight?: string
  /** Height of the letters in pixels. */
  readonly letters?: string
  /** Ends of the scale. */
  readonly from?: string
  readonly to?: string
  readonly out: string
}

/** Runs a method on a series of a file and draws a stage, one of its strips or another picture, as SVG or PNG by the name of the file. */
export async function picture({ of, dpi, out, ...options }: PictureOptions): Promise<void> {
  const kind = /\.(svg|png)$/i.exec(out)?.[1]!.toLowerCase()
  if (!kind) throw new Refusal(`A picture is written as .svg or .png; ${out} is neither.`, '--out')
  const dots = numberOf(dpi, '--dpi', 'dots an inch', LEAST_DPI, MOST_DPI)
  const look = lookOf(options)
  const { series, result } = runMethod(options)
  const subject = subjectAsked(of, series, result)
  const least = subject.least(look)
  if (look.height < least.height || look.width < least.width) {
    throw new Refusal(
      `${subject.title} takes ${Math.ceil(least.width)} × ${Math.ceil(least.height)} pixels at the least; ${options.size} has ${look.width} × ${look.height}.`,
      '--size',
    )
  }
  const said = {
    title: options.title ?? result.series.name,
    source: `Elvant ${VERSION}, ${today()}`,
  }
  const svg = subject.svg(said, look)
  if (kind === 'svg') return writeBytes(out, new TextEncoder().encode(svg))
  const { rasterised } = await import('../../handover/picture/rasterise')
  // Of pixels that were asked for there are as many, and no more.
  writeBytes(out, rasterised(svg, /px$/i.test(options.size) ? PX_AN_INCH : dots))
}

/** What is asked for by its name; a contest is held for it alone. */
function subjectAsked(of: string, series: Series, result: Result): Subject {
  const ofStages = STAGES.flatMap((stage) =>
    stripSubjects(result, CORE_FIGURES, {
      stage: { id: stage, title: stage },
      strips: stripsOfStage(result, stage, CORE_FIGURES),
    }),
  )
  const all = [...ofStages, ...otherSubjects(result, CORE_FIGURES)]
  const found = all.find(({ id }) => id === of)
  if (found) return found
  if (of === 'contest') {
    const [held] = contestSubjects(result, CORE_FIGURES, contest(series, result.method))
    if (held) return held
    throw new Refusal('All methods of the contest are refused on this series.', '--of')
  }
  const ids = [...new Set(all.map(({ id }) => id)), 'contest']
  throw new Refusal(`There is no picture of ${of}. Take ${ids.join(', ')}.`, '--of')
}

const MOST_PX = 10_000
const LEAST_DPI = 72
const MOST_DPI = 600

/** @throws Refusal for what is no size, weight, height or end */
function lookOf(
  options: Pick<PictureOptions, 'size' | 'black' | 'legend' | 'weight' | 'letters' | 'from' | 'to'>,
): PictureLook {
  const { black = false, legend, weight, letters, from, to } = options
  const end = (text: string | undefined, where: string) =>
    text === undefined ? null : numberOf(text, where, 'end of the scale', -Infinity, Infinity)
  return {
    ...sizeOf(options.size),
    isBlack: black,
    ...(legend ? { legend } : {}),
    ...(weight
      ? { weight: numberOf(weight, '--weight', 'times the weight of lines', 0.5, 4) }
      : {}),
    ...(letters ? { letters: numberOf(letters, '--letters', 'pixels of letters', 7, 40) } : {}),
    scale: { low: end(from, '--from'), high: end(to, '--to') },
  }
}

/** @throws Refusal for a size that is none */
function sizeOf(text: string): Pick<PictureLook, 'width' | 'height'> {
  const [, width, height, unit] = /^([\d.]+)x([\d.]+)(cm|px)$/i.exec(text) ?? []
  const pixels = (length: string | undefined) =>
    unit?.toLowerCase() === 'cm' ? pixelsOf(Number(length)) : Number(length)
  const size = { width: pixels(width), height: pixels(height) }
  if (size.width >= 200 && size.height >= 100 && Math.max(size.width, size.height) <= MOST_PX) {
    return { width: Math.round(size.width), height: Math.round(size.height) }
  }
  throw new Refusal(
    `A size is written 16x9cm or 1200x700px, from 200 × 100 to ${MOST_PX} pixels; ${text} is not.`,
    '--size',
  )
}

/** @throws Refusal for what is no number, or lies outside */
function numberOf(text: string, where: string, what: string, least: number, most: number): number {
  const value = text.trim() === '' ? NaN : Number(text)
  if (value >= least && value <= most && Number.isFinite(value)) return value
  const range = Number.isFinite(least) ? `${least} to ${most} ${what}` : `a number, as ${what}`
  throw new Refusal(`Give ${range}; ${text} is not.`, where)
}
