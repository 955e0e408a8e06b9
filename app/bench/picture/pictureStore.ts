import { zip } from 'fflate'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { formatDay, READERS_FIGURES } from '~/figures/format'
import { useNotices } from '~/shell/noticeStore'
import { svgAsPng } from '~/shell/pictureFile'
import { fileName, saveBlob } from '~/shell/takeAway'
import { isResult } from '~~/core/ledger/ledger'
import type { PictureLook } from '~~/handover/picture/look'
import { centimetresOf, pixelsOf, PX_AN_INCH } from '~~/handover/picture/size'
import {
  contestSubjects,
  drawnSubject,
  otherSubjects,
  stripSubjects,
  type Subject,
} from '~~/handover/picture/subjects'
import { useBeside } from '../beside/besideStore'
import { useCompared } from '../compare/compared'
import { drawnComparison } from '../compare/drawn'
import { comparedPictures } from '../compare/pictures'
import { useContest } from '../contest/contestStore'
import { stageOf } from '../stage/stages'
import { useBench } from '../study/benchStore'
import { useLedger } from '../view/ledgerStore'
import { usePlaneStrips } from '../view/strips/planeStrips'
import { useWindow } from '../view/windowStore'
import {
  rememberChoices,
  rememberedChoices,
  rememberedSets,
  rememberSets,
  type LengthUnit,
  type PictureChoices,
} from './choices'

/** The least and the largest side, and steps of one. */
export const SIDE_LIMITS = {
  cm: { least: 4, most: 100, step: 0.5, decimals: 1 },
  px: { least: 150, most: 3800, step: 10, decimals: 0 },
} as const satisfies Record<LengthUnit, object>
/** Pixels of a point, 72 of which are an inch. */
const PX_A_POINT = 96 / 72
export type PictureKind = 'svg' | 'png'

