import { titleOf } from '../intake/layouts/observations'

/**
 * The heading of a series in a table, such that intake reads name and unit back as they were: the unit in round brackets, in
 * square ones where it would not be known for a unit, and empty ones where the name itself ends like one.
 *
 * @example headingOf('Paint', 'litres') // 'Paint (litres)'
 * @example headingOf('Paint', 'Kolli') // 'Paint [Kolli]'
 * @example headingOf('Paint (litres)', '') // 'Paint (litres) []'
 */
export function headingOf(name: string, unit: string): string {
  const ways = unit === '' ? [name, `${name} []`] : [`${name} (${unit})`, `${name} [${unit}]`]
  const isReadBack = (heading: string) => {
    const title = titleOf(heading, 0)
    return title.name === name && title.unit === unit
  }
  return ways.find(isReadBack) ?? ways.at(-1)!
}
