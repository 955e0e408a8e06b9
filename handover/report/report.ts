import { cycleOfResult } from '../../core/ledger/calendarOfResult'
import { sha256 } from '@noble/hashes/sha2.js'
import { shortVerdict } from '../../core/check/words'
import type { Steps } from '../../core/work/steps'
import type { ReadersFigures } from '../../core/words/readersFigures'
import { escaped } from '../picture/svgPen'
import { PARTS, partsOf } from './choices'
import { html, type Content, type Markup } from './markup'
import type { PackedWorkings } from './packed'
import { WRITE } from './parts'
import { readReport } from './reader'
import { styleOf } from './style'
import type { PartOf, ReportedStudy } from './study'
import { tableOf } from './table'
import { ownWords } from './ties'
import { stretchAhead, totalFigure, totalWord } from './totals'
import { Workings } from './workings'

/** What is said of a report that no study knows. */
export interface ReportTold {
  /** Series that nothing could be reported of, and why. */
  readonly refused?: readonly { readonly name: string; readonly because: string }[]
  readonly says: ReadersFigures
  /** Of Elvant. */
  readonly version: string
  /** The day it was made, as the reader writes it. */
  readonly date: string
}

/**
 * The report of one study or of several, as one page that needs nothing beside it: it is read from disk, without a network and
 * on paper, and every figure in it shows how it came about.
 *
 * Nothing else may run in it: its policy names the one script and the one style by their digests.
 */
export function* reportSteps(studies: readonly ReportedStudy[], told: ReportTold): Steps<string> {
  const all = studies.map((study, i): PartOf => ({
    ...study,
    says: told.says,
    workings: new Workings(study.result, told.says, i, study.source),
  }))
  const title = all.length === 1 ? all[0]!.result.series.name : `${all.length} series`
  const body = [
    ...(all.length > 1 || told.refused?.length ? [overview(all, told)] : []),
    ...all.map((of) => written(of, told, all.length > 1)),
  ]
  const packed: PackedWorkings[] = []
  for (const { workings } of all) packed.push(yield* workings.packed())
  const style = styleOf(`${title}. Elvant, ${told.date}`)
  const script = `(${readReport.toString()})()`
  const policy = `default-src 'none'; script-src '${digest(script)}'; style-src '${digest(style)}'; base-uri 'none'; form-action 'none'`
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="${policy}">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="generator" content="Elvant ${escaped(told.version)}">
<title>${escaped(title)}</title>
<style>${style}</style>
</head>
<body>
${html`<main>${body}</main>`.text}
${WORKING_PANEL}
<script type="application/json" id="workings">${JSON.stringify(packed).replaceAll('<', '\\u003c')}</script>
<script>${script}</script>
</body>
</html>
`
}

const WORKING_PANEL = `<aside id="working" role="dialog" aria-label="Working" hidden>
<div class="acts"><button type="button" data-back>Back</button><button type="button" data-close>Close</button></div>
<div data-body></div>
</aside>`

/** As a policy names what may run: by the digest of its text. */
function digest(text: string): string {
  const bytes = sha256(new TextEncoder().encode(text))
  return `sha256-${btoa(String.fromCharCode(...bytes))}`
}

/** Several series beside each other, each leading to its own report. */
function overview(
  all: readonly PartOf[],
  { date, version, says: inWords, refused = [] }: ReportTold,
): Markup {
  const haveReasons = all.some(({ lookAt }) => lookAt !== undefined)
  return html`<section class="study">
    <h1>${all.length} series${haveReasons ? ' to look at' : ''}</h1>
    <p class="about">${date}, made by Elvant ${version}</p>
    ${tableOf({
      endsInWords: true,
      caption: 'What will come, and how such forecasts would have done',
      head: ['series', 'the year ahead', 'in', 'change', 'such forecasts'],
      rows: all.map((of): Content[] => {
        const { result, workings, says } = of
        const ahead = stretchAhead(result)
        const verdict = result.check?.verdict
        return [
          html`<a href="#study-${workings.place}">${result.series.name}</a>${
              of.lookAt?.length
                ? html`<br /><small>${says.inText(of.lookAt.join('; '))}</small>`
                : ''
            }`,
          totalFigure(workings, ahead, 'own') ?? '–',
          [totalWord(result), result.series.unit].filter((word) => word !== '').join(', '),
          totalFigure(workings, ahead, 'change') ?? '–',
          verdict
            ? says.inText(shortVerdict(verdict, result.series.unit, cycleOfResult(result)))
            : 'not checked',
        ]
      }),
    })}
    ${
      refused.length === 0
        ? ''
        : html`<h2>Refused</h2>
            <ul>
              ${refused.map(({ name, because }) => html`<li>${name}: ${inWords.inText(because)}</li>`)}
            </ul>`
    }
  </section>`
}

/** One study, part by part, with what the analyst has to say at the head of each. */
function written(of: PartOf, { date, version }: ReportTold, isOneOfSeveral: boolean): Markup {
  const { result, workings, choices } = of
  const { series } = result
  const { label, firstT, lastT } = workings.ledger.run
  const heading = isOneOfSeveral
    ? html`<h1 id="study-${workings.place}">${series.name}</h1>`
    : html`<h1>${series.name}</h1>`
  return html`<section class="study length-${choices.length}">
    ${heading}
    <p class="about">
      ${[series.unit, `${label(firstT)} to ${label(lastT)}`].filter((text) => text !== '').join(', ')};
      ${date}, made by Elvant ${version}
    </p>
    ${of.lookAt?.length ? html`<p><strong>To look at:</strong> ${of.says.inText(of.lookAt.join('; '))}.</p>` : ''}
    ${ownWords(workings, choices.paragraphs.top ?? '')}
    ${partsOf(choices).map(
      (name) =>
        html`<section class="part-${name}">
          <h2>${PARTS[name].title}</h2>
          ${ownWords(workings, choices.paragraphs[name] ?? '')}${WRITE[name](of)}
        </section>`,
    )}
  </section>`
}
