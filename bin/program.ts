import { Command, CommanderError, Option } from 'commander'
import { Refusal } from '../core/refusal'
import { beginOf } from './commands/begin'
import { calc } from './commands/calc'
import type { CatalogueOptions } from './commands/catalogue'
import { contestOf } from './commands/contest'
import type { JudgeOptions, KeepOptions } from './commands/kept'
import { example } from './commands/example'
import { OpenQuestions, read } from './commands/read'
import { run } from './commands/run'
import type { PictureOptions } from './commands/picture'
import type { ReportOptions } from './commands/report'
import type { SumsOptions } from './commands/sums'
import type { TableOptions } from './commands/table'
import type { WorkbookOptions } from './commands/workbook'
import { LEGENDS } from '../handover/picture/look'
import { LENGTHS } from '../handover/report/choices'
import { printJson } from './output'

/** What the program says to its caller by its exit code. */
const EXIT = { done: 0, defect: 1, refused: 2, question: 3 } as const

/**
 * The command line: reads the words, runs the command, and answers with an exit code.
 *
 * @param words the arguments behind the program's name
 */
export async function runProgram(words: readonly string[]): Promise<number> {
  const program = new Command('elvant')
    .description('Decompose seasonal sales series and project reseasonalized forecasts.')
    .exitOverride()
    .configureOutput({ writeErr: () => {} })
  const collect = (answer: string, before: string[] = []) => [...before, answer]
  program
    .command('read')
    .description('read a sales file as intake does and print the reading')
    .argument('<file>', 'CSV, TSV, XLSX, ODS or JSON')
    .option('--answer <id=value>', 'answer to a question; may be repeated', collect)
    .action(read)
  const onSeries = (command: Command) =>
    command
      .requiredOption('--method <file>', 'method document (elvant-method/1)')
      .option('--data <file>', 'sales file: CSV, TSV, XLSX, ODS or JSON')
      .option(
        '--answer <id=value>',
        'answer to a question about the file; may be repeated',
        collect,
      )
      .option('--series <name>', 'which series of the file, when it holds several')
      .option('--values <file>', 'series document with frequency, start and values')
  onSeries(program.command('run'))
    .description('run a method on a series and print its result')
    .option('--table', 'print the ledger as CSV instead of the result document')
    .action(run)
  onSeries(program.command('workbook'))
    .description('run a method on a series and write a workbook that calculates')
    .requiredOption('--out <file.xlsx>', 'where it is written')
    .action(async (options: WorkbookOptions) =>
      (await import('./commands/workbook')).workbook(options),
    )
  onSeries(program.command('table'))
    .description('run a method on a series and write one of its tables')
    .addOption(
      new Option('--which <table>', 'which one')
        .choices(['ledger', 'seasons', 'forecast'])
        .makeOptionMandatory(),
    )
    .option('--rounded', 'figures rounded as they are shown, in place of all their digits')
    .requiredOption('--out <file>', 'where it is written, .csv or .xlsx')
    .action(async (options: TableOptions) => (await import('./commands/table')).table(options))
  onSeries(program.command('picture'))
    .description('run a method on a series and draw a picture of it')
    .requiredOption(
      '--of <what>',
      'a stage, strip: with the name of a strip, fold, grid, averages, correlation, histogram, scatter or contest',
    )
    .option('--size <size>', 'in cm or px: 16x9cm', '16x12cm')
    .option('--dpi <dots>', 'dots an inch, of PNG: 72 to 600', '150')
    .option('--black', 'in black alone')
    .option('--title <text>', 'in place of the name of the series')
    .addOption(new Option('--legend <place>', 'where lines are named').choices(LEGENDS))
    .option('--weight <times>', 'how much heavier lines are: 0.5 to 4')
    .option('--letters <pixels>', 'height of the letters: 7 to 40')
    .option('--from <figure>', 'low end of the scale, in what it is shown in')
    .option('--to <figure>', 'high end of the scale')
    .requiredOption('--out <file>', 'where it is written, .svg or .png')
    .action(async (options: PictureOptions) =>
      (await import('./commands/picture')).picture(options),
    )
  program
    .command('report')
    .description(
      'run a method on series of a file and write a report whose figures show how they came about',
    )
    .requiredOption('--method <file>', 'method document (elvant-method/1)')
    .requiredOption('--data <file>', 'sales file: CSV, TSV, XLSX, ODS or JSON')
    .option('--answer <id=value>', 'answer to a question about the file; may be repeated', collect)
    .option('--series <name>', 'a series of the file, may be repeated; all when left out', collect)
    .addOption(new Option('--length <length>', 'one page, three, or everything').choices(LENGTHS))
    .option('--choices <file>', 'paragraphs of your own, and parts to be left out (JSON)')
    .requiredOption('--out <file.html>', 'where it is written')
    .action(async (options: ReportOptions) => (await import('./commands/report')).report(options))
  program
    .command('begin')
    .description('print the method that a series begins with, and why')
    .requiredOption('--data <file>', 'sales file: CSV, TSV, XLSX, ODS or JSON')
    .option('--answer <id=value>', 'answer to a question about the file; may be repeated', collect)
    .option('--series <name>', 'which series of the file, when it holds several')
    .action(beginOf)
  program
    .command('contest')
    .description('let methods forecast from the same origins, and rank them')
    .requiredOption('--data <file>', 'sales file: CSV, TSV, XLSX, ODS or JSON')
    .option('--answer <id=value>', 'answer to a question about the file; may be repeated', collect)
    .option('--series <name>', 'which series of the file, when it holds several')
    .option(
      '--among <files>',
      'method documents, with commas between; the usual ones when left out',
    )
    .action(contestOf)
  program
    .command('catalogue')
    .description(
      'work every series of a file through: method, forecast, verdict, and which to look at',
    )
    .requiredOption('--data <file>', 'sales file: CSV, TSV, XLSX, ODS or JSON')
    .option('--answer <id=value>', 'answer to a question about the file; may be repeated', collect)
    .option('--begin', 'each with the method that it begins with')
    .option('--method <file>', 'all with one method document (elvant-method/1)')
    .option(
      '--contest [files]',
      'each with the nearest of these method documents, commas between; of six usual ones where none are named',
    )
    .option('--origins <count>', 'from how many origins methods are tried, 12 when left out')
    .requiredOption('--out <folder>', 'where rows.csv, forecasts.csv and methods.json are written')
    .action(async (options: CatalogueOptions) =>
      (await import('./commands/catalogue')).catalogue(options),
    )
  program
    .command('sums')
    .description(
      'add the series of a file up, and make their forecasts agree with those of the sums',
    )
    .requiredOption(
      '--data <file>',
      'sales file; groups stand in the names: "Exteriors / Wall / Satin"',
    )
    .option('--answer <id=value>', 'answer to a question about the file; may be repeated', collect)
    .option('--method <file>', 'each series by one method document (elvant-method/1)')
    .option('--table <file>', 'where the forecasts are written as CSV')
    .action(async (options: SumsOptions) => (await import('./commands/sums')).sums(options))
  program
    .command('keep')
    .description('freeze the forecast of a method on a series of the shelf under a name')
    .requiredOption('--series <name>', 'a series of the shelf, by its name or id')
    .requiredOption('--method <file>', 'method document (elvant-method/1)')
    .requiredOption('--name <name>', 'what the forecast is called')
    .option('--note <text>', 'what is to be remembered of it')
    .action(async (options: KeepOptions) => (await import('./commands/kept')).keep(options))
  program
    .command('judge')
    .description('print how the kept forecasts did, the worst first')
    .option('--series <name>', 'those of one series alone, by its name or id')
    .action(async (options: JudgeOptions) => (await import('./commands/kept')).judgeKept(options))
  program
    .command('calc')
    .description('single calculations of the core, for scripts')
    .argument('<topic>')
    .argument('<file>', 'JSON array of inputs')
    .action(calc)
  program
    .command('backup')
    .description('write the whole database into one file')
    .argument('<file>')
    .action(async (file: string) => (await import('./commands/backup')).backup(file))
  program
    .command('restore')
    .description('put a backup in the place of the database; stop the server first')
    .argument('<file>')
    .action(async (file: string) => (await import('./commands/backup')).restore(file))
  program
    .command('example')
    .description('run the demo series through the whole path and print a short report')
    .action(example)
  try {
    await program.parseAsync(words, { from: 'user' })
    return EXIT.done
  } catch (error) {
    if (error instanceof Refusal) return refuse(error)
    if (error instanceof OpenQuestions) return askBack(error)
    if (error instanceof CommanderError) {
      if (error.exitCode === 0) return EXIT.done
      return refuse(new Refusal(usageSentence(error), 'arguments'))
    }
    process.stderr.write(`A defect in Elvant: ${(error as Error).stack}\n`)
    return EXIT.defect
  }
}

function askBack({ questions }: OpenQuestions): number {
  printJson({
    format: 'elvant-question/1',
    questions: questions.map(({ id, ask, options }) => ({ id, ask, options })),
  })
  for (const { id, ask } of questions) process.stderr.write(`${ask} Answer with --answer ${id}=…\n`)
  return EXIT.question
}

function refuse({ because, where }: Refusal): number {
  printJson({ format: 'elvant-refusal/1', because, where })
  process.stderr.write(`${because}\n`)
  return EXIT.refused
}

function usageSentence(error: CommanderError): string {
  if (error.code === 'commander.help')
    return 'A command is needed: read, run, workbook, table, picture, report, begin, contest, keep, judge, calc or example.'
  const message = error.message.replace(/^error: /, '')
  return `${message[0]!.toUpperCase()}${message.slice(1)}. See "elvant --help".`
}