/** Pictures of what is on the Bench: which there are, how they are to look, and how they leave. */
export const usePictures = defineStore('pictures', () => {
  const bench = useBench()
  const ledger = useLedger()
  const beside = useBeside()
  const time = useWindow()
  const contest = useContest()
  const notices = useNotices()
  const { strips } = usePlaneStrips()
  const { results, titles } = useCompared()

  const choices = shallowRef<PictureChoices>(rememberedChoices())
  watch(choices, rememberChoices)
  const sets = shallowRef(rememberedSets())

  /** Which of the subjects; the first where it is not among them. */
  const chosen = ref('')
  /** In place of the name of the series; empty for that. */
  const title = ref('')
  /** Ends of the first strip's scale, in what it is shown in; empty for its own. */
  const scale = shallowRef<{ low: number | null; high: number | null }>({ low: null, high: null })

  const subjects = computed<Subject[]>(() => {
    const { shown } = bench
    if (!shown) return []
    const { label } = stageOf(ledger.stage)
    const { from, to } = time.axis
    const within = choices.value.isWindow
      ? { within: { from: Math.ceil(from), to: Math.floor(to) } }
      : {}
    const stage = { id: ledger.stage, title: `All strips at ${label}` }
    return [
      ...stripSubjects(shown, READERS_FIGURES, { stage, strips: strips.value, ...within }),
      ...otherSubjects(shown, READERS_FIGURES, {
        column: ledger.foldColumn,
        yearStart: beside.yearStart ?? undefined,
        cycle: beside.foldCycle ?? undefined,
      }),
      ...compared(),
      ...(contest.contest && isResult(shown)
        ? contestSubjects(shown, READERS_FIGURES, contest.contest)
        : []),
    ]
  })

  function compared(): Subject[] {
    const [first] = results.value
    if (!first || results.value.length < 2) return []
    return comparedPictures(results.value).map((one, i) =>
      drawnSubject(
        `compared:${i}`,
        `Compared: ${one.title}`,
        first,
        drawnComparison(one, results.value, titles.value, ledger.scale),
        READERS_FIGURES,
      ),
    )
  }

  const subject = computed(
    () => subjects.value.find(({ id }) => id === chosen.value) ?? subjects.value[0],
  )
  /** Whether the scale stays for the pictures that are taken next, so that they can be compared. */
  const isHeld = ref(false)
  // Another picture has another scale.
  watch(
    () => [subject.value?.id, bench.study?.id],
    () => isHeld.value || (scale.value = { low: null, high: null }),
  )

  /** Holds the scale as it is drawn, or lets every picture have its own again. */
  function hold(isWanted: boolean): void {
    isHeld.value = isWanted
    const drawn = subject.value?.scale(look.value) ?? null
    scale.value = isWanted && drawn ? roughly(drawn) : { low: null, high: null }
  }

  const look = computed<PictureLook>(() => {
    const { width, height, isBlack, legend, weight, letters, isEqual } = choices.value
    return {
      ...{ width: toPixels(width), height: toPixels(height) },
      ...{ isBlack, legend, weight, isEqual, scale: scale.value },
      letters: letters * PX_A_POINT,
    }
  })

  /** Why the look cannot be drawn; empty where it can. */
  const problem = computed(() => (subject.value ? problemOf(subject.value) : ''))

  function problemOf(of: Subject): string {
    const least = of.least(look.value)
    const { unit } = choices.value
    const { least: shortest, most, decimals } = SIDE_LIMITS[unit]
    for (const side of ['width', 'height'] as const) {
      const own = unit === 'cm' ? centimetresOf(least[side]) : least[side]
      const from = Math.max(shortest, Math.ceil(own * 10 ** decimals) / 10 ** decimals)
      const asked = choices.value[side]
      if (asked >= from && asked <= most) continue
      return `The ${side} must be ${from} to ${most} ${unit} for what is shown.`
    }
    return ''
  }

  /** A side that was asked for, in pixels of which 96 are an inch. */
  function toPixels(side: number): number {
    return Math.round(choices.value.unit === 'cm' ? pixelsOf(side) : side)
  }

  /** Counts the sides in another unit; they stay as long as they are. */
  function countIn(unit: LengthUnit): void {
    const { width, height } = choices.value
    const counted = (side: number) =>
      unit === 'px' ? toPixels(side) : Math.round(10 * centimetresOf(side)) / 10
    if (unit !== choices.value.unit)
      choose({ unit, width: counted(width), height: counted(height) })
  }

  function svgOf(of: Subject): string {
    const said = {
      title: title.value.trim() || bench.series!.name,
      source: choices.value.hasSource ? `Elvant, ${formatDay(Date.now())}` : '',
    }
    return of.svg(said, look.value)
  }

  /** The picture as it will leave; null where it cannot be drawn. */
  const svg = computed(() => (subject.value && problem.value === '' ? svgOf(subject.value) : null))

  function choose(change: Partial<PictureChoices>): void {
    choices.value = { ...choices.value, ...change }
  }

  /** Keeps the present choices under a name, in place of those that have it. */
  function keepSet(name: string): void {
    const others = sets.value.filter((one) => one.name !== name)
    sets.value = [...others, { name, choices: choices.value }]
    if (!rememberSets(sets.value)) {
      notices.show({ text: 'The browser does not keep it: it is there until the page is closed.' })
    }
  }

  function dropSet(name: string): void {
    sets.value = sets.value.filter((one) => one.name !== name)
    rememberSets(sets.value)
  }

  function nameOf({ title: what }: Subject, kind: string): string {
    const own = what.replace(/^All strips at /, '')
    return `${fileName(bench.series!.name)} - ${fileName(own)}.${kind}`
  }

  async function blobOf(of: Subject, kind: PictureKind): Promise<Blob> {
    if (kind === 'svg') return new Blob([svgOf(of)], { type: 'image/svg+xml' })
    // Of pixels that were asked for there are as many, and no more.
    const { unit, dpi } = choices.value
    return svgAsPng(svgOf(of), unit === 'px' ? PX_AN_INCH : dpi)
  }

  async function save(kind: PictureKind): Promise<void> {
    const of = subject.value
    if (!of) return
    try {
      saveBlob(await blobOf(of, kind), nameOf(of, kind))
    } catch (error) {
      notices.show({ text: (error as Error).message })
    }
  }

  async function copy(): Promise<void> {
    try {
      const png = await blobOf(subject.value!, 'png')
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })])
      notices.show({ text: 'Copied; paste it into a document.' })
    } catch {
      notices.show({ text: 'The browser did not allow copying. Save it as PNG instead.' })
    }
  }

  /** Pictures that the look has room for, as one file; what has too little room is said. */
  async function saveAll(of: readonly Subject[], kind: PictureKind): Promise<void> {
    const fitting = of.filter((one) => problemOf(one) === '')
    const small = of.filter((one) => problemOf(one) !== '').map((one) => one.title)
    try {
      const files: Record<string, Uint8Array> = {}
      for (const one of fitting) {
        files[nameOf(one, kind)] = new Uint8Array(await (await blobOf(one, kind)).arrayBuffer())
      }
      if (fitting.length > 0) {
        saveBlob(await zipped(files), `${fileName(bench.series!.name)} - pictures.zip`)
      }
      if (small.length > 0) {
        notices.show({ text: `Too small for ${small.join(', ')}: left out.` })
      }
    } catch (error) {
      notices.show({ text: (error as Error).message })
    }
  }

  return {
    ...{ choices, choose, countIn, sets, keepSet, dropSet, chosen, title, scale, isHeld, hold },
    ...{ subjects, subject, problem, svg, save, copy, saveAll },
  }
})

/** Ends that are easily read and typed, a little outside of the drawn ones. */
function roughly({ low, high }: { low: number; high: number }): { low: number; high: number } {
  const step = 10 ** Math.floor(Math.log10((high - low) / 20))
  const decimals = Math.max(0, -Math.log10(step))
  const at = (steps: number) => Number((steps * step).toFixed(Math.min(20, decimals)))
  return { low: at(Math.floor(low / step)), high: at(Math.ceil(high / step)) }
}

function zipped(files: Record<string, Uint8Array>): Promise<Blob> {
  return new Promise((resolve, reject) => {
    zip(files, (error, bytes) => {
      if (error) reject(error)
      else resolve(new Blob([bytes.slice()], { type: 'application/zip' }))
    })
  })
}
