import type { Beside } from '~~/core/beside/beside'
import type { Looked, Result } from '~~/core/result'
import type { BesideChoices } from './choices'

/** What a stage of the path says of itself. Which rows belong to it the columns say themselves. */
interface Common {
  readonly label: string
  /** The rows whose cell is worked out when the stage is opened: the first that the method has. */
  readonly focus: readonly string[]
  /** Whether the stage is about the whole series, and is first seen so. */
  readonly seesWhole?: boolean
  /** Whether the forecast is what it is about. */
  readonly seesForecast?: boolean
  /** Pixels of the line of words above its strips; 0 for none. */
  readonly barHeight: number
  /** The columns that are looked at beside the ledger. */
  beside(choices: BesideChoices): Beside[]
}

/** A stage that is there for a refused method too, since the series is all that it needs. */
export interface SeriesStage extends Common {
  readonly needs: 'series'
  /** What it came to, in one line of the path. */
  line(shown: Looked | Result): string
}

export interface ResultStage extends Common {
  readonly needs: 'result'
  line(result: Result): string
}

export type StageView = SeriesStage | ResultStage
