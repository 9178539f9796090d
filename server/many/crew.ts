import { Worker } from 'node:worker_threads'
import type { CutLine, FitFigures, ManyChoices, Pair } from '../../core/many'
import type { Ruler } from '../../core/units'

/** One fit to be worked out. */
export interface Task {
  pair: Pair
  choices: ManyChoices
  /** The day that stands on the paper. */
  date: string
  ruler: Ruler
  /** Sheets, notebook and all other files too, not only the figures. */
  withFiles: boolean
}

/** What became of it. */
export type Answer = { ok: true; figures: FitFigures; lines: CutLine[]; files: Record<string, Uint8Array> } | { ok: false; why: string }

/** A fit that takes longer than this has hung, ms. */
const HUNG_MS = 120_000

interface Job {
  task: Task
  tell: (answer: Answer) => void
}

/**
 * Workers that fit garments to wearers, as many as there are cores to spare. What waits is taken in turn from each batch, so that a large
 * one does not keep a small one waiting. A worker that hangs or dies is made anew, and only its own fit is lost.
 */
export class Crew {
  private waiting = new Map<string, Job[]>()
  private idle: number
  private open = new Set<Worker>()

  /**
   * @param program the worker's program (bundle-worker.ts), or where it comes from
   * @param size how many work side by side
   */
  constructor(
    private readonly program: () => string,
    size: number,
    private readonly hungMs = HUNG_MS,
  ) {
    this.idle = Math.max(1, size)
  }
  private free: Worker[] = []

  /** Puts a fit of a batch into the queue. */
  do(batch: string, task: Task): Promise<Answer> {
    return new Promise((tell) => {
      const own = this.waiting.get(batch) ?? []
      own.push({ task, tell })
      this.waiting.set(batch, own)
      this.next()
    })
  }

  /** Forgets what still waits of a batch; what is under way comes to its end. */
  forget(batch: string): void {
    const own = this.waiting.get(batch) ?? []
    this.waiting.delete(batch)
    for (const { tell } of own) tell({ ok: false, why: 'it was stopped.' })
  }

  /** Ends all workers. */
  async end(): Promise<void> {
    for (const batch of [...this.waiting.keys()]) this.forget(batch)
    await Promise.all([...this.open].map((w) => w.terminate()))
  }

  /** The next in turn: the first of the batch that has waited longest for one. */
  private take(): Job | null {
    const [first] = this.waiting
    if (!first) return null
    const [batch, jobs] = first
    const job = jobs.shift()!
    this.waiting.delete(batch)
    if (jobs.length > 0) this.waiting.set(batch, jobs)
    return job
  }

  private next(): void {
    if (this.idle === 0) return
    const job = this.take()
    if (!job) return
    this.idle -= 1
    void this.run(job).then((answer) => {
      this.idle += 1
      job.tell(answer)
      this.next()
    })
  }

  private run({ task }: Job): Promise<Answer> {
    const worker = this.free.pop() ?? this.newWorker()
    return new Promise((resolve) => {
      const heard = {
        message: (answer: Answer) => done(answer, true),
        error: (error: unknown) => done({ ok: false, why: `the computing part failed (${String(error)}).` }, false),
        exit: () => done({ ok: false, why: 'the computing part ended.' }, false),
      }
      const timer = setTimeout(() => done({ ok: false, why: 'it took too long.' }, false), this.hungMs)
      const done = (answer: Answer, isWell: boolean) => {
        clearTimeout(timer)
        // One by one: the worker hears its own messages by listeners too.
        for (const [event, listener] of Object.entries(heard)) worker.off(event, listener)
        if (isWell) this.free.push(worker)
        else {
          this.open.delete(worker)
          // What it fails with now is told already.
          worker.on('error', () => {})
          void worker.terminate()
        }
        resolve(answer)
      }
      for (const [event, listener] of Object.entries(heard)) worker.on(event, listener)
      worker.postMessage(task)
    })
  }

  private newWorker(): Worker {
    const worker = new Worker(this.program(), { eval: true })
    // A crew that waits keeps no program running.
    worker.unref()
    this.open.add(worker)
    return worker
  }
}
