import type { MethodDocument } from '~~/core/method'
import { Refusal } from '~~/core/refusal'
import { methodSchema } from '~~/shared/methodSchema'
import { parseDocument } from '~~/shared/parseDocument'
import { fileName, saveBlob } from './takeAway'

/** Hands a method to the browser as the file that the command line takes. */
export function saveMethod(method: MethodDocument, series: string): void {
  const text = `${JSON.stringify(method, null, 2)}\n`
  saveBlob(new Blob([text], { type: 'application/json' }), `${fileName(series)} - method.json`)
}

/**
 * The method of a file.
 *
 * @throws Refusal for what is no JSON, and for a document that is no method, with the place
 */
export async function readMethod(file: File): Promise<MethodDocument> {
  const text = await file.text()
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch {
    throw new Refusal(
      `${file.name} is no method: it is not JSON. Save one with Hand over, or take one of the command line.`,
      'document',
    )
  }
  return parseDocument(methodSchema, document)
}
