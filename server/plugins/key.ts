import { resolve } from 'node:path'
import { defineNitroPlugin } from 'nitropack/runtime'
import { keyFrom } from '../http/key'
import { isLoopbackName } from '../http/origin'
import { requireKey } from '../http/requiredKey'

/** Where others than this machine can reach the server, they are asked for a key: it is made and told at the first start. */
export default defineNitroPlugin(() => {
  const host = process.env.NITRO_HOST || process.env.HOST
  if (isLoopbackName(host)) return
  const file = `${resolve(process.env.ELVANT_DATA ?? 'data/elvant.sqlite')}.key`
  try {
    const { key, isNew } = keyFrom(process.env.ELVANT_KEY, file)
    requireKey(key)
    if (isNew) {
      process.stdout.write(
        `Other machines can reach this Elvant. Who opens it is asked for this key, once in each browser:\n\n  ${key}\n\nIt is kept in ${file}; ELVANT_KEY sets another.\n`,
      )
    }
  } catch (error) {
    process.stderr.write(`${(error as Error).message}\n`)
    process.exit(1)
  }
})
