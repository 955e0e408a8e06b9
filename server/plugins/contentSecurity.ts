import { randomBytes } from 'node:crypto'
import { defineNitroPlugin } from 'nitropack/runtime'
import { contentSecurityPolicy, withNonce } from '../http/contentSecurity'

/** Sends every page with a policy that runs and loads only what comes from this server. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    if (typeof response.body !== 'string') return
    const nonce = randomBytes(16).toString('base64')
    response.body = withNonce(response.body, nonce)
    response.headers = {
      ...response.headers,
      'content-security-policy': contentSecurityPolicy(nonce),
      'referrer-policy': 'no-referrer',
      'x-content-type-options': 'nosniff',
      'cross-origin-opener-policy': 'same-origin',
    }
  })
})
