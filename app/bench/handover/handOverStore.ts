import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { formatDay, inReadersFigures } from '~/figures/format'
import { useNotices } from '~/shell/noticeStore'
import { fileName, saveText, saveXlsx } from '~/shell/takeAway'
import { unlessLeft } from '~/workers/client'
import { handoverClient } from '~/workers/handover'
import { useRun } from '~/workers/run'
import { rounded, type FigureTable } from '~~/core/ledger/table'
import { isResult } from '~~/core/ledger/ledger'
import { methodSentence } from '~~/core/sentence/sentence'
import { piecesText } from '~~/core/word'
import { tableHeading } from '~~/handover/tableHeading'
import { tableAsCsv, tableAsTabs } from '~~/handover/tableText'
import { VERSION } from '~~/shared/version'
import { useCheck } from '../check/checkStore'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { tablesOf, type TableToTake } from './tables'

/** What leaves the Bench: its tables as they are seen, and the workbook that calculates. */
export const useHandOver = defineStore('hand-over', () => {
  const bench = useBench()
  const ledger = useLedger()
  const check = useCheck()
  const notices = useNotices()
  const worker = handoverClient()
  const writing = useRun()

  /** Which of the tables, by its place among them. */
  const chosen = ref(0)
  const isRounded = ref(false)
  const hasHeading = ref(true)
  /** Whether figures leave as text with a decimal comma, as spreadsheets of some locales read them. */
  const hasComma = ref(false)

  const tables = computed<TableToTake[]>(() =>
    bench.shown
      ? tablesOf(bench.shown, {
          stage: stageOf(ledger.stage).label,
          rows: ledger.rows,
          figures: ledger.figures,
        })
      : [],
  )
  const table = computed(() => tables.value[chosen.value] ?? tables.value[0])
  /** The result with the check that the Bench made of it. */
  const checked = computed(() =>
    bench.result && check.checked ? { ...bench.result, check: check.checked } : bench.result,
  )

  function sentence(): string | null {
    const { result, series } = bench
    if (!result || !series) return null
    return piecesText(methodSentence(result.method, series))
  }

  function made(of: TableToTake): FigureTable {
    const full = of.make()
    const own = isRounded.value ? rounded(full) : full
    if (!hasHeading.value) return own
    const told = { sentence: sentence(), date: formatDay(Date.now()), says: inReadersFigures }
    return { ...own, heading: tableHeading(checked.value ?? bench.shown!, told) }
  }

  function nameOf(of: Pick<TableToTake, 'name'>, kind: string): string {
    return `${fileName(bench.series!.name)} - ${of.name}.${kind}`
  }

  async function copy(of: TableToTake): Promise<void> {
    try {
      await navigator.clipboard.writeText(tableAsTabs(made(of), decimal()))
      notices.show({ text: `Copied; paste it into a spreadsheet.` })
    } catch {
      notices.show({ text: 'The browser did not allow copying. Save as CSV instead.' })
    }
  }

  function saveCsv(of: TableToTake): void {
    saveText(tableAsCsv(made(of), decimal()), nameOf(of, 'csv'))
  }

  function decimal() {
    return hasComma.value ? 'comma' : 'point'
  }

  /** A table as the only sheet of an XLSX file; the menu is closed by then, so what fails is said at the foot of the page. */
  async function saveSheet(of: TableToTake): Promise<void> {
    await writing.begin(async (followed) => {
      const bytes = await unlessLeft(worker.ask('sheet', [of.name, made(of)], followed))
      if (bytes) saveXlsx(bytes, nameOf(of, 'xlsx'))
    })
    const { state, because } = writing
    if (state.value === 'failed') {
      notices.show({ text: `The table could not be written: ${because.value}` })
    }
  }

  /** Every step as a live formula; what was checked goes with it. */
  function saveWorkbook(): Promise<void> {
    const result = checked.value
    if (!result || !isResult(result)) return Promise.resolve()
    const told = {
      sentence: inReadersFigures(sentence()!),
      version: VERSION,
      date: formatDay(Date.now()),
    }
    return writing.begin(async (followed) => {
      const bytes = await unlessLeft(worker.ask('workbook', [result, told], followed))
      if (bytes) saveXlsx(bytes, nameOf({ name: 'workbook' }, 'xlsx'))
    })
  }

  return {
    ...{ chosen, isRounded, hasHeading, hasComma, tables, table, checked },
    ...{ state: writing.state, because: writing.because, progress: writing.progress },
    ...{ copy, saveCsv, saveSheet, saveWorkbook, stop: writing.stop },
  }
})
