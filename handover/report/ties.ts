import type { Cell } from '../../core/column/cell'
import { axisOf } from '../../core/calendar/axis'
import { ledgerOf } from '../../core/ledger/ledger'
import { decimalsOfRows } from '../../core/ledger/table'
import type { Result } from '../../core/result'
import { displayScale } from '../../core/words/displayScale'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { PLACES, type Place, type ReportChoices } from './choices'
import { html, type Content, type Markup } from './markup'
import {
  stretchAhead,
  stretchesOf,
  totalFigure,
  valueOf,
  writtenTotal,
  type StretchTotal,
} from './totals'
import type { Workings } from './workings'

/**
 * A number within a paragraph of the analyst's that is tied to a figure of the study: `[48,210 = forecast: 2026-05]`,
 * `[573,000 = total: 2026]`, `[+3.1% = change: ahead]`.
 */
export interface Tie {
  /** The number as the analyst wrote it, or had it put in. */
  readonly text: string
  /** A column of the ledger by its name, `total` or `change`. */
  readonly of: string
  /** The code of a period; of a total its label, or `ahead` for the year ahead. */
  readonly at: string
}

/** The year ahead, where a total says of which stretch it is. */
export const AHEAD = 'ahead'

const TIES = /\[([^[\]=]+) = ([^[\]\s]+): ([^[\]]+)\]/g

/** A tie as it stands in a paragraph. */
export function tieText({ text, of, at }: Tie): string {
  return `[${text} = ${of}: ${at}]`
}

/** A paragraph taken apart into its text and its ties. */
export function piecesOf(paragraph: string): (string | Tie)[] {
  const pieces: (string | Tie)[] = []
  let done = 0
  for (const match of paragraph.matchAll(TIES)) {
    pieces.push(paragraph.slice(done, match.index))
    const [whole, text, of, at] = match as unknown as [string, string, string, string]
    pieces.push({ text, of, at })
    done = match.index + whole.length
  }
  return [...pieces, paragraph.slice(done)].filter((piece) => piece !== '')
}

/** What a tie is tied to now. */
type Tied =
  | { readonly kind: 'cell'; readonly cell: Cell; readonly value: number; readonly now: string }
  | {
      readonly kind: 'total'
      readonly stretch: StretchTotal
      readonly which: 'own' | 'change'
      readonly value: number
      readonly now: string
    }

/** @returns null where the study has no such figure any more */
function tiedTo(result: Result, says: ReadersFigures, { of, at }: Tie): Tied | null {
  if (of === 'total' || of === 'change') {
    const which = of === 'total' ? 'own' : 'change'
    const all = [...stretchesOf(result, 'year'), ...stretchesOf(result, 'quarter')]
    const stretch = at === AHEAD ? stretchAhead(result) : all.find(({ label }) => label === at)
    const value = stretch ? valueOf(stretch.arithmetic[which]) : null
    if (!stretch || value === null) return null
    return { kind: 'total', stretch, which, value, now: writtenTotal(result, says, which, value) }
  }
  const { find, run } = ledgerOf(result)
  const column = find(of)
  const t = axisOf(run).tOfCode(at)
  const value = column && t !== null ? run.value(of, t) : null
  if (!column || t === null || value === null) return null
  const now = says.decimals(value, decimalsOfRows(result)(column))
  return { kind: 'cell', cell: { column: of, t }, value, now }
}

/**
 * Whether a number that was written is still what a figure rounds to, in the decimals that it was written with: in units, or
 * in what the series is shown in.
 */
function isStill(text: string, value: number, result: Result, says: ReadersFigures): boolean {
  const mark = says.decimals(0.5, 1).charAt(1)
  const digits = text.replace(/[^\d.,’'\s]/g, '').trim()
  const decimals = digits.includes(mark) ? digits.length - digits.lastIndexOf(mark) - 1 : 0
  const sign = /^\s*[-−]/.test(text) ? -1 : 1
  const { divisor } = displayScale(result.columns.value, result.series.unit)
  const plain = (written: string) => written.replace(/[^\d]/g, '')
  return [1, divisor].some((scale) => {
    const shown = says.decimals(value / scale, decimals)
    const isNothing = !/[1-9]/.test(shown)
    return plain(shown) === plain(digits) && (isNothing || Math.sign(value) === sign)
  })
}

/** A tied number that no longer holds, and what it is now; null where there is no such figure any more. */
export interface Loose {
  readonly place: Place
  readonly tie: Tie
  readonly now: string | null
}

/** The tied numbers of all paragraphs that no longer hold. */
export function looseTies(
  result: Result,
  says: ReadersFigures,
  { paragraphs }: ReportChoices,
): Loose[] {
  return PLACES.flatMap((place) =>
    piecesOf(paragraphs[place] ?? '').flatMap((tie): Loose[] => {
      if (typeof tie === 'string') return []
      const tied = tiedTo(result, says, tie)
      if (tied && isStill(tie.text, tied.value, result, says)) return []
      return [{ place, tie, now: tied?.now ?? null }]
    }),
  )
}

/** The same paragraphs with the present figures in place of those that no longer hold; what is gone stays as it was written. */
export function tiedAnew(
  result: Result,
  says: ReadersFigures,
  choices: ReportChoices,
): ReportChoices {
  const paragraphs = { ...choices.paragraphs }
  for (const { place, tie, now } of looseTies(result, says, choices)) {
    if (now === null) continue
    paragraphs[place] = paragraphs[place]!.replaceAll(tieText(tie), tieText({ ...tie, text: now }))
  }
  return { ...choices, paragraphs }
}

/** The analyst's own words: an empty line parts paragraphs, tied numbers open their working, those that no longer hold say so. */
export function ownWords(workings: Workings, paragraph: string): Markup | null {
  const paragraphs = paragraph.split(/\n\s*\n/).filter((text) => text.trim() !== '')
  if (paragraphs.length === 0) return null
  const written = paragraphs.map(
    (text) => html`<p>${piecesOf(text.trim()).map((piece) => ownPiece(workings, piece))}</p>`,
  )
  return html`<div class="own">${written}</div>`
}

function ownPiece(workings: Workings, piece: string | Tie): Content {
  if (typeof piece === 'string') {
    const lines = piece.split('\n')
    return lines.map((line, i) => (i === 0 ? html`${line}` : html`<br />${line}`))
  }
  const { result, says } = workings
  const tied = tiedTo(result, says, piece)
  if (!tied)
    return html`<span class="loose">${piece.text}</span>
      <em>(there is no such figure any more)</em>`
  const figure =
    tied.kind === 'cell'
      ? workings.figure(tied.cell, piece.text)
      : totalFigure(workings, tied.stretch, tied.which, piece.text)
  if (isStill(piece.text, tied.value, result, says)) return figure
  return html`<span class="loose">${figure}</span> <em>(now ${tied.now})</em>`
}
