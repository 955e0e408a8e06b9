import { datesOfCalendar } from '../intake/dates/calendarFile'
import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { fittedReport } from '../core/trend/report'
import { describe, expect, it } from 'vitest'
import { analyse } from '../core/analyse'
import { axisOf } from '../core/calendar/axis'
import type { TwoSeasonsTaken } from '../core/decompose/twoSeasons/calculate'
import { calendarTakenOf, readEffects } from '../core/prepare/calendar/reading'
import type { LoessDocument } from '../core/decompose/loess/options'
import { actualOf } from '../core/ledger/ledger'
import type { MethodAction } from '../core/finding'
import { changed, type MethodDocument } from '../core/method'
import type { Series } from '../core/series/series'
import { readFile } from '../intake/readFile'
import { demoFiles, promotionCalendar } from './series'
import { TRUTH } from './truth'

const read = (file: string) => readFileSync(new URL(`./files/${file}`, import.meta.url), 'utf8')

function seriesOf(file: string, answers: Record<string, string> = { duplicates: 'first' }): Series {
  const reading = readFile(new TextEncoder().encode(read(file)), answers)
  if (reading.outcome !== 'ok') throw new Error(reading.outcome)
  return reading.series[0]!.series
}

const FORMAT = { format: 'elvant-method/1' } as const

describe('the demo files', () => {
  it.each(demoFiles().map((file) => [file.name, file] as const))(
    '%s is what the generator makes',
    (name, { rows }) => {
      expect(read(name)).toBe(Papa.unparse(rows as unknown[][], { newline: '\n' }) + '\n')
    },
  )

  it('stand beside the truth they were made from', () => {
    const written: unknown = JSON.parse(
      readFileSync(new URL('./truth.json', import.meta.url), 'utf8'),
    )
    expect(written).toEqual(JSON.parse(JSON.stringify(TRUTH)))
  })
})

