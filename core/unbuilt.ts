import { Refusal } from './refusal'
import type { MethodDocument } from './method'

/**
 * Refuses, by name, every part of the method document that this version cannot carry out, so that
 * no wish in a document is passed over in silence.
 *
 * @throws Refusal whose `where` is the path of the first such part
 */
export function refuseUnbuilt(document: MethodDocument): void {
  const { check } = document
  if (check !== undefined) notBuilt('A holdout or rolling check', 'check')
}

function notBuilt(what: string, where: string): never {
  throw new Refusal(`${what} is not available in this version.`, where)
}
