import type { WorkerKind } from './jobs.worker'

/** A new worker for one kind of work. */
export const openWorker = (kind: WorkerKind): Worker =>
  new Worker(new URL('./jobs.worker.ts', import.meta.url), { type: 'module', name: kind })
