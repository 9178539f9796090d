import { defineStore } from 'pinia'
import { readProjectFile, writeProjectFile, type Project } from '~~/core/formats'
import { LONGEST_NAME, takeSize, toName, type Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { NO_SIZING } from '~~/core/size'
import { useActs } from '~/composables/useActs'
import { doAct, doRows, doTogether } from '~/data/acts'
import { db } from '~/data/db'
import { TABLE_NAMES, TABLES } from '~/data/tables'

const COPY = ' (copy)'

/** What is done to the garments of this browser as wholes. */
export const useWardrobe = defineStore('wardrobe', () => {
  /**
   * Puts a project file's wearers into the wardrobe, then its named changes, then its garments: an act each, all stored or
   * none.
   * @param present what happens to a garment or wearer that is there already: replaced (restoring), or let be (the demo)
   */
  async function takeFile(
    text: string,
    label: string,
    present: 'replace' | 'keep',
  ): Promise<{ ok: true; count: number } | { ok: false; sentence: string }> {
    const file = readProjectFile(text)
    if (!file.ok) return { ok: false, sentence: problemSentence(file.problem) }
    const parts = []
    for (const table of TABLE_NAMES) {
      const { inFile, word } = TABLES[table]
      if (!inFile) continue
      const there = new Set(await db.table(table).toCollection().primaryKeys())
      const rows = file.value[inFile]
        .filter((row) => present === 'replace' || !there.has(row.id))
        .map((row) => ({ id: row.id, after: row }))
      parts.push({ table, label: table === 'projects' ? label : `${label}: ${word}`, rows })
    }
    const stored = await doTogether(label, parts)
    const count = parts.find((p) => p.table === 'projects')!.rows.length
    return stored.ok ? { ok: true, count } : { ok: false, sentence: problemSentence(stored.problem) }
  }

  async function openDemo() {
    const text = await $fetch<string>('/api/demo', { responseType: 'text' }).catch(() => null)
    if (text === null)
      return { ok: false as const, sentence: 'The demo could not be fetched: the server of this page does not answer. Try again.' }
    return takeFile(text, 'open the demo wardrobe', 'keep')
  }

  /** One size of a nest, as it is after the plan, as a garment of its own; gives its id, or null where it cannot be stored. */
  async function takeOut(project: Project, altered: Garment, sizeId: string): Promise<string | null> {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    // JSON: what is written is plain data, never a reactive proxy.
    const garment = JSON.parse(JSON.stringify(takeSize(altered, sizeId))) as Garment
    const ending = `, size ${garment.sizes[0]!.name}`.slice(0, LONGEST_NAME / 2)
    const name = toName(toName(project.name, LONGEST_NAME - ending.length) + ending)
    const own: Project = { ...project, id, name, garment, plan: [], sizing: NO_SIZING, createdAt: now, updatedAt: now }
    const stored = await doRows('projects', `take “${name}” out of its nest`, [{ id, after: JSON.parse(JSON.stringify(own)) as Project }])
    return stored.ok ? id : null
  }

  async function duplicate(project: Project) {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const name = `${toName(project.name, LONGEST_NAME - COPY.length)}${COPY}`
    return doRows('projects', `duplicate “${project.name}”`, [{ id, after: { ...project, id, name, createdAt: now, updatedAt: now } }])
  }

  const rowOf = (project: Project) => ({ table: 'projects', id: project.id, scope: 'wardrobe' }) as const
  const rename = (project: Project, name: string) =>
    doAct(rowOf(project), `rename “${project.name}”`, (row) => void (row.name = toName(name) || row.name))
  const setWearer = (project: Project, wearerId: string | null) =>
    doAct(rowOf(project), `wearer of “${project.name}”`, (row) => void (row.wearerId = wearerId))
  const remove = (project: Project) => doRows('projects', `delete “${project.name}”`, [{ id: project.id, after: null }])

  async function backUp(ids?: string[]): Promise<string> {
    const rows = await db.projects.toArray()
    return writeProjectFile(
      rows.filter((r) => !ids || ids.includes(r.id)),
      await db.wearers.toArray(),
      new Date(),
      await db.recipes.toArray(),
    )
  }

  return {
    ...useActs('wardrobe'),
    takeFile,
    openDemo,
    duplicate,
    takeOut,
    rename,
    setWearer,
    remove,
    backUp,
  }
})
