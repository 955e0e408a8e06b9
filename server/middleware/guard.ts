import { defineEventHandler, getRequestHeader } from 'h3'
import { answerProblem } from '../http/apiRoute'
import { isOwnHost, isSameOrigin } from '../http/origin'
import { problem } from '../http/problem'

/**
 * Turns away requests that a foreign page could make the analyst's browser send: a name that was
 * pointed at this machine from outside, or a page of another origin.
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
})
