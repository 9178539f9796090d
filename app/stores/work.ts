import { proxy, wrap, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { LaidOn, Proposed } from '~~/core/advice'
import { latestSet, type Wearer } from '~~/core/body'
import { findKind, type Change, type ChangeContext } from '~~/core/changes'
import type { Project } from '~~/core/formats'
import type { Garment } from '~~/core/pattern'
import { wantedEase, type Sizing } from '~~/core/size'
import { doAct } from '~/data/acts'
import { db } from '~/data/db'
import { usePrefs } from '~/stores/prefs'
import { useActs } from '~/composables/useActs'
import { useLive } from '~/composables/useLive'
import type { ComparedWay, Computed, ComputedStop, FoldWorker, SentResult } from '~/workers/fold.worker'
import { Shelf } from '~/workers/parcel'

/** A plan that takes longer than this is said to be worked on, ms: shorter would only flicker. */
const SLOW_MS = 250

let remote: Remote<FoldWorker> | null = null

let onProgress: NonNullable<ChangeContext['progress']> = () => {}

function foldWorker(): Remote<FoldWorker> {
  if (!remote) {
    remote = wrap<FoldWorker>(new Worker(new URL('../workers/fold.worker.ts', import.meta.url), { type: 'module' }))
    void remote.tellProgress(proxy((what, done, of) => onProgress(what, done, of)))
  }
  return remote
}

/** What came from the worker last. */
const shelves = { garments: new Shelf<Garment>(), stops: new Shelf<ComputedStop>() }

/** A result with the parts that the page held already: what no stop has changed is the same object as before. */
function unpacked({ garments, stops, ...rest }: SentResult): Computed {
  const all = shelves.garments.unpack(garments)
  return { ...rest, garments: all.slice(0, -1), beforeSizes: all.at(-1)!, stops: shelves.stops.unpack(stops) }
}

const bustEase = ({ wantedMm, fit, fabric }: Sizing) => wantedMm.bust ?? wantedEase('bust', fit, fabric)

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
  /** Inputs while a handle or field is being moved, before they are written. */
  const draft = shallowRef<{ changeId: string; inputs: unknown } | null>(null)
  /** The point whose rule is at hand, by its name: shown on the pieces. */
  const litPoint = ref<string | null>(null)
  const saving = ref(0)
  /** The worker has been at it long enough to say so. */
  const working = ref(false)
  /** How far it has come, in words, where a change tells. */
  const progress = ref('')
  onProgress = (what, done, of) => void (progress.value = `${what} ${done} of ${of}`)
  const trouble = ref<string | null>(null)

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
    try {
      const row = project.value
      if (row.garment !== baseGarment) {
        baseGarment = row.garment
        garmentText = JSON.stringify(row.garment)
      }
      const key = `${row.id}:${garmentText}`
      const worker = foldWorker()
      if (key !== baseKey) {
        await worker.setBase(key, row.garment)
        baseKey = key
        computedFor = ''
      }
      const dragged = draft.value
      const last = dragged ? row.plan.findIndex((c) => c.id === dragged.changeId) : -1
      // While an amount is dragged only the pieces after its own stop are seen: later stops wait for the drop.
      const shown = last < 0 ? row.plan : row.plan.slice(0, last + 1)
      const plan = shown.map((c) => (dragged?.changeId === c.id ? { ...c, inputs: dragged.inputs } : c))
      const asked = [plan, wearer.value ?? null, { ...prefs.tolerances }, bustEase(row.sizing)] as const
      // A row is read again when another of its table was written: what was computed for the same is not computed twice.
      const askedText = JSON.stringify(asked)
      if (askedText === computedFor && computedPlan.value) {
        trouble.value = null
        return
      }
      const held = { garments: shelves.garments.held, stops: shelves.stops.held }
      const result = unpacked(await worker.compute(held, ...asked))
      computedFor = askedText
      if (projectId.value === row.id) computedPlan.value = result
      trouble.value = null
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    } finally {
      clearTimeout(slow)
      working.value = false
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

  async function act(label: string, recipe: (draft: Project) => void): Promise<void> {
    const id = projectId.value
    if (!id) return
    saving.value += 1
    try {
      await doAct({ table: 'projects', id, scope: id }, label, recipe)
    } finally {
      saving.value -= 1
    }
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

  /** Adds a stop and shows it. */
  async function addChange(change: Omit<Change, 'id'>): Promise<string> {
    const id = crypto.randomUUID()
    await act(`add “${titleOf({ ...change, id })}”`, (row) => void row.plan.push({ ...change, id }))
    selectedId.value = id
    return id
  }

  /** Takes proposed stops into the plan as one act: new ones in their order at its end or start, others set to their new figures. */
  async function takeProposed(list: readonly LaidOn[]): Promise<void> {
    const laid = JSON.parse(JSON.stringify(list.filter((l) => l.how !== 'there'))) as LaidOn[]
    const stopsAt = (place: 'start' | 'end') =>
      laid.flatMap((l): Change[] => (l.how === 'add' && l.at === place ? [{ ...l.proposed, id: crypto.randomUUID() }] : []))
    const [first, added] = [stopsAt('start'), stopsAt('end')]
    const label = laid.length === 1 ? `“${titleOf({ ...laid[0]!.proposed, id: '' })}”` : `${laid.length} stops`
    await act(`plan ${label}`, (row) => {
      for (const l of laid) {
        const stop = l.how === 'set' ? row.plan.find((c) => c.id === l.changeId) : undefined
        if (stop && l.how === 'set') stop.inputs = l.inputs
      }
      row.plan.unshift(...first)
      row.plan.push(...added)
    })
    selectedId.value = added.at(-1)?.id ?? first.at(-1)?.id ?? laid.flatMap((l) => (l.how === 'set' ? [l.changeId] : [])).at(-1) ?? null
  }

  async function editInputs(changeId: string, inputs: unknown): Promise<void> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return
    // JSON: what is written is plain data, never a reactive proxy.
    const plain = JSON.parse(JSON.stringify(inputs)) as unknown
    await act(`change “${titleOf(change)}”`, (row) => {
      const stop = row.plan.find((c) => c.id === changeId)
      if (stop) stop.inputs = plain
    })
    if (draft.value?.changeId === changeId) draft.value = null
  }

  async function removeChange(changeId: string): Promise<void> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return
    if (selectedId.value === changeId) selectedId.value = null
    await act(`delete “${titleOf(change)}”`, (row) => void (row.plan = row.plan.filter((c) => c.id !== changeId)))
  }

  async function switchChange(changeId: string, on: boolean): Promise<void> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return
    await act(`switch ${on ? 'on' : 'off'} “${titleOf(change)}”`, (row) => {
      const stop = row.plan.find((c) => c.id === changeId)
      if (stop) stop.on = on
    })
  }

  async function moveChange(changeId: string, to: number): Promise<void> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return
    await act(`move “${titleOf(change)}”`, (row) => {
      const from = row.plan.findIndex((c) => c.id === changeId)
      if (from < 0) return
      const [stop] = row.plan.splice(from, 1)
      row.plan.splice(Math.max(0, Math.min(row.plan.length, to)), 0, stop!)
    })
  }

  const paperSteps = async (units: 'in' | 'cm') => {
    await recompute()
    return foldWorker().steps(units)
  }

  let proposals = 0
  async function propose(): Promise<void> {
    if (!project.value || !computedPlan.value) return
    const own = ++proposals
    proposed.value = null
    const { sizing } = project.value
    const list = await foldWorker().propose(JSON.parse(JSON.stringify(sizing)), latestSet(wearer.value) ?? null)
    if (own === proposals) proposed.value = list
  }

  /** The ways of a stop that are shown side by side; null while none are. */
  const ways = shallowRef<{ changeId: string; list: ComparedWay[] } | null>(null)
  async function compareWays(changeId: string | null): Promise<void> {
    ways.value = changeId === null ? null : { changeId, list: await foldWorker().compare(changeId) }
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
    litPoint,
    saving,
    working,
    progress,
    trouble,
    open,
    act,
    addChange,
    takeProposed,
    editInputs,
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
