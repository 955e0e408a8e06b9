/** Words of English, German, French and Spanish that values are counted in, besides currencies. */
const UNITS = new Set(
  `l ml cl dl hl litre litres liter liters litro litros gallon gallons g kg mg t to ton tons tonne tonnes tonnen lb lbs oz pound pounds
  m mm cm km m2 m² m3 m³ sqm cbm ft foot feet yard yards mile miles hectare hectares ha
  piece pieces pc pcs unit units item items ea stück stk st pièce pièces pièce unité unités pieza piezas unidad unidades
  tin tins can cans box boxes bucket buckets carton cartons case cases crate crates pallet pallets bottle bottles bag bags pack packs
  packet packets pair pairs dozen sack sacks drum drums kisten paletten flaschen packungen dosen eimer
  hour hours hrs hr h min day days night nights week weeks month months year years stunden tage nächte
  person persons people visitor visitors guest guests passenger passengers customer customers visit visits call calls ticket tickets
  order orders job jobs trip trips besucher gäste kunden personen
  kw mw kwh mwh gwh wh j kj mj gj °c °f c f degrees
  zł kr r$ kč ft t€ teur pln sek nok dkk czk brl huf ron € $ £ ¥ ₹ eur usd gbp chf jpy inr cny euro euros dollar dollars pound franc francs rupees
  no no. number count each % ‰ percent pct prozent pourcent index points pts ratio thousand thousands million millions billion k m mn bn tsd mio mrd
  000 000s '000 '000s 1000 1,000 1.000`
    .split(/\s+/)
    .filter((word) => word !== ''),
)
/** Words before or between units: `thousand litres`, `in €`, `litres per day`. */
const LINKS = new Set(
  "in per of a pro par je thousand thousands million millions billion k m '000 000 1000 1,000 1.000 tsd tsd. mio mio. mn mrd tausend mille".split(
    ' ',
  ),
)
/** Plurals that say what is counted and not in what. */
const NO_UNITS = /^(sales|series|totals|others|returns|exports|imports|various|less|gross|plus)$/

/**
 * Whether a text says what values are counted in: `litres`, `thousand €`, `kg/day`; not `white` or `2019 method`.
 *
 * @param text of a bracket behind a heading, or of a cell below one
 */
export function looksLikeUnit(text: string): boolean {
  const words = text.toLowerCase().trim().split(/[ /]+/)
  if (words.length > 4 || words.some((word) => word === '')) return false
  const isUnit = (word: string) =>
    UNITS.has(word) ||
    UNITS.has(word.replace(/\.$/, '')) ||
    /^(\p{Lu}{0,3}\p{Sc}|eur|usd|gbp)(k|m|mn|bn|'?000s?)?$/iu.test(word)
  // A plural in small letters is most likely what is counted: `gallons` of a kind that no list has.
  const isPlural = (word: string) =>
    /^\p{Ll}{2,}[^s]s$/u.test(word) && !NO_UNITS.test(word) && text === text.toLowerCase()
  return (
    words.every((word) => isUnit(word) || LINKS.has(word) || isPlural(word)) &&
    words.some((word) => isUnit(word) || isPlural(word))
  )
}
