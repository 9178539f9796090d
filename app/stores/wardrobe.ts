import { defineStore } from 'pinia'
import {
  compareContents,
  contentsOf,
  emptyFit,
  mergeContents,
  readProjectFile,
  writeProjectFile,
  type Contents,
  type Difference,
  type FitRow,
  type GarmentRow,
  type Keep,
  type Project,
} from '~~/core/formats'
import { LONGEST_NAME, takeSize, toName, type Garment } from '~~/core/pattern'
import { ok, refuse, type Result } from '~~/core/result'
import { NO_CHARTS } from '~~/core/size'
import { useActs } from '~/composables/useActs'
import { deleteEverything, doAct, doParts, doRows, type Part } from '~/data/acts'
import { db } from '~/data/db'
import { TABLE_NAMES, TABLES } from '~/data/tables'

const COPY = ' (copy)'
/** Garments of an act, in its label: the one, or how many. */
const namesOf = (rows: readonly { name: string }[]) => (rows.length === 1 ? `“${rows[0]!.name}”` : `${rows.length} garments`)

/** What is done to the garments of this browser as wholes. */
export const useWardrobe = defineStore('wardrobe', () => {
  /** Everything that people made, as it goes into a project file. */
  const contents = async (): Promise<Contents> => ({
    garments: await db.garments.toArray(),
    fits: await db.fits.toArray(),
    wearers: await db.wearers.toArray(),
    recipes: await db.recipes.toArray(),
  })

  /** A backup, and what of it is here too and differs. */
  async function readBackup(text: string): Promise<Result<{ file: Contents; differences: Difference[] }>> {
    const file = readProjectFile(text)
    return file.ok ? ok({ file: file.value, differences: compareContents(file.value, await contents()) }) : file
  }

  /**
   * Puts what a project file holds into the wardrobe, as one act.
   * @param keep what is done with each thing that is here too and differs, by its id
   * @returns how many garments came in
   */
  async function takeIn(file: Contents, label: string, keep: ReadonlyMap<string, Keep>): Promise<Result<number>> {
    const { write, dropFits } = mergeContents(file, await contents(), keep, () => crypto.randomUUID())
    const parts = TABLE_NAMES.flatMap((table): Part[] => {
      const { inFile } = TABLES[table]
      return inFile ? [{ table, rows: write[inFile].map((row) => ({ id: row.id, after: row })) } as Part] : []
    })
    const stored = await doParts('wardrobe', label, [...parts, { table: 'fits', rows: dropFits.map((id) => ({ id, after: null })) }])
    return stored.ok ? ok(write.garments.length) : stored
  }

  /** Hangs what of the demo is not here yet. */
  async function openDemo(): Promise<Result<number>> {
    const text = await $fetch<string>('/api/demo', { responseType: 'text' }).catch(() => null)
    if (text === null) return refuse('no-answer', 'demo', 'it could not be fetched: the server of this page does not answer.', 'Try again.')
    const read = await readBackup(text)
    if (!read.ok) return read
    return takeIn(read.value.file, 'open the demo wardrobe', new Map(read.value.differences.map((d) => [d.id, 'here'])))
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

  /** Deletes garments with all of their fits, as one act. */
  async function remove(rows: readonly GarmentRow[]) {
    const fits = (await Promise.all(rows.map((row) => fitsOf(row.id)))).flat()
    return doParts('wardrobe', `delete ${namesOf(rows)}`, [
      { table: 'garments', rows: rows.map((row) => ({ id: row.id, after: null })) },
      { table: 'fits', rows: fits.map((fit) => ({ id: fit.id, after: null })) },
    ])
  }

  /** Begins an empty fit of each garment for one wearer, as one act. */
  async function giveTo(rows: readonly GarmentRow[], wearer: { id: string; name: string }) {
    const now = new Date().toISOString()
    const begun = rows.map((row) => emptyFit(crypto.randomUUID(), row.id, wearer.id, now))
    return doRows(
      'fits',
      `begin fits of ${namesOf(rows)} for ${wearer.name}`,
      begun.map((fit) => ({ id: fit.id, after: fit })),
    )
  }

  /**
   * Begins another fit of a garment; gives its id, or null where it cannot be stored.
   * @param from the fit whose plan and choices it begins with; null begins empty
   */
  async function beginFit(garment: GarmentRow, wearerId: string | null, name: string, from: FitRow | null): Promise<string | null> {
    const now = new Date().toISOString()
    const begun = emptyFit(crypto.randomUUID(), garment.id, wearerId, now)
    // What is traced already was traced in another wearer's sizes, and looked at on another body.
    const copied = from ? { choices: { ...from.choices, traced: [], looked: [] }, plan: from.plan } : {}
    const fit: FitRow = JSON.parse(JSON.stringify({ ...begun, ...copied, name: toName(name) })) as FitRow
    const stored = await doRows('fits', `begin a fit of “${garment.name}”`, [{ id: fit.id, after: fit }])
    return stored.ok ? fit.id : null
  }

  const removeFit = (garmentName: string, fit: { id: string }) =>
    doRows('fits', `delete a fit of “${garmentName}”`, [{ id: fit.id, after: null }])

  /** Everything that people made, as a project file. */
  const backUp = async (): Promise<string> => writeProjectFile(await contents(), new Date())

  /** Some garments with their fits and the wearers of those, as a project file. */
  async function backUpOnly(garmentIds: readonly string[]): Promise<string> {
    const all = await contents()
    const fits = all.fits.filter((f) => garmentIds.includes(f.garmentId))
    const wearers = all.wearers.filter((w) => fits.some((f) => f.wearerId === w.id))
    const garments = all.garments.filter((g) => garmentIds.includes(g.id))
    return writeProjectFile({ garments, fits, wearers, recipes: all.recipes }, new Date())
  }

  /** One fit with its garment and wearer as a project file: the figures of other people stay here. */
  async function fitAsFile(project: Project): Promise<string> {
    const wearer = project.wearerId === null ? undefined : await db.wearers.get(project.wearerId)
    return writeProjectFile(contentsOf([project], wearer ? [wearer] : [], await db.recipes.toArray()), new Date())
  }

  return {
    ...useActs('wardrobe'),
    readBackup,
    takeIn,
    openDemo,
    duplicate,
    takeOut,
    rename,
    remove,
    beginFit,
    removeFit,
    giveTo,
    backUp,
    backUpOnly,
    deleteEverything,
    fitAsFile,
  }
})
