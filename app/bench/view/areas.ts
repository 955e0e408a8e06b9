/** The parts of the Bench that one key each goes to. */
export type Area = 'sentence' | 'path' | 'strips' | 'ledger' | 'working'

/** What can take the keyboard, the place where one is now first. */
const STOPS = ['[aria-current]', '[tabindex="0"]', 'button:not(:disabled)', '[role=slider]']

/** Puts the keyboard where an area begins. */
export function goToArea(name: Area): void {
  const area = document.querySelector<HTMLElement>(`[data-area=${name}]`)
  if (!area) return
  const stop = area.hasAttribute('tabindex') ? area : firstStop(area)
  stop?.focus()
  stop?.scrollIntoView({ block: 'nearest' })
}

function firstStop(area: HTMLElement): HTMLElement | null {
  for (const stop of STOPS) {
    const found = area.querySelector<HTMLElement>(stop)
    if (found) return found
  }
  return null
}
