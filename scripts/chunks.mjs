/** Packages that the core stands on; none of them knows a page. */
const BELOW_CORE = /node_modules\/(zod|quickselect|ml-matrix|ml-array[^/]*|is-any-array|@stdlib)\//

/**
 * The chunk that a module of the page is put in: the core in one that workers load too, and what answers in a worker in another.
 * Neither may hold a module that needs a page.
 *
 * @param {string} id path of the module
 */
export function chunkOf(id) {
  if (/\/app\/workers\/(core\.worker|coreJobs|serve|outcome)\.ts/.test(id)) return 'core.worker'
  if (
    /\/core\/(?!.*\.test\.)[^?]*\.ts$/.test(id) ||
    BELOW_CORE.test(id) ||
    id.includes('commonjsHelpers')
  )
    return 'core'
}