describe('what was put in is found again', () => {
  it('exterior paint: indices within 2 points once the flood is left out, and the slope', () => {
    const truth = TRUTH.exterior
    const method: MethodDocument = {
      ...FORMAT,
      decompose: {
        exclude: truth.flood.map(({ month }) => ({ period: month, reason: 'flood' })),
      },
    }
    const got = analyse(seriesOf(truth.file), method)
    got.seasons.forEach(({ index }, k) => {
      // Saturdays and Easter are no part of the season, and blur April and its neighbours.
      expect(Math.abs(index - truth.indices[k]!)).toBeLessThan(0.03)
    })
    expect(fittedReport(got.trendFit).terms[1]!.estimate).toBeGreaterThan(truth.slope - 12)
    expect(fittedReport(got.trendFit).terms[1]!.estimate).toBeLessThan(truth.slope + 12)
  })

  it('exterior paint: the flood is the deepest irregular', () => {
    const { columns } = analyse(seriesOf(TRUTH.exterior.file), FORMAT)
    const lowest = columns.irregular.reduce<number>(
      (at, value, i) => (value !== null && value < (columns.irregular[at] ?? 1) ? i : at),
      6,
    )
    expect(columns.period[lowest]).toBe('2019-06')
  })

  it('decking oil: what a day of promotion adds comes back, and only where the list is given', () => {
    const { file, promotion, noise } = TRUTH.decking
    const [list] = datesOfCalendar(promotionCalendar(), { first: 2016, last: 2027 })
    expect(list!.dates).toHaveLength(promotion.from.length * promotion.days)
    const oil = seriesOf(file)
    const holidays = [{ name: list!.name, dates: [...list!.dates] }]
    const got = analyse(oil, { ...FORMAT, calendar: { holidays } })
    const [day] = readEffects(calendarTakenOf(got)!)
    expect(day!.name).toBe('one day of Decking weeks more')
    // Days add up in a month, where effects of logarithms multiply: ten days are 12.0%, as ten times 1.14%.
    expect(
      Math.abs(10 * Math.log1p(day!.estimate) - Math.log1p(10 * promotion.perDay)),
    ).toBeLessThan(2.6 * 10 * day!.standardError)
    const left = (values: readonly (number | null)[]) =>
      Math.sqrt(values.reduce((sum, one) => sum! + ((one ?? 1) - 1) ** 2, 0)! / values.length)
    expect(left(got.columns.irregular)).toBeLessThan(1.2 * noise)
    expect(left(analyse(oil, FORMAT).columns.irregular)).toBeGreaterThan(1.5 * noise)
  })

  it('the promotions stand beside the files as the calendar that they are read from', () => {
    expect(
      readFileSync(new URL(`./lists/${TRUTH.decking.promotion.file}`, import.meta.url), 'utf8'),
    ).toBe(promotionCalendar())
  })

  it('interior paint: additive indices within 400 litres', () => {
    const truth = TRUTH.interior
    const got = analyse(seriesOf(truth.file), { ...FORMAT, decompose: { model: 'additive' } })
    got.seasons.forEach(({ index }, k) => {
      expect(Math.abs(index - truth.indices[k]!)).toBeLessThan(400)
    })
  })

  it('primer: its season is small', () => {
    const { seasons } = analyse(seriesOf(TRUTH.primer.file), FORMAT)
    const range =
      Math.max(...seasons.map(({ index }) => index)) -
      Math.min(...seasons.map(({ index }) => index))
    expect(range).toBeLessThan(0.03)
  })

  it('paint by year: no season is taken out, and the trend comes back', () => {
    const { method, seasons, trendFit, forecast } = analyse(seriesOf(TRUTH.yearly.file), FORMAT)
    expect(method.decompose).toMatchObject({ by: 'none', order: 5 })
    expect(seasons).toEqual([])
    const slope = fittedReport(trendFit).terms.find(({ name }) => name === 't')!
    expect(Math.abs(slope.estimate - TRUTH.yearly.slope)).toBeLessThan(2 * slope.standardError)
    expect(forecast.period).toEqual(['2026', '2027', '2028'])
  })

  it('primer: the season that is none can be done without, with one click', () => {
    const { findings } = analyse(seriesOf(TRUTH.primer.file), FORMAT)
    const { actions } = findings.find(({ code }) => code === 'no-stable-season')!
    const { change } = actions![0] as MethodAction
    const without = analyse(seriesOf(TRUTH.primer.file), changed(FORMAT, change))
    expect(without.method.decompose.by).toBe('none')
    expect(without.findings.map(({ code }) => code)).not.toContain('season-peak')
  })

  describe('in words', () => {
    const told = (file: string, more: MethodDocument = FORMAT) =>
      new Map(analyse(seriesOf(file), more).findings.map((finding) => [finding.code, finding]))

    it('interior paint is additive, exterior paint multiplicative, once each', () => {
      for (const model of ['additive', 'multiplicative'] as const) {
        const document = { ...FORMAT, decompose: { model } }
        expect(told(TRUTH.interior.file, document).get('which-model')!.text).toMatch(/the additive/)
        expect(told(TRUTH.exterior.file, document).get('which-model')!.text).toMatch(
          /the multiplicative model leaves/,
        )
      }
    })

    it('primer has no season, wood stain one that moves, by averages and by loess', () => {
      expect(told(TRUTH.primer.file).has('no-stable-season')).toBe(true)
      expect(told(TRUTH.stain.file).get('season-moves')!.text).toMatch(/^The season moves over/)
      const loess = { ...FORMAT, decompose: { by: 'stl' } } as const
      expect(told(TRUTH.primer.file, loess).has('season-drifts')).toBe(false)
      expect(told(TRUTH.stain.file, loess).has('season-drifts')).toBe(true)
    })

    it('the flood months are outliers, and nothing else is', () => {
      const { outliers, columns } = analyse(seriesOf(TRUTH.exterior.file), FORMAT)
      expect(outliers.map(({ t }) => columns.period[t - 1])).toEqual(['2019-06', '2019-07'])
    })
  })

  describe('by robust loess', () => {
    const loess = (file: string, more: Partial<LoessDocument> = {}) =>
      analyse(seriesOf(file), { ...FORMAT, decompose: { ...more, by: 'stl' } })
    const truth = TRUTH.exterior
    const flood = truth.flood.map(({ month }) => month as string)
    /** In logarithms the factors of a year have the product 1, not the mean 1: the level takes the rest. */
    const geometric = (factors: readonly number[]) =>
      Math.exp(factors.reduce((sum, factor) => sum + Math.log(factor), 0) / factors.length)

    it('exterior paint: the flood months are distrusted, and the indices come back', () => {
      const result = loess(truth.file, { seasonalWindow: 'periodic' })
      const { columns, seasons } = result
      columns.period.forEach((period, i) => {
        if (flood.includes(period)) expect(actualOf(result, 'weight')[i]).toBe(0)
      })
      seasons.forEach(({ raw }, k) => {
        expect(Math.abs(raw - truth.indices[k]! / geometric(truth.indices))).toBeLessThan(0.03)
      })
    })

    it('exterior paint: the trend comes back within 2%, and the flood wrecks the plain fit', () => {
      const level = geometric(truth.indices)
      const line = (t: number) => level * (truth.level + truth.slope * t)
      const error = (robust: boolean) => {
        const { columns } = loess(truth.file, { robust })
        const own = columns.t.map((t, i) => Math.abs(columns.trendCycle[i]! / line(t) - 1))
        const june = columns.period.indexOf('2019-06')
        return { most: Math.max(...own), atFlood: own[june]! }
      }
      expect(error(true).most).toBeLessThan(0.02)
      expect(error(false).atFlood).toBeGreaterThan(0.03)
      expect(error(true).atFlood).toBeLessThan(0.01)
    })

    it('wood stain: the season of every year is the one that was put in', () => {
      const { columns } = loess(TRUTH.stain.file)
      const { swing, peak } = TRUTH.stain
      columns.t.forEach((t, i) => {
        const at = peak.from + ((peak.to - peak.from) * (t - 1)) / (columns.t.length - 1)
        const factors = Array.from(
          { length: 12 },
          (_, k) => 1 + swing * Math.cos((2 * Math.PI * (k + 1 - at)) / 12),
        )
        const season = factors[columns.season[i]! - 1]! / geometric(factors)
        // Noise of 2%, at the ends fitted by a line through few years of a curve.
        expect(Math.abs(columns.index[i]! / season - 1)).toBeLessThan(0.06)
      })
    })
  })

  it('contract work: the quarters as they were written down', () => {
    expect(seriesOf(TRUTH.contract.file)).toMatchObject({
      values: TRUTH.contract.values,
      start: { cycle: 2021, season: 1 },
    })
  })

  it('a month that stands twice is asked about', () => {
    const reading = readFile(new TextEncoder().encode(read(TRUTH.brushes.file)))
    expect(reading.outcome).toBe('question')
    expect(reading.questions[0]).toMatchObject({ id: 'duplicates', answer: null })
    expect(reading.questions[0]!.ask).toContain('May 2020')
  })

  it('daily takings become months', () => {
    const { calendar, values, start } = seriesOf(TRUTH.takings.file)
    expect([calendar.frequency, start]).toEqual(['monthly', { cycle: 2023, season: 1 }])
    const days = read(TRUTH.takings.file)
      .split('\n')
      .filter((line) => line.startsWith('2023-02'))
    const february = days.reduce((sum, line) => sum + Number(line.split(',')[1]), 0)
    expect(values[1]).toBeCloseTo(february, 6)
  })
})

