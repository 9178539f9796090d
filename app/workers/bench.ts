import { wrap, type Remote } from 'comlink'

/** Why a job of a worker came to no end. */
export class Ended extends Error {
  constructor(readonly why: 'stopped' | 'too-long' | 'died') {
    super({ stopped: 'it was stopped.', 'too-long': 'it took too long.', died: 'the computing part of the page failed.' }[why])
  }
}

/** A worker that can be ended and begun anew: jobs that are under way then end with a reason, and never hang. */
export class Bench<T> {
  private worker: Worker | null = null
  private remote: Remote<T> | null = null
  private jobs = new Set<{ end: (why: Ended['why']) => void; alive: () => void }>()

  /**
   * @param make a new worker
   * @param begun what is told to each new worker before its first job
   */
  constructor(
    private readonly make: () => Worker,
    private readonly begun: (remote: Remote<T>) => void = () => {},
  ) {}

  private open(): Remote<T> {
    if (!this.remote) {
      this.worker = this.make()
      this.worker.addEventListener('error', (event) => {
        event.preventDefault()
        this.stop('died')
      })
      this.remote = wrap<T>(this.worker)
      this.begun(this.remote)
    }
    return this.remote
  }

  /**
   * Does a job in the worker.
   * @param limitMs without a sign of life for so long the worker is ended
   * @throws Ended when it was stopped, took too long, or the worker died
   */
  run<R>(job: (remote: Remote<T>) => Promise<R>, limitMs = Infinity): Promise<R> {
    return new Promise((resolve, reject) => {
      let timer: ReturnType<typeof setTimeout> | undefined
      const own = {
        alive: () => {
          clearTimeout(timer)
          if (limitMs !== Infinity) timer = setTimeout(() => this.stop('too-long'), limitMs)
        },
        end: (why: Ended['why']) => {
          clearTimeout(timer)
          reject(new Ended(why))
        },
      }
      this.jobs.add(own)
      own.alive()
      job(this.open())
        .then(resolve, reject)
        .finally(() => {
          clearTimeout(timer)
          this.jobs.delete(own)
        })
    })
  }

  /** A sign of life from the worker: what it does may go on for as long again. */
  alive(): void {
    for (const job of this.jobs) job.alive()
  }

  /** Ends the worker and every job that is under way; the next job begins a new one. */
  stop(why: Ended['why'] = 'stopped'): void {
    this.worker?.terminate()
    this.worker = null
    this.remote = null
    const open = [...this.jobs]
    this.jobs.clear()
    for (const job of open) job.end(why)
  }
}
