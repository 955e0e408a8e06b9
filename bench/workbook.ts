import { zipSync, strToU8 } from 'fflate'
import { analyse } from '../core/analyse'
import { calendarOf } from '../core/calendar/calendar'
import { finish } from '../core/work/steps'
import { workbookSteps } from '../handover/workbook/workbook'
import { writeWorkbook } from '../handover/workbook/writeWorkbook'
import { say } from './measured'

/** Time of the workbook of 50 years of months with calendar, slopes by season, an event and limits, beside packing as many characters. */
const values = Array.from(
  { length: 600 },
  (_, i) => (1000 + 6 * i) * (1 + 0.2 * Math.cos(i / 1.91)) * (1 + 0.03 * Math.sin(i * i)),
)
const result = analyse(
  {
    ...{ name: 'Bench', unit: 'litres', calendar: calendarOf('monthly') },
    ...{ start: { cycle: 1970, season: 1 }, values },
  },
  {
    format: 'elvant-method/1',
    calendar: { tradingDay: 'six', length: 'leap-year', easter: 8 },
    forecast: {
      by: 'regression',
      season: 'dummies-by-trend',
      indicators: [{ name: 'flood', from: '2001-06', to: '2001-07' }],
      levels: [50, 80, 95],
      horizon: 60,
    },
  },
)
const told = { sentence: 'Bench.', version: '0', date: '2026-01-01' }

/** The middle one. */
function middle(times: readonly number[]): string {
  return `${times.toSorted((a, b) => a - b)[times.length >> 1]!.toFixed(0)} ms median of ${times.length}`
}

const RUNS = 5
const written: number[] = []
const packed: number[] = []
for (let i = 0; i < RUNS; i++) {
  const started = performance.now()
  const sheets = finish(workbookSteps(result, told))
  await writeWorkbook(sheets)
  written.push(performance.now() - started)
  const text = JSON.stringify(sheets)
  const before = performance.now()
  zipSync({ 'sheets.json': strToU8(text) })
  packed.push(performance.now() - before)
  if (i === RUNS - 1) {
    const cells = sheets.reduce((sum, { rows }) => sum + rows.flat().filter(Boolean).length, 0)
    say('workbook', `600 months with everything, ${cells} cells`, middle(written))
    say('workbook', 'the same cells packed as JSON, the yardstick', middle(packed))
  }
}
