import { PARAMETERS, PARAMETERS_HEAD, type Places } from './places'
import { SheetDraft, type Sheet } from './sheet'

/** Column of where a figure comes from, from 0; a narrow one keeps it off the figures. */
const NOTE = 3

/** Every figure that has a place of its own: what was given or searched for, and what several others share. */
export function parametersSheet({ parameters }: Places): Sheet {
  const sheet = new SheetDraft()
  sheet.line(0, ['figure', 'value'], 'heading')
  sheet.put(0, NOTE, { value: 'where it comes from', look: 'label' })
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
    sheet.put(row, NOTE, { value: from, look: 'text' })
  })
  return sheet.done(PARAMETERS, { rows: PARAMETERS_HEAD, columns: 1 }, [44, 20, 3, 48])
}
