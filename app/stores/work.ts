import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { asOwn, planWith, type LaidOn } from '~~/core/advice'
import type { Wearer } from '~~/core/body'
import { alike, withId, type Change, type NewChange } from '~~/core/changes'
import { emptyFit, joinProject, stopsOf, type FitRow, type GarmentRow, type Project } from '~~/core/formats'
import type { Charts, Choices } from '~~/core/size'
import { useActs } from '~/composables/useActs'
import { useLive } from '~/composables/useLive'
import { doParts, type Part } from '~/data/acts'
import { db } from '~/data/db'
import { openFitId } from '~/open-fit'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'

/** Puts a stop in the place of the one with its id, if that is there. */
function put(list: Change[], change: Change): void {
  const i = list.findIndex((c) => c.id === change.id)
  if (i >= 0) list[i] = change
}

/** Takes a stop out of a list, if it is there. */
function take(list: Change[], changeId: string): Change | undefined {
  const i = list.findIndex((c) => c.id === changeId)
  return i < 0 ? undefined : list.splice(i, 1)[0]
}

/** What is open: a garment, and one of its fits; null is the one that was last worked on. */
interface Opened {
  garmentId: string
  fitId: string | null
}

/** Rows read for what was opened; null where this browser has no such garment or fit. */
interface Found {
  for: Opened
  garment: GarmentRow | null
  fit: FitRow | null
  /** All fits of the garment, the one last worked on first. */
  fits: FitRow[]
}

