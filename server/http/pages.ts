/** Addresses that have a page: all others are answered as not there, with a page that says so. */
const PAGES = /^\/(?:intake|trash|study\/[^/]+)?\/?$/

/** @param path of a request, with its query */
export function isPage(path: string): boolean {
  return PAGES.test(path.replace(/[?#].*$/s, ''))
}
