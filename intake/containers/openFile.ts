import { Refusal } from '../../core/refusal'
import { isBlank, type Workbook } from '../grid'
import { requireBytes } from '../limits'
import { decodeText } from './decodeText'
import { cutIntoCells } from './delimited'
import { looksLikeJson, recordsAsRows } from './jsonRecords'
import { readOds } from './ods'
import { readXlsx } from './xlsx'
import { unpack } from './zip'

/**
 * Takes a file out of its container: delimited text, JSON records, XLSX or ODS, known by its bytes and not
 * by its name.
 *
 * @throws Refusal for a container that is not read, is damaged, or is larger than the limits
 */
export function openFile(bytes: Uint8Array): Workbook {
  requireBytes(bytes.length)
  if (startsWith(bytes, 'PK')) return openZip(bytes)
  refuseOther(bytes)
  const { text, encoding } = decodeText(bytes)
  if (looksLikeJson(text)) {
    return {
      container: `JSON, ${encoding}`,
      sheets: [{ name: 'records', rows: recordsAsRows(text) }],
    }
  }
  if (text.includes('\0')) {
    throw new Refusal('This is no text and no workbook that can be read here.', 'file')
  }
  const { rows, delimiter } = cutIntoCells(text)
  return {
    container: `text with ${delimiter}, ${encoding}`,
    sheets: [{ name: 'file', rows: rows.filter((row) => !isBlank(row)) }],
  }
}

function openZip(bytes: Uint8Array): Workbook {
  const csv = unpack(bytes, (name) => /\.csv$/i.test(name))
  if (Object.keys(csv).length > 0) return openTexts(csv)
  const isOds = new TextDecoder('latin1')
    .decode(bytes.subarray(0, 200))
    .includes('opendocument.spreadsheet')
  const sheets = isOds ? readOds(bytes) : readXlsx(bytes)
  return {
    container: isOds ? 'ODS' : 'XLSX',
    sheets: sheets.map((sheet) => ({ ...sheet, rows: sheet.rows.filter((row) => !isBlank(row)) })),
  }
}

/** A zip of delimited texts, such as a data package: each is a sheet. */
function openTexts(texts: Readonly<Record<string, Uint8Array>>): Workbook {
  return {
    container: 'zip of texts',
    sheets: Object.entries(texts).map(([path, bytes]) => ({
      name: path.replace(/^.*\//, '').replace(/\.csv$/i, ''),
      rows: cutIntoCells(decodeText(bytes).text).rows.filter((row) => !isBlank(row)),
    })),
  }
}

const OTHERS: readonly (readonly [start: string, what: string])[] = [
  ['%PDF', 'a PDF'],
  ['\xD0\xCF\x11\xE0', 'a workbook of the old XLS kind'],
  ['\x1F\x8B', 'a packed file'],
  ['\x89PNG', 'a picture'],
  ['\xFF\xD8\xFF', 'a picture'],
]

function refuseOther(bytes: Uint8Array): void {
  for (const [start, what] of OTHERS) {
    if (!startsWith(bytes, start)) continue
    throw new Refusal(
      `This is ${what}, which is not read here. Save the table as XLSX, ODS or CSV.`,
      'file',
    )
  }
}

function startsWith(bytes: Uint8Array, start: string): boolean {
  return [...start].every((letter, i) => bytes[i] === letter.charCodeAt(0))
}
