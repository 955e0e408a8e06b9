import { ApiProblem } from '~/api/client'
import type { Problem } from '~~/shared/api/problem'

/**
 * Has the server keep a file as it was brought in.
 *
 * @param bytes of the file; packed here, beside the page's own work
 * @returns the id it is kept under
 * @throws ApiProblem when the server does not take it
 */
export async function keepFile(name: string, bytes: Blob): Promise<string> {
  const packed = await new Response(
    bytes.stream().pipeThrough(new CompressionStream('gzip')),
  ).arrayBuffer()
  const response = await fetch(`/api/v1/files?name=${encodeURIComponent(name.slice(0, 300))}`, {
    method: 'POST',
    headers: { 'content-type': 'application/gzip' },
    body: packed,
  })
  const answer: unknown = await response.json()
  if (!response.ok) throw new ApiProblem(answer as Problem)
  return (answer as { id: string }).id
}
