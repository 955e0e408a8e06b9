import betaincinv from '@stdlib/math-base-special-betaincinv'
import { strFromU8, unzipSync } from 'fflate'
import {
  FunctionArgumentType,
  FunctionPlugin,
  HyperFormula,
  SimpleRangeValue,
  type RawCellContent,
} from 'hyperformula'
import { Matrix, QrDecomposition } from 'ml-matrix'
import { readXlsx } from '../../intake/containers/xlsx'

/** A cell of a file that holds a formula, and what stands beside it. */
export interface FormulaCell {
  readonly sheet: string
  readonly address: string
  readonly row: number
  readonly column: number
  readonly formula: string
  readonly stored: string
}

/** A workbook as it was read back from its file, calculated anew from its formulas by an engine that knows nothing of Elvant. */
export interface OpenedWorkbook {
  readonly formulas: readonly FormulaCell[]
  /** What a cell comes to, at `Ledger!D14`. */
  value(address: string): unknown
  /** Types something over a cell. */
  set(address: string, value: number | string): void
  /** The address of a cell by the period in the first column and the label in the first row. */
  find(sheet: string, period: string, label: string): string
}

/** @param bytes of an XLSX file */
export function openWorkbook(bytes: Uint8Array): OpenedWorkbook {
  const sheets = readXlsx(bytes)
  const parts = unzipSync(bytes)
  const formulas = sheets.flatMap(({ name }, i) =>
    formulasOf(name, strFromU8(parts[`xl/worksheets/sheet${i + 1}.xml`]!)),
  )
  const contents = Object.fromEntries(
    sheets.map(({ name, rows }) => {
      const own: RawCellContent[][] = []
      for (const { line, cells } of rows) {
        while (own.length < line) own.push([])
        own[line - 1] = cells.map(contentOf)
      }
      return [name, own]
    }),
  )
  for (const { sheet, row, column, formula } of formulas) {
    const rows = contents[sheet]!
    while (rows.length <= row) rows.push([])
    rows[row]![column] = `=${formula}`
  }
  register()
  const engine = HyperFormula.buildFromSheets(contents, {
    licenseKey: 'gpl-v3',
    smartRounding: false,
    useArrayArithmetic: true,
    maxRows: 100_000,
  })
  const place = (address: string) => engine.simpleCellAddressFromString(address, 0)!
  return {
    formulas,
    value: (address) => engine.getCellValue(place(address)),
    set: (address, value) => void engine.setCellContents(place(address), value),
    find: (sheet, period, label) => {
      const rows = contents[sheet]!
      const column = rows[0]!.indexOf(`'${label}`)
      const row = rows.findIndex(([first]) => first === `'${period}`)
      if (row < 0 || column < 0) throw new Error(`No ${label} of ${period} on ${sheet}`)
      return engine.simpleCellAddressToString(
        { sheet: engine.getSheetId(sheet)!, row, col: column },
        { includeSheetName: true },
      )!
    },
  }
}

/** A text cell stays text, whatever it begins with. */
function contentOf(cell: string | number): RawCellContent {
  if (cell === '') return null
  return typeof cell === 'string' ? `'${cell}` : cell
}

const CELL = /<c ([^>]*?)r="([A-Z]+)(\d+)"[^>]*><f>([^<]*)<\/f><v>([^<]*)<\/v><\/c>/g

function formulasOf(sheet: string, xml: string): FormulaCell[] {
  return [...xml.matchAll(CELL)].map(([, , letters, line, formula, stored]) => ({
    sheet,
    address: `'${sheet}'!${letters}${line}`,
    row: Number(line) - 1,
    column: [...letters!].reduce((at, letter) => at * 26 + letter.charCodeAt(0) - 64, 0) - 1,
    formula: formula!
      .replaceAll('&lt;', '<')
      .replaceAll('&gt;', '>')
      .replaceAll('&quot;', '"')
      .replaceAll('&#39;', "'")
      .replaceAll('&apos;', "'")
      .replaceAll('&amp;', '&'),
    stored: stored!,
  }))
}

/**
 * Functions of the open standard that the engine lacks, or knows to eight digits only, by their definitions there.
 *
 * @see OpenDocument v1.3, part 4 (OpenFormula), sec. 6.18.41 LINEST and 6.18.85 TINV
 */
class StandardFunctions extends FunctionPlugin {
  /** Coefficients of least squares, the last column first and the constant last; with statistics four rows more. */
  linest({ args }: Ast, state: State) {
    return this.runFunction(
      args,
      state,
      this.metadata('LINEST'),
      (
        values: SimpleRangeValue,
        design: SimpleRangeValue,
        _constant: boolean,
        statistics: boolean,
      ) => {
        const y = numbersOf(values).map(([value]) => value!)
        const x = numbersOf(design)
        const fit = leastSquares(x, y)
        const { length: n } = y
        const p = x[0]!.length
        const row = [...fit.coefficients.slice(1).reverse(), fit.coefficients[0]!]
        if (!statistics) return SimpleRangeValue.onlyNumbers([row])
        const blank = () => row.map(() => 0)
        const [errors, r2, f, sums] = [blank(), blank(), blank(), blank()]
        r2[1] = Math.sqrt(fit.sse / (n - p - 1))
        f[1] = n - p - 1
        sums[1] = fit.sse
        return SimpleRangeValue.onlyNumbers([row, errors, r2, f, sums])
      },
    )
  }

  /** The t that is passed on either side with a probability. */
  tinv({ args }: Ast, state: State) {
    return this.runFunction(args, state, this.metadata('TINV'), (p: number, df: number) => {
      const x = betaincinv(p, df / 2, 0.5)
      return Math.sqrt((df * (1 - x)) / x)
    })
  }
}

StandardFunctions.implementedFunctions = {
  LINEST: {
    method: 'linest',
    vectorizationForbidden: true,
    parameters: [
      { argumentType: FunctionArgumentType.RANGE },
      { argumentType: FunctionArgumentType.RANGE },
      { argumentType: FunctionArgumentType.BOOLEAN, defaultValue: true },
      { argumentType: FunctionArgumentType.BOOLEAN, defaultValue: false },
    ],
  },
  TINV: {
    method: 'tinv',
    parameters: [
      { argumentType: FunctionArgumentType.NUMBER },
      { argumentType: FunctionArgumentType.NUMBER },
    ],
  },
}

function leastSquares(x: readonly (readonly number[])[], y: readonly number[]) {
  const design = new Matrix(x.map((row) => [1, ...row]))
  const solution = new QrDecomposition(design).solve(Matrix.columnVector([...y]))
  const coefficients = solution.to1DArray()
  const missed = Matrix.sub(Matrix.columnVector([...y]), design.mmul(solution)).to1DArray()
  return { coefficients, sse: missed.reduce((sum, e) => sum + e * e, 0) }
}

/** What the engine hands to a function. */
type State = Parameters<FunctionPlugin['runFunction']>[1]
interface Ast {
  readonly args: Parameters<FunctionPlugin['runFunction']>[0]
}

let isRegistered = false
function register(): void {
  if (isRegistered) return
  isRegistered = true
  const names = { LINEST: 'LINEST', TINV: 'TINV' }
  HyperFormula.registerFunctionPlugin(StandardFunctions, { enGB: names, enUS: names })
}

function numbersOf(range: SimpleRangeValue): number[][] {
  return range.data.map((row) => row.map(Number))
}
