/** Pixels of which an inch of a picture is written. */
export const PX_AN_INCH = 96
const CM_AN_INCH = 2.54

/** Pixels of a length on paper. @example pixelsOf(16) // 604.7… */
export function pixelsOf(cm: number): number {
  return (cm / CM_AN_INCH) * PX_AN_INCH
}

/** The length of so many pixels on paper, in cm. */
export function centimetresOf(pixels: number): number {
  return (pixels / PX_AN_INCH) * CM_AN_INCH
}
