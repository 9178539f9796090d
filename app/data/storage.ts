import { reactive } from 'vue'
import { ok, refuse, type Problem, type Result } from '~~/core/result'
import { db, loadDb, useDb, type TableName } from './db'
import { TABLE_NAMES } from './table-names'
import type { TidalSeamDb } from './tidal-seam-db'

/** Something that was done and could not be stored. */
export interface Unstored {
  id: number
  label: string
  sentence: string
  /** What was to be stored, as JSON. */
  content: string
}

/** How it stands with what is stored, for every screen. */
export const storage = reactive({
  /** Being opened; the browser's own storage; or this page alone, since the browser's does not serve. */
  where: 'opening' as 'opening' | 'browser' | 'page',
  /** Why it is this page alone, in a sentence. */
  why: '',
  /** Writes under way. */
  pending: 0,
  unstored: [] as Unstored[],
  /** Counts changes of place, so that what is shown is read again. */
  turn: 0,
})

/** The browser's storage opens in a few milliseconds; one that is silent for so long will not, ms. */
const OPENING_MS = 8000
/** A whole wardrobe of large garments is written in some seconds; one that takes so long will not be, ms. */
const SILENT_MS = 40_000

/** An act that the schema of its row refuses: nothing that another place could store either. */
export class NotFit extends Error {
  constructor(
    readonly problem: Problem,
    readonly content: unknown,
  ) {
    super(problem.message)
  }
}

const SILENT = 'the storage of this browser does not answer. Other tabs of Tidal Seam may hold it: close them.'

/** Why nothing can be stored where the page was cut off while it was being fetched. */
const NOT_FETCHED = 'a part of Tidal Seam did not arrive: the connection was lost.'

function answered<T>(work: PromiseLike<T>, withinMs = SILENT_MS): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error(SILENT)), withinMs)
    Promise.resolve(work)
      .then(resolve, reject)
      .finally(() => clearTimeout(timer))
  })
}

/** Has this page gone on without the browser's storage? Asked anew after every wait: a read may have failed meanwhile. */
const isOnPage = () => storage.where === 'page'

/** Why a read or a write failed, for a person. */
function reasonOf(error: unknown): string {
  const name = String((error as { name?: unknown } | null)?.name)
  const inner = String((error as { inner?: { name?: unknown } } | null)?.inner?.name)
  const words = error instanceof Error ? error.message : String(error)
  if (words === SILENT) return words
  if (/Quota/.test(`${name} ${inner} ${words}`)) return 'the storage of this browser is full.'
  if (name === 'VersionError') return 'another tab has a newer version of Tidal Seam open. Close this one, or reload it.'
  if (name === 'DatabaseClosedError') return 'another tab has closed or deleted what is stored here. Reload this page when it is done.'
  if (name === 'MissingAPIError' || name === 'SecurityError' || /denied|insecure/i.test(words))
    return 'this browser does not let the page store anything (a private window, or its settings).'
  return `the storage of this browser fails (${words.split('\n')[0]!.slice(0, 120)}).`
}

type StoredTable = TableName | 'acts' | 'pictures' | 'hangs'
const ALL_TABLES: readonly StoredTable[] = [...TABLE_NAMES, 'acts', 'pictures', 'hangs']
type Snapshot = Map<StoredTable, Map<unknown, string>>

/** A row as text, to tell whether it has changed. A picture never does, and is large. */
const textOf = (table: StoredTable, row: object): string => (table === 'pictures' ? '' : JSON.stringify(row))

/** What the browser's storage held when this page went on without it: only what was done since goes back. */
let before: Snapshot = new Map()

/**
 * Rows of all tables, by table and key.
 * @param lost what a table counts as that cannot be read; without it the failure is passed on
 */
async function readAll(from: TidalSeamDb, lost?: []): Promise<Map<StoredTable, { key: unknown; row: object }[]>> {
  const all = new Map<StoredTable, { key: unknown; row: object }[]>()
  for (const table of ALL_TABLES) {
    const rows = await answered(from.table<object>(table).toArray()).catch((error: unknown) => lost ?? Promise.reject(error))
    all.set(
      table,
      rows.map((row) => ({ key: (row as { id: unknown }).id, row })),
    )
  }
  return all
}

let moving: Promise<void> | null = null

