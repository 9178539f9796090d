import { proxy, type Remote } from 'comlink'
import isEqual from 'fast-deep-equal'
import { computed, ref, shallowRef, watch, type ComputedRef } from 'vue'
import type { Drawing, PdfPage } from '~~/core/formats'
import type { Point } from '~~/core/geometry'
import { isLayerOfAnyFile, layersOf, type Draft, type FoundScale, type GridChoice, type LayerRole, type PageGrid } from '~~/core/import'
import { toName } from '~~/core/pattern'
import { ok, refuse, type Problem, type Result } from '~~/core/result'
import { emptyOut } from '~/data/empty-tray'
import type { Tray } from '~/data/tray-row'
import { say, sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { Bench, Ended } from '~/workers/bench'
import { importJobs, type ImportJobs } from '~/workers/import-jobs'
import { openWorker } from '~/workers/open-worker'

/** Reading a file may take this long, ms: its own budget ends it much earlier on any machine that one would work on. */
const LONGEST_MS = 120_000

/** The jobs of the import, in a worker or on the spot. */
type Jobs = ImportJobs | Remote<ImportJobs>

const bench = new Bench<ImportJobs>(() => openWorker('import'))

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** What a garment is called that comes from a file. */
export const nameOf = (fileName: string): string => toName(fileName.replace(/\.[^.]+$/, '').replace(/[-_]+/g, ' '))

/** What was said of layers of the same names in files before. */
const layersAsBefore = (drawing: Drawing, habits: Readonly<Record<string, LayerRole>>): Record<string, LayerRole> =>
  Object.fromEntries(layersOf(drawing).flatMap(({ name }) => (Object.hasOwn(habits, name) ? [[name, habits[name]!]] : [])))

/**
 * The file in the tray: its drawing, the pages of a PDF and how they lie, and what its test square says, all worked out in a
 * worker that can be stopped.
 *
 * @param act does something to the tray that can be undone
 * @param begin told when another file is taken in
 */
export function useTrayFile(
  state: ComputedRef<Tray>,
  act: (label: string, recipe: (tray: Tray) => void) => Promise<Result<unknown>>,
  begin: () => void,
) {
  const text = computed(() => state.value.text)
  const grid = computed(() => state.value.grid ?? null)
  /** The drawing of the file in the tray, as the worker has read it. */
  const drawing = shallowRef<Drawing | null>(null)
  const pages = shallowRef<PdfPage[]>([])
  /** What the test square or scale bar of the drawing measures, and what it says it should. */
  const scale = shallowRef<FoundScale>(null)
  /** What is being worked on, in words; null while nothing is. */
  const busy = ref<string | null>(null)
  /** What the drawing is of: known before the database tells. */
  let held: { text: string; grid: PageGrid | null } = { text: '', grid: null }

  const inJobs = <T>(job: (jobs: Jobs) => T | Promise<T>): Promise<T> =>
    typeof Worker === 'undefined' ? Promise.resolve(job(importJobs)) : bench.run((remote) => Promise.resolve(job(remote)), LONGEST_MS)

  /** Has something read or found in the worker, or on the spot where there are no workers; it can be stopped. */
  async function inWorker<T>(what: string, job: (jobs: Jobs) => Result<T> | Promise<Result<T>>): Promise<Result<T>> {
    busy.value = what
    try {
      return await inJobs<Result<T>>(job)
    } catch (error) {
      const why = error instanceof Ended ? error.message : `the program failed (${error instanceof Error ? error.message : String(error)}).`
      return refuse('import-ended', what, why, 'Nothing was changed. Try again, or save the file with fewer lines in it.')
    } finally {
      busy.value = null
    }
  }
  /** Tells how far a job has come. */
  const telling = (words: (done: number, of: number) => string) =>
    proxy((done: number, of: number) => {
      if (busy.value !== null && of > 1) busy.value = words(done + 1, of)
    })
  /** Has something worked out without which one can go on as well. */
  const beside = <T>(job: (jobs: Jobs) => T | Promise<T>, otherwise: T): Promise<T> => inJobs(job).catch(() => otherwise)

  /** What stands beside the lines: the pages, and the test square. */
  async function lookAround(now: string, lies: PageGrid | null): Promise<void> {
    const own = held
    const found = lies && pages.value.length === 0 ? await beside((jobs) => jobs.pages(now), []) : pages.value
    // Another file may have been taken in meanwhile.
    if (held === own) pages.value = found
    const says = await beside((jobs) => jobs.scale(now, lies), null)
    if (held === own) scale.value = says
  }

  // A tray that was there before the page was opened has its drawing read again; so has one whose pages were moved.
  watch(
    [text, grid],
    async ([now, lies]) => {
      const own = { text: now, grid: plain(lies) }
      if (isEqual(own, held)) return
      const isOther = now !== held.text
      if (isOther) {
        drawing.value = null
        pages.value = []
        scale.value = null
      }
      held = own
      if (!now) return
      // Moving a page is no reason to take the pages from under the hand that moves them.
      const read = await (isOther
        ? inWorker('Reading the file', (jobs) => jobs.read(own.text, own.grid))
        : inJobs((jobs) => jobs.read(own.text, own.grid)).catch(() => null))
      if (!read) return
      if (held !== own) return
      drawing.value = read.ok ? read.value : null
      await lookAround(own.text, own.grid)
    },
    { immediate: true },
  )

  /**
   * The file with the words in it that are drawn as shapes, and what is to be said of it. Where they cannot be read, or one has stopped
   * it, the file is without them.
   */
  async function withWords(fileName: string, opened: { text: string; grid: PageGrid | null }) {
    let isAsked = false
    // Told only once there are words to read.
    const heard = proxy(() => {
      isAsked = true
      if (busy.value !== null) busy.value = `Reading the words in ${fileName}`
      bench.alive()
    })
    const worded = await inWorker(`Reading ${fileName}`, async (jobs) => ok(await jobs.readWords(opened.text, heard)))
    const unread = 'Words in this file are drawn as shapes, and were not read: names and numbers are asked for.'
    const told = 'Words in this file are drawn as shapes: they were read from their picture. Look at names and numbers.'
    if (!worded.ok) return isAsked ? ok({ ...opened, tell: () => sayFault(unread) }) : worded
    const tell = () => (worded.value.text === opened.text ? undefined : say(told))
    return ok({ ...worded.value, tell })
  }

  /** Reads a file; a file that cannot be read leaves the tray as it is. */
  async function takeFile(fileName: string, bytes: Uint8Array): Promise<Problem | null> {
    const tell = telling((page, of) => `Reading ${fileName}, page ${page} of ${of}`)
    const opened = await inWorker(`Reading ${fileName}`, (jobs) => jobs.open(bytes, tell))
    if (!opened.ok) return opened.problem
    const worded = await withWords(fileName, opened.value)
    if (!worded.ok) return worded.problem
    const { text: content, grid: lies, tell: tellWords } = worded.value
    const read = await inWorker(`Reading ${fileName}`, (jobs) => jobs.read(content, lies))
    if (!read.ok) return read.problem
    begin()
    // Known before it is stored, so that it is not read a second time when it shows up in the tray.
    held = { text: content, grid: lies }
    pages.value = []
    scale.value = null
    const garmentName = nameOf(fileName)
    const layers = layersAsBefore(read.value, usePrefs().layerHabits)
    const laid = lies ? { grid: lies, pagesConfirmed: lies.how === 'one-page' } : {}
    const stored = await act(`take in ${fileName}`, (tray) => {
      emptyOut(tray)
      Object.assign(tray, { fileName, text: content, garmentName, layers }, laid)
    })
    if (!stored.ok) {
      held = { text: text.value, grid: plain(grid.value) }
      return stored.problem
    }
    drawing.value = read.value
    // After the act, which settles what was said before.
    tellWords()
    await lookAround(content, lies)
    return null
  }

  /** What was read from photographs becomes the drawing in the tray. */
  async function takeOutlines(content: string): Promise<Problem | null> {
    const read = await inWorker('Drawing the outlines', (jobs) => jobs.read(content, null))
    if (!read.ok) return read.problem
    const before = held
    held = { text: content, grid: null }
    const stored = await act('settle the photographs', (tray) => void (tray.text = content))
    if (!stored.ok) {
      held = before
      return stored.problem
    }
    drawing.value = read.value
    return null
  }

  /** The rule table of a DXF in the tray: its pieces are drawn in all sizes. One that does not fit leaves the tray as it is. */
  async function takeRules(fileName: string, bytes: Uint8Array): Promise<Problem | null> {
    const before = held
    const added = await inWorker(`Reading ${fileName}`, (jobs) => jobs.addRules(before.text, bytes))
    if (!added.ok) return added.problem
    const read = await inWorker('Drawing the sizes', (jobs) => jobs.read(added.value, null))
    if (!read.ok) return read.problem
    if (held !== before)
      return {
        code: 'another-file',
        where: 'rule table',
        message: 'another file was taken in meanwhile.',
        remedy: 'Add it to the DXF that it belongs to.',
      }
    held = { text: added.value, grid: null }
    const stored = await act(`take in ${fileName}`, (tray) => void (tray.text = added.value))
    if (!stored.ok) {
      held = before
      return stored.problem
    }
    drawing.value = read.value
    return null
  }

  /** Pages laid in so many columns, with so much overlap. */
  async function layPages(choice: GridChoice): Promise<void> {
    const lies = await beside((jobs) => jobs.layPages(text.value, plain(choice)), null)
    if (lies) await act('lay the pages', (tray) => void (tray.grid = plain(lies)))
  }
  /** A page moved to a place, or left out. */
  const placePage = (index: number, place: Point | null) =>
    act(place ? 'move a page' : 'leave a page out', (tray) => {
      if (tray.grid) tray.grid.places[index] = place && { ...place }
    })
  const confirmPages = () => act('settle the pages', (tray) => void (tray.pagesConfirmed = true))

  /** What a layer of the file holds, for this file and for those after it that have one of that name; null for as it looks. */
  function sayLayer(name: string, role: LayerRole | null) {
    const habits = usePrefs()
    const { [name]: _before, ...others } = habits.layerHabits
    habits.layerHabits = role === null || isLayerOfAnyFile(name) ? others : { ...others, [name]: role }
    return act(`layer “${name}”`, (tray) => {
      const { [name]: _said, ...rest } = tray.layers ?? {}
      tray.layers = role === null ? rest : { ...rest, [name]: role }
    })
  }

  /** The outlines of the drawing at a scale, with a first guess at everything. */
  function findPieces(times: number): Promise<Result<Draft[]>> {
    const { text: content, grid: lies } = held
    const tell = telling((piece, of) => `Finding the pieces, ${piece} of ${of}`)
    const layers = plain(state.value.layers ?? {})
    return inWorker('Finding the pieces', (jobs) => jobs.drafts(content, lies, times, layers, tell))
  }

  return {
    drawing,
    pages,
    grid,
    scale,
    busy,
    /** Ends what is being worked on. */
    stop: () => bench.stop(),
    takeFile,
    takeOutlines,
    takeRules,
    layPages,
    placePage,
    confirmPages,
    sayLayer,
    findPieces,
    inJobs,
  }
}
