/** Words of English, German, French and Spanish that say what a row or column is. */

/** A row or column that adds up others: a word at its beginning, or one that stands alone. `All-weather paint` is none. */
export const TOTAL = new RegExp(
  [
    String.raw`^(grand |sub-?|year )?(total|totals|totale|totali|totaal|totalt|sum|gesamt|summe|summa|jahressumme|insgesamt|somme|totaux|suma|razem|ogółem|celkem|subtotal|average|avg|mean|mittelwert|durchschnitt|moyenne|promedio|ytd|jahr gesamt)\b(?!-)`,
    String.raw`^(all|alle|overall|combined|toutes?|tous|todos|todas|count|anzahl|minimum|maximum|min\.?|max\.?|median|std\.?)$`,
  ].join('|'),
  'i',
)
/** The same word and nothing else, as in the key of a row with a period. */
export const TOTAL_ALONE =
  /^(grand |sub-?|year )?(total|totals|totale|totaal|totalt|sum|gesamt|summe|summa|insgesamt|somme|suma|razem|celkem|subtotal|average|avg|mean|mittelwert|durchschnitt|moyenne|promedio):?$/i
/** A name of all series together, where it adds them up. */
export const ALL_TOGETHER =
  /^(all|alle|overall|combined|toutes?|tous|todos|todas)\b|\b(together|combined)$/i

/** A name that ends so adds up the rows above it: `Paint total`. */
export const TOTAL_END =
  /\b(total|totale|totaal|totalt|subtotal|sum|gesamt|summe|summa|razem)\s*:?$/i

/** The heading of a column of dates or periods. */
export const DATE_HEADING =
  /^(yr|mo|mth|mon|qtr|wk|q|per|kw)\.?$|date|day|week|month|quarter|period|year|time|datum|tag|woche|monat|quartal|periode|jahr|jour|semaine|mois|trimestre|p[ée]riode|ann[ée]e|fecha|d[ií]a|semana|mes|a[ñn]o|giorno|settimana|trimestre|dag\b|maand|kwartaal|m[êe]s\b|m[åa]n[ea]d|kvartal|miesi[ąa]c|kwarta[łl]|okres|m[ěe]s[íi]c|[čc]tvrtlet/i

/** The heading of what adds up the year so far. */
export const SO_FAR =
  /\bytd\b|year[- ]to[- ]date|cumul|kumul|running total|acumulad|progressiv|narastaj/i

/** The heading of a column of years, or of their totals. */
export const YEAR_HEADING =
  /^(full |calendar )?(years?|yr|jahre?|ann[ée]es?|a[ñn]os?|anno|ano|jaar|rok|[åa]r)$/i

/** The heading of amounts, which come again in other rows without naming them. */
export const AMOUNT_HEADING = /price|preis|prix|precio|kurs|rate|cost|value|umsatz|sales/i

/** The heading over years, quarters or months that are not those of the calendar. */
export const FISCAL_HEADING =
  /fiscal|financial|^fy\b|\bfy$|gesch[äa]ftsjahr|wirtschaftsjahr|exercice|ejercicio/i

export const QUARTER_HEADING = /quarter|qtr|quartal|trimestre|^q$/i
export const WEEK_HEADING = /week|^wk\.?$|^kw$|woche|semaine|semana/i

/** The heading of a column of numbers that name things: what was sold where, to whom, and where it was booked. */
export const ID_HEADING = new RegExp(
  [
    String.raw`\b(id|code|no|nr|number|sku|ean|item|article|artikel\w*|art\.?|product|store|shop|branch|region|customer|account|filiale|kunde|magasin|producto|tienda)\b`,
    // `Depot 2` is a series, `Depot` a column that names them.
    `^(?:${[
      'konto|gegenkonto|contra account|g/?l(?: account)?|compte|cuenta|conto|auftrag|bestellung|invoice|rechnung|beleg|voucher|document|facture|factura|fattura',
      'post ?code|zip(?: code)?|plz|postleitzahl|code postal|c[óo]digo postal|cap|plant|werk|site|warehouse|lager|depot|cost cent(?:er|re)|profit cent(?:er|re)|kostenstelle|supplier|vendor|lieferant|company code|buchungskreis|phone|telefon',
    ].join('|')})s?$`,
  ].join('|'),
  'i',
)
/** The heading of one order in a row; of how many there are, it would be in the plural. */
export const ORDER_HEADING = /^(?:sales |purchase |customer )?(?:order|auftrag|bestellung)$/i
