import { onBeforeUnmount, onMounted } from 'vue'
import { isTyping } from '~/shell/isTyping'
import { STAGES } from '~~/core/stage'
import { useContest } from '../contest/contestStore'
import { useCheck } from '../check/checkStore'
import { usePins } from '../pins/pinStore'
import { useHand } from '../hand/handStore'
import { useBench } from '../study/benchStore'
import { useFindings } from '../findings/findingStore'
import { goToArea } from '../view/areas'
import { useLedger } from '../view/ledgerStore'
import { useSelection } from '../view/selectionStore'
import { useWindow } from '../view/windowStore'

/** The keyboard of the Bench, for as long as it is on the screen. */
export function useShortcuts(): void {
  const bench = useBench()
  const ledger = useLedger()
  const time = useWindow()
  const selection = useSelection()
  const pins = usePins()
  const contest = useContest()
  const check = useCheck()
  const findings = useFindings()
  const hand = useHand()

  const cursor = () => selection.cursor ?? ledger.lastActual
  function step(by: number) {
    const cell = selection.selected ?? { column: 'value', t: cursor() }
    selection.moveTo({ column: cell.column, t: cell.t + by })
  }

  /** Begins a stretch at the cursor, which the arrows then draw out; pressed again, lets it go. */
  function mark() {
    if (selection.marked) selection.unmark()
    else selection.mark(cursor(), cursor())
  }

  /** The field for another figure of the forecast, at the period that is selected or its first one. */
  function bend() {
    if (!bench.result) return
    const isAhead = (selection.selected?.t ?? 0) > ledger.lastActual
    if (ledger.stage !== 'project') selection.chooseStage('project')
    if (!isAhead) selection.moveTo({ column: 'forecast', t: ledger.lastActual + 1 })
    hand.ask()
  }

  function compare() {
    contest.isOpen = false
    void pins.show()
  }

  const year = () => bench.series?.calendar.seasons ?? 1
  const KEYS: Record<string, (event: KeyboardEvent) => void> = {
    ArrowLeft: ({ shiftKey }) => step(shiftKey ? -year() : -1),
    ArrowRight: ({ shiftKey }) => step(shiftKey ? year() : 1),
    ArrowUp: () => selection.changeRow(-1),
    ArrowDown: () => selection.changeRow(1),
    Home: () => step(-Infinity),
    End: () => step(Infinity),
    f: () => ledger.fold(),
    b: bend,
    p: () => pins.toggle(),
    c: compare,
    t: () => void contest.show(),
    '[': () => check.step(-1),
    ']': () => check.step(1),
    a: () => (ledger.allSteps = !ledger.allSteps),
    m: mark,
    n: ({ shiftKey }) => findings.step(shiftKey ? -1 : 1),
    s: () => goToArea('sentence'),
    j: () => goToArea('path'),
    d: () => goToArea('strips'),
    l: () => goToArea('ledger'),
    w: () => goToArea('working'),
    Escape: () => selection.unmark(),
    '+': () => time.zoom(0.7, cursor()),
    '=': () => time.zoom(0.7, cursor()),
    '-': () => time.zoom(1 / 0.7, cursor()),
    ',': () => time.move(-year()),
    '.': () => time.move(year()),
    '0': () => time.showWhole(),
    Backspace: () => time.showAsAtFirst(),
    ...Object.fromEntries(
      STAGES.map((stage, i) => [String(i + 1), () => selection.chooseStage(stage)]),
    ),
  }

  function onKey(event: KeyboardEvent) {
    if (
      // What was open before is not what the key is meant for.
      bench.state !== 'ready' ||
      isTyping(event) ||
      document.querySelector('.v-overlay--active:not(.v-snackbar, .v-tooltip)')
    )
      return
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
