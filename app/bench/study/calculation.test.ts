import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { analyse, type Numbers } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import { ledgerOf } from '~~/core/ledger/ledger'
import type { MethodDocument } from '~~/core/method'
import type { Series } from '~~/core/series/series'
import type { Following } from '~/workers/client'
import type { Outcome } from '~/workers/outcome'
import { calculationOf } from './calculation'

/** What the worker was asked last. */
let asked: {
  method: MethodDocument
  following: Following<Numbers>
  settle(outcome: Outcome): void
} | null = null

/** A worker that answers when it is told to. */
const worker = {
  ask: (_: string, [, method]: [Series, MethodDocument], following: Following<Numbers>) =>
    new Promise<Outcome>((settle) => (asked = { method, following, settle })),
} as never

const series: Series = {
  ...{ name: 'jobs', unit: 'jobs', calendar: calendarOf('monthly') },
  start: { cycle: 1980, season: 1 },
  values: Array.from(
    { length: 480 },
    (_, t) => 500 + t + 40 * Math.sin((Math.PI * t) / 6) + ((t * 7919) % 31),
  ),
}
const STRAIGHT: MethodDocument = { format: 'elvant-method/1', trend: { form: 'linear' } }
const BY_PAST_ERRORS: MethodDocument = { ...STRAIGHT, forecast: { limits: 'past-errors' } }
const FOLLOWING: MethodDocument = { ...STRAIGHT, trend: { form: 'smoothed' } }

function opened() {
  const method = shallowRef(STRAIGHT)
  return { method, own: calculationOf(shallowRef(series), method, worker) }
}
const told = () => new Promise((resolve) => setTimeout(resolve, 5))

beforeEach(() => (asked = null))

describe('the calculation of the Bench', () => {
  it('is done at once where it costs little, its words a frame after its numbers', async () => {
    const { own, method } = opened()
    await own.run()
    expect(asked).toBeNull()
    expect(own.told.value).toBe(own.result.value)
    const before = own.result.value
    method.value = { ...STRAIGHT, decompose: { model: 'additive' } }
    await own.run()
    expect(own.result.value).not.toBe(before)
    expect(own.told.value).toBe(before)
    await told()
    expect(own.told.value).toBe(own.result.value)
  })

  it('shows numbers before they are judged, and then draws nothing of them again', async () => {
    const { own, method } = opened()
    await own.run()
    const [before, full] = [own.result.value!, analyse(series, FOLLOWING)]
    method.value = FOLLOWING
    const done = own.run()
    asked!.following.told!(numbersOf(FOLLOWING))
    const early = own.result.value!
    expect(own.isEarly.value).toBe(true)
    expect(early.forecast.forecast).toEqual(full.forecast.forecast)
    expect(own.told.value).toBe(before)
    await told()
    expect(own.told.value).toBe(before)
    asked!.settle({ kind: 'result', result: full })
    await done
    expect(own.isEarly.value).toBe(false)
    expect(own.result.value).toBe(early)
    expect(own.told.value).toBe(early)
    expect(early.findings).toEqual(full.findings)
    expect(early.phases).toEqual(full.phases)
  })

  it('shows a forecast before its limits, which come with the rest', async () => {
    const { own, method } = opened()
    await own.run()
    const full = analyse(series, BY_PAST_ERRORS)
    method.value = { ...BY_PAST_ERRORS, trend: { form: 'smoothed' } }
    const done = own.run()
    asked!.following.told!(numbersOf(BY_PAST_ERRORS))
    const early = ledgerOf(own.result.value!).find('upper:80')!
    expect(early.ahead!.every((value) => value === null)).toBe(true)
    expect(early.whyUndefined(481)).toMatch(/come after this one/)
    asked!.settle({ kind: 'result', result: full })
    await done
    await nextTick()
    expect(ledgerOf(own.result.value!).find('upper:80')!.ahead![0]).toBeGreaterThan(0)
    await told()
    expect(own.told.value).toBe(own.result.value)
  })

  it('forgets numbers that were never judged where a later change overtakes them', async () => {
    const { own, method } = opened()
    await own.run()
    method.value = FOLLOWING
    void own.run()
    asked!.following.told!(numbersOf(FOLLOWING))
    method.value = { ...STRAIGHT, decompose: { model: 'additive' } }
    await own.run()
    expect(own.isEarly.value).toBe(false)
    expect(own.result.value!.method.trend.form).toBe('linear')
    expect(own.result.value!.method.decompose.model).toBe('additive')
    await told()
    expect(own.told.value).toBe(own.result.value)
  })

  it('is left where a later change overtakes it', async () => {
    const { own, method } = opened()
    await own.run()
    method.value = FOLLOWING
    void own.run()
    const { until } = asked!.following
    method.value = STRAIGHT
    await own.run()
    expect(until!.aborted).toBe(true)
    expect(own.calculating.value).toBe(false)
  })
})

/** As they leave the worker. */
function numbersOf(method: MethodDocument): Numbers {
  let said: Numbers | null = null
  analyse(series, method, { early: (numbers) => (said = numbers) })
  return structuredClone(said!)
}
