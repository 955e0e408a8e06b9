import type {
  Answers,
  IntakeNote,
  IntakeProblem,
  Question,
  QuestionOption,
  SheetShape,
} from './reading'

/** Ends a reading that cannot go on: problems to be mended in the file. */
export class Unreadable extends Error {
  constructor(readonly problems: readonly IntakeProblem[]) {
    super(problems[0]?.because ?? 'The file cannot be read.')
  }
}

/** Ends a reading that waits for an answer. */
export class Waiting extends Error {}

/** A question before it is known whether it has an answer. */
interface Asked {
  readonly id: string
  readonly ask: string
  readonly options: readonly QuestionOption[]
  readonly proposed?: readonly QuestionOption[]
  /** What is taken until told otherwise; without it the reading waits. */
  readonly otherwise?: string
  readonly lines?: readonly number[]
}

/** The questions and notes of one reading, and the answers it was given. */
export class Inquiry {
  readonly questions: Question[] = []
  readonly notes: IntakeNote[] = []
  /** What is known of the sheet when a question is asked, so that it can be shown beside it. */
  shape: SheetShape = { layout: null, rowKinds: [], columnRoles: [] }

  /** @param isTrial takes the first answer where none is known: for trying what a reading would come to */
  constructor(
    readonly answers: Answers,
    private readonly isTrial = false,
  ) {}

  /**
   * The answer to a question.
   *
   * @throws Waiting when it has none and nothing is taken instead
   * @throws Unreadable for an answer that is none of its options
   */
  ask({ id, ask, options, proposed = [], otherwise, lines = [] }: Asked): string {
    const given = this.answers[id]
    if (
      given !== undefined &&
      options.length > 0 &&
      !options.some(({ value }) => value === given)
    ) {
      const values = options.map(({ value }) => value).join(', ')
      throw new Unreadable([
        whole(`"${given}" is no answer to the question ${id}; it takes ${values}.`),
      ])
    }
    const untold = this.isTrial ? (options[0]?.value ?? null) : null
    const answer = given ?? otherwise ?? untold
    const proposals = proposed.length > 0 ? { proposed } : {}
    this.questions.push({ id, ask, options, ...proposals, answer, lines })
    if (answer === null) throw new Waiting()
    return answer
  }

  note(code: string, text: string, where = 'file'): void {
    this.notes.push({ code, text, where })
  }
}

export function whole(because: string): IntakeProblem {
  return { line: null, column: null, because }
}
