import { createRequire } from 'node:module'
import { Resvg } from '@resvg/resvg-js'
import { PX_AN_INCH } from './size'

const TYPES = ['400Regular/Inter_400Regular.ttf', '600SemiBold/Inter_600SemiBold.ttf'] as const

/**
 * A picture of lines as one of dots: the same marks, by letters that come with Elvant and not with the machine.
 *
 * @param svg as it is saved
 * @param dpi dots an inch; 96 is the size that the SVG says
 * @returns the bytes of a PNG
 */
export function rasterised(svg: string, dpi: number): Uint8Array {
  const found = createRequire(import.meta.url)
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'zoom', value: dpi / PX_AN_INCH },
    font: {
      loadSystemFonts: false,
      fontFiles: TYPES.map((name) => found.resolve(`@expo-google-fonts/inter/${name}`)),
      defaultFontFamily: 'Inter',
    },
  })
  return drawn.render().asPng()
}
