import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { LaidOn } from '~~/core/advice'
import type { Wearer } from '~~/core/body'
import { withId, type Change, type NewChange } from '~~/core/changes'
import type { Project } from '~~/core/formats'
import { useActs } from '~/composables/useActs'
import { useLive } from '~/composables/useLive'
import { doAct } from '~/data/acts'
import { db } from '~/data/db'
import { usePlanSession } from '~/stores/plan-session'
import { useSelection } from '~/stores/selection'

/** Puts a stop in the place of the one with its id, if that is still there. */
function put(row: Project, change: Change): void {
  const i = row.plan.findIndex((c) => c.id === change.id)
  if (i >= 0) row.plan[i] = change
}

/** The garment that is open: its row, its wearer, and what is done to it. */
export const useWork = defineStore('work', () => {
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
  // Both of these stores watch this one: they are asked for when something is done.
  const session = () => usePlanSession()

  const open = (id: string): void => void (projectId.value = id)

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

  /** Adds a stop and shows it; gives its id, or null where it could not be stored. */
  async function addChange(change: NewChange): Promise<string | null> {
    const id = crypto.randomUUID()
    const stop = withId(change, id)
    if (!(await act(`add “${session().titleOf(stop)}”`, (row) => void row.plan.push(stop)))) return null
    useSelection().stopId = id
    return id
  }

  /** Takes proposed stops into the plan as one act: new ones in their order at its end or start, others set to their new figures. */
  async function takeProposed(list: readonly LaidOn[]): Promise<boolean> {
    const laid = JSON.parse(JSON.stringify(list.filter((l) => l.how !== 'there'))) as LaidOn[]
    const stopsAt = (place: 'start' | 'end') =>
      laid.flatMap((l): Change[] => (l.how === 'add' && l.at === place ? [withId(l.proposed, crypto.randomUUID())] : []))
    const [first, added] = [stopsAt('start'), stopsAt('end')]
    const label = laid.length === 1 ? `“${session().titleOf(withId(laid[0]!.proposed, ''))}”` : `${laid.length} stops`
    const stored = await act(`plan ${label}`, (row) => {
      for (const l of laid) if (l.how === 'set') put(row, l.change)
      row.plan.unshift(...first)
      row.plan.push(...added)
    })
    if (stored)
      useSelection().stopId =
        added.at(-1)?.id ?? first.at(-1)?.id ?? laid.flatMap((l) => (l.how === 'set' ? [l.change.id] : [])).at(-1) ?? null
    return stored
  }

  /** Puts another version of a stop in the place of the one that is there. */
  async function setStop(change: Change): Promise<boolean> {
    // JSON: what is written is plain data, never a reactive proxy.
    const plain = JSON.parse(JSON.stringify(change)) as Change
    const stored = await act(`change “${session().titleOf(change)}”`, (row) => put(row, plain))
    session().dropped(change.id)
    return stored
  }

  async function removeChange(changeId: string): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    if (useSelection().stopId === changeId) useSelection().stopId = null
    return act(`delete “${session().titleOf(change)}”`, (row) => void (row.plan = row.plan.filter((c) => c.id !== changeId)))
  }

  async function switchChange(changeId: string, on: boolean): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    return act(`switch ${on ? 'on' : 'off'} “${session().titleOf(change)}”`, (row) => {
      const stop = row.plan.find((c) => c.id === changeId)
      if (stop) stop.on = on
    })
  }

  async function moveChange(changeId: string, to: number): Promise<boolean> {
    const change = project.value?.plan.find((c) => c.id === changeId)
    if (!change) return false
    return act(`move “${session().titleOf(change)}”`, (row) => {
      const from = row.plan.findIndex((c) => c.id === changeId)
      if (from < 0) return
      const [stop] = row.plan.splice(from, 1)
      row.plan.splice(Math.max(0, Math.min(row.plan.length, to)), 0, stop!)
    })
  }

  return {
    projectId,
    project,
    missing,
    wearer,
    open,
    act,
    addChange,
    takeProposed,
    setStop,
    removeChange,
    switchChange,
    moveChange,
    setSeamTolerance,
    ...acts,
  }
})
