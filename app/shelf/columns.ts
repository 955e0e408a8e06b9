import { compareUrgency } from '~~/core/catalogue/attention'
import { formatChange, formatDecimals, formatFigure } from '~/figures/format'
import { recall, remember } from '~/storage/browserStorage'
import type { ShelfRow } from '~~/shared/api/series'
import { changeOnYear } from './changeOnYear'

/** The columns of the shelf, in their order: those that it has always, and those that can be chosen. */
export const COLUMN_KEYS = [
  ...(['name', 'urgency', 'group', 'span', 'last', 'change'] as const),
  ...(['off', 'ahead', 'against'] as const),
]
export type ColumnKey = (typeof COLUMN_KEYS)[number]

/** What a column is called, how it is ordered, and what it says where that is a figure with a line below. */
export interface ShelfColumn {
  readonly key: ColumnKey
  readonly label: string
  readonly number?: true
  /** Left out by whoever does not need it; the name cannot be. */
  readonly canLeave?: true
  /** Largest first, when it is ordered by for the first time. */
  readonly descends?: true
  /** What it is ordered by, and can be limited to; null where it is not known. */
  readonly value?: (row: ShelfRow) => number | null
  /** Of that figure. */
  readonly unit?: '%'
  readonly compare: (a: ShelfRow, b: ShelfRow) => number
  /** The figure and what stands below it; null where it is not known. */
  readonly figure?: (row: ShelfRow) => readonly [string, string] | null
}

/** Made once: to make it for each of a hundred thousand comparisons takes ten times as long. */
const ORDER = new Intl.Collator()

export function byName(a: ShelfRow, b: ShelfRow): number {
  return ORDER.compare(a.name, b.name)
}

/** Ordered and limited by a figure; whoever has none is below all that have one. */
function by(figure: (row: ShelfRow) => number | null | undefined) {
  return {
    ...({ number: true, canLeave: true, descends: true } as const),
    value: (row: ShelfRow) => figure(row) ?? null,
    compare: (a: ShelfRow, b: ShelfRow) => (figure(a) ?? -Infinity) - (figure(b) ?? -Infinity) || 0,
  }
}

export const COLUMNS: Readonly<Record<ColumnKey, ShelfColumn>> = {
  name: { key: 'name', label: 'Series', compare: byName },
  urgency: { key: 'urgency', label: 'Look at', compare: byUrgencyOfRow },
  group: {
    ...{ key: 'group', label: 'Group', canLeave: true },
    compare: (a, b) => ORDER.compare(a.group, b.group),
  },
  span: {
    ...{ key: 'span', label: 'Span', canLeave: true },
    compare: (a, b) => ORDER.compare(a.start, b.start) || a.periods - b.periods,
  },
  last: {
    ...{ key: 'last', label: 'Last value' },
    ...by(({ last }) => last?.value),
  },
  change: {
    ...{ key: 'change', label: 'On the year before' },
    ...by((row) => changeOnYear(row)?.by),
  },
  off: {
    ...{ key: 'off', label: 'Off by', unit: '%' },
    ...by(({ worked }) => worked?.offBy),
    figure: ({ worked }) => {
      if (!worked || worked.offBy === null) return null
      const other = worked.benchmarkBy
      return [
        `${formatDecimals(worked.offBy, 1)}%`,
        other === null ? '' : `without method ${formatDecimals(other, 1)}%`,
      ]
    },
  },
  ahead: {
    ...{ key: 'ahead', label: 'Forecast on last', unit: '%' },
    ...by(({ worked }) => worked?.change),
    figure: ({ worked }) => {
      if (!worked || worked.ahead === null) return null
      return [
        worked.change === null ? '–' : formatChange(worked.change),
        `${formatFigure(worked.ahead)} ahead`,
      ]
    },
  },
  against: {
    ...{ key: 'against', label: 'Last on its forecast', unit: '%' },
    ...by(({ worked }) => worked?.against?.percent),
    figure: ({ worked }) => {
      if (!worked?.against) return null
      const { percent, isWithin, forecast } = worked.against
      const within = isWithin === null ? '' : isWithin ? ', within limits' : ', outside limits'
      return [percent === null ? '–' : formatChange(percent), `${formatFigure(forecast)}${within}`]
    },
  },
}

function byUrgencyOfRow(a: ShelfRow, b: ShelfRow): number {
  return compareUrgency(
    { attention: a.worked?.attention ?? [] },
    { attention: b.worked?.attention ?? [] },
  )
}

/** What the shelf shows until somebody says otherwise. */
const USUAL: readonly ColumnKey[] = ['group', 'span', 'last', 'change']
const KEY = 'elvant.shelf.columns'

/** The columns that were chosen when the shelf was last seen here; what is no column is passed over. */
export function chosenColumns(): ReadonlySet<ColumnKey> {
  const kept = recall(KEY)
  if (kept === null) return new Set(USUAL)
  const names = kept.split(' ')
  return new Set(COLUMN_KEYS.filter((key) => COLUMNS[key].canLeave && names.includes(key)))
}

export function keepColumns(chosen: ReadonlySet<ColumnKey>): void {
  remember(KEY, [...chosen].join(' '))
}

/** Where the figure of a column must lie to be shown, both ends included; null for an end that is open. */
export interface Limits {
  readonly from: number | null
  readonly to: number | null
}
export type ColumnLimits = ReadonlyMap<ColumnKey, Limits>

/** Whether a row lies within the limits of every column; what has no figure lies within none. */
export function liesWithin(row: ShelfRow, limits: ColumnLimits): boolean {
  for (const [key, { from, to }] of limits) {
    const value = COLUMNS[key].value!(row)
    if (value === null || (from !== null && value < from) || (to !== null && value > to)) {
      return false
    }
  }
  return true
}

/** `Off by 20% or more`, `Last value 0 to 10` */
export function limitsSay(key: ColumnKey, { from, to }: Limits): string {
  const { label, unit = '' } = COLUMNS[key]
  const figure = (value: number) => `${formatFigure(value)}${unit}`
  if (from === null) return `${label} ${figure(to!)} or less`
  return to === null
    ? `${label} ${figure(from)} or more`
    : `${label} ${figure(from)} to ${figure(to)}`
}
