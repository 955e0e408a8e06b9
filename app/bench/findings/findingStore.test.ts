import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { analyse } from '~~/core/analyse'
import { calendarOf } from '~~/core/calendar/calendar'
import type { Finding } from '~~/core/finding'
import type { Series } from '~~/core/series/series'
import type { Stage } from '~~/core/stage'
import { useBench } from '../study/benchStore'
import { useCheck } from '../check/checkStore'
import { useLedger } from '../view/ledgerStore'
import { findingKey, useFindings } from './findingStore'

const say = (code: string, stage: Stage, severity: Finding['severity'] = 'caution'): Finding => ({
  ...{ code, stage, severity, text: `${code}.` },
  ...{ period: null, figure: null },
})

beforeEach(() => setActivePinia(createPinia()))

function told(findings: readonly Finding[], ofCheck: readonly Finding[] = []) {
  const bench = useBench()
  const series: Series = {
    ...{ name: 'jobs', unit: 'jobs', calendar: calendarOf('quarterly') },
    ...{ start: { cycle: 2020, season: 1 }, values: [4, 6, 7, 3, 5, 7, 8, 4, 5, 8, 9, 5] },
  }
  const shown = { ...analyse(series, { format: 'elvant-method/1' }), findings }
  Object.defineProperty(bench, 'shown', { value: shown })
  Object.defineProperty(bench, 'told', { value: shown })
  Object.defineProperty(bench, 'series', { value: series })
  useCheck().checked = { findings: ofCheck, tries: [] } as never
  return useFindings()
}

it('goes from one that asks for care to the next over all stages, and round', async () => {
  const findings = told(
    [say('bends', 'trend'), say('gap', 'look'), say('peak', 'season', 'note'), say('slip', 'look')],
    [say('worse', 'check')],
  )
  expect(findings.all.map(({ code }) => code)).toEqual(['gap', 'slip', 'peak', 'bends', 'worse'])
  const seen: string[] = []
  for (let i = 0; i < 5; i++) {
    findings.step(1)
    await new Promise((resolve) => setTimeout(resolve))
    seen.push(`${findings.lit} ${useLedger().stage}`)
  }
  expect(seen).toEqual([
    'gap gap. look',
    'slip slip. look',
    'bends bends. trend',
    'worse worse. check',
    'gap gap. look',
  ])
  findings.step(-1)
  await new Promise((resolve) => setTimeout(resolve))
  expect(findings.lit).toBe(findingKey(say('worse', 'check')))
})

it('has nowhere to go where nothing asks for care', () => {
  const findings = told([say('peak', 'season', 'note')])
  findings.step(1)
  expect(findings.lit).toBe('')
})
