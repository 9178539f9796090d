import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, toRaw } from 'vue'
import { z } from 'zod'
import type { Wearer } from '~~/core/body'
import { emptyFit, type FitRow, type GarmentRow } from '~~/core/formats'
import { zipUp } from '~~/core/formats/zip-up'
import { writeCutCsv, writeManyCsv, type CutLine, type ManyChoices, type ManyRow, type Pair } from '~~/core/many'
import { foldersFor } from '~~/core/many/files-of'
import type { Result } from '~~/core/result'
import { useWorkshop } from '~/composables/useWorkshop'
import { doParts, type Part } from '~/data/acts'
import { db } from '~/data/db'
import { batchCutOff, isWaiting, madeId, MadeRowSchema, type MadeRow } from '~/data/made-row'
import { written } from '~/data/storage'
import { showDay, today } from '~/days'
import { pdfFonts } from '~/pdf-fonts'
import { usePrefs } from '~/stores/prefs'
import type { Made, ManyJobs } from '~/workers/many-jobs'
import { Pool } from '~/workers/pool'
import { openWorker } from '~/workers/open-worker'

/** A fit without a sign of life for so long is given up, ms. */
const SILENT_MS = 60_000
/** One core stays free for the page; beyond so many workers memory is what ends first. */
const MOST_WORKERS = 8

const ChosenSchema = z.object({ garmentIds: z.array(z.string()), wearerIds: z.array(z.string()), isAnew: z.boolean() })
type Chosen = z.infer<typeof ChosenSchema>

/** One row of the table: a garment for a wearer, and how far it is. */
export interface ManyFit extends Pair {
  id: string
  /** What it is worked out from now, as text. */
  madeFor: string
  /** What was worked out from just that; null while that has to be done. */
  done: MadeRow | null
}

const pool = new Pool<ManyJobs>(() => openWorker('many'), Math.min(MOST_WORKERS, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1))

/** A pair that waits to be worked out. */
const UNMADE = { madeFor: '', made: null, why: '', isLeft: false, fitId: null }

/** Plain data for a worker, never a reactive proxy. */
const plain = <T>(thing: T): T => JSON.parse(JSON.stringify(toRaw(thing))) as T

