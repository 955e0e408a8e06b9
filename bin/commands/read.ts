import { axisOf } from '../../core/calendar/axis'
import { formatPeriod } from '../../core/calendar/codes'
import { Refusal } from '../../core/refusal'
import { readFile } from '../../intake/readFile'
import { placeOf, type Answers, type Question, type Reading } from '../../intake/reading'
import { readBytes } from '../files'
import { printJson } from '../output'

/** Ends a command that waits for an answer. */
export class OpenQuestions extends Error {
  constructor(readonly questions: readonly Question[]) {
    super(questions.map(({ ask }) => ask).join(' '))
  }
}

/** Reads a sales file as intake does and prints the reading. */
export function read(path: string, { answer = [] }: { answer?: readonly string[] }): void {
  printJson(readingDocument(readOrAsk(path, answer)))
}

/** A reading of a file in which everything is decided. */
type Complete = Reading & { outcome: 'ok' }

/**
 * Reads a sales file with answers as `ID=VALUE`.
 *
 * @throws OpenQuestions when a question has no answer yet
 * @throws Refusal for a file that cannot be read, with its first place
 */
export function readOrAsk(path: string, answers: readonly string[]): Complete {
  const reading = readFile(readBytes(path), parseAnswers(answers))
  switch (reading.outcome) {
    case 'ok':
      return reading
    case 'question':
      throw new OpenQuestions(reading.questions.filter(({ answer }) => answer === null))
    case 'refused': {
      const [first] = reading.problems
      throw new Refusal(first!.because, placeOf(first!))
    }
  }
}

function parseAnswers(answers: readonly string[]): Answers {
  return Object.fromEntries(
    answers.map((answer): [string, string] => {
      const at = answer.indexOf('=')
      if (at < 1) {
        throw new Refusal(`An answer is written ID=VALUE; "${answer}" is not.`, '--answer')
      }
      return [answer.slice(0, at), answer.slice(at + 1)]
    }),
  )
}

/** The document `elvant-reading/1`. */
function readingDocument({ frequency, shape, series, notes }: Complete) {
  return {
    format: 'elvant-reading/1',
    outcome: 'ok',
    frequency,
    layout: shape.layout,
    series: series.map(
      ({ series: { name, unit, calendar, start, values }, missing, duplicates }) => {
        const present = values.filter((value): value is number => value !== null)
        const { codeAt } = axisOf({ calendar, start })
        return {
          name,
          unit,
          start: formatPeriod(start, calendar),
          end: codeAt(values.length),
          periods: values.length,
          missing,
          duplicates,
          firstValue: values[0] ?? null,
          lastValue: values.at(-1) ?? null,
          sum: present.reduce((sum, value) => sum + value, 0),
        }
      },
    ),
    notes,
  }
}
