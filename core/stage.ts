/** The stages of the work, in their order. */
export const STAGES = [
  'look',
  'smooth',
  'season',
  'deseasonalize',
  'trend',
  'project',
  'check',
] as const
export type Stage = (typeof STAGES)[number]
