import { z } from 'zod'
import { Refusal } from '../../refusal'

const MOST_EVENTS = 1000
const nameOption = z.string().trim().min(1, 'An event needs a name.').max(80)
const periodCode = z.string().min(1).max(20)
/** A stretch from one period to another, or one period. */
const stretchOption = { from: periodCode, to: periodCode.optional() }

/** What happened, as a person or a script writes it. */
export const eventsDocument = {
  indicators: z
    .array(
      z
        .strictObject({
          name: nameOption,
          ...stretchOption,
          again: z
            .array(z.strictObject(stretchOption).readonly())
            .max(MOST_EVENTS)
            .readonly()
            .optional(),
        })
        .readonly(),
    )
    .max(MOST_EVENTS)
    .readonly()
    .optional(),
  steps: z
    .array(z.strictObject({ name: nameOption, from: periodCode }).readonly())
    .max(MOST_EVENTS)
    .readonly()
    .optional(),
}
export type EventsDocument = {
  readonly [Key in keyof typeof eventsDocument]?: z.infer<(typeof eventsDocument)[Key]>
}

/** From one period to another, both included, by their codes. */
export interface StretchAt {
  readonly from: string
  readonly to: string
}

/** Something that happened and passed: 1 while it lasts. */
export interface IndicatorAt extends StretchAt {
  readonly name: string
  /** When it happened once more, or is to: a promotion that comes every spring, and one that is planned. */
  readonly again?: readonly StretchAt[]
}

/** Something that happened and stays: 1 from a period on. */
export interface StepFrom {
  readonly name: string
  readonly from: string
}

/** What happened, complete. */
export interface Events {
  readonly indicators: readonly IndicatorAt[]
  readonly steps: readonly StepFrom[]
}

/** A stretch as it is written. */
interface WrittenStretch {
  readonly from: string
  readonly to?: string | undefined
}

/** What events must know of their series. */
export interface EventFacts {
  /** Time codes of the periods that are fitted. */
  readonly firstT: number
  readonly lastT: number
  /** The time code of a period of the series, or of one ahead. @throws Refusal for any other */
  timeCode(code: string, where: string): number
}

/** Events with names of their own, each where something is fitted. @throws Refusal for any other */
export function completeEvents(
  { indicators = [], steps = [] }: EventsDocument,
  { timeCode, firstT: from, lastT }: EventFacts,
): Events {
  const names = new Set<string>()
  const requireOwnName = (name: string, where: string) => {
    if (names.has(name)) throw new Refusal(`Two events are called "${name}".`, where)
    names.add(name)
  }
  const outside = (name: string, where: string) =>
    new Refusal(
      `"${name}" lies outside the periods that the regression is fitted to, so nothing can be learnt of it. Take it out, or fit more periods.`,
      where,
    )
  const ahead = (name: string, where: string) =>
    new Refusal(
      `"${name}" is still to come, and nothing can be learnt of what has not happened. Say when it happened before; it may come again after.`,
      where,
    )
  const stretchAt = ({ from: first, to = first }: WrittenStretch, name: string, where: string) => {
    const [start, end] = [timeCode(first, `${where}.from`), timeCode(to, `${where}.to`)]
    if (end < start) throw new Refusal(`"${name}" ends before it begins.`, `${where}.to`)
    return { from: first, to, isFitted: end >= from && start <= lastT, isAhead: start > lastT }
  }
  return {
    indicators: indicators.map(({ name, again = [], ...first }, i): IndicatorAt => {
      const where = `indicators.${i}`
      requireOwnName(name, `${where}.name`)
      const all = [
        stretchAt(first, name, where),
        ...again.map((one, k) => stretchAt(one, name, `${where}.again.${k}`)),
      ]
      if (all.every(({ isAhead }) => isAhead)) throw ahead(name, `${where}.from`)
      if (!all.some(({ isFitted }) => isFitted)) throw outside(name, `${where}.from`)
      const [own, ...others] = all.map(({ from: begin, to }): StretchAt => ({ from: begin, to }))
      return { name, ...own!, ...(others.length > 0 ? { again: others } : {}) }
    }),
    steps: steps.map(({ name, from: first }, i): StepFrom => {
      const where = `steps.${i}`
      requireOwnName(name, `${where}.name`)
      const start = timeCode(first, `${where}.from`)
      if (start > lastT) throw ahead(name, `${where}.from`)
      if (start <= from) throw outside(name, `${where}.from`)
      return { name, from: first }
    }),
  }
}

/** The same of a shorter span of time codes: events that lie outside it, or that nothing follows, are left behind. */
export function eventsWithin(
  { indicators, steps }: EventsDocument,
  span: { readonly from: number; readonly to: number; timeCode(code: string): number },
): EventsDocument {
  const { from, to, timeCode } = span
  const starts = ({ from: first }: WrittenStretch) => timeCode(first)
  const isWithin = (one: WrittenStretch) =>
    starts(one) <= to && timeCode(one.to ?? one.from) >= from
  return {
    indicators: indicators?.filter((event) => [event, ...(event.again ?? [])].some(isWithin)),
    steps: steps?.filter((event) => starts(event) > from && starts(event) <= to),
  }
}
