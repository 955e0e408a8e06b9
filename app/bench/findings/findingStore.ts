import { defineStore } from 'pinia'
import { computed, nextTick, ref } from 'vue'
import type { Finding } from '~~/core/finding'
import { STAGES, type Stage } from '~~/core/stage'
import { useCheck } from '../check/checkStore'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'

/** What is said of the study, stage by stage, and the sentence that is lit because someone went to it. */
export const useFindings = defineStore('findings', () => {
  const bench = useBench()
  const check = useCheck()
  const ledger = useLedger()
  const selection = useSelection()

  /** In the order of the path; of a stage what asks for care first. */
  const all = computed<readonly Finding[]>(() => {
    const said = [...(bench.told?.findings ?? []), ...(check.checked?.findings ?? [])]
    const place = (one: Finding) =>
      2 * STAGES.indexOf(one.stage) + Number(one.severity !== 'caution')
    return said
      .map((one, i) => ({ one, i }))
      .sort((a, b) => place(a.one) - place(b.one) || a.i - b.i)
      .map(({ one }) => one)
  })
  const cautions = computed(() => all.value.filter(({ severity }) => severity === 'caution'))

  /** Key of the sentence that is lit; empty for none. */
  const lit = ref('')

  function of(stage: Stage): readonly Finding[] {
    return all.value.filter((one) => one.stage === stage)
  }

  /** Goes to the stage of a sentence, and lights it. */
  async function show(finding: Finding): Promise<void> {
    lit.value = ''
    if (ledger.stage !== finding.stage) selection.chooseStage(finding.stage)
    await nextTick()
    lit.value = findingKey(finding)
  }

  /** Goes to the first sentence of a stage that asks for care. */
  function showFirst(stage: Stage): void {
    const first = cautions.value.find((one) => one.stage === stage)
    if (first) void show(first)
  }

  /** Goes to the next sentence over all stages that asks for care, or the one before; behind the last comes the first. */
  function step(by: 1 | -1): void {
    const list = cautions.value
    if (list.length === 0) return
    const at = list.findIndex((one) => findingKey(one) === lit.value)
    const from = at >= 0 ? at : by > 0 ? -1 : 0
    void show(list[(from + by + list.length) % list.length]!)
  }

  return { all, cautions, lit, of, show, showFirst, step }
})

/** A name for a sentence that no other of a study has. */
export function findingKey({ code, text }: Finding): string {
  return `${code} ${text}`
}
