import { defineEventHandler, getRequestHeader } from 'h3'
import { answerProblem } from '../http/apiRoute'
import { bringsKey } from '../http/key'
import { isOwnHost, isSameOrigin } from '../http/origin'
import { isWithoutData } from '../http/pages'
import { problem } from '../http/problem'
import { requiredKey } from '../http/requiredKey'

/**
 * Turns away requests that a foreign page could make the analyst's browser send: a name that was
 * pointed at this machine from outside, or a page of another origin; and where others can reach the server, who does not
 * bring its key.
 */
export default defineEventHandler((event) => {
  const host = getRequestHeader(event, 'host')
  const local = event.node.req.socket.localAddress
  if (!isOwnHost(host, local, process.env.ELVANT_ALLOWED_HOSTS)) {
    return answerProblem(
      event,
      problem(
        403,
        `Elvant does not answer to the name "${host ?? ''}". Name it in ELVANT_ALLOWED_HOSTS if it is meant.`,
      ),
    )
  }
  const origin = getRequestHeader(event, 'origin')
  const site = getRequestHeader(event, 'sec-fetch-site')
  const foreign = site === 'cross-site' && event.path.startsWith('/api/')
  if (foreign || !isSameOrigin(origin, host!)) {
    return answerProblem(event, problem(403, 'Requests from other pages are not answered.'))
  }
  const key = requiredKey()
  const isOpen = isWithoutData(event.path) || event.path === '/api/v1/key'
  if (key === null || isOpen || bringsKey(event.node.req.headers, key, Date.now())) return
  return answerProblem(
    event,
    problem(
      401,
      'This Elvant asks for its key. Open it in a browser and give it, or send it in the header "Authorization: Bearer …".',
    ),
  )
})
