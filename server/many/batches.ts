import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { readWearersCsv, type Wearer } from '../../core/body'
import { usualCloth } from '../../core/cloth'
import { readProjectFile } from '../../core/formats'
import { zipUp } from '../../core/formats/zip-up'
import { issueWords } from '../../core/issue-words'
import { ManyChoicesSchema, writeCutCsv, writeManyCsv, type CutLine, type ManyChoices, type ManyRow, type Pair } from '../../core/many'
import { foldersFor } from '../../core/many/files-of'
import { MARGIN_MM, ROLL_MM } from '../../core/paper'
import { problemSentence, type Problem } from '../../core/result'
import { writeLengths, type Ruler } from '../../core/units'
import type { Crew } from './crew'

/** Fits of one batch, batches that are kept, and what all of them hold, bytes. */
export const LIMITS = { fits: 2000, batches: 100, bytes: 600_000_000 }

/** What is printed on and cut from where a batch does not say. */
export const usualChoices = (): ManyChoices => ({ paper: 'a4', rollMm: ROLL_MM.usual, marginMm: MARGIN_MM, cloth: usualCloth() })

/** A batch as it is asked for (docs/formats.md). */
const RequestSchema = z.strictObject({
  /** A project file: its garments, and its wearers where no table of them is sent. */
  file: z.record(z.string(), z.json()),
  wearersCsv: z.string().optional(),
  units: z.enum(['in', 'cm']).default('cm'),
  choices: ManyChoicesSchema.partial().default({}),
})

/** What a batch is made of. */
export interface BatchAsked {
  pairs: Pair[]
  choices: ManyChoices
  ruler: Ruler
}

/** Reads what was sent, or says in a sentence what is wrong with it. */
export function readBatch(body: unknown): { ok: true; value: BatchAsked } | { ok: false; problem: Problem } {
  const no = (where: string, message: string, remedy: string) => ({
    ok: false as const,
    problem: { code: 'batch', where, message, remedy },
  })
  const read = RequestSchema.safeParse(body)
  if (!read.success) {
    const [issue] = read.error.issues
    return no(issue!.path.join(', ') || 'batch', `${issueWords(issue!)}.`, 'See “Batches” in docs/formats.md.')
  }
  const { file, wearersCsv, units, choices } = read.data
  const project = readProjectFile(JSON.stringify(file))
  if (!project.ok) return project
  const wearers =
    wearersCsv === undefined ? ({ ok: true, value: project.value.wearers } as const) : readWearersCsv(wearersCsv, units, randomUUID)
  if (!wearers.ok) return wearers
  const pairs = pairsOf(project.value.garments, wearers.value)
  if (pairs.length === 0) return no('batch', 'there is no garment, or nobody to fit it to.', 'Send a file with a garment, and wearers.')
  if (pairs.length > LIMITS.fits)
    return no('batch', `it asks for ${pairs.length} fits; ${LIMITS.fits} are taken at once.`, 'Part it into several.')
  return { ok: true, value: { pairs, choices: { ...usualChoices(), ...withoutGaps(choices) }, ruler: units } }
}

/** Every garment for every wearer, begun anew. */
export const pairsOf = (garments: readonly Pair['row'][], wearers: readonly Wearer[]): Pair[] =>
  garments.flatMap((row) => wearers.map((wearer) => ({ row, wearer, there: null })))

/** What was left out is what is usual. */
const withoutGaps = (choices: Partial<ManyChoices>): Partial<ManyChoices> =>
  Object.fromEntries(Object.entries(choices).filter(([, value]) => value !== undefined))

/** How far a batch is. */
export interface BatchState {
  id: string
  state: 'working' | 'done'
  done: number
  of: number
  failed: number
  /** What is done, in the order of its arrival; sentences in the units that were asked for. */
  rows: ManyRow[]
}

class Batch {
  readonly id = randomUUID()
  readonly rows: ManyRow[] = []
  readonly lines: CutLine[] = []
  isFetched = false
  readonly zip = zipUp()
  private chunks: readonly Uint8Array[] = []

