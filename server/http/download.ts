import { setResponseHeader, type H3Event } from 'h3'

/** Marks an answer as a file to be saved under a name. */
export function asDownload(event: H3Event, name: string, type: string): void {
  setResponseHeader(event, 'content-type', type)
  setResponseHeader(
    event,
    'content-disposition',
    `attachment; filename*=UTF-8''${encodeURIComponent(name.slice(0, 200))}`,
  )
}
