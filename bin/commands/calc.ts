import { Refusal } from '../../core/refusal'
import { calculateAll } from '../calc/topics'
import { readJson } from '../files'
import { printJson } from '../output'

/** Answers every input of a file and prints the answers in the same order. */
export function calc(topic: string, file: string): void {
  const inputs = readJson(file)
  if (!Array.isArray(inputs)) throw new Refusal('The file must hold a JSON array of inputs.', file)
  printJson(calculateAll(topic, inputs))
}
