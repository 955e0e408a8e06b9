import { onBeforeUnmount, onMounted } from 'vue'
import { isTyping } from '~/shell/isTyping'
import { useBench } from './benchStore'
import { STAGES } from './path/stages'
import { usePins } from './compare/pinStore'
import { useView } from './viewStore'

/** The keyboard of the Bench, for as long as it is on the screen. */
export function useShortcuts(): void {
  const bench = useBench()
  const view = useView()
  const pins = usePins()

  function step(by: number) {
    const cell = view.selected ?? { column: 'value' as const, t: view.cursor ?? view.lastActual }
    view.moveTo({ column: cell.column, t: cell.t + by })
  }

  function changeRow(by: number) {
    const rows = view.rows
    const at = rows.findIndex(({ name }) => name === view.selected?.column)
    const next = rows[at < 0 ? 0 : Math.min(Math.max(at + by, 0), rows.length - 1)]
    if (next) view.moveTo({ column: next.name, t: view.cursor ?? view.lastActual })
  }

  const year = () => bench.series?.calendar.seasons ?? 1
  const KEYS: Record<string, (event: KeyboardEvent) => void> = {
    ArrowLeft: ({ shiftKey }) => step(shiftKey ? -year() : -1),
    ArrowRight: ({ shiftKey }) => step(shiftKey ? year() : 1),
    ArrowUp: () => changeRow(-1),
    ArrowDown: () => changeRow(1),
    Home: () => step(-Infinity),
    End: () => step(Infinity),
    f: () => view.fold(),
    p: () => pins.toggle(),
    c: () => void pins.show(),
    a: () => (view.allSteps = !view.allSteps),
    '+': () => view.zoom(0.7),
    '=': () => view.zoom(0.7),
    '-': () => view.zoom(1 / 0.7),
    '0': () => view.showWhole(),
    ...Object.fromEntries(STAGES.map((stage, i) => [String(i + 1), () => view.chooseStage(stage)])),
  }

  function onKey(event: KeyboardEvent) {
    if (isTyping(event) || document.querySelector('.v-overlay--active:not(.v-snackbar)')) return
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault()
      if (event.shiftKey) bench.redo()
      else bench.undo()
      return
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const act = KEYS[event.key] ?? KEYS[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act(event)
  }
  onMounted(() => addEventListener('keydown', onKey))
  onBeforeUnmount(() => removeEventListener('keydown', onKey))
}
