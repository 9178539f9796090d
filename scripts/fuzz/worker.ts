import { parentPort } from 'node:worker_threads'
import type { Case } from './cases'
import { checkCase } from './check-case'

/** Runs one case after the other, as they are sent; a case that hangs is ended from outside, with this worker. */
parentPort!.on('message', (one: Case) => {
  const since = performance.now()
  let complaint: string | null
  try {
    complaint = checkCase(one)
  } catch (error) {
    complaint = `it threw: ${error instanceof Error ? (error.stack ?? error.message).split('\n').slice(0, 6).join(' | ') : String(error)}`
  }
  parentPort!.postMessage({ complaint, ms: performance.now() - since })
})
