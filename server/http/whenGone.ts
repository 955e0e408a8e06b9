import type { H3Event } from 'h3'

/** Told when who asked has gone before the answer: a page that was closed, or an export that was stopped. */
export function whenGone({ node: { res } }: H3Event): AbortSignal {
  const gone = new AbortController()
  res.once('close', () => {
    if (!res.writableEnded) gone.abort()
  })
  return gone.signal
}
