import { axisOf } from '../core/calendar/axis'
import { calendarOf } from '../core/calendar/calendar'
import { daysOf, daysShared, weekdayCounts } from '../core/calendar/civil'
import { easterShare } from '../core/regression/regressors/calendar/easter'
import { randomFrom, type Random } from './random'
import { TRUTH } from './truth'

const DAY_MS = 86_400_000

/** One month of the demo's span. */
interface Month {
  /** From 1. */
  readonly t: number
  readonly year: number
  /** 1..12 */
  readonly month: number
  /** `2016-01` */
  readonly code: string
}

const MONTHS: readonly Month[] = Array.from({ length: TRUTH.months }, (_, i) => {
  const year = TRUTH.start.year + Math.floor(i / 12)
  const month = (i % 12) + 1
  return { t: i + 1, year, month, code: `${year}-${String(month).padStart(2, '0')}` }
})

/** A file of the demo, ready to be written. */
export interface DemoFile {
  readonly name: string
  readonly rows: readonly (readonly (string | number)[])[]
}

/** All files of the demo. Every series has a seed of its own, so that one can change alone. */
export function demoFiles(): DemoFile[] {
  const exterior = exteriorPaint(randomFrom(TRUTH.seed))
  return [
    wide(TRUTH.exterior.file, [['Exterior paint', TRUTH.exterior.unit, exterior]]),
    wide(TRUTH.interior.file, [
      ['Interior paint', TRUTH.interior.unit, interiorPaint(randomFrom(TRUTH.seed + 1))],
    ]),
    wide(TRUTH.stain.file, [
      ['Wood stain', TRUTH.stain.unit, woodStain(randomFrom(TRUTH.seed + 2))],
    ]),
    wide(TRUTH.decking.file, [
      ['Decking oil', TRUTH.decking.unit, deckingOil(randomFrom(TRUTH.seed + 11))],
    ]),
    wide(TRUTH.primer.file, [['Primer', TRUTH.primer.unit, primer(randomFrom(TRUTH.seed + 3))]]),
    wide(TRUTH.masonry.file, [
      ['Masonry paint', TRUTH.masonry.unit, masonryPaint(randomFrom(TRUTH.seed + 8))],
    ]),
    brushesAndRollers(randomFrom(TRUTH.seed + 4)),
    contractWork(),
    tradeCounterTakings(randomFrom(TRUTH.seed + 5)),
    wide(TRUTH.regions.file, byRegion(exterior, randomFrom(TRUTH.seed + 6))),
    paintByYear(randomFrom(TRUTH.seed + 7)),
    primerByWeek(randomFrom(TRUTH.seed + 9)),
    webOrdersByHour(randomFrom(TRUTH.seed + 10)),
  ]
}

function wide(name: string, columns: [name: string, unit: string, values: number[]][]): DemoFile {
  return {
    name,
    rows: [
      ['month', ...columns.map(([title, unit]) => `${title} (${unit})`)],
      ...MONTHS.map(({ code }, i) => [code, ...columns.map(([, , values]) => values[i]!)]),
    ],
  }
}

function exteriorPaint(random: Random): number[] {
  const { level, slope, indices, noise, perSaturday, easter, flood } = TRUTH.exterior
  return MONTHS.map(({ t, year, month, code }) => {
    const calendar =
      1 +
      perSaturday * (saturdays(year, month) - 4.348) +
      easter * (beforeEaster(year, month) - 1 / 12)
    const closed = flood.find((event) => event.month === code)?.share ?? 1
    const factor = indices[month - 1]! * calendar * (1 + random.normal(noise)) * closed
    return Math.round((level + slope * t) * factor)
  })
}

function interiorPaint(random: Random): number[] {
  const { level, slope, indices, noise } = TRUTH.interior
  return MONTHS.map(({ t, month }) =>
    Math.round(level + slope * t + indices[month - 1]! + random.normal(noise)),
  )
}

function woodStain(random: Random): number[] {
  const { level, slope, swing, peak, noise } = TRUTH.stain
  return MONTHS.map(({ t, month }) => {
    const at = peak.from + ((peak.to - peak.from) * (t - 1)) / (MONTHS.length - 1)
    const season = 1 + swing * Math.cos((2 * Math.PI * (month - at)) / 12)
    return Math.round((level + slope * t) * season * (1 + random.normal(noise)))
  })
}

/** Advertised for ten days once or twice a year, in no year on the same ones. */
function deckingOil(random: Random): number[] {
  const { level, slope, indices, noise, promotion } = TRUTH.decking
  const advertised = promotion.from.map((first) => ({
    first: Date.parse(first) / DAY_MS,
    last: Date.parse(first) / DAY_MS + promotion.days - 1,
  }))
  return MONTHS.map(({ t, year, month }) => {
    const days = daysOf({ cycle: year, season: month }, 12)
    const held = advertised.reduce((sum, one) => sum + daysShared(one, days), 0)
    const factor = indices[month - 1]! * (1 + promotion.perDay * held) * (1 + random.normal(noise))
    return Math.round((level + slope * t) * factor)
  })
}

/** The promotions of decking oil, as the calendar of a marketing department has them. */
export function promotionCalendar(): string {
  const { name, days, from } = TRUTH.decking.promotion
  const written = (day: number) => new Date(day).toISOString().slice(0, 10).replaceAll('-', '')
  const events = from.flatMap((first, i) => [
    'BEGIN:VEVENT',
    `UID:decking-${i + 1}@quillfield.example`,
    'DTSTAMP:20260105T090000Z',
    `DTSTART;VALUE=DATE:${written(Date.parse(first))}`,
    `DTEND;VALUE=DATE:${written(Date.parse(first) + days * DAY_MS)}`,
    `SUMMARY:${name}`,
    'END:VEVENT',
  ])
  const head = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Quillfield Paints//Promotions//EN']
  return [...head, ...events, 'END:VCALENDAR', ''].join('\r\n')
}

