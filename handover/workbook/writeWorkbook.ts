import writeSheets, { type Feature, type SheetData } from 'write-excel-file/universal'
import { columnLetters, PROSE_WIDTH, type Look, type Sheet, type SheetCell } from './sheet'

/** Text of a cell longer than this no spreadsheet takes. */
const LONGEST_TEXT = 32_767
const FONT = { fontFamily: 'Arial', fontSize: 10 }
/** How high a line is, in points. */
const LINE = 13.5
const FORECAST_TINT = '#FBF0EA'

const STYLES: Readonly<Record<Look, object>> = {
  title: { fontWeight: 'bold' },
  heading: {
    ...{ fontWeight: 'bold', bottomBorderStyle: 'thin', bottomBorderColor: '#8A8F98' },
    ...{ alignVertical: 'bottom', wrap: true },
  },
  label: { fontWeight: 'bold', alignVertical: 'top' },
  text: {},
  prose: { wrap: true, alignVertical: 'top' },
  input: { textColor: '#1D4E89' },
  formula: {},
  calculated: { textColor: '#6B7280', fontStyle: 'italic' },
}

/** The bytes of an XLSX file with these sheets: beside every formula stands what it came to. */
export async function writeWorkbook(sheets: readonly Sheet[]): Promise<Uint8Array> {
  const file = writeSheets(
    sheets.map(({ name, rows, widths, frozen }) => ({
      data: rows.map((row) => row.map(cellOf)) as SheetData,
      orientation: 'landscape' as const,
      sheet: name,
      columns: widths.map((width) => ({ width })),
      ...(frozen.rows > 0 ? { stickyRowsCount: frozen.rows } : {}),
      ...(frozen.columns > 0 ? { stickyColumnsCount: frozen.columns } : {}),
    })),
    { features: [storedFigures(sheets)], ...FONT },
  )
  return new Uint8Array(await (await file.toBlob()).arrayBuffer())
}

function cellOf(cell: SheetCell | null, column: number) {
  if (!cell) return null
  const { value, formula, look, decimals, isForecast } = cell
  const style = {
    ...STYLES[look],
    // The name of a column of figures stands over them.
    ...(look === 'heading' && column > 0 ? { align: 'right' } : {}),
    ...(isForecast ? { backgroundColor: FORECAST_TINT } : {}),
    ...(decimals === undefined ? {} : { format: formatOf(decimals) }),
  }
  if (value === null) return { value, ...style }
  if (formula !== undefined) return { type: 'Formula', value: formula, ...style }
  if (typeof value === 'number') return { type: Number, value, ...style }
  const text = value.slice(0, LONGEST_TEXT)
  const lines = look === 'prose' ? Math.ceil(text.length / PROSE_WIDTH) : 1
  return { type: String, value: text, ...style, ...(lines > 1 ? { height: lines * LINE } : {}) }
}

function formatOf(decimals: number): string {
  return decimals === 0 ? '#,##0' : `#,##0.${'0'.repeat(decimals)}`
}

/**
 * Puts beside each formula the figure that it came to: whoever reads the file without calculating sees the same.
 *
 * @see ECMA-376-1:2016, sec. 18.3.1.4: a cell's formula, then its value; `str` where the formula gives a text
 */
function storedFigures(sheets: readonly Sheet[]): Feature<Blob> {
  const stored = sheets.map(({ rows }) => {
    const own = new Map<string, SheetCell['value']>()
    rows.forEach((row, i) =>
      row.forEach((cell, j) => {
        if (cell?.formula !== undefined) own.set(`${columnLetters(j)}${i + 1}`, cell.value)
      }),
    )
    return own
  })
  return {
    files: {
      transform: {
        'xl/worksheets/sheet{id}.xml': {
          transform: (xml, _options, { sheetIndex }) =>
            xml.replace(FORMULA_CELL, (_, attributes: string, at: string, formula: string) => {
              const value = stored[sheetIndex]!.get(at)
              return typeof value === 'string'
                ? `<c ${attributes} t="str">${formula}<v>${value}</v></c>`
                : `<c ${attributes}>${formula}<v>${value}</v></c>`
            }),
        },
      },
    },
  }
}

const FORMULA_CELL = /<c ([^>]*?r="([A-Z]+\d+)"[^>]*)>(<f>[^<]*<\/f>)<\/c>/g
