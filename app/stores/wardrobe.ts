import { defineStore } from 'pinia'
import { computed } from 'vue'
import { readProjectFile, writeProjectFile, type Project, type Wearer } from '~~/core/formats'
import { problemSentence } from '~~/core/result'
import { useLive } from '~/composables/useLive'
import { doAct, doRows, redoAct, undoAct } from '~/data/acts'
import { db, type Act } from '~/data/db'

/** All garments and wearers of this browser. */
export const useWardrobe = defineStore('wardrobe', () => {
  const projects = useLive(() => db.projects.orderBy('updatedAt').reverse().toArray(), null as Project[] | null)
  const wearers = useLive(() => db.wearers.toArray(), [] as Wearer[])
  const acts = useLive(() => db.acts.where('scope').equals('wardrobe').sortBy('id'), [] as Act[])
  const lastDone = computed(() => acts.value.filter((a) => a.undone === 0).at(-1) ?? null)
  const nextRedo = computed(() => acts.value.find((a) => a.undone === 1) ?? null)

  /**
   * Puts a project file's garments and wearers into the wardrobe, as one act.
   * @param present what happens to a garment that is there already: replaced (restoring), or let be (the demo)
   */
  async function takeFile(
    text: string,
    label: string,
    present: 'replace' | 'keep',
  ): Promise<{ ok: true; count: number } | { ok: false; sentence: string }> {
    const file = readProjectFile(text)
    if (!file.ok) return { ok: false, sentence: problemSentence(file.problem) }
    const there = new Set(await db.projects.toCollection().primaryKeys())
    const rows = file.value.projects.filter((p) => present === 'replace' || !there.has(p.id)).map((p) => ({ id: p.id, after: p }))
    await db.wearers.bulkPut(file.value.wearers)
    if (rows.length > 0) await doRows(label, rows)
    return { ok: true, count: rows.length }
  }

  async function openDemo() {
    const text = await $fetch<string>('/api/demo', { responseType: 'text' })
    return takeFile(text, 'open the demo wardrobe', 'keep')
  }

  async function create(project: Project): Promise<void> {
    await doRows(`new garment “${project.name}”`, [{ id: project.id, after: project }])
  }

  async function duplicate(project: Project): Promise<void> {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    await doRows(`duplicate “${project.name}”`, [
      { id, after: { ...project, id, name: `${project.name} (copy)`, createdAt: now, updatedAt: now } },
    ])
  }

  const rename = (project: Project, name: string) =>
    doAct(project.id, `rename “${project.name}”`, (row) => void (row.name = name), 'wardrobe')
  const setWearer = (project: Project, wearerId: string | null) =>
    doAct(project.id, `wearer of “${project.name}”`, (row) => void (row.wearerId = wearerId), 'wardrobe')
  const remove = (project: Project) => doRows(`delete “${project.name}”`, [{ id: project.id, after: null }])

  async function backUp(ids?: string[]): Promise<string> {
    const rows = await db.projects.toArray()
    return writeProjectFile(
      rows.filter((r) => !ids || ids.includes(r.id)),
      await db.wearers.toArray(),
      new Date(),
    )
  }

  return {
    projects,
    wearers,
    lastDone,
    nextRedo,
    takeFile,
    openDemo,
    create,
    duplicate,
    rename,
    setWearer,
    remove,
    backUp,
    undo: () => undoAct('wardrobe'),
    redo: () => redoAct('wardrobe'),
  }
})
