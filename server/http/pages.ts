/** Addresses that have a page: all others are answered as not there, with a page that says so. */
const PAGES = /^\/(?:intake|sums|trash|kept(?:\/[^/]+)?|study\/[^/]+)?\/?$/

/** What pages are drawn with: it holds nothing of the analyst's. */
const PARTS = /^\/(?:_nuxt\/|mark\.svg$)/

/** Whether what is asked for is a page or a part of one, without any data. @param path of a request, with its query */
export function isWithoutData(path: string): boolean {
  return isPage(path) || PARTS.test(path.replace(/[?#].*$/s, ''))
}

/** @param path of a request, with its query */
export function isPage(path: string): boolean {
  return PAGES.test(path.replace(/[?#].*$/s, ''))
}
