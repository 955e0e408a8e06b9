import { readFileSync, writeFileSync } from 'node:fs'
import { Refusal } from '../core/refusal'

const REASONS: Record<string, string> = {
  ENOENT: 'does not exist',
  EACCES: 'may not be read',
  EISDIR: 'is a folder',
}

/** @throws Refusal when the file cannot be written, with the reason */
export function writeBytes(path: string, bytes: Uint8Array): void {
  try {
    writeFileSync(path, bytes)
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException
    const because =
      code === 'ENOENT' ? 'its folder does not exist' : (REASONS[code ?? ''] ?? message)
    throw new Refusal(`The file ${path} cannot be written: ${because}.`, path)
  }
}

/** The day, where the reader is: 2026-03-01. */
export function today(): string {
  return new Date().toLocaleDateString('sv-SE')
}

/** @throws Refusal when the file cannot be read, with the reason */
export function readBytes(path: string): Uint8Array {
  try {
    return readFileSync(path)
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException
    throw new Refusal(
      `The file ${path} ${REASONS[code ?? ''] ?? `cannot be read (${message})`}.`,
      path,
    )
  }
}

/** @throws Refusal when the file cannot be read or is no JSON */
export function readJson(path: string): unknown {
  const text = new TextDecoder().decode(readBytes(path))
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new Refusal(`The file ${path} is not JSON: ${(error as Error).message}.`, path)
  }
}
