import { Refusal } from '../../core/refusal'
import { STAGES, type Stage } from '../../core/stage'
import { CORE_FIGURES } from '../../core/words/readersFigures'
import { leastHeight, pictureAsSvg, type PictureSize } from '../../handover/picture/picture'
import { pictureOfResult, stripsOfStage } from '../../handover/picture/pictureOfResult'
import { pixelsOf } from '../../handover/picture/size'
import { VERSION } from '../../shared/version'
import { today, writeBytes } from '../files'
import { runMethod, type MethodOnSeries } from './runMethod'

export interface PictureOptions extends MethodOnSeries {
  /** A stage, or `strip:ID` of the stage that has it. */
  readonly of: string
  readonly size: string
  /** Dots an inch, of PNG. */
  readonly dpi: string
  readonly black?: boolean
  readonly out: string
}

/** Runs a method on a series of a file and draws a stage, or one of its strips, as SVG or PNG by the name of the file. */
export async function picture({ of, size, dpi, out, ...options }: PictureOptions): Promise<void> {
  const kind = /\.(svg|png)$/i.exec(out)?.[1]!.toLowerCase()
  if (!kind) throw new Refusal(`A picture is written as .svg or .png; ${out} is neither.`, '--out')
  const dots = dotsOf(dpi)
  const asked = sizeOf(size)
  const { result } = runMethod(options)
  const strips = stripsAsked(of, (stage) => stripsOfStage(result, stage, CORE_FIGURES))
  if (asked.height < leastHeight(strips)) {
    throw new Refusal(
      `${strips.length === 1 ? 'One strip takes' : `${strips.length} strips take`} ${leastHeight(strips)} pixels in height at the least; ${size} has ${Math.round(asked.height)}.`,
      '--size',
    )
  }
  const { name } = result.series
  const svg = pictureAsSvg(
    pictureOfResult(result, strips, CORE_FIGURES, {
      title: name,
      source: `Elvant ${VERSION}, ${today()}`,
    }),
    { ...asked, isBlack: options.black === true },
  )
  if (kind === 'svg') return writeBytes(out, new TextEncoder().encode(svg))
  const { rasterised } = await import('../../handover/picture/rasterise')
  writeBytes(out, rasterised(svg, dots))
}

/** The strips of a stage; of `strip:ID` the first of any stage that is called so. */
function stripsAsked(of: string, stripsAt: (stage: Stage) => ReturnType<typeof stripsOfStage>) {
  const stage = STAGES.find((one) => one === of)
  if (stage) return stripsAt(stage)
  const all = STAGES.flatMap(stripsAt)
  const ids = [...new Set(all.map(({ id }) => id))]
  const strip = all.find(({ id }) => of === `strip:${id}`)
  if (strip) return [strip]
  throw new Refusal(
    `There is no picture of ${of}. Take ${STAGES.join(', ')}, or strip: with ${ids.join(', ')}.`,
    '--of',
  )
}

const MOST_PX = 10_000

/** @throws Refusal for a size that is none */
function sizeOf(text: string): PictureSize {
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

const LEAST_DPI = 72
const MOST_DPI = 600

/** @throws Refusal for a resolution that is none */
function dotsOf(text: string): number {
  const dpi = Number(text)
  if (dpi >= LEAST_DPI && dpi <= MOST_DPI) return dpi
  throw new Refusal(
    `A resolution is ${LEAST_DPI} to ${MOST_DPI} dots an inch; ${text} is not.`,
    '--dpi',
  )
}
