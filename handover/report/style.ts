/**
 * How a report looks, on the screen and on paper.
 *
 * @param foot said at the foot of every printed page
 */
export function styleOf(foot: string): string {
  return `
:root { --ink: #1d2733; --muted: #696357; --rule: #e2dccf; --strong: #b9b1a2; --accent: #0b7a75; --paper: #ffffff; --tint: #f7f4ed; }
* { box-sizing: border-box; }
body { margin: 0; background: var(--tint); color: var(--ink); font: 15px/1.5 Inter, 'Segoe UI', Helvetica, Arial, sans-serif; }
main { max-width: 820px; margin: 0 auto; padding: 40px 50px 60px; background: var(--paper); min-height: 100vh; }
h1, h2 { font-family: 'Source Serif 4', Georgia, 'Times New Roman', serif; font-weight: 600; line-height: 1.2; overflow-wrap: anywhere; }
h1 { margin: 0; font-size: 30px; }
h2 { margin: 34px 0 8px; padding-top: 14px; border-top: 1px solid var(--strong); font-size: 21px; }
h3 { margin: 18px 0 4px; font-size: 15px; }
p { margin: 0 0 8px; }
ul { margin: 4px 0 10px; padding-left: 20px; }
li { margin: 2px 0; }
.muted, .about { color: var(--muted); }
.about { margin: 4px 0 14px; }
.lead { font-size: 17px; }
.own { margin: 8px 0 14px; padding: 2px 0 2px 14px; border-left: 3px solid var(--accent); }
.own p:last-child { margin: 0; }
.loose { text-decoration: line-through; }
.hidden { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
figure { margin: 10px 0 14px; position: relative; }
figure svg { display: block; width: 100%; height: auto; }
table { width: 100%; margin: 12px 0 18px; border-collapse: collapse; font-size: 13px; font-variant-numeric: tabular-nums; }
caption { padding: 0 0 4px; text-align: left; font-weight: 600; }
th, td { padding: 3px 8px; text-align: right; vertical-align: baseline; font-weight: 400; }
thead th { border-bottom: 1px solid var(--strong); color: var(--muted); vertical-align: bottom; }
th:first-child { padding-left: 0; text-align: left; }
td:last-child, th:last-child { padding-right: 0; }
.said :is(td, th):last-child { text-align: left; }
tbody tr + tr > * { border-top: 1px solid var(--rule); }
tbody th[scope=row] { min-width: 5.5em; }
small { display: block; font-size: 11px; }
dt { margin-top: 8px; font-weight: 600; }
dd { margin: 0; }
.wide { overflow-x: auto; }
a { color: var(--accent); }
.figure { display: inline; margin: 0; padding: 0; border: 0; background: none; color: inherit; font: inherit; font-variant-numeric: tabular-nums; }
.live .figure, .live [data-figure] { cursor: pointer; }
.live .figure { text-decoration: underline dotted var(--strong); text-underline-offset: 3px; }
.live .figure:hover, .live [data-figure]:hover, .open { background: #d9efe9; }
:focus-visible { outline: 2px solid var(--accent); outline-offset: 1px; }
#working { position: fixed; inset: 0 0 0 auto; z-index: 1; width: min(380px, 100vw); overflow-y: auto; padding: 16px 18px 30px; border-left: 1px solid var(--strong); background: var(--paper); box-shadow: -6px 0 24px rgb(29 39 51 / 12%); }
#working[hidden] { display: none; }
#working h2 { margin: 12px 0 0; padding: 0; border: 0; font-size: 18px; }
#working h2:focus { outline: none; }
#working .means { color: var(--muted); font-size: 13px; }
#working .symbols { margin: 10px 0 2px; color: var(--muted); font-size: 13px; overflow-wrap: anywhere; }
#working .numbers { margin: 0 0 4px; font-variant-numeric: tabular-nums; overflow-wrap: anywhere; }
#working .value { color: var(--accent); font-size: 19px; font-weight: 600; font-variant-numeric: tabular-nums; }
#working .acts { display: flex; justify-content: space-between; gap: 8px; }
#working .acts button { padding: 4px 10px; border: 1px solid var(--strong); border-radius: 4px; background: var(--paper); color: inherit; font: inherit; cursor: pointer; }
#working .acts button:hover { background: var(--tint); }
#working .acts [data-close] { margin-left: auto; }
#working .sources { margin: 0; padding: 0; list-style: none; font-size: 13px; }
#working .sources button { display: flex; justify-content: space-between; gap: 12px; width: 100%; padding: 3px 4px; border: 0; border-top: 1px solid var(--rule); background: none; color: inherit; font: inherit; text-align: left; cursor: pointer; }
#working .sources button:hover { background: #d9efe9; }
.number { font-variant-numeric: tabular-nums; }
@media screen and (min-width: 1240px) { .working body { padding-right: 380px; } }
@media screen and (max-width: 700px) {
  main { padding: 22px 18px 40px; }
  #working { inset: auto 0 0 0; width: 100%; max-height: 62vh; border-left: 0; border-top: 1px solid var(--strong); }
}
@page { size: A4; margin: 17mm 16mm 19mm; @bottom-left { content: ${cssText(foot)}; font: 8.5pt Helvetica, Arial, sans-serif; color: #696357; } @bottom-right { content: counter(page) ' / ' counter(pages); font: 8.5pt Helvetica, Arial, sans-serif; color: #696357; } }
@media print {
  body { background: none; font-size: 10pt; line-height: 1.4; }
  main { max-width: none; margin: 0; padding: 0; }
  h1 { font-size: 21pt; }
  h2 { margin: 16pt 0 5pt; padding-top: 8pt; font-size: 14pt; }
  h3 { font-size: 10.5pt; }
  h2, h3, caption { break-after: avoid; }
  .lead { font-size: 12pt; }
  table { margin: 7pt 0 10pt; font-size: 8.5pt; }
  th, td { padding: 1.6pt 6pt; }
  small { font-size: 7.5pt; }
  thead { display: table-header-group; }
  tr, figure, li, dt, .lead { break-inside: avoid; }
  dt { break-after: avoid; }
  table:not(.periods) { break-inside: avoid; }
  .study + .study, .part-tables { break-before: page; }
  .wide { overflow: visible; }
  .grid { font-size: 7.5pt; }
  .grid th, .grid td { padding: 1.6pt 3pt; }
  #working { display: none; }
  .working body { padding: 0; }
  .live .figure { text-decoration: none; }
  .open { background: none; }
  a { color: inherit; text-decoration: none; }
  .length-page, .length-short { font-size: 9pt; }
  :is(.length-page, .length-short) h2 { margin: 9pt 0 3pt; padding-top: 5pt; font-size: 12pt; }
  :is(.length-page, .length-short) table { margin: 4pt 0 6pt; font-size: 8pt; }
  :is(.length-page, .length-short) :is(th, td) { padding-block: 1pt; }
  .length-short figure svg { max-height: 74mm; }
  .length-page figure svg { max-height: 62mm; }
}
`
}

/** Any text as a string of a style sheet: every letter that is not plain by its number. */
function cssText(text: string): string {
  const letters = [...text].map((letter) =>
    /[A-Za-z0-9 .,:-]/.test(letter) ? letter : `\\${letter.codePointAt(0)!.toString(16)} `,
  )
  return `'${letters.join('')}'`
}
