import { recall, remember } from '~/storage/browserStorage'
import { LEGENDS, type Legend } from '~~/handover/picture/look'

/** What width and height are counted in. */
export const LENGTH_UNITS = ['cm', 'px'] as const
export type LengthUnit = (typeof LENGTH_UNITS)[number]

/** How pictures are taken; letters in points. */
export interface PictureChoices {
  readonly unit: LengthUnit
  readonly width: number
  readonly height: number
  /** Dots an inch, of PNG. */
  readonly dpi: number
  readonly isBlack: boolean
  readonly legend: Legend
  readonly weight: number
  readonly letters: number
  readonly isEqual: boolean
  /** Whether the periods on the screen alone are shown. */
  readonly isWindow: boolean
  /** Whether it says at its foot where it comes from. */
  readonly hasSource: boolean
}

/** Choices under a name: `For the board, 16 × 9 cm`. */
export interface NamedChoices {
  readonly name: string
  readonly choices: PictureChoices
}

const USUAL: PictureChoices = {
  ...{
    unit: 'cm',
    width: 16,
    height: 12,
    dpi: 150,
    isBlack: false,
    legend: 'above',
    weight: 1,
    letters: 8,
  },
  ...{ isEqual: false, isWindow: false, hasSource: true },
}
const KEY = 'elvant.picture'
const SETS = 'elvant.pictureSets'

/** What was chosen the last time on this machine. */
export function rememberedChoices(): PictureChoices {
  return complete(read(KEY))
}

export function rememberChoices(choices: PictureChoices): void {
  remember(KEY, JSON.stringify(choices))
}

export function rememberedSets(): NamedChoices[] {
  const kept = read(SETS)
  if (!Array.isArray(kept)) return []
  return kept.flatMap((one: Partial<NamedChoices> | null) =>
    typeof one?.name === 'string' ? [{ name: one.name, choices: complete(one.choices) }] : [],
  )
}

/** @returns whether they are there on the next visit, too */
export function rememberSets(sets: readonly NamedChoices[]): boolean {
  return remember(SETS, JSON.stringify(sets))
}

/** What is not there, or is not what it should be, is as usual. */
function complete(kept: unknown): PictureChoices {
  const own = Object(kept) as Record<string, unknown>
  const isSame = (key: keyof PictureChoices) => typeof own[key] === typeof USUAL[key]
  const known = (Object.keys(USUAL) as (keyof PictureChoices)[]).filter(isSame)
  const all = { ...USUAL, ...Object.fromEntries(known.map((key) => [key, own[key]])) }
  const legend = LEGENDS.includes(all.legend) ? all.legend : USUAL.legend
  const unit = LENGTH_UNITS.includes(all.unit) ? all.unit : USUAL.unit
  return { ...all, legend, unit }
}

function read(key: string): unknown {
  try {
    return JSON.parse(recall(key) ?? 'null')
  } catch {
    return null
  }
}