/** Many garments for many wearers at once: what is chosen, what is being worked out, and what is done with it. */
export const useMany = defineStore('many', () => {
  const prefs = usePrefs()
  const workshop = useWorkshop()
  const kept = useStorage<Partial<Chosen>>('tidal-seam-many', {}, prefs.place)
  const chosen = computed<Chosen>({
    get: () => ChosenSchema.safeParse(kept.value).data ?? { garmentIds: [], wearerIds: [], isAnew: false },
    set: (own) => (kept.value = own),
  })
  /** How many of what is under way are done; null while nothing is. */
  const progress = shallowRef<{ what: string; done: number; of: number } | null>(null)

  /** Every pair of a chosen garment and a chosen wearer, with what is known of it. */
  function pairsOf(
    garments: readonly GarmentRow[],
    wearers: readonly Wearer[],
    fits: readonly FitRow[],
    made: readonly MadeRow[],
  ): ManyFit[] {
    const byId = new Map(made.map((m) => [m.id, m]))
    const newest = new Map<string, FitRow>()
    for (const fit of fits) {
      const id = madeId(fit.garmentId, fit.wearerId ?? '')
      if ((newest.get(id)?.updatedAt ?? '') < fit.updatedAt) newest.set(id, fit)
    }
    return garments
      .filter((row) => chosen.value.garmentIds.includes(row.id))
      .flatMap((row) =>
        wearers
          .filter((w) => chosen.value.wearerIds.includes(w.id))
          .map((wearer): ManyFit => {
            const id = madeId(row.id, wearer.id)
            const own = byId.get(id)
            // Begun anew, only what was taken of it is there.
            const there = (chosen.value.isAnew ? fits.find((f) => f.id === own?.fitId) : newest.get(id)) ?? null
            const pair = { row, wearer, there }
            const madeFor = keyOf(pair, workshop.value)
            return { ...pair, id, madeFor, done: own?.madeFor === madeFor ? own : null }
          }),
      )
  }
  /**
   * What was asked for last is chosen again where the browser was killed: it keeps its tables, and may forget choices of the last seconds.
   * Such a batch has rows that wait; where nothing at all is chosen, everything that was worked out is.
   */
  function chooseAgain(made: readonly MadeRow[]): void {
    const isNothing = chosen.value.garmentIds.length === 0 && chosen.value.wearerIds.length === 0
    const cutOff = batchCutOff(made)
    if (cutOff.length === 0 && !isNothing) return
    const batch = isNothing ? made : cutOff
    const joined = (ids: readonly string[], own: readonly string[]) => [...new Set([...ids, ...own])]
    chosen.value = {
      ...chosen.value,
      garmentIds: joined(
        chosen.value.garmentIds,
        batch.map((m) => m.garmentId),
      ),
      wearerIds: joined(
        chosen.value.wearerIds,
        batch.map((m) => m.wearerId),
      ),
    }
    void forgetWaiting(made)
  }
  /** Nobody waits for them any more: what is chosen says what is still to be done. */
  async function forgetWaiting(rows: readonly MadeRow[]): Promise<void> {
    const waiting = rows.filter(isWaiting).map((m) => m.id)
    if (waiting.length > 0) await written('forget what was not worked out', () => db.made.bulkDelete(waiting))
  }
  const keyOf = ({ row, wearer, there }: Pair, choices: ManyChoices) =>
    JSON.stringify([row.updatedAt, wearer, there && [there.id, there.updatedAt], choices, prefs.tolerances])

  const isDone = (m: ManyFit) => m.done?.made != null

  /** Keeps a row; one with a figure that is none is kept as not worked out. Gives whether it is worked out. */
  async function keep(row: MadeRow): Promise<boolean> {
    const sound = MadeRowSchema.safeParse(plain(row)).data ?? { ...row, made: null, why: 'a figure of it came out as no number.' }
    await written('keep what was worked out', async () => void (await db.made.put(plain(sound))))
    return sound.made !== null
  }

  /** Does something with each in the workers, and says how far it is; gives false where it was stopped. */
  async function each<K, R>(
    what: string,
    things: readonly K[],
    job: Parameters<typeof pool.each<K, R>>[1],
    tell: Parameters<typeof pool.each<K, R>>[3],
    limitMs = SILENT_MS,
  ): Promise<boolean> {
    progress.value = { what, done: 0, of: things.length }
    try {
      await pool.each<K, R>(things, job, limitMs, async (thing, result) => {
        await tell(thing, result)
        if (progress.value) progress.value = { ...progress.value, done: progress.value.done + 1 }
      })
      return (progress.value?.done ?? 0) === things.length
    } finally {
      progress.value = null
    }
  }

  /** Works out what is not done yet, and tries again what could not be worked out. Each is kept as it arrives: what is closed or stopped in the middle goes on from there. Gives how many could not be, or null where it was stopped. */
  async function workOut(list: readonly ManyFit[]): Promise<number | null> {
    let failed = 0
    const madeAt = new Date().toISOString()
    const waiting = list.filter((m) => !isDone(m))
    // What is asked for is kept first, so that it is known after the browser was killed.
    const rowOf = ({ id, row, wearer, there }: ManyFit) => ({
      ...UNMADE,
      id,
      garmentId: row.id,
      wearerId: wearer.id,
      fitId: chosen.value.isAnew ? (there?.id ?? null) : null,
    })
    const rows = waiting.map((m): MadeRow => ({ ...rowOf(m), madeAt }))
    await written('keep what is asked for', () => db.made.bulkPut(rows))
    const choices = plain(workshop.value)
    const tolerances = plain(prefs.tolerances)
    const all = await each(
      'Working out',
      waiting,
      (jobs, m) => jobs.fit(plain(m.row), plain(m.wearer), plain(m.there), choices, tolerances),
      async (m, result) => {
        const { made, why } = result.ok ? { made: result.value, why: '' } : { made: null, why: result.why }
        const isMade = await keep({ ...rowOf(m), madeFor: m.madeFor, made, why, madeAt: new Date().toISOString() })
        if (!isMade) failed += 1
      },
    )
    if (!all) await forgetWaiting(await db.made.bulkGet(rows.map((r) => r.id)).then((now) => now.filter((r) => r !== undefined)))
    return all ? failed : null
  }
  const stop = () => pool.stop()

  /** What was worked out of garments and wearers that are gone is forgotten. */
  async function forgetGone(garmentIds: ReadonlySet<string>, wearerIds: ReadonlySet<string>, made: readonly MadeRow[]): Promise<void> {
    const gone = made.filter((m) => !garmentIds.has(m.garmentId) || !wearerIds.has(m.wearerId)).map((m) => m.id)
    if (gone.length > 0) await written('forget what was worked out', () => db.made.bulkDelete(gone))
  }

  const leave = (done: MadeRow, isLeft: boolean) => keep({ ...done, isLeft })

  /** Makes fits of what was worked out, as one act; gives their ids. Refuses where they cannot be stored. */
  async function take(list: readonly ManyFit[]): Promise<Result<string[]>> {
    const now = new Date().toISOString()
    const taken = list.flatMap(({ done, ...m }) => {
      if (!done?.made) return []
      const { choices, plan } = done.made
      const fit: FitRow = { ...emptyFit(crypto.randomUUID(), m.row.id, m.wearer.id, now), choices, plan }
      // It is looked at as the fit that it is from now on.
      return [{ fit, made: { ...done, fitId: fit.id, madeFor: keyOf({ ...m, there: fit }, workshop.value) } }]
    })
    const parts: Part[] = [
      { table: 'fits', rows: taken.map(({ fit }) => ({ id: fit.id, after: plain(fit) })) },
      { table: 'made', rows: taken.map(({ made }) => ({ id: made.id, after: plain(made) })) },
    ]
    const stored = await doParts('wardrobe', `take ${taken.length} ${taken.length === 1 ? 'fit' : 'fits'}`, parts)
    return stored.ok ? { ok: true, value: taken.map(({ fit }) => fit.id) } : stored
  }

  const madeOf = ({ row, wearer, there, done }: ManyFit): Made => {
    const { choices, plan, layOrders } = done!.made!
    return { pair: plain({ row, wearer, there }), made: plain({ choices, plan, layOrders }) }
  }
  const tableOf = (list: readonly ManyFit[]): ManyRow[] =>
    list.map(({ wearer, row, done }) => ({ wearer: wearer.name, garment: row.name, figures: done?.made?.figures ?? done?.why ?? '' }))

  /** What has to be cut for all of them, in the order of the table. */
  async function cuttingList(list: readonly ManyFit[]): Promise<{ fit: ManyFit; lines: CutLine[] }[]> {
    const tolerances = plain(prefs.tolerances)
    const found = new Map<string, CutLine[]>()
    await each(
      'Reading the pieces',
      list.filter(isDone),
      (jobs, m) => jobs.cut(madeOf(m), tolerances),
      (m, result) => void (result.ok && found.set(m.id, result.value)),
    )
    return list.flatMap((fit) => (found.has(fit.id) ? [{ fit, lines: found.get(fit.id)! }] : []))
  }

  /** Everything as one zip, a folder for each wearer; null where it was stopped. What could not be written is named. */
  async function zip(list: readonly ManyFit[]): Promise<{ blob: Blob; missing: string[] } | null> {
    const own = list.filter(isDone)
    const [choices, tolerances] = [plain(workshop.value), plain(prefs.tolerances)]
    const writing = { date: showDay(today()), ruler: prefs.ruler, fonts: await pdfFonts() }
    const out = zipUp()
    const named = foldersFor(own)
    const folders = new Map(own.map((m, i) => [m, named[i]!]))
    const missing: string[] = []
    const all = await each(
      'Writing files',
      own,
      (jobs, m) => jobs.files(madeOf(m), choices, tolerances, writing),
      (m, result) => {
        const title = `${m.row.name} for ${m.wearer.name}`
        if (!result.ok) return void missing.push(`${title}: ${result.why}`)
        for (const [name, data] of Object.entries(result.value)) out.add(`${folders.get(m)}/${name}`, data)
      },
    )
    if (!all) return null
    out.add('table.csv', writeManyCsv(tableOf(list), prefs.ruler))
    out.add(
      'cutting-list.csv',
      writeCutCsv(
        (await cuttingList(own)).flatMap((c) => c.lines),
        prefs.ruler,
      ),
    )
    return { blob: new Blob([...out.end()], { type: 'application/zip' }), missing }
  }

  /** One question about several fits to one worker; it may take as long as each of them may. */
  async function ask<R>(
    what: string,
    list: readonly ManyFit[],
    job: Parameters<typeof pool.each<readonly ManyFit[], R>>[1],
  ): Promise<R | string | null> {
    let answer: R | string | null = null
    const hear: Parameters<typeof pool.each<readonly ManyFit[], R>>[3] = (_, result) =>
      void (answer = result.ok ? result.value : result.why)
    await each(what, [list], job, hear, SILENT_MS * list.length)
    return answer
  }
  const share = (list: readonly ManyFit[], withinMm: number) =>
    ask('Comparing the pieces', list, (jobs) => jobs.share(list.map(madeOf), plain(prefs.tolerances), withinMm))
  const nest = (list: readonly ManyFit[]) =>
    ask('Laying the pieces on each other', list, (jobs) =>
      jobs.nest(list.map(madeOf), plain(prefs.tolerances), plain(workshop.value), showDay(today()), prefs.ruler),
    )
  async function nestFiles(list: readonly ManyFit[]) {
    const fonts = await pdfFonts()
    return ask('Writing the nest', list, (jobs) =>
      jobs.nestFiles(list.map(madeOf), plain(prefs.tolerances), plain(workshop.value), {
        date: showDay(today()),
        ruler: prefs.ruler,
        fonts,
      }),
    )
  }

  return {
    chosen,
    workshop,
    progress,
    pairsOf,
    workOut,
    stop,
    leave,
    take,
    cuttingList,
    zip,
    share,
    nest,
    nestFiles,
    isDone,
    forgetGone,
    chooseAgain,
  }
})
