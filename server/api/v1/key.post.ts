import { setResponseHeader, setResponseStatus } from 'h3'
import { bytesRoute } from '../../http/apiRoute'
import { bodyOf } from '../../work/bodyOf'
import { cookieOf, isKey, setCookie } from '../../http/key'
import { problem } from '../../http/problem'
import { requiredKey } from '../../http/requiredKey'

/** Milliseconds that a wrong key takes to be refused. */
const SLOWLY = 500
const readGiven = bodyOf('key')

/** Takes the key from a browser, which keeps that it has given it. */
export default bytesRoute(async (event) => {
  const { key: given } = await readGiven(event)
  const key = requiredKey()
  if (key !== null && !isKey(given, key)) {
    await new Promise((resolve) => setTimeout(resolve, SLOWLY))
    throw problem(
      401,
      'This is not the key. It was printed when Elvant was first started, and lies beside its database.',
    )
  }
  if (key !== null) setResponseHeader(event, 'set-cookie', setCookie(cookieOf(key, Date.now())))
  setResponseStatus(event, 204)
  return null
})
