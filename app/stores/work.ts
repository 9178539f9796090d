import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { LaidOn, Proposed } from '~~/core/advice'
import type { Wearer } from '~~/core/body'
import { contextOf, findKind, withId, type Change, type ChangeContext, type NewChange } from '~~/core/changes'
import type { Project } from '~~/core/formats'
import type { Garment } from '~~/core/pattern'
import { doAct } from '~/data/acts'
import { db } from '~/data/db'
import { usePrefs } from '~/stores/prefs'
import { useActs } from '~/composables/useActs'
import { useLive } from '~/composables/useLive'
import type { Asked, ComparedWay, Computed, ComputedStop, FoldWorker, SentResult } from '~/workers/fold.worker'
import { Bench, Ended } from '~/workers/bench'
import { Shelf } from '~/workers/parcel'

/** A plan that takes longer than this is said to be worked on, ms: shorter would only flicker. */
const SLOW_MS = 250

/** A plan without a sign of life for so long will not come to an end, ms: the worker is ended. */
const SILENT_MS = 30_000
/** From here on it can be stopped by hand, ms. */
const LONG_MS = 4000

let onProgress: NonNullable<ChangeContext['progress']> = () => {}

const bench = new Bench<FoldWorker>(
  () => new Worker(new URL('../workers/fold.worker.ts', import.meta.url), { type: 'module' }),
  (remote) => {
    const tell = proxy<typeof onProgress>((what, done, of) => {
      bench.alive()
      onProgress(what, done, of)
    })
    remote.tellProgress(tell).catch(() => {
      // The worker ended before it heard: the next one is told again.
    })
    // What the page holds is numbered by the worker that sent it.
    shelves = { garments: new Shelf<Garment>(), stops: new Shelf<ComputedStop>() }
  },
)

/** What came from the worker last. */
let shelves = { garments: new Shelf<Garment>(), stops: new Shelf<ComputedStop>() }

/** A result with the parts that the page held already: what no stop has changed is the same object as before. */
function unpacked({ garments, stops, ...rest }: SentResult): Computed {
  const all = shelves.garments.unpack(garments)
  return { ...rest, garments: all.slice(0, -1), beforeSizes: all.at(-1)!, stops: shelves.stops.unpack(stops) }
}

/** Puts a stop in the place of the one with its id, if that is still there. */
function put(row: Project, change: Change): void {
  const i = row.plan.findIndex((c) => c.id === change.id)
  if (i >= 0) row.plan[i] = change
}

