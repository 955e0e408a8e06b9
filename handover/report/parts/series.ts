import { furthestFromTrend, type Distance } from '../../../core/beside/furthest'
import type { Finding } from '../../../core/finding'
import { STAGES } from '../../../core/stage'
import { stripsOfStage } from '../../picture/pictureOfResult'
import { html, type Markup } from '../markup'
import { pictureIn } from '../figureOf'
import { listOf, tableOf } from '../table'
import type { PartOf } from '../study'
import { namesTakenOut } from '../../../core/prepare/prepare'
import { capitalized } from '../../../core/series/noun'
import { seasonOut } from '../../../core/words/seasonOut'

const HEIGHT = 360
/** Periods furthest over and under the trend. */
const FURTHEST = { page: 1, short: 3, full: 5 } as const
/** Stages that speak of the series; what follows is about the forecast. */
const OF_SERIES = STAGES.slice(0, STAGES.indexOf('project'))

/** What the series is like: how it goes, its season with its reading, and the periods that were really good or bad. */
export function seriesPart(of: PartOf): Markup {
  const { result, says } = of
  const strips = stripsOfStage(result, 'deseasonalize', says).filter(
    ({ layers }) => layers.length > 0,
  )
  const index = stripsOfStage(result, 'season', says).filter(({ id }) => id === 'index')
  return html`${listOf(notesOf(result.findings).map(({ text }) => says.inText(text)))}
  ${pictureIn(of, [...strips, ...index], HEIGHT)} ${seasonTable(of)} ${furthest(of)}`
}

/** What there is to know of the series; what asks for care is said where it is asked how far all of this can be trusted. */
function notesOf(findings: readonly Finding[]): Finding[] {
  return OF_SERIES.flatMap((stage) =>
    findings.filter((one) => one.stage === stage && one.severity === 'note'),
  )
}

function seasonTable({ workings, result, says }: PartOf): Markup | null {
  const { run, find } = workings.ledger
  const column = find('index')
  if (!column || result.seasons.length === 0) return null
  const decimals = column.measure === 'factor' ? 3 : 1
  return tableOf({
    endsInWords: true,
    caption: `The season: index in ${column.unit || 'units'}`,
    head: ['season', 'index', 'values behind it', 'standard error', 'reads'],
    rows: result.seasons.map(({ season, label, index, count, standardError, reading }) => {
      const t = periodOf(season, index, run)
      const text = says.decimals(index, decimals)
      return [
        label,
        t === null ? text : workings.figure({ column: 'index', t }, text),
        count ?? '–',
        standardError === null ? '–' : says.decimals(standardError, decimals),
        says.inText(reading),
      ]
    }),
  })
}

/** The latest period whose index is that of a season: where it may change, that of a year ahead is in none of those analysed. */
function periodOf(
  season: number,
  index: number,
  { firstT, endT, seasonOf, value }: PartOf['workings']['ledger']['run'],
): number | null {
  for (let t = endT; t >= firstT; t--) {
    if (seasonOf(t) === season && value('index', t) === index) return t
  }
  return null
}

function furthest(of: PartOf): Markup | null {
  const { result, choices } = of
  const { over, under } = furthestFromTrend(result, FURTHEST[choices.length])
  if (over.length + under.length === 0) return null
  const list = (all: readonly Distance[]) => listOf(all.map((one) => distance(of, one)))
  return html`<h3>Really good and really bad periods</h3>
    ${list(over)}${list(under)}`
}

function distance({ result, workings, says }: PartOf, { t, words }: Distance): Markup {
  const value = workings.ledger.run.value('deseasonalized', t)
  const own =
    value === null
      ? null
      : html` ${capitalized(seasonOut(namesTakenOut(result.takenOut?.found)).short)} it was
        ${workings.figure({ column: 'deseasonalized', t }, says.figure(value))}.`
  return html`${says.inText(words)}${own}`
}
