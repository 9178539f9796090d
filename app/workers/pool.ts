import { Bench, Ended } from './bench'
import type { Remote } from 'comlink'

/** Several workers of one sort: what is to be done is handed to whichever is free. */
export class Pool<T> {
  private benches: Bench<T>[]
  private isStopped = false

  /**
   * @param make a new worker
   * @param size how many work side by side
   */
  constructor(make: () => Worker, size: number) {
    this.benches = Array.from({ length: Math.max(1, size) }, () => new Bench<T>(make))
  }

  /**
   * Does one job for each thing. One that fails or takes too long is told as that, and the others go on; after `stop` nothing new begins.
   *
   * @param job what is done with one of them
   * @param limitMs without a sign of life for so long a worker is ended
   * @param tell is told of each as it arrives, with what it gave or why it gave nothing
   */
  async each<K, R>(
    things: readonly K[],
    job: (remote: Remote<T>, thing: K) => Promise<R>,
    limitMs: number,
    tell: (thing: K, result: { ok: true; value: R } | { ok: false; why: string }) => Promise<void> | void,
  ): Promise<void> {
    this.isStopped = false
    const waiting = [...things]
    const work = async (bench: Bench<T>) => {
      for (let thing = waiting.shift(); thing !== undefined && !this.isStopped; thing = waiting.shift()) {
        const own = thing
        try {
          const value = await bench.run((remote) => job(remote, own), limitMs)
          await tell(own, { ok: true, value })
        } catch (error) {
          // What was stopped is not done, and not failed either.
          if (error instanceof Ended && error.why === 'stopped') return
          await tell(own, { ok: false, why: error instanceof Error ? error.message : String(error) })
        }
      }
    }
    await Promise.all(this.benches.map(work))
  }

  /** Ends all workers; jobs that are under way are given up. */
  stop(): void {
    this.isStopped = true
    for (const bench of this.benches) bench.stop()
  }
}
