import type { Stage } from '../stage'
import type { Value } from '../series/series'
import type { Expression } from './expression'

/** The part of the series a column belongs to: it decides the colour. */
export type Component =
  'original' | 'trendCycle' | 'season' | 'irregular' | 'deseasonalized' | 'forecast'

/** How a column is drawn. A component is known by its mark as well as by its colour. */
export type Mark =
  | 'line-points'
  | 'line-thick'
  | 'line-thin'
  | 'line-dotted'
  | 'line-dashed'
  | 'bars'
  | 'stems'
  | 'rings'
  | 'dots'
  | 'peaks'
  | 'troughs'

/**
 * What the figures of a column are: a level in the unit of the series; a difference in that unit, around 0;
 * a factor around 1; per cent, around 0; a share from 0 to 1; a count, or any number, without a unit.
 */
export type Measure = 'level' | 'difference' | 'factor' | 'percent' | 'share' | 'count' | 'number'

/** What each measure is read against; null for a level. */
const BASELINE: Readonly<Record<Measure, 0 | 1 | null>> = {
  level: null,
  difference: 0,
  factor: 1,
  percent: 0,
  share: 1,
  count: null,
  number: null,
}

/** Columns that are many and alike, or steps within a step: folded away together until they are asked for. */
export interface ColumnGroup {
  readonly name: string
  /** Behind how many they are: `of the regression`. */
  readonly label: string
}

/** The strip that a column is drawn in by itself, where a stage asks for it. */
export interface StripOf {
  /** What a stage asks for: `season`, `state`; columns that are alike have the same. */
  readonly id: string
  readonly title: string
  /** Of the height of all strips. */
  readonly share: number
  /** Of its line. */
  readonly label: string
  /** Names of the columns that are drawn with it. */
  readonly under?: readonly string[]
}

/** One step of the calculation with everything that can be asked of it. Made for one result. */
export interface Column {
  /** Compared, never taken apart. */
  readonly name: string
  readonly label: string
  /** How its figures are made, or what they count, in a few words. */
  readonly means: string
  /** The same where there is more room. */
  readonly explains: string
  /** What it is called in a formula. */
  readonly symbol: string
  readonly measure: Measure
  /** `litres`, `factor`, `%`, `from 0 to 1` */
  readonly unit: string
  /** What a factor or difference is read against; null for a level. */
  readonly baseline: 0 | 1 | null
  readonly component: Component
  readonly mark: Mark
  /** Periods to the right of its time code at which a cell stands: a half for averages between two. */
  readonly offset: number
  /** What it is folded away with; null stands alone. */
  readonly group: ColumnGroup | null
  /** The strip of its own; null for what is drawn over others, or not at all. */
  readonly strip: StripOf | null
  /** The stages that show it. */
  readonly stages: readonly Stage[]
  /** Over the analysed span, one entry a period; null when it has no figures there. */
  readonly actual: readonly Value[] | null
  /** Over the forecast; null likewise. */
  readonly ahead: readonly Value[] | null
  /** The arithmetic of a defined cell. */
  arithmetic(t: number): Expression
  /** What there is to say of a cell beside its arithmetic, in one sentence; left out by most. */
  readonly reading?: (t: number) => string | null
  /** Why a cell of the analysed span is empty, in one sentence. */
  whyUndefined(t: number): string
}

/** What a column says of itself; the rest follows. */
export type Declaration = Pick<
  Column,
  'name' | 'label' | 'means' | 'measure' | 'component' | 'mark' | 'stages' | 'arithmetic'
> &
  Partial<
    Pick<
      Column,
      | 'explains'
      | 'symbol'
      | 'offset'
      | 'group'
      | 'strip'
      | 'actual'
      | 'ahead'
      | 'reading'
      | 'whyUndefined'
    >
  >

/**
 * A column from what it says of itself.
 *
 * @param unit of the series
 */
export function declare(unit: string, declaration: Declaration): Column {
  const { measure, label, means } = declaration
  return {
    explains: means,
    symbol: label.toLowerCase(),
    offset: 0,
    group: null,
    strip: null,
    actual: null,
    ahead: null,
    whyUndefined: () => 'This period has no value.',
    ...declaration,
    unit: unitOf(measure, unit),
    baseline: BASELINE[measure],
  }
}

function unitOf(measure: Measure, unit: string): string {
  switch (measure) {
    case 'level':
    case 'difference':
      return unit
    case 'factor':
      return 'factor'
    case 'percent':
      return '%'
    case 'share':
      return 'from 0 to 1'
    case 'count':
    case 'number':
      return ''
  }
}
