import { parentPort } from 'node:worker_threads'
import { tsImport } from 'tsx/esm/api'

const { complaintAbout } = await tsImport('./check.ts', import.meta.url)

/** Reads one file after another; whoever sends them watches the clock. */
parentPort.on('message', (bytes) => {
  let complaint
  try {
    complaint = complaintAbout(bytes)
  } catch (error) {
    complaint = `a crash: ${error.stack}`
  }
  parentPort.postMessage(complaint)
})
