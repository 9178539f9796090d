import { defineStore } from 'pinia'
import type { Contents, Difference, FitRow, GarmentRow, Keep, Pictures, Project } from '~~/core/formats'
import { emptyFit, splitProject } from '~~/core/formats/project'
import type { Version } from '~~/core/fittings'
import { LONGEST_NAME, takeSize, toName, type Garment } from '~~/core/pattern'
import { ok, refuse, type Result } from '~~/core/result'
import { NO_CHARTS } from '~~/core/size/sizing'
import { useActs } from '~/composables/useActs'
import { deleteEverything, doAct, doParts, doRows, type Part } from '~/data/acts'
import { db, type TableName } from '~/data/db'
import { keepPictures, picturesOf } from '~/data/pictures'
import { TABLE_NAMES } from '~/data/table-names'

/** What reads and writes files is large, and loaded when the first file comes or goes. */
const files = () => import('~~/core/formats')

const COPY = ' (copy)'
/** Garments of an act, in its label: the one, or how many. */
const namesOf = (rows: readonly { name: string }[]) => (rows.length === 1 ? `“${rows[0]!.name}”` : `${rows.length} garments`)

/** A backup that was read, and what of it is here too and differs. */
export interface Backup {
  file: Contents
  pictures: Pictures
  differences: Difference[]
}

/** Rows that are deleted, by their table. */
const without = (gone: Partial<Record<TableName, readonly string[]>>): Part[] =>
  Object.entries(gone).map(([table, ids]) => ({ table, rows: ids.map((id) => ({ id, after: null })) }) as Part)

/** The made-up photographs of the demo, which are served beside it; one that cannot be had is left out. */
async function demoPictures(photos: readonly { id: string }[]): Promise<Pictures> {
  const all = await Promise.all(
    photos.map(async ({ id }) => {
      const picture = await $fetch<ArrayBuffer>(`/demo-photographs/${id}.jpg`, { responseType: 'arrayBuffer' }).catch(() => null)
      return picture ? [[id, new Uint8Array(picture)] as const] : []
    }),
  )
  return new Map(all.flat())
}

