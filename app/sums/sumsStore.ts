import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { ApiProblem } from '~/api/client'
import { useNotices } from '~/shell/noticeStore'
import { fileName, saveText, saveXlsx } from '~/shell/takeAway'
import { handoverClient } from '~/workers/handover'
import type { AgreeBy } from '~~/core/addingUp/agreement/ways'
import type { Value } from '~~/core/series/series'
import { sum } from '~~/core/statistics/average'
import { sumsTable } from '~~/handover/sumsTable'
import { tableAsCsv } from '~~/handover/tableText'
import type { Problem } from '~~/shared/api/problem'
import type { AddedSeries, Chosen } from '~~/shared/api/sums'

/** Series added up: what was asked for, what came of it, and what of that is looked at. */
export const useSums = defineStore('sums', () => {
  const state = ref<'idle' | 'working' | 'ready' | 'failed'>('idle')
  const failure = ref('')
  const added = shallowRef<AddedSeries | null>(null)
  /** How the forecasts are made to add up, as they are shown. */
  const by = ref<AgreeBy>('below')
  /** Place of the node that is looked at, and of the period ahead. */
  const place = ref(0)
  const step = ref(0)
  const folded = shallowRef<ReadonlySet<number>>(new Set())
  const writer = handoverClient()
  let asked = new AbortController()
  let request: Chosen = {}

  async function add(what: Chosen): Promise<void> {
    request = what
    asked.abort()
    asked = new AbortController()
    const own = asked
    added.value = null
    state.value = 'working'
    try {
      const answer = await fetchSums(what, own.signal)
      if (own !== asked) return
      added.value = answer
      by.value = answer.proposed
      ;[place.value, step.value] = [0, 0]
      folded.value = answer.nodes.length > MANY ? groupsOf(answer) : new Set()
      state.value = 'ready'
    } catch (error) {
      if (own !== asked) return
      failure.value = own.signal.aborted ? 'It was stopped.' : (error as Error).message
      state.value = 'failed'
    }
  }

  const nodes = computed(() => added.value?.nodes ?? [])
  const node = computed(() => nodes.value[place.value] ?? null)
  /** Places of the nodes in sight, the folded ones with what is in them left out. */
  const inSight = computed(() => {
    const hidden = new Set<number>()
    nodes.value.forEach(({ parent }, at) => {
      if (parent !== null && (hidden.has(parent) || folded.value.has(parent))) hidden.add(at)
    })
    return nodes.value.flatMap((_, at) => (hidden.has(at) ? [] : [at]))
  })

  function fold(at: number): void {
    const next = new Set(folded.value)
    if (!next.delete(at)) next.add(at)
    folded.value = next
  }

  /** What the members of a node are forecast to come to by themselves; of a series its own forecast. */
  function membersOf(at: number): readonly number[] {
    const { members, own } = nodes.value[at]!
    if (members.length === 0) return own
    return own.map((_, h) => sum(members.map((member) => nodes.value[member]!.own[h]!)))
  }

  /** The values as many periods back as are forecast. */
  function before(at: number): Value {
    const { values, own } = nodes.value[at]!
    const last = values.slice(-own.length)
    return last.length < own.length || last.includes(null) ? null : sum(last as number[])
  }

  /** Studies that this page has changed itself. */
  function note(changed: readonly { readonly id: string; readonly version: number }[]): void {
    if (!added.value) return
    const versions = new Map(changed.map(({ id, version }) => [id, version]))
    const studies = added.value.studies.map((one) => ({
      ...one,
      version: versions.get(one.studyId) ?? one.version,
    }))
    added.value = { ...added.value, studies }
  }

  async function save(as: 'csv' | 'xlsx'): Promise<void> {
    const name = `${fileName(nodes.value[0]!.name)} - added up`
    const table = sumsTable(added.value!)
    try {
      if (as === 'csv') saveText(tableAsCsv(table), `${name}.csv`)
      else saveXlsx(await writer.ask('sheet', ['added up', table]), `${name}.xlsx`)
    } catch (error) {
      useNotices().show({ text: (error as Error).message })
    }
  }

  return {
    ...{ state, failure, added, by, place, step, folded, nodes, node, inSight },
    ...{ add, fold, membersOf, before, note, save },
    again: () => add(request),
    stop: () => asked.abort(),
  }
})

/** More nodes than this are shown folded at first. */
const MANY = 60

function groupsOf({ nodes }: AddedSeries): Set<number> {
  return new Set(
    nodes.flatMap(({ members, level }, at) => (members.length > 0 && level > 0 ? [at] : [])),
  )
}

async function fetchSums(body: Chosen, signal: AbortSignal): Promise<AddedSeries> {
  const response = await fetch('/api/v1/sums', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  })
  if (!response.ok) throw new ApiProblem((await response.json()) as Problem)
  return (await response.json()) as AddedSeries
}
