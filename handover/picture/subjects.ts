import { oneCycle } from '../../core/calendar/labels'
import type { Contest } from '../../core/contest/contest'
import { laidOut, rowOfSeason, type FoldLayout } from '../../core/ledger/foldGrid'
import { isResult, ledgerOf } from '../../core/ledger/ledger'
import { averagesPicture } from '../../core/picture/drawn/averages'
import { contestPicture } from '../../core/picture/drawn/contest'
import type { Drawn } from '../../core/picture/drawn/drawn'
import { foldPicture } from '../../core/picture/drawn/fold'
import {
  correlationPicture,
  residualHistogram,
  residualScatter,
} from '../../core/picture/drawn/residuals'
import type { Strip } from '../../core/picture/strips'
import type { Looked, Result } from '../../core/result'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { gridAsSvg, leastGrid } from './gridPicture'
import type { PictureLook } from './look'
import { leastHeight, pictureAsSvg, scaleShown, type PictureOf } from './picture'
import { pictureOfDrawn, pictureOfResult, type PictureSaid } from './pictureOfResult'

/** Something that a picture can be made of. */
export interface Subject {
  /** `strip:main`, `fold`, `grid`, `contest` */
  readonly id: string
  readonly title: string
  /** The least size that it can be read at, in pixels. */
  least(look: Pick<PictureLook, 'letters'>): { readonly width: number; readonly height: number }
  svg(said: PictureSaid, look: PictureLook): string
  /** The scale of its first strip, in what it is shown in; null where its height says nothing. */
  scale(look: PictureLook): { readonly low: number; readonly high: number } | null
}

const LEAST_WIDTH = 220
const UNSAID: PictureSaid = { title: '', source: '' }

/** What strips are taken of, and how much of it. */
export interface StripsOf {
  /** What the stage is called, and its id. */
  readonly stage: { readonly id: string; readonly title: string }
  readonly strips: readonly Strip[]
  /** Time codes of the first and the last period; all of them when left out. */
  readonly within?: { readonly from: number; readonly to: number }
}

/** The strips of a stage together, each alone, and growth over the level where both are there. */
export function stripSubjects(
  result: Looked | Result,
  says: ReadersFigures,
  { stage, strips, within }: StripsOf,
): Subject[] {
  const of = (own: readonly Strip[]) => (said: PictureSaid) =>
    pictureOfResult(result, own, says, said, within)
  const growth = strips.find(({ id, layers }) => id === 'growth' && layers.length > 0)
  const both = growth && [strips[0]!, growth]
  return [
    subject(stage.id, stage.title, strips, of(strips)),
    ...(strips.length > 1
      ? strips.map((strip) => subject(`strip:${strip.id}`, strip.title, [strip], of([strip])))
      : []),
    ...(both
      ? [
          subject(
            'level-and-growth',
            'Level and growth, each on its scale',
            [strips[0]!],
            (said) => ({
              ...of(both)(said),
              isOneFrame: true,
            }),
          ),
        ]
      : []),
  ]
}

/** What there is beside the strips of stages: folded, by residual, by average. */
export function otherSubjects(
  result: Looked | Result,
  says: ReadersFigures,
  fold: FoldLayout & { readonly column?: string } = {},
): Subject[] {
  const drawn = (id: string, title: string, own: Drawn | null) =>
    own ? [drawnSubject(id, title, result, own, says)] : []
  const averages = drawn('averages', 'Averages of the usual orders', averagesPicture(result))
  if (!isResult(result)) return averages
  const hasSeasons = result.series.seasons > 1
  const folded = foldPicture(result, fold.column, fold)
  return [
    ...drawn('fold', `Folded by ${oneCycle(laidOut(ledgerOf(result).run, fold).calendar)}`, folded),
    ...(hasSeasons ? [gridSubject(result, says, fold.column)] : []),
    ...averages,
    ...drawn('correlation', 'Autocorrelation of what is left over', correlationPicture(result)),
    ...drawn('histogram', 'Histogram of the residuals', residualHistogram(result, says)),
    ...drawn('scatter', 'Residuals against fitted', residualScatter(result, says)),
  ]
}

/** A contest; nothing where all of its methods were refused. */
export function contestSubjects(result: Result, says: ReadersFigures, contest: Contest): Subject[] {
  const own = contestPicture(contest, says)
  return own ? [drawnSubject('contest', 'Contest of methods', result, own, says)] : []
}

/** Anything that is drawn as strips. */
export function drawnSubject(
  id: string,
  title: string,
  result: Looked | Result,
  drawn: Drawn,
  says: ReadersFigures,
): Subject {
  return subject(id, title, drawn.strips, (said) => pictureOfDrawn(result, drawn, says, said))
}

function subject(
  id: string,
  title: string,
  strips: readonly Strip[],
  of: (said: PictureSaid) => PictureOf,
): Subject {
  return {
    ...{ id, title },
    least: (look) => ({ width: LEAST_WIDTH, height: leastHeight(strips, look) }),
    svg: (said, look) => pictureAsSvg(of(said), look),
    scale: (look) => (strips[0]?.isBare ? null : scaleShown(of(UNSAID), look)),
  }
}

function gridSubject(result: Result, says: ReadersFigures, column?: string): Subject {
  const row = rowOfSeason(result, column)
  return {
    ...{ id: 'grid', title: `Season grid: ${row.label}` },
    least: (look) => leastGrid(result, row, look),
    svg: (said, look) => gridAsSvg(result, row, says, said, look),
    scale: () => null,
  }
}
