import { eq } from 'drizzle-orm'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { USUAL_REPORT } from '../../handover/report/choices'
import { reportRequestSchema } from '../../shared/api/report'
import { nextLeft, writeRun } from '../catalogue/runStore'
import { keepWork, workOn } from '../catalogue/workedStore'
import { openDatabase, type OpenDatabase } from '../database/open'
import { studies } from '../database/schema'
import { actOnSeries, keepSeries } from '../shelf/shelfStore'
import { reportOnSeries, toReport } from './reportOnSeries'
import { findReport, keepReport } from './reportStore'
import { addStudy } from './seriesStudies'

let opened: OpenDatabase
beforeEach(() => (opened = openDatabase(':memory:', 'server/database/migrations')))
afterEach(() => opened.close())

const MONTHS = Array.from({ length: 48 }, (_, i) => 1000 + 100 * (i % 12))
const ASKED = { reasons: false, length: 'page', locale: 'de-DE', date: '31.01.2026' } as const
const GONE = crypto.randomUUID()

function keep(name: string, values: readonly number[] = MONTHS): { id: string; study: string } {
  const series = { name, unit: 'litres', frequency: 'monthly' as const, start: '2020-01' }
  const [id] = keepSeries(opened.db, [
    { series: { ...series, values: [...values] }, source: { file: `${name}.csv` } },
  ]) as [string]
  const [study] = opened.db.select().from(studies).where(eq(studies.seriesId, id)).all()
  return { id, study: study!.id }
}

describe('the report of a study', () => {
  it('is as usual until something is chosen, and goes with its study', () => {
    const { study } = keep('Glaze')
    expect(findReport(opened.db, study)).toEqual(USUAL_REPORT)
    const own = { length: 'full', without: ['terms'], paragraphs: { top: 'Mine.' } } as const
    expect(keepReport(opened.db, study, own)).toBe(true)
    expect(keepReport(opened.db, study, { ...own, length: 'page' })).toBe(true)
    expect(findReport(opened.db, study)).toEqual({ ...own, length: 'page' })
    opened.db.delete(studies).where(eq(studies.id, study)).run()
    expect(findReport(opened.db, study)).toBeUndefined()
    expect(keepReport(opened.db, GONE, own)).toBe(false)
  })
})

describe('a report on series of the shelf', () => {
  it('has each by the study that opens with it, with its own paragraphs, in the reader’s marks', () => {
    const [glaze, primer] = [keep('Glaze'), keep('Primer')]
    keepReport(opened.db, primer.study, { ...USUAL_REPORT, paragraphs: { top: 'Mine.' } })
    const [study] = opened.db.select().from(studies).where(eq(studies.id, glaze.study)).all()
    addStudy(opened.db, glaze.id, { name: 'other', method: study!.method as never })
    const asked = { ...ASKED, ids: [primer.id, GONE, glaze.id, primer.id] }
    const all = toReport(opened.db, asked)
    expect(all.map(({ series }) => series.name)).toEqual(['Primer', 'Glaze'])
    const page = reportOnSeries(all, asked)
    expect(page).toContain('<h1>2 series</h1>')
    expect(page.match(/Mine\./g)).toHaveLength(1)
    expect(page).toContain('Primer.csv')
    expect(page).toMatch(/\d{2}\.\d{3}<\/button>/)
  })

  it('has nothing of what lies in the trash', () => {
    const { id } = keep('Glaze')
    actOnSeries(opened.db, { act: 'discard', ids: [id] })
    expect(toReport(opened.db, { ...ASKED, ids: [id] })).toEqual([])
  })

  it('names the series whose method is refused', () => {
    const { id, study } = keep('Zero', [...MONTHS.slice(0, -1), 0])
    const method = { format: 'elvant-method/1', decompose: { model: 'multiplicative' } } as const
    opened.db
      .update(studies)
      .set({ method: method as never, toBegin: false })
      .where(eq(studies.id, study))
      .run()
    const asked = { ...ASKED, ids: [id] }
    expect(() => reportOnSeries(toReport(opened.db, asked), asked)).toThrow(/method of Zero/)
  })

  it('says of those to look at why, and of the refused that they are, without a page of theirs', () => {
    const glaze = keep('Glaze')
    const zero = keep('Zero', [...MONTHS.slice(0, -1), 0])
    const method = { format: 'elvant-method/1', decompose: { model: 'multiplicative' } } as const
    opened.db
      .update(studies)
      .set({ method: method as never, toBegin: false })
      .where(eq(studies.id, zero.study))
      .run()
    const runId = writeRun(opened.db, { task: { kind: 'work' } })!
    const those = nextLeft(opened.db, runId, 10, new Set())
    keepWork(opened.db, runId, { kind: 'work' }, workOn(opened.db, { kind: 'work' }, those))
    const asked = { ...ASKED, reasons: true, ids: [glaze.id, zero.id] }
    const all = toReport(opened.db, asked)
    expect(all[1]!.lookAt![0]).toMatch(/^refused: /)
    const told = [{ ...all[0]!, lookAt: ['level changed in Mar 2025'] }, all[1]!]
    const page = reportOnSeries(told, asked)
    expect(page).toContain('<h1>1 series to look at</h1>')
    expect(page.match(/level changed in M/g)).toHaveLength(2)
    expect(page).toMatch(/<li>Zero: .*0/)
    expect(page).not.toContain('id="study-1"')
  })

  it('is asked for in a language that there is', () => {
    const ids = [GONE]
    expect(reportRequestSchema.safeParse({ ...ASKED, ids }).success).toBe(true)
    expect(reportRequestSchema.safeParse({ ...ASKED, ids, locale: 'x_y' }).success).toBe(false)
    expect(reportRequestSchema.safeParse({ ...ASKED, ids: [] }).success).toBe(false)
  })
})
