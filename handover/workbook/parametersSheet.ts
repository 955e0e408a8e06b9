import { PARAMETERS, PARAMETERS_HEAD, type Places } from './places'
import { SheetDraft, type Sheet } from './sheet'

/** Every figure that has a place of its own: what was given or searched for, and what several others share. */
export function parametersSheet({ parameters }: Places): Sheet {
  const sheet = new SheetDraft()
  sheet.line(0, ['figure', 'value', 'where it comes from'], 'heading')
  parameters.forEach(({ symbol, value, formula }, i) => {
    const row = PARAMETERS_HEAD + i
    sheet.put(row, 0, { value: symbol, look: 'text' })
    sheet.put(
      row,
      1,
      formula === null ? { value, look: 'input' } : { value, formula, look: 'formula' },
    )
    const from =
      formula === null ? 'given, or found by a search: may be changed' : 'calculated here'
    sheet.put(row, 2, { value: from, look: 'text' })
  })
  return sheet.done(PARAMETERS, { rows: PARAMETERS_HEAD, columns: 1 }, [44, 18, 42])
}