/** Goes on in the memory of this page alone, with everything that can still be read. */
function moveToPage(why: string): Promise<void> {
  moving ??= (async () => {
    const { dbOnPage } = await loadDb()
    const there = db.isOpen() ? await readAll(db, []) : new Map<StoredTable, { key: unknown; row: object }[]>()
    const page = await dbOnPage()
    await page.open()
    before = new Map()
    for (const [table, rows] of there) {
      await page.table(table).bulkPut(rows.map((r) => r.row))
      before.set(table, new Map(rows.map((r) => [r.key, textOf(table, r.row)])))
    }
    useDb(page)
    storage.where = 'page'
    storage.why = why
    storage.turn += 1
  })().finally(() => (moving = null))
  return moving
}

/** Opens the browser's storage, or says why it cannot be and goes on without it. Fails where its library cannot be fetched. */
export async function openStorage(): Promise<void> {
  await loadDb()
  try {
    await answered(db.open(), OPENING_MS)
    storage.where = 'browser'
  } catch (error) {
    if (!isOnPage()) await moveToPage(reasonOf(error))
  }
}

/** Tries the browser's storage again: what was done on this page meanwhile is put into it. Refuses with why it still fails. */
export async function backToBrowser(): Promise<Result<null>> {
  const page = db
  const browser = new (await loadDb()).TidalSeamDb()
  try {
    await answered(browser.open(), OPENING_MS)
    // What cannot be read here must not look as if it had been deleted.
    const here = await readAll(page)
    await answered(
      browser.transaction('rw', ALL_TABLES, async () => {
        for (const [table, rows] of here) {
          const was = before.get(table) ?? new Map<unknown, string>()
          const changed = rows.filter((r) => was.get(r.key) !== textOf(table, r.row)).map((r) => r.row)
          const keys = new Set(rows.map((r) => r.key))
          // Acts are numbered anew: another tab may have counted on.
          const own = table === 'acts' ? changed.map((row) => ({ ...row, id: undefined })).map(({ id: _, ...row }) => row) : changed
          await browser.table(table).bulkPut(own)
          await browser.table(table).bulkDelete([...was.keys()].filter((key) => !keys.has(key)) as string[])
        }
      }),
    )
  } catch (error) {
    browser.close()
    storage.why = reasonOf(error)
    return refuse('storage', 'storage', storage.why, 'Save everything as a file.')
  }
  useDb(browser)
  page.close()
  storage.where = 'browser'
  storage.why = ''
  storage.turn += 1
  return ok(null)
}

let hasAsked = false
/** Something is worth keeping: the browser is asked once not to clear it when it runs short of room. It may say no. */
function askToStay(): void {
  if (hasAsked || isOnPage()) return
  hasAsked = true
  void globalThis.navigator?.storage?.persist?.()
}

let last = 0

function keepUnstored(label: string, sentence: string, content: unknown): void {
  storage.unstored.push({ id: ++last, label, sentence, content: JSON.stringify(content, null, 1) })
}

export const forgetUnstored = (id: number): void => void (storage.unstored = storage.unstored.filter((u) => u.id !== id))

/**
 * Stores what was done. Where the browser's storage fails, this page goes on without it and the act is done here, so that
 * nothing is lost while it is open; an act that no schema would let through is kept as what could not be stored.
 *
 * @param work does the act on `db` as it is when it is called
 * @returns what the act gave, or why it was not stored; every screen says so already
 */
export async function written<T>(label: string, work: () => Promise<T>): Promise<Result<T>> {
  storage.pending += 1
  try {
    await loadDb()
  } catch {
    storage.pending -= 1
    keepUnstored(label, NOT_FETCHED, null)
    return refuse('storage', label, NOT_FETCHED, 'Reload the page when the connection is back.')
  }
  const at = db
  try {
    if (isOnPage()) return ok(await work())
    const done = await answered(work())
    askToStay()
    return ok(done)
  } catch (error) {
    const cause = notFit(error)
    if (cause) {
      keepUnstored(label, `${cause.problem.where}: ${cause.problem.message}`, cause.content)
      return { ok: false, problem: cause.problem }
    }
    // Another act that failed has moved to the page meanwhile.
    if (db !== at) return await written(label, work)
    if (isOnPage()) {
      keepUnstored(label, reasonOf(error), null)
      return refuse('storage', label, reasonOf(error), 'Save everything as a file.')
    }
    await moveToPage(reasonOf(error))
    return await written(label, work)
  } finally {
    storage.pending -= 1
  }
}

/** The refusal inside of what a transaction rejects with. */
const notFit = (error: unknown): NotFit | null =>
  [error, (error as { inner?: unknown } | null)?.inner].find((e) => e instanceof NotFit) ?? null

/** A read that failed: what is shown would be wrong without a word. */
export function readFailed(error: unknown): void {
  if (isOnPage()) console.error(error)
  else void moveToPage(reasonOf(error))
}
