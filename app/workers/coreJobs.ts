import { mendingOffers, mendingTogether, type Numbers } from '~~/core/analyse'
import { partsOfWhole, type LaidParts } from '~~/core/beside/parts'
import { accuracyOf } from '~~/core/check/accuracy'
import { checkSteps, hideLast, type Checked } from '~~/core/check/check'
import type { CheckTask } from '~~/core/check/rolling'
import { offBy, type Off } from '~~/core/check/verdict'
import type { CheckDocument } from '~~/core/checkPlan'
import type { Candidate } from '~~/core/contest/candidates'
import { enter } from '~~/core/contest/contest'
import type { Contestant } from '~~/core/contest/contestant'
import { apart, type Apart } from '~~/core/kept/apart'
import type { KeptForecast } from '~~/core/kept/kept'
import type { MethodDocument } from '~~/core/method'
import { offerName, offersName, type MethodOnSeries, type Offer } from '~~/core/offers'
import { calendarAfter, type CalendarAfter } from '~~/core/revisions/calendarAfter'
import { historyOf, revisionsOf, type History, type Revisions } from '~~/core/revisions/revisions'
import type { Series } from '~~/core/series/series'
import type { Steps } from '~~/core/work/steps'
import type { Telling } from './job'
import { outcomeOf, type Outcome } from './outcome'

/** How far off a method was over the hidden end of the series, so many periods; null where it is refused there. */
export interface Hidden {
  readonly periods: number
  readonly off: Off | null
}

/** What of the core is done beside the page. */
export const CORE_JOBS = {
  /** Runs a method; says the numbers before they are judged. */
  analyse({ hear, say }: Telling<Numbers>, series: Series, method: MethodDocument): Outcome {
    return outcomeOf(series, method, { hear, early: say })
  },
  /** Makes the forecasts from earlier origins; null for a series that is too short for any. */
  check(_: Telling<never>, series: Series, document: MethodDocument): Steps<Checked | null> {
    return checkSteps(series, document)
  },
  /** Tries the offers of a method, and says the name of each that mends as it is found. */
  *offers({ say }: Telling<string>, series: Series, document: MethodDocument): Steps<void> {
    const own = { series, document }
    const mending: Offer[] = []
    for (const offer of mendingOffers(own)) {
      if (offer) {
        mending.push(offer)
        say(offerName(offer.finding, offer.action))
      }
      yield offersTried(mending)
    }
    for (const stage of mendingTogether(own, mending)) {
      if (stage) say(offersName(stage))
      yield offersTried(mending)
    }
  },
  /** What lies between two kept forecasts; null where they have no period in common. */
  apart(_: Telling<never>, before: KeptForecast, after: KeptForecast): Apart | null {
    return apart(before, after)
  },
  /** How first figures were revised as years came. */
  revisions(_: Telling<never>, series: Series, document: MethodDocument): Steps<Revisions> {
    return revisionsOf(series, document)
  },
  /** How the adjusted value of one period moved as the series grew. */
  history(_: Telling<never>, series: Series, document: MethodDocument, t: number): Steps<History> {
    return historyOf(series, document, t)
  },
  /** Lays an adjusted whole beside the sum of its adjusted parts. */
  parts(_: Telling<never>, own: MethodOnSeries, others: readonly MethodOnSeries[]): LaidParts {
    return partsOfWhole(own, others)
  },
  /** What of the calendar is left once a method has made the values ready. */
  calendarAfter(_: Telling<never>, series: Series, document: MethodDocument): CalendarAfter {
    return calendarAfter(series, document)
  },
  /** Has a method make its forecasts for a contest, and where it is asked for forecast the hidden end of the series too. */
  *enter(
    _: Telling<never>,
    series: Series,
    candidate: Candidate,
    check: CheckDocument | undefined,
    hidesLast: boolean,
  ): Steps<{ contestant: Contestant; hidden: Hidden | null }> {
    const { contestant, task } = yield* enter(series, candidate, check)
    return { contestant, hidden: hidesLast && task ? atEnd(task) : null }
  },
}
export type CoreJobs = typeof CORE_JOBS

function offersTried({ length }: readonly Offer[]) {
  return { done: length, of: length, words: 'offers that mend' }
}

function atEnd(task: CheckTask): Hidden {
  const hidden = hideLast(task)
  const off = 'forecast' in hidden ? offBy([hidden], accuracyOf([hidden], 'method')) : null
  return { periods: task.plan.holdout, off }
}
