import { defineStore } from 'pinia'
import { contentsOf, emptyFit, readProjectFile, writeProjectFile, type FitRow, type GarmentRow, type Project } from '~~/core/formats'
import { LONGEST_NAME, takeSize, toName, type Garment } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { NO_CHARTS } from '~~/core/size'
import { useActs } from '~/composables/useActs'
import { doAct, doParts, doRows, type Part } from '~/data/acts'
import { db } from '~/data/db'
import { TABLE_NAMES, TABLES } from '~/data/tables'

const COPY = ' (copy)'

/** What is done to the garments of this browser as wholes. */
export const useWardrobe = defineStore('wardrobe', () => {
  /**
   * Puts all that a project file holds into the wardrobe, as one act.
   * @param present what happens to a garment or wearer that is there already: replaced (restoring), or let be (the demo)
   */
  async function takeFile(
    text: string,
    label: string,
    present: 'replace' | 'keep',
  ): Promise<{ ok: true; count: number } | { ok: false; sentence: string }> {
    const file = readProjectFile(text)
    if (!file.ok) return { ok: false, sentence: problemSentence(file.problem) }
    const parts: Part[] = []
    for (const table of TABLE_NAMES) {
      const { inFile } = TABLES[table]
      if (!inFile) continue
      const there = new Set(await db.table(table).toCollection().primaryKeys())
      const rows = file.value[inFile]
        .filter((row) => present === 'replace' || !there.has(row.id))
        .map((row) => ({ id: row.id, after: row }))
      parts.push({ table, rows } as Part)
    }
    const stored = await doParts('wardrobe', label, parts)
    const garments = parts.find((p) => p.table === 'garments') as { rows: unknown[] }
    return stored.ok ? { ok: true, count: garments.rows.length } : { ok: false, sentence: problemSentence(stored.problem) }
  }

  async function openDemo() {
    const text = await $fetch<string>('/api/demo', { responseType: 'text' }).catch(() => null)
    if (text === null)
      return { ok: false as const, sentence: 'The demo could not be fetched: the server of this page does not answer. Try again.' }
    return takeFile(text, 'open the demo wardrobe', 'keep')
  }

  /** Hangs a new garment, with the fits that it begins with. */
  const hang = (label: string, row: GarmentRow, fits: readonly FitRow[]) =>
    // JSON: what is written is plain data, never a reactive proxy.
    doParts('wardrobe', label, [
      { table: 'garments', rows: [{ id: row.id, after: JSON.parse(JSON.stringify(row)) as GarmentRow }] },
      { table: 'fits', rows: fits.map((fit) => ({ id: fit.id, after: JSON.parse(JSON.stringify(fit)) as FitRow })) },
    ])

  /** One size of a nest, as it is after the plan, as a garment of its own; gives its id, or null where it cannot be stored. */
  async function takeOut(project: Project, altered: Garment, sizeId: string): Promise<string | null> {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const garment = takeSize(altered, sizeId)
    const ending = `, size ${garment.sizes[0]!.name}`.slice(0, LONGEST_NAME / 2)
    const name = toName(toName(project.name, LONGEST_NAME - ending.length) + ending)
    const row: GarmentRow = { id, name, garment, charts: NO_CHARTS, mends: [], createdAt: now, updatedAt: now }
    const fit = emptyFit(crypto.randomUUID(), id, project.wearerId, now)
    return (await hang(`take “${name}” out of its nest`, row, [fit])).ok ? id : null
  }

  const fitsOf = (garmentId: string) => db.fits.where('garmentId').equals(garmentId).toArray()

  /** The same garment once more, with all of its fits. */
  async function duplicate(row: GarmentRow) {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const name = `${toName(row.name, LONGEST_NAME - COPY.length)}${COPY}`
    const fits = (await fitsOf(row.id)).map((fit) => ({ ...fit, id: crypto.randomUUID(), garmentId: id }))
    return hang(`duplicate “${row.name}”`, { ...row, id, name, createdAt: now, updatedAt: now }, fits)
  }

  const rename = (row: GarmentRow, name: string) =>
    doAct(
      { table: 'garments', id: row.id, scope: 'wardrobe' },
      `rename “${row.name}”`,
      (draft) => void (draft.name = toName(name) || row.name),
    )

  /** Deletes a garment with all of its fits. */
  async function remove(row: GarmentRow) {
    return doParts('wardrobe', `delete “${row.name}”`, [
      { table: 'garments', rows: [{ id: row.id, after: null }] },
      { table: 'fits', rows: (await fitsOf(row.id)).map((fit) => ({ id: fit.id, after: null })) },
    ])
  }

  /**
   * Begins another fit of a garment; gives its id, or null where it cannot be stored.
   * @param from the fit whose plan and choices it begins with; null begins empty
   */
  async function beginFit(garment: GarmentRow, wearerId: string | null, name: string, from: FitRow | null): Promise<string | null> {
    const now = new Date().toISOString()
    const begun = emptyFit(crypto.randomUUID(), garment.id, wearerId, now)
    // What is traced already was traced in another wearer's sizes.
    const copied = from ? { choices: { ...from.choices, traced: [] }, plan: from.plan } : {}
    const fit: FitRow = JSON.parse(JSON.stringify({ ...begun, ...copied, name: toName(name) })) as FitRow
    const stored = await doRows('fits', `begin a fit of “${garment.name}”`, [{ id: fit.id, after: fit }])
    return stored.ok ? fit.id : null
  }

  const removeFit = (garmentName: string, fit: { id: string }) =>
    doRows('fits', `delete a fit of “${garmentName}”`, [{ id: fit.id, after: null }])

  /** Everything that people made, as a project file. */
  const backUp = async (): Promise<string> =>
    writeProjectFile(
      {
        garments: await db.garments.toArray(),
        fits: await db.fits.toArray(),
        wearers: await db.wearers.toArray(),
        recipes: await db.recipes.toArray(),
      },
      new Date(),
    )

  /** One fit with its garment and wearer as a project file: the figures of other people stay here. */
  async function fitAsFile(project: Project): Promise<string> {
    const wearer = project.wearerId === null ? undefined : await db.wearers.get(project.wearerId)
    return writeProjectFile(contentsOf([project], wearer ? [wearer] : [], await db.recipes.toArray()), new Date())
  }

  return {
    ...useActs('wardrobe'),
    takeFile,
    openDemo,
    duplicate,
    takeOut,
    rename,
    remove,
    beginFit,
    removeFit,
    backUp,
    fitAsFile,
  }
})
