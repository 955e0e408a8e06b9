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
  if (startsWith(bytes, ZIP)) return openZip(bytes)
  refuseOther(bytes)
  const { text, encoding } = decodeText(bytes)
  if (/^\s*(<!doctype html|<html|<head|<body|<table)/i.test(text)) {
    throw new Refusal(
      'This is a web page, whatever its name says. Open it, and save the table as XLSX, ODS or CSV.',
      'file',
    )
  }
  if (/^\s*<\?xml/i.test(text)) {
    throw new Refusal(
      'This is XML, which is not read here. Save the table as XLSX, ODS or CSV.',
      'file',
    )
  }
  if (text.trim() === '') {
    throw new Refusal(
      bytes.length === 0 ? 'The file is empty.' : 'The file has blank lines and nothing else.',
      'file',
    )
  }
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
    sheets: [{ name: 'file', rows }],
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
      rows: cutIntoCells(decodeText(bytes).text).rows,
    })),
  }
}

/** First bytes of files that people bring and that hold no table to be read. */
const OTHERS: readonly (readonly [start: readonly number[], what: string])[] = [
  [[0x25, 0x50, 0x44, 0x46], 'a PDF'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'a workbook of the old XLS kind'],
  [[0x1f, 0x8b], 'a packed file'],
  [[0x89, 0x50, 0x4e, 0x47], 'a picture'],
  [[0xff, 0xd8, 0xff], 'a picture'],
  [[0x47, 0x49, 0x46, 0x38], 'a picture'],
  [[0x42, 0x4d], 'a picture'],
  [[0x52, 0x61, 0x72, 0x21], 'a packed file'],
  [[0x37, 0x7a, 0xbc, 0xaf], 'a packed file'],
]
const ZIP = [0x50, 0x4b]
const OLD_CONTAINER = [0xd0, 0xcf, 0x11, 0xe0]

/** The name of the stream that holds a locked workbook, as old containers write it. */
const LOCKED = 'EncryptedPackage'

function refuseOther(bytes: Uint8Array): void {
  if (startsWith(bytes, OLD_CONTAINER) && hasWide(bytes, LOCKED)) {
    throw new Refusal(
      'This workbook is locked by a password. Open it, take the password off, and save it again.',
      'file',
    )
  }
  for (const [start, what] of OTHERS) {
    if (!startsWith(bytes, start)) continue
    throw new Refusal(
      `This is ${what}, which is not read here. Save the table as XLSX, ODS or CSV.`,
      'file',
    )
  }
}

function startsWith(bytes: Uint8Array, start: readonly number[]): boolean {
  return start.every((byte, i) => bytes[i] === byte)
}

/** Whether a text stands in bytes with two bytes a letter. */
function hasWide(bytes: Uint8Array, text: string): boolean {
  return new TextDecoder('latin1').decode(bytes).includes([...text].join('\0'))
}
