import { existsSync, readFileSync } from 'node:fs'
import { parentPort } from 'node:worker_threads'
import type { Case } from './cases'
import { checkCase } from './check-case'

/** Where Linux says how long a thread has computed: nanoseconds first. */
const CLOCK = '/proc/thread-self/schedstat'
const hasClock = existsSync(CLOCK)

/**
 * How long this thread has computed, ms, to a tick of the machine (4 ms): what other processes take meanwhile is not its own. The
 * wall clock elsewhere than on Linux.
 */
const computedMs = (): number => (hasClock ? Number(readFileSync(CLOCK, 'utf8').split(' ')[0]) / 1e6 : performance.now())

/** Runs one case after the other, as they are sent; a case that hangs is ended from outside, with this worker. */
parentPort!.on('message', (one: Case) => {
  const [since, computed] = [performance.now(), computedMs()]
  let complaint: string | null
  try {
    complaint = checkCase(one)
  } catch (error) {
    complaint = `it threw: ${error instanceof Error ? (error.stack ?? error.message).split('\n').slice(0, 6).join(' | ') : String(error)}`
  }
  parentPort!.postMessage({ complaint, ms: performance.now() - since, computedMs: computedMs() - computed })
})
