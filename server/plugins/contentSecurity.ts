import { randomBytes } from 'node:crypto'
import { defineNitroPlugin } from 'nitropack/runtime'
import { contentSecurityPolicy, withNonce } from '../http/contentSecurity'
import { isPage } from '../http/pages'

/** Sends every page with a policy that runs and loads only what comes from this server. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (typeof response.body !== 'string') return
    if (!isPage(event.path)) response.statusCode = 404
    const nonce = randomBytes(16).toString('base64')
    response.body = withNonce(response.body, nonce)
    // What the server is made of is nobody's business.
    const { 'x-powered-by': _made, ...own } = response.headers ?? {}
    response.headers = {
      ...own,
      'content-security-policy': contentSecurityPolicy(nonce),
      'referrer-policy': 'no-referrer',
      'x-content-type-options': 'nosniff',
      'cross-origin-opener-policy': 'same-origin',
    }
  })
})