/** Its trend turns and its level wanders, so that no line through all years is right. */
function masonryPaint(random: Random): number[] {
  const { level, slope, turn, slopeAfter, wander, indices, noise } = TRUTH.masonry
  let trend: number = level
  let drift = 1
  return MONTHS.map(({ month, code }) => {
    trend += code < turn ? slope : slopeAfter
    drift *= 1 + random.normal(wander)
    return Math.round(trend * drift * indices[month - 1]! * (1 + random.normal(noise)))
  })
}

function primer(random: Random): number[] {
  const { level, slope, noise } = TRUTH.primer
  return MONTHS.map(({ t }) => Math.round(level + slope * t + random.normal(noise)))
}

function brushesAndRollers(random: Random): DemoFile {
  const truth = TRUTH.brushes
  const rows = MONTHS.flatMap(({ t, month, code }) => {
    const usual =
      (truth.level + truth.slope * t) * truth.indices[month - 1]! * (1 + random.normal(truth.noise))
    const value = Math.round(usual) * (code === truth.tenTimesTooLarge ? 10 : 1)
    if ((truth.missing as readonly string[]).includes(code)) return []
    const row = [code, value]
    return code === truth.duplicated ? [row, row] : [row]
  })
  return { name: truth.file, rows: [['month', `Brushes and rollers (${truth.unit})`], ...rows] }
}

function contractWork(): DemoFile {
  const { file, unit, values, startQuarter } = TRUTH.contract
  return {
    name: file,
    rows: [
      ['quarter', `Contract work (${unit})`],
      ...values.map((value, i) => [
        `${startQuarter.year + Math.floor(i / 4)} Q${(i % 4) + 1}`,
        value,
      ]),
    ],
  }
}

function tradeCounterTakings(random: Random): DemoFile {
  const { file, unit, firstDay, lastDay, level, slopePerDay, weekdays, year, noise } = TRUTH.takings
  const rows: [string, number][] = []
  const first = Date.parse(firstDay)
  for (let day = first; day <= Date.parse(lastDay); day += 86_400_000) {
    const weekday = (new Date(day).getUTCDay() + 6) % 7
    if (weekday === 6) continue
    const age = (day - first) / 86_400_000
    const ofYear = (day - Date.UTC(new Date(day).getUTCFullYear(), 0, 1)) / 86_400_000 + 1
    const season = weekdays[weekday]! * overYear(ofYear / 365.25, year.swing, year.best / 365.25)
    const takings = (level + slopePerDay * age) * season * (1 + random.normal(noise))
    rows.push([new Date(day).toISOString().slice(0, 10), Math.round(takings * 100) / 100])
  }
  return { name: file, rows: [['day', `Trade-counter takings (${unit})`], ...rows] }
}

function primerByWeek(random: Random): DemoFile {
  const { file, unit, firstMonday, weeks, level, slopePerWeek, year, noise } = TRUTH.primerByWeek
  const rows = Array.from({ length: weeks }, (_, i) => {
    const monday = new Date(Date.parse(firstMonday) + i * 7 * 86_400_000)
    const season = overYear(i / 52.18, year.swing, year.best / 52.18)
    const value = (level + slopePerWeek * i) * season * (1 + random.normal(noise))
    return [monday.toISOString().slice(0, 10), Math.round(value)]
  })
  return { name: file, rows: [['week from', `Primer by week (${unit})`], ...rows] }
}

function webOrdersByHour(random: Random): DemoFile {
  const { file, unit, firstDay, days, level, hours, weekdays, noise } = TRUTH.webOrders
  const rows = Array.from({ length: 24 * days }, (_, i) => {
    const at = new Date(Date.parse(firstDay) + i * 3_600_000)
    const season = hours[i % 24]! * weekdays[Math.floor(i / 24) % 7]!
    const orders = Math.max(0, Math.round(level * season * (1 + random.normal(noise))))
    return [at.toISOString().slice(0, 16).replace('T', ' '), orders]
  })
  return { name: file, rows: [['hour', `Web orders (${unit})`], ...rows] }
}

/** A wave of one year. @param at and best in years */
function overYear(at: number, swing: number, best: number): number {
  return 1 + swing * Math.cos(2 * Math.PI * (at - best))
}

function byRegion(whole: readonly number[], random: Random): [string, string, number[]][] {
  const { shares, unit, noise } = TRUTH.regions
  return Object.entries(shares).map(([region, { from, to }]) => [
    region,
    unit,
    whole.map((value, i) => {
      const share = from + ((to - from) * i) / (whole.length - 1)
      return Math.round(value * share * (1 + random.normal(noise)))
    }),
  ])
}

function paintByYear(random: Random): DemoFile {
  const { file, unit, firstYear, years, level, slope, noise, slump } = TRUTH.yearly
  const rows = Array.from({ length: years }, (_, i) => {
    const year = firstYear + i
    const share = slump.find((bad) => bad.year === year)?.share ?? 1
    return [year, Math.round((level + slope * (i + 1)) * share + random.normal(noise))]
  })
  return { name: file, rows: [['year', `Paint sold (${unit})`], ...rows] }
}

function saturdays(year: number, month: number): number {
  return weekdayCounts(daysOf({ cycle: year, season: month }, 12))[5]!
}

/** Share of the two weeks before Easter that falls into a month. */
function beforeEaster(year: number, month: number): number {
  return easterShare(
    axisOf({ calendar: calendarOf('monthly'), start: { cycle: year, season: month } }),
    14,
    1,
  )
}
