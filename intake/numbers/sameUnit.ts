/** Ways to write one unit, the one it is called by first. */
const SAME: readonly (readonly string[])[] = [
  ['€', 'eur', 'euro', 'euros'],
  ['$', 'usd', 'dollar', 'dollars'],
  ['£', 'gbp'],
  ['¥', 'jpy'],
  ['R$', 'brl'],
  ['zł', 'pln'],
  ['Kč', 'czk'],
  ['litres', 'l', 'ltr', 'lt', 'litre', 'liter', 'liters', 'litro', 'litros'],
  ['kg', 'kgs', 'kilo', 'kilos'],
  ['t', 'to', 'ton', 'tons', 'tonne', 'tonnes', 'tonnen'],
  ['pieces', 'pc', 'pcs', 'piece', 'stk', 'stück', 'st', 'ea', 'each', 'units', 'unit'],
]

/**
 * Whether units are one, written in several ways: `€` and `EUR`, `L` and `ltr`.
 *
 * @example isOneUnit(['€', 'EUR']) // true
 */
export function isOneUnit(units: Iterable<string>): boolean {
  const names = [...units].map((unit) => {
    const plain = unit.toLowerCase().replace(/\.$/, '')
    return SAME.find((words) => words.some((word) => word.toLowerCase() === plain))?.[0] ?? plain
  })
  return new Set(names).size === 1
}
