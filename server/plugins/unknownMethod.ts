import { defineNitroPlugin } from 'nitropack/runtime'
import { problem } from '../http/problem'

/**
 * An address of the API asked by a method that it does not have falls through to the pages; it is
 * answered as a problem, not with a page.
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (!event.path.startsWith('/api/')) return
    const { problem: details } = problem(
      405,
      `There is nothing here that answers to ${event.method}.`,
    )
    response.statusCode = details.status
    response.headers = { 'content-type': 'application/problem+json' }
    response.body = JSON.stringify(details)
  })
})
