/** One thing that a newcomer does not see by himself. */
export interface TourStep {
  readonly title: string
  readonly text: string
  /** What it is about, on the page. */
  readonly target: string
}

export const TOUR: readonly TourStep[] = [
  {
    title: 'The sentence is the method',
    text: 'Every underlined word is a choice. Press one, and all figures change at once.',
    target: '.sentence',
  },
  {
    title: 'Every figure shows its working',
    text: 'Select a figure in the ledger: here stands how it was made, and the cells that it was made from light up.',
    target: '.working',
  },
  {
    title: 'Fold by year',
    text: 'One key, F, lays the years over each other and any row into a grid of years and seasons.',
    target: '.overview .fold',
  },
  {
    title: 'Pin, change, compare',
    text: 'Pin a result, change the method, and see in pictures and figures what moved. Compare lays them side by side.',
    target: '.pin',
  },
  {
    title: 'Nothing is lost',
    text: 'Every change saves itself and can be undone; what came in from the file is never changed.',
    target: '.undo',
  },
]
