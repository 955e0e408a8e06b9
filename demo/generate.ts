import { writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import { demoFiles, promotionCalendar } from './series'
import { TRUTH } from './truth'

/** Writes the demo files and their truth again; the same seed gives the same files. */
for (const { name, rows } of demoFiles()) {
  const text = Papa.unparse(rows as (string | number)[][], { newline: '\n' }) + '\n'
  writeFileSync(new URL(`./files/${name}`, import.meta.url), text)
}
writeFileSync(
  new URL(`./lists/${TRUTH.decking.promotion.file}`, import.meta.url),
  promotionCalendar(),
)
writeFileSync(new URL('./truth.json', import.meta.url), JSON.stringify(TRUTH, null, 2) + '\n')