/** What is done to the garments of this browser as wholes. */
export const useWardrobe = defineStore('wardrobe', () => {
  /** Everything that people made, as it goes into a project file. */
  const contents = async (): Promise<Contents> => ({
    garments: await db.garments.toArray(),
    fits: await db.fits.toArray(),
    wearers: await db.wearers.toArray(),
    recipes: await db.recipes.toArray(),
    fittings: await db.fittings.toArray(),
    versions: await db.versions.toArray(),
    photos: await db.photos.toArray(),
  })

  /** A backup, and what of it is here too and differs. */
  async function openBackup(bytes: Uint8Array): Promise<Result<Backup>> {
    const { readBackup, compareContents } = await files()
    const read = readBackup(bytes)
    return read.ok ? ok({ ...read.value, differences: compareContents(read.value.file, await contents()) }) : read
  }

  /**
   * Puts what a backup holds into the wardrobe, as one act.
   * @param keep what is done with each thing that is here too and differs, by its id
   * @returns how many garments came in
   */
  async function takeIn({ file, pictures }: Backup, label: string, keep: ReadonlyMap<string, Keep>): Promise<Result<number>> {
    const [{ mergeContents }, { TABLES }] = await Promise.all([files(), import('~/data/tables')])
    const { write, drop, pictures: from } = mergeContents(file, await contents(), keep, () => crypto.randomUUID())
    const rows = write.photos.flatMap(({ id, type }) => {
      const data = pictures.get(from.get(id)!)
      return data ? [{ id, type, data: new Uint8Array(data) }] : []
    })
    const kept = await keepPictures(rows)
    if (!kept.ok) return kept
    const parts = TABLE_NAMES.flatMap((table): Part[] => {
      const { inFile } = TABLES[table]
      return inFile ? [{ table, rows: write[inFile].map((row) => ({ id: row.id, after: row })) } as Part] : []
    })
    const stored = await doParts('wardrobe', label, [...parts, ...without(drop)])
    return stored.ok ? ok(write.garments.length) : stored
  }

  /** Hangs what of the demo is not here yet. */
  async function openDemo(): Promise<Result<number>> {
    const bytes = await $fetch<ArrayBuffer>('/api/demo', { responseType: 'arrayBuffer' }).catch(() => null)
    if (bytes === null)
      return refuse('no-answer', 'demo', 'it could not be fetched: the server of this page does not answer.', 'Try again.')
    const read = await openBackup(new Uint8Array(bytes))
    if (!read.ok) return read
    const pictures = await demoPictures(read.value.file.photos)
    return takeIn({ ...read.value, pictures }, 'open the demo wardrobe', new Map(read.value.differences.map((d) => [d.id, 'here'])))
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

  /** A version as a garment of its own, for the same wearer; gives its id, or null where it cannot be stored. */
  async function versionAsGarment(project: Project, version: Version): Promise<string | null> {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const ending = `, ${version.name}`.slice(0, LONGEST_NAME / 2)
    const name = toName(toName(project.name, LONGEST_NAME - ending.length) + ending)
    const { row } = splitProject(project)
    const garment: GarmentRow = { ...row, id, name, mends: version.mends, createdAt: now, updatedAt: now }
    const fit: FitRow = { ...emptyFit(crypto.randomUUID(), id, project.wearerId, now), choices: version.choices, plan: version.plan }
    return (await hang(`go on from “${version.name}” as a garment of its own`, garment, [fit])).ok ? id : null
  }

  const fitsOf = (garmentId: string) => db.fits.where('garmentId').equals(garmentId).toArray()

  /** The same garment once more, with all of its fits. */
  async function duplicate(garmentId: string) {
    const row = await db.garments.get(garmentId)
    if (!row) return
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const name = `${toName(row.name, LONGEST_NAME - COPY.length)}${COPY}`
    const fits = (await fitsOf(row.id)).map((fit) => ({ ...fit, id: crypto.randomUUID(), garmentId: id }))
    return hang(`duplicate “${row.name}”`, { ...row, id, name, createdAt: now, updatedAt: now }, fits)
  }

  const rename = (row: Pick<GarmentRow, 'id' | 'name'>, name: string) =>
    doAct(
      { table: 'garments', id: row.id, scope: 'wardrobe' },
      `rename “${row.name}”`,
      (draft) => void (draft.name = toName(name) || row.name),
    )

  const setLabels = (row: Pick<GarmentRow, 'id' | 'name'>, labels: string[]) =>
    doAct({ table: 'garments', id: row.id, scope: 'wardrobe' }, `labels of “${row.name}”`, (draft) => {
      if (labels.length > 0) draft.labels = labels
      else delete draft.labels
    })

  /** Deletes garments with all of their fits, as one act. */
  async function remove(rows: readonly Pick<GarmentRow, 'id' | 'name'>[]) {
    const fits = (await Promise.all(rows.map((row) => fitsOf(row.id)))).flat()
    const gone = { garments: rows.map((row) => row.id), ...(await withLog(fits)) }
    return doParts('wardrobe', `delete ${namesOf(rows)}`, without(gone))
  }

  /** Begins an empty fit of each garment for one wearer, as one act. */
  async function giveTo(rows: readonly Pick<GarmentRow, 'id' | 'name'>[], wearer: { id: string; name: string }) {
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

  /** Fits with all that was kept of their fittings, by their ids. */
  async function withLog(fits: readonly { id: string }[]) {
    const fitIds = fits.map((f) => f.id)
    const of = (table: 'fittings' | 'versions' | 'photos') =>
      db.table(table).where('fitId').anyOf(fitIds).primaryKeys() as Promise<string[]>
    return { fits: fitIds, fittings: await of('fittings'), versions: await of('versions'), photos: await of('photos') }
  }

  const removeFit = async (garmentName: string, fit: { id: string }) =>
    doParts('wardrobe', `delete a fit of “${garmentName}”`, without(await withLog([fit])))

  /** Everything that people made, as one file. */
  async function backUp(): Promise<Uint8Array<ArrayBuffer>> {
    const all = await contents()
    return (await files()).writeBackup(all, await picturesOf(all.photos), new Date())
  }

  /** Some garments with their fits, what was kept of those, and their wearers, as one file. */
  async function backUpOnly(garmentIds: readonly string[]): Promise<Uint8Array<ArrayBuffer>> {
    const all = await contents()
    const fits = all.fits.filter((f) => garmentIds.includes(f.garmentId))
    const wearers = all.wearers.filter((w) => fits.some((f) => f.wearerId === w.id))
    const garments = all.garments.filter((g) => garmentIds.includes(g.id))
    const { logOf, writeBackup } = await files()
    const log = logOf(all, new Set(fits.map((f) => f.id)))
    return writeBackup({ garments, fits, wearers, recipes: all.recipes, ...log }, await picturesOf(log.photos), new Date())
  }

  /** One fit with its garment, wearer and fittings as a project file: the figures of other people stay here, and all photographs. */
  async function fitAsFile(project: Project): Promise<string> {
    const wearer = project.wearerId === null ? undefined : await db.wearers.get(project.wearerId)
    const [fittings, versions] = await Promise.all([db.fittings, db.versions].map((t) => t.where('fitId').equals(project.id).toArray()))
    const log = { fittings, versions, photos: [] } as Pick<Contents, 'fittings' | 'versions' | 'photos'>
    const { contentsOf, writeProjectFile } = await files()
    return writeProjectFile(contentsOf([project], wearer ? [wearer] : [], await db.recipes.toArray(), log), new Date())
  }

  return {
    ...useActs('wardrobe'),
    openBackup,
    takeIn,
    openDemo,
    duplicate,
    takeOut,
    versionAsGarment,
    rename,
    setLabels,
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
