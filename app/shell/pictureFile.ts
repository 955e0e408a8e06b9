import { PX_AN_INCH } from '~~/handover/picture/size'

/**
 * A picture of lines as one of dots: drawn from the very SVG, at a resolution.
 *
 * @param dpi dots an inch; 96 is the size that the SVG says
 * @throws Error where the browser cannot draw as many dots
 */
export async function svgAsPng(svg: string, dpi: number): Promise<Blob> {
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  await image.decode()
  const scale = dpi / PX_AN_INCH
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(image.naturalWidth * scale)
  canvas.height = Math.round(image.naturalHeight * scale)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (!blob) throw new Error('The picture is too large for this browser: take fewer dots an inch.')
  return blob
}