describe('other rhythms than months', () => {
  const day = (file: string) => seriesOf(file, { frequency: 'daily' })

  it('takings are of trading days, and the week and the year of them are found again', () => {
    const { file, weekdays, year } = TRUTH.takings
    const series = day(file)
    expect(series.calendar).toMatchObject({ frequency: 'daily', seasons: 6 })
    expect(series.values).not.toContain(null)
    const { decomposition, findings } = analyse(series, {
      ...FORMAT,
      decompose: { by: 'two-seasons', model: 'multiplicative' },
    })
    const [week, whole] = (decomposition as TwoSeasonsTaken).seasons
    // Each is a mean of so many weeks of noise.
    const error = TRUTH.takings.noise / Math.sqrt(series.values.length / 6)
    week.index.forEach((index, k) =>
      expect(Math.abs(index - weekdays[k]!)).toBeLessThan(3.5 * error),
    )
    // The best day of 365 is the 120th trading day of 313, by and large, as smoothing leaves it.
    const best = whole.index.indexOf(Math.max(...whole.index)) + 1
    expect(Math.abs(best - (year.best * 313) / 365)).toBeLessThan(15)
    const said = findings.find(({ code }) => code === 'longer-season')!
    expect(said.text).toMatch(/^Over the year: every (May|Jun) \d+% above/)
  })

  it('primer by week has the 53rd of 2020, and forecasts through the weeks', () => {
    const series = seriesOf(TRUTH.primerByWeek.file, { frequency: 'weekly' })
    expect(series).toMatchObject({ start: { cycle: 2020, season: 1 } })
    expect(axisOf(series).codeAt(53)).toBe('2020-W53')
    const { seasons } = analyse(series, { ...FORMAT, decompose: { model: 'multiplicative' } })
    const { swing, best } = TRUTH.primerByWeek.year
    expect(Math.abs(seasons[best]!.index - 1 - swing)).toBeLessThan(0.06)
  })

  it('web orders by the hour have the day and the week', () => {
    const { file, hours, weekdays } = TRUTH.webOrders
    const series = seriesOf(file, { frequency: 'hourly' })
    expect(series.calendar).toMatchObject({ frequency: 'hourly', seasons: 24 })
    const { decomposition } = analyse(series, {
      ...FORMAT,
      decompose: { by: 'two-seasons', model: 'additive' },
    })
    const [ofDay, ofWeek] = (decomposition as TwoSeasonsTaken).seasons
    // The mean of the factors is not 1 exactly; what the hour has is what it stands above the others.
    const mean = hours.reduce((sum, own) => sum + own, 0) / 24
    hours.forEach((own, k) =>
      expect(Math.abs(ofDay.index[k]! - TRUTH.webOrders.level * (own - mean))).toBeLessThan(1.2),
    )
    expect(ofWeek.index).toHaveLength(24 * weekdays.length)
  })
})

describe('the calendar of exterior paint', () => {
  it('comes back within its limits: a Saturday more, and the two weeks before Easter', () => {
    const truth = TRUTH.exterior
    const method: MethodDocument = {
      ...FORMAT,
      calendar: { tradingDay: 'six', easter: 14 },
      decompose: { model: 'multiplicative' },
    }
    // The flood is left out, as an analyst does it first: it would be laid to the days of its months.
    const series = {
      ...seriesOf(truth.file),
      adjustments: truth.flood.map(({ month }) => ({
        ...{ period: month, value: null, reason: 'flood' },
      })),
    }
    const taken = calendarTakenOf(analyse(series, { ...method, missing: 'leave' }))!
    const effects = readEffects(taken)
    const within = (name: string, truth: number) => {
      const { estimate, standardError } = effects.find((one) => one.name === name)!
      expect(Math.abs(estimate - truth)).toBeLessThan(2.5 * standardError)
      expect(estimate).toBeGreaterThan(2 * standardError)
    }
    within('all days before Easter', truth.easter)
    // Every other day of the week was as good as any: a Saturday stands 6/7 of its share above them.
    within('one Saturday more', (6 / 7) * truth.perSaturday)
  })
})
