import type { MethodChange } from '../../finding'
import type { IndicatorAt, StretchAt } from '../../regression/regressors/eventOptions'

/** A forecast that may know of events. */
type WithEvents = { readonly by: string; readonly indicators?: readonly IndicatorAt[] }

/** Something that happened, from one period to another. */
export interface EventAt {
  readonly name: string
  /** Period codes. */
  readonly from: string
  readonly to?: string
}

/** One event more; of a forecast that knows none what makes it a regression. */
export function eventChange(forecast: WithEvents, event: EventAt): MethodChange {
  const before = indicatorsOf(forecast)
  const names = new Set(before.map(({ name }) => name))
  let name = event.name
  for (let k = 2; names.has(name); k++) name = `${event.name} (${k})`
  const by = forecast.indicators ? forecast.by : 'regression'
  return { forecast: { by, indicators: [...before, { ...event, name }] } }
}

/** What lets an event happen once more, or says that it is to. */
export function againChange(forecast: WithEvents, name: string, stretch: StretchAt): MethodChange {
  const indicators = indicatorsOf(forecast).map((event) =>
    event.name === name ? { ...event, again: [...(event.again ?? []), stretch] } : event,
  )
  return { forecast: { indicators } }
}

/** What takes one stretch of an event out, and the event with its last. */
export function withoutStretch(forecast: WithEvents, name: string, place: number): MethodChange {
  const indicators = indicatorsOf(forecast).flatMap((event): IndicatorAt[] => {
    if (event.name !== name) return [event]
    const left = stretchesOf(event).filter((_, i) => i !== place)
    const [first, ...again] = left
    return first ? [{ name, ...first, ...(again.length > 0 ? { again } : {}) }] : []
  })
  return { forecast: { indicators } }
}

/** When an event happened, or is to, as it was written. */
export function stretchesOf({ from, to, again = [] }: IndicatorAt): StretchAt[] {
  return [{ from, to }, ...again]
}

/** What takes an event out again. */
export function withoutEvent(forecast: WithEvents, event: EventAt): MethodChange {
  const indicators = indicatorsOf(forecast).filter(({ name }) => name !== event.name)
  return { forecast: { indicators } }
}

/** Codes of periods sort as the periods do once their numbers are read as numbers. */
const IN_TIME = new Intl.Collator('en', { numeric: true })

/** The event that a period lies in, if it lies in one. */
export function eventAt(forecast: WithEvents, code: string): EventAt | undefined {
  const isWithin = (from: string, to: string) =>
    IN_TIME.compare(from, code) <= 0 && IN_TIME.compare(code, to) <= 0
  return indicatorsOf(forecast).find((event) =>
    stretchesOf(event).some(({ from, to }) => isWithin(from, to)),
  )
}

/** The events that a forecast knows; none where it knows of no events. */
function indicatorsOf({ indicators = [] }: WithEvents): readonly IndicatorAt[] {
  return indicators
}