/** The garment that is open: its row, its plan as computed by the worker, and what is being dragged. */
export const useWork = defineStore('work', () => {
  const prefs = usePrefs()
  const projectId = ref<string | null>(null)
  /** undefined while it is being read, null when this browser has no such garment. */
  const found = useLive(
    async () => {
      const id = projectId.value
      return id ? { id, row: (await db.projects.get(id)) ?? null } : null
    },
    null as { id: string; row: Project | null } | null,
    projectId,
  )
  const project = computed(() => (found.value?.id === projectId.value ? (found.value?.row ?? null) : null))
  const missing = computed(() => found.value?.id === projectId.value && found.value?.row === null)
  const wearer = useLive(
    async () => (project.value?.wearerId ? ((await db.wearers.get(project.value.wearerId)) ?? null) : null),
    null as Wearer | null,
    project,
  )
  const acts = useActs(projectId)

  const computedPlan = shallowRef<Computed | null>(null)
  /** The stops that the body and the worksheet propose; null while they are being worked out for figures that changed. */
  const proposed = shallowRef<Proposed[] | null>(null)
  /** The stop whose inputs are shown; null shows the whole plan. */
  const selectedId = ref<string | null>(null)
  /** A stop while a handle of it is being moved, before it is written. */
  const draft = shallowRef<Change | null>(null)
  /** What a field of the form is about, by the name that it has on the pieces: lit up there while it is at hand. */
  const lit = ref<string | null>(null)
  /** The worker has been at it long enough to say so. */
  const working = ref(false)
  /** It has been at it so long that one may want to stop it. */
  const long = ref(false)
  /** How far it has come, in words, where a change tells. */
  const progress = ref('')
  /** The stop that the worker is at, by its place in the plan. */
  let at = -1
  onProgress = (what, done, of) => {
    if (what === 'stop') at = done
    progress.value = `${what} ${done + (what === 'stop' ? 1 : 0)} of ${of}`
  }
  /** Why the plan could not be worked out, and the stop that it was at. */
  const trouble = shallowRef<{ sentence: string; stopId: string | null } | null>(null)

  /** What the worker is asked with; plain data. */
  const askedFor = (row: Project): Asked => ({
    wearer: wearer.value ?? null,
    sizing: JSON.parse(JSON.stringify(row.sizing)) as unknown,
    tolerances: { ...prefs.tolerances },
  })
  /** What changes of these pieces are seen with, here as in the worker. */
  const contextFor = (garment: Garment): ChangeContext => contextOf(garment, project.value, wearer.value, prefs.tolerances)

  let baseKey = ''
  /** What the shown result was computed for. */
  let computedFor = ''
  let baseGarment: unknown = null
  let garmentText = ''
  let busy = false
  let again = false

  async function recompute(): Promise<void> {
    if (!project.value) {
      computedPlan.value = null
      return
    }
    if (busy) {
      again = true
      return
    }
    busy = true
    const slow = setTimeout(() => (working.value = true), SLOW_MS)
    const endless = setTimeout(() => (long.value = true), LONG_MS)
    at = -1
    let planned: readonly Change[] = []
    try {
      const row = project.value
      if (row.garment !== baseGarment) {
        baseGarment = row.garment
        garmentText = JSON.stringify(row.garment)
      }
      const key = `${row.id}:${garmentText}`
      const dragged = draft.value
      const last = dragged ? row.plan.findIndex((c) => c.id === dragged.id) : -1
      // While an amount is dragged only the pieces after its own stop are seen: later stops wait for the drop.
      const shown = last < 0 ? row.plan : row.plan.slice(0, last + 1)
      const plan = shown.map((c) => (dragged?.id === c.id ? dragged : c))
      planned = plan
      const asked = [plan, askedFor(row)] as const
      // A row is read again when another of its table was written: what was computed for the same is not computed twice.
      const askedText = JSON.stringify(asked)
      if (askedText === computedFor && key === baseKey && computedPlan.value) {
        trouble.value = null
        return
      }
      const sent = await bench.run(async (worker) => {
        if (key !== baseKey) {
          await worker.setBase(key, row.garment)
          baseKey = key
        }
        return worker.compute({ garments: shelves.garments.held, stops: shelves.stops.held }, ...asked)
      }, SILENT_MS)
      const result = unpacked(sent)
      computedFor = askedText
      if (projectId.value === row.id) computedPlan.value = result
      trouble.value = null
    } catch (error) {
      const sentence =
        error instanceof Ended ? error.message : `the program failed (${error instanceof Error ? error.message : String(error)}).`
      trouble.value = { sentence, stopId: (planned[at] ?? planned.at(-1))?.id ?? null }
      // What waited meanwhile would only hang again: it is for a person to say what is to be done.
      again = false
      // A new worker knows nothing yet.
      baseKey = ''
      computedFor = ''
    } finally {
      clearTimeout(slow)
      clearTimeout(endless)
      working.value = false
      long.value = false
      progress.value = ''
      busy = false
      if (again) {
        again = false
        void recompute()
      }
    }
  }
  watch([project, wearer, draft, () => prefs.tolerances], () => void recompute())

  function open(id: string): void {
    if (projectId.value === id) return
    computedPlan.value = null
    proposed.value = null
    draft.value = null
    selectedId.value = null
    projectId.value = id
  }

  /** Does something to the open garment; false where it could not be stored, which is said on the page already. */
  async function act(label: string, recipe: (draft: Project) => void): Promise<boolean> {
    const id = projectId.value
    return id !== null && (await doAct({ table: 'projects', id, scope: id }, label, recipe)).ok
  }

  /** What counts as matching on one seam alone; null goes back to the wardrobe's limits. */
  const setSeamTolerance = (seamId: string, tolerance: { goodMm: number; easeMm: number } | null) =>
    act('limits of a seam', (row) => {
      const seam = row.garment.seams.find((s) => s.id === seamId)
      if (!seam) return
      if (tolerance) seam.tolerance = { goodMm: tolerance.goodMm, easeMm: Math.max(tolerance.goodMm, tolerance.easeMm) }
      else delete seam.tolerance
    })

  /** What a stop is called where it stands in the plan; one that is new, at its end. */
  const titleOf = (change: Change): string => {
    const there = computedPlan.value?.stops.find((s) => s.change.id === change.id)
    const garment = computedPlan.value?.garments.at(-1) ?? project.value?.garment
    return there?.words.title ?? (garment && findKind(change.kind)?.describe(garment, change.inputs).title) ?? change.kind
  }

  /** Adds a stop and shows it; gives its id, or null where it could not be stored. */
  async function addChange(change: NewChange): Promise<string | null> {
    const id = crypto.randomUUID()
    const stop = withId(change, id)
    if (!(await act(`add “${titleOf(stop)}”`, (row) => void row.plan.push(stop)))) return null
    selectedId.value = id
    return id
  }

  /** Takes proposed stops into the plan as one act: new ones in their order at its end or start, others set to their new figures. */
  async function takeProposed(list: readonly LaidOn[]): Promise<boolean> {
    const laid = JSON.parse(JSON.stringify(list.filter((l) => l.how !== 'there'))) as LaidOn[]
    const stopsAt = (place: 'start' | 'end') =>
      laid.flatMap((l): Change[] => (l.how === 'add' && l.at === place ? [withId(l.proposed, crypto.randomUUID())] : []))
    const [first, added] = [stopsAt('start'), stopsAt('end')]
    const label = laid.length === 1 ? `“${titleOf(withId(laid[0]!.proposed, ''))}”` : `${laid.length} stops`
    const stored = await act(`plan ${label}`, (row) => {
      for (const l of laid) if (l.how === 'set') put(row, l.change)
      row.plan.unshift(...first)
      row.plan.push(...added)
    })
    if (stored)
      selectedId.value = added.at(-1)?.id ?? first.at(-1)?.id ?? laid.flatMap((l) => (l.how === 'set' ? [l.change.id] : [])).at(-1) ?? null
    return stored
  }

  /** Puts another version of a stop in the place of the one that is there. */
  async function setStop(change: Change): Promise<boolean> {
    // JSON: what is written is plain data, never a reactive proxy.
    const plain = JSON.parse(JSON.stringify(change)) as Change
    const stored = await act(`change “${titleOf(change)}”`, (row) => put(row, plain))
    if (draft.value?.id === change.id) draft.value = null
    return stored
  }

  async function removeChange(changeId: string): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    if (selectedId.value === changeId) selectedId.value = null
    return act(`delete “${titleOf(change)}”`, (row) => void (row.plan = row.plan.filter((c) => c.id !== changeId)))
  }

  async function switchChange(changeId: string, on: boolean): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    return act(`switch ${on ? 'on' : 'off'} “${titleOf(change)}”`, (row) => {
      const stop = row.plan.find((c) => c.id === changeId)
      if (stop) stop.on = on
    })
  }

  async function moveChange(changeId: string, to: number): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    return act(`move “${titleOf(change)}”`, (row) => {
      const from = row.plan.findIndex((c) => c.id === changeId)
      if (from < 0) return
      const [stop] = row.plan.splice(from, 1)
      row.plan.splice(Math.max(0, Math.min(row.plan.length, to)), 0, stop!)
    })
  }

  /** Ends what the worker is at; the page says so, and offers to leave the stop out. */
  const stopWorking = () => bench.stop()

  async function tryAgain(): Promise<void> {
    trouble.value = null
    await recompute()
    if (computedPlan.value) await propose()
  }

  /** For a question that the worker could not answer: says so on the page, and gives null. */
  const cannot = (what: string) => (error: unknown) => {
    trouble.value = { sentence: `${what}: ${error instanceof Error ? error.message : String(error)}`, stopId: null }
    return null
  }

  /** The plan as steps with ruler and scissors; null where they could not be had, which is said on the page. */
  const paperSteps = async (units: 'in' | 'cm') => {
    await recompute()
    return bench.run((worker) => worker.steps(units), SILENT_MS).catch(cannot('its steps on paper cannot be written'))
  }

  let proposals = 0
  async function propose(): Promise<void> {
    if (!project.value || !computedPlan.value) return
    const own = ++proposals
    proposed.value = null
    const asked = askedFor(project.value)
    const list = await bench.run((worker) => worker.propose(asked), SILENT_MS).catch(cannot('no plan can be proposed'))
    if (own === proposals) proposed.value = list ?? []
  }

  /** The ways of a stop that are shown side by side; null while none are. */
  const ways = shallowRef<{ changeId: string; list: ComparedWay[] } | null>(null)
  async function compareWays(changeId: string | null): Promise<void> {
    if (changeId === null) return void (ways.value = null)
    const list = await bench.run((worker) => worker.compare(changeId), SILENT_MS).catch(cannot('its ways cannot be compared'))
    ways.value = { changeId, list: list ?? [] }
  }
  // What is compared follows the figures of the stop.
  watch(computedPlan, () => void (ways.value && compareWays(ways.value.changeId)))

  return {
    ways,
    compareWays,
    projectId,
    project,
    missing,
    wearer,
    computedPlan,
    selectedId,
    draft,
    lit,
    working,
    progress,
    long,
    trouble,
    stopWorking,
    tryAgain,
    contextFor,
    open,
    act,
    addChange,
    takeProposed,
    setStop,
    removeChange,
    switchChange,
    moveChange,
    ...acts,
    paperSteps,
    proposed,
    propose,
    titleOf,
    setSeamTolerance,
  }
})
