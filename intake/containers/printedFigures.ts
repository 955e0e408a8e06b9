/** Figures as they are printed in columns: with a sign before or behind, in brackets, in per cent. */
const FIGURE_TEXT = String.raw`[-+(]?[\d.,']*\d[\d.,']*\)?[-%]?`

/** A word that is a figure. */
export const FIGURE = new RegExp(`^${FIGURE_TEXT}$`)

/** A word that is a figure, or stands for one that is not there. */
export const FIGURE_OR_NONE = new RegExp(`^${FIGURE_TEXT}$|^[-–—.]+$|^n/?a$`, 'i')

/** A figure whose thousands spaces part. */
export const FIGURE_IN_GROUPS = /^[-+(]?\d{1,3}(?: \d{3})*(?:[.,]\d+)?\)?[-%]?$/

/** A line that ends with a figure behind a gutter. */
export const FIGURE_LAST = new RegExp(String.raw` {2,}${FIGURE_TEXT}\s*$`)