  constructor(readonly asked: BatchAsked) {}

  get isDone(): boolean {
    return this.rows.length === this.asked.pairs.length
  }
  close(): void {
    this.zip.add('table.csv', writeManyCsv(this.rows, this.asked.ruler))
    this.zip.add('cutting-list.csv', writeCutCsv(this.lines, this.asked.ruler))
    this.chunks = this.zip.end()
  }
  file(): Uint8Array {
    return Buffer.concat(this.chunks)
  }
  state(): BatchState {
    const { id, rows, asked, isDone } = this
    const failed = rows.filter((r) => typeof r.figures === 'string').length
    const said = rows.map((r) => ({ ...r, figures: typeof r.figures === 'string' ? writeLengths(r.figures, asked.ruler) : r.figures }))
    return { id, state: isDone ? 'done' : 'working', done: rows.length, of: asked.pairs.length, failed, rows: said }
  }
}

/** Batches of a workshop machine: worked off side by side, kept until they are fetched. */
export class Batches {
  private readonly kept = new Map<string, Batch>()

  constructor(private readonly crew: Crew) {}

  /** Begins a batch. Refuses where there is no room for more. @param date the day that stands on the paper */
  begin(asked: BatchAsked, date: string): { ok: true; value: { id: string; of: number } } | { ok: false; problem: Problem } {
    this.makeRoom()
    if (this.kept.size >= LIMITS.batches || this.bytes() >= LIMITS.bytes)
      return {
        ok: false,
        problem: {
          code: 'full',
          where: 'batches',
          message: 'so many batches wait to be fetched that there is no room for another.',
          remedy: 'Fetch or delete one.',
        },
      }
    const batch = new Batch(asked)
    this.kept.set(batch.id, batch)
    const folders = foldersFor(asked.pairs)
    for (const [i, pair] of asked.pairs.entries())
      void this.crew
        .do(batch.id, { pair, choices: asked.choices, date, ruler: asked.ruler, withFiles: true })
        .then((answer) => this.take(batch, pair, folders[i]!, answer))
    return { ok: true, value: { id: batch.id, of: asked.pairs.length } }
  }

  state(id: string): BatchState | null {
    return this.kept.get(id)?.state() ?? null
  }

  /** Its files, once it is done; null where there is no such batch, or it is still worked on. From then on it may give way to another. */
  fetch(id: string): Uint8Array | null {
    const batch = this.kept.get(id)
    if (!batch?.isDone) return null
    batch.isFetched = true
    return batch.file()
  }

  /** Stops a batch and forgets it. */
  delete(id: string): boolean {
    this.crew.forget(id)
    return this.kept.delete(id)
  }

  private take(batch: Batch, { wearer, row }: Pair, folder: string, answer: Awaited<ReturnType<Crew['do']>>): void {
    // Deleted meanwhile.
    if (!this.kept.has(batch.id)) return
    const isFull = this.bytes() >= LIMITS.bytes
    const figures = !answer.ok
      ? answer.why
      : isFull
        ? 'there is no room left for its files: fetch or delete other batches.'
        : answer.figures
    batch.rows.push({ wearer: wearer.name, garment: row.name, figures })
    if (answer.ok && !isFull) {
      batch.lines.push(...answer.lines)
      for (const [name, data] of Object.entries(answer.files)) batch.zip.add(`${folder}/${name}`, data)
    }
    if (batch.isDone) batch.close()
  }

  private bytes(): number {
    return [...this.kept.values()].reduce((sum, b) => sum + b.zip.bytes(), 0)
  }

  /** Batches that were fetched give way, the oldest first. */
  private makeRoom(): void {
    for (const [id, batch] of this.kept) {
      if (this.kept.size < LIMITS.batches && this.bytes() < LIMITS.bytes) return
      if (batch.isFetched) this.kept.delete(id)
    }
  }
}

/** A refusal as people read it. */
export const said = (problem: Problem, ruler: Ruler = 'cm'): string => writeLengths(problemSentence(problem), ruler)
