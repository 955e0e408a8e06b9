import { CORE_JOBS } from './coreJobs'
import { serve } from './serve'

/**
 * Runs the core beside the page.
 *
 * It is a part of the page's own build, in a chunk of its own, so that page and worker load the core from one and the same file;
 * bundled apart, as workers usually are, the core would be fetched again. The page only asks where it lies.
 */
export const CORE_WORKER = import.meta.url

if ('importScripts' in globalThis) serve(CORE_JOBS, self)