/** The fit that is open: its row and its garment's, its wearer, and what is done to them. */
export const useWork = defineStore('work', () => {
  const opened = shallowRef<Opened | null>(null)
  /** null while it is being read. */
  const found = useLive(
    async (): Promise<Found | null> => {
      const asked = opened.value
      if (!asked) return null
      const garment = (await db.garments.get(asked.garmentId)) ?? null
      const fits = (await db.fits.where('garmentId').equals(asked.garmentId).sortBy('updatedAt')).reverse()
      // A garment that nobody has worked on yet is opened in an empty fit, which is stored when something is done.
      const none = fits.length === 0 && garment ? emptyFit(asked.garmentId, asked.garmentId, null, garment.createdAt) : null
      const all = none ? [none] : fits
      const fit = (asked.fitId === null ? all[0] : all.find((f) => f.id === asked.fitId)) ?? null
      return { for: asked, garment, fit, fits }
    },
    null as Found | null,
    opened,
  )
  /** What was read, where it is what is open now: also when the open fit has only been named in the address since. */
  const here = computed(() => {
    const [read, now] = [found.value, opened.value]
    if (!read || !now) return null
    const isNamedSince = read.fit !== null && read.for.garmentId === now.garmentId && read.fit.id === now.fitId
    return read.for === now || isNamedSince ? read : null
  })
  const project = computed((): Project | null => {
    const { garment, fit } = here.value ?? {}
    return garment && fit ? joinProject(garment, fit) : null
  })
  /** All stops of the open fit, those for everybody first. */
  const stops = computed((): Change[] => (project.value ? stopsOf(project.value) : []))
  const fits = computed(() => here.value?.fits ?? [])
  const missing = computed(() => here.value !== null && project.value === null)
  const wearer = useLive(
    async () => (project.value?.wearerId ? ((await db.wearers.get(project.value.wearerId)) ?? null) : null),
    null as Wearer | null,
    () => project.value?.wearerId,
  )
  const fitId = computed(() => project.value?.id ?? null)
  watch(fitId, (id) => (openFitId.value = id), { immediate: true, flush: 'sync' })
  const acts = useActs(fitId)
  // Both of these stores watch this one: they are asked for when something is done.
  const session = () => usePlanSession()

  const open = (garmentId: string, fit: string | null = null): void => {
    if (opened.value?.garmentId !== garmentId || opened.value.fitId !== fit) opened.value = { garmentId, fitId: fit }
  }
  const close = (): void => void (opened.value = null)

  /** Stores the empty fit that a garment without any was opened in: it goes before the first thing done in it. */
  const firstPart = (): Part[] => {
    const fit = here.value?.fit
    if (!fit || fits.value.length > 0) return []
    return [{ table: 'fits', rows: [{ id: fit.id, after: JSON.parse(JSON.stringify(fit)) as FitRow }] }]
  }

  /** Does something to the open fit and its garment, as one act of the fit; false where it could not be stored, which is said already. */
  async function act(label: string, recipes: { fit?: (draft: FitRow) => void; garment?: (draft: GarmentRow) => void }): Promise<boolean> {
    const { fit, garment } = here.value ?? {}
    if (!fit || !garment) return false
    const parts: Part[] = recipes.garment ? [{ table: 'garments', id: garment.id, recipe: recipes.garment }] : []
    if (recipes.fit) parts.push(...firstPart(), { table: 'fits', id: fit.id, recipe: recipes.fit })
    else parts.push(...firstPart())
    return (await doParts(fit.id, label, parts)).ok
  }

  /** Does something to the list that a stop stands in: those for everybody, or those of this fit. */
  const actOnStop = (changeId: string, label: string, recipe: (list: Change[]) => void): Promise<boolean> =>
    isForEverybody(changeId) ? act(label, { garment: (row) => recipe(row.mends) }) : act(label, { fit: (row) => recipe(row.plan) })

  /** Does a stop mend the draft itself, for everybody who wears the garment? */
  const isForEverybody = (changeId: string): boolean => project.value?.mends.some((c) => c.id === changeId) ?? false

  /** Changes what the pattern says about its sizes and zones, for everybody. */
  const setCharts = (label: string, recipe: (charts: Charts) => void): Promise<boolean> =>
    act(label, { garment: (row) => recipe(row.charts) })
  /** Changes what is chosen for this wearer. */
  const setChoices = (label: string, recipe: (choices: Choices) => void): Promise<boolean> =>
    act(label, { fit: (row) => recipe(row.choices) })

  /** What counts as matching on one seam alone; null goes back to the wardrobe's limits. */
  const setSeamTolerance = (seamId: string, tolerance: { goodMm: number; easeMm: number } | null) =>
    act('limits of a seam', {
      garment: (row) => {
        const seam = row.garment.seams.find((s) => s.id === seamId)
        if (!seam) return
        if (tolerance) seam.tolerance = { goodMm: tolerance.goodMm, easeMm: Math.max(tolerance.goodMm, tolerance.easeMm) }
        else delete seam.tolerance
      },
    })

  /** Adds a stop and shows it, to this fit or to those that mend the draft for everybody; gives its id, or null where it could not be stored. */
  async function addChange(change: NewChange, forEverybody = false): Promise<string | null> {
    const id = crypto.randomUUID()
    const stop = withId(change, id)
    const label = `add ${session().wordsOf(stop)}${forEverybody ? ' for everybody' : ''}`
    const added = forEverybody
      ? act(label, { garment: (row) => void row.mends.push(stop) })
      : act(label, { fit: (row) => void row.plan.push(stop) })
    if (!(await added)) return null
    useSelection().stopId = id
    return id
  }

  /**
   * Takes proposed stops into the plan as one act.
   * @param off ids of stops that are switched off with it
   */
  async function takeProposed(list: readonly LaidOn[], off: readonly string[] = []): Promise<boolean> {
    const laid = JSON.parse(JSON.stringify(list.filter((l) => l.how !== 'there'))) as LaidOn[]
    const set = laid.flatMap((l) => (l.how === 'set' ? [l.change] : []))
    const [only] = laid
    const label =
      laid.length === 1 ? session().wordsOf('change' in only! ? only.change : withId(only!.proposed, '')) : `${laid.length} stops`
    let added: string[] = []
    const leaveOut = (stops: Change[]) => stops.filter((c) => off.includes(c.id)).forEach((c) => (c.on = false))
    const stored = await act(`plan ${label}`, {
      garment: (row) => {
        set.forEach((change) => put(row.mends, change))
        leaveOut(row.mends)
      },
      fit: (row) => {
        const next = planWith(laid, row.plan, () => crypto.randomUUID())
        added = next.added
        row.plan = next.plan
        leaveOut(row.plan)
      },
    })
    if (stored) useSelection().stopId = added.at(-1) ?? set.at(-1)?.id ?? null
    return stored
  }

  /** Puts another version of a stop in the place of the one that is there; with other figures it is the person's own. */
  async function setStop(change: Change): Promise<boolean> {
    const was = findStop(change.id)
    // JSON: what is written is plain data, never a reactive proxy.
    const plain = JSON.parse(JSON.stringify(was && !alike(was.inputs, change.inputs) ? asOwn(change) : change)) as Change
    const stored = await actOnStop(change.id, `change ${session().wordsOf(change)}`, (list) => put(list, plain))
    session().dropped(change.id)
    return stored
  }

  const findStop = (changeId: string): Change | undefined => stops.value.find((c) => c.id === changeId)

  async function removeChange(changeId: string): Promise<boolean> {
    const change = findStop(changeId)
    if (!change) return false
    if (useSelection().stopId === changeId) useSelection().stopId = null
    return actOnStop(changeId, `delete ${session().wordsOf(change)}`, (list) => void take(list, changeId))
  }

  async function switchChange(changeId: string, on: boolean): Promise<boolean> {
    const change = findStop(changeId)
    if (!change) return false
    return actOnStop(changeId, `switch ${on ? 'on' : 'off'} ${session().wordsOf(change)}`, (list) => {
      const stop = list.find((c) => c.id === changeId)
      if (stop) stop.on = on
    })
  }

  const noteStop = (changeId: string, note: string): Promise<boolean> => {
    const change = findStop(changeId)
    if (!change) return Promise.resolve(false)
    return actOnStop(changeId, `note on ${session().wordsOf(change)}`, (list) => {
      const stop = list.find((c) => c.id === changeId)
      if (stop) stop.note = note
    })
  }

  /** @param to the place among all stops; those for everybody stay before the others */
  async function moveChange(changeId: string, to: number): Promise<boolean> {
    const change = findStop(changeId)
    if (!change) return false
    const before = isForEverybody(changeId) ? 0 : (project.value?.mends.length ?? 0)
    return actOnStop(changeId, `move ${session().wordsOf(change)}`, (list) => {
      const stop = take(list, changeId)
      if (stop) list.splice(Math.max(0, Math.min(list.length, to - before)), 0, stop)
    })
  }

  /** Makes a stop one for everybody who wears the garment, after those that are, or one of this fit alone again, before its others. */
  async function setForEverybody(changeId: string, forAll: boolean): Promise<boolean> {
    const change = findStop(changeId)
    if (!change || isForEverybody(changeId) === forAll) return false
    const plain = JSON.parse(JSON.stringify(forAll ? asOwn(change) : change)) as Change
    const label = `${session().wordsOf(change)} ${forAll ? 'for everybody' : 'for this fit alone'}`
    return act(label, {
      garment: (row) => void (forAll ? row.mends.push(plain) : take(row.mends, changeId)),
      fit: (row) => void (forAll ? take(row.plan, changeId) : row.plan.unshift(plain)),
    })
  }

  return {
    fitId,
    project,
    stops,
    fits,
    missing,
    wearer,
    open,
    close,
    act,
    firstPart,
    setCharts,
    setChoices,
    isForEverybody,
    setForEverybody,
    addChange,
    takeProposed,
    setStop,
    removeChange,
    switchChange,
    noteStop,
    moveChange,
    setSeamTolerance,
    ...acts,
  }
})
