/** Pixels left of the shared axis, where strips and rows are named. Also the style token `--gutter`. */
export const GUTTER = 164
