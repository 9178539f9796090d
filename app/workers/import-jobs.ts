import { readSvg, type Drawing } from '~~/core/formats'
import { makeDrafts, type Draft, type ImportProgress } from '~~/core/import'
import type { Result } from '~~/core/result'

let last: { text: string; read: Result<Drawing> } | null = null

/** What the import worker does; also done on the spot where there are no workers. */
export const importJobs = {
  /** The drawing in a file. */
  read(text: string): Result<Drawing> {
    if (last?.text !== text) last = { text, read: readSvg(text) }
    return last.read
  },

  /** The outlines of a file at a scale, with first guesses. */
  drafts(text: string, times: number, progress?: ImportProgress): Result<Draft[]> {
    const read = importJobs.read(text)
    return read.ok ? makeDrafts(read.value, times, progress) : read
  },
}

export type ImportJobs = typeof importJobs
