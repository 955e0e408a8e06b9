import { Command, CommanderError } from 'commander'
import { Refusal } from '../core/refusal'
import { calc } from './commands/calc'
import { example } from './commands/example'
import { run } from './commands/run'
import { printJson } from './output'

/** What the program says to its caller by its exit code. */
const EXIT = { done: 0, defect: 1, refused: 2 } as const

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
  program
    .command('run')
    .description('run a method on a series and print its result')
    .requiredOption('--method <file>', 'method document (elvant-method/1)')
    .option('--data <file>', 'sales file, CSV with a period column and value columns')
    .option('--series <name>', 'which series of the file, when it holds several')
    .option('--values <file>', 'series document with frequency, start and values')
    .option('--table', 'print the ledger as CSV instead of the result document')
    .action(run)
  program
    .command('calc')
    .description('single calculations of the core, for scripts')
    .argument('<topic>')
    .argument('<file>', 'JSON array of inputs')
    .action(calc)
  program
    .command('example')
    .description('run the demo series through the whole path and print a short report')
    .action(example)
  try {
    await program.parseAsync(words, { from: 'user' })
    return EXIT.done
  } catch (error) {
    if (error instanceof Refusal) return refuse(error)
    if (error instanceof CommanderError) {
      if (error.exitCode === 0) return EXIT.done
      return refuse(new Refusal(usageSentence(error), 'arguments'))
    }
    process.stderr.write(`A defect in Elvant: ${(error as Error).stack}\n`)
    return EXIT.defect
  }
}

function refuse({ because, where }: Refusal): number {
  printJson({ format: 'elvant-refusal/1', because, where })
  process.stderr.write(`${because}\n`)
  return EXIT.refused
}

function usageSentence(error: CommanderError): string {
  if (error.code === 'commander.help') return 'A command is needed: run, calc or example.'
  const message = error.message.replace(/^error: /, '')
  return `${message[0]!.toUpperCase()}${message.slice(1)}. See "elvant --help".`
}
