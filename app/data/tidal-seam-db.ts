import Dexie, { type DexieOptions, type Table } from 'dexie'
import type { Wearer } from '~~/core/body'
import type { Recipe } from '~~/core/changes'
import type { Fitting, Photo, Version } from '~~/core/fittings'
import type { FitRow, GarmentRow } from '~~/core/formats'
import { today } from '~/days'
import type { CardRow, HangRow, SettledRow } from './cards'
import type { Act, PictureRow } from './db'
import type { MadeRow } from './made-row'
import type { Tray } from './tray-row'

export { liveQuery } from 'dexie'

/** How rows of earlier versions become those of later ones; fetched only where there are any, while the upgrade waits. */
const oldRows = () => Dexie.waitFor(import('./old-rows'))

export class TidalSeamDb extends Dexie {
  declare garments: Table<GarmentRow, string>
  declare fits: Table<FitRow, string>
  declare wearers: Table<Wearer, string>
  declare acts: Table<Act, number>
  declare tray: Table<Tray, string>
  declare recipes: Table<Recipe, string>
  declare fittings: Table<Fitting, string>
  declare versions: Table<Version, string>
  declare photos: Table<Photo, string>
  declare made: Table<MadeRow, string>
  declare pictures: Table<PictureRow, string>
  declare hangs: Table<HangRow, string>
  declare cards: Table<CardRow, string>
  declare settled: Table<SettledRow, string>

  /** @param options another place than the browser's own storage */
  constructor(options?: DexieOptions) {
    // Garments are large: a copy of every row that is read, kept in case it is read again, costs more than to read it again.
    super('tidal-seam', { ...options, cache: 'disabled' })
    this.version(1).stores({ projects: 'id, updatedAt', wearers: 'id', acts: '++id, scope, [scope+undone]', tray: 'id' })
    // Version 2: acts name their table, and the tray's row is the tray itself, so that its acts can be undone too.
    this.version(2).upgrade(async (tx) => {
      await tx
        .table('acts')
        .toCollection()
        .modify((act: { change: Record<string, unknown> }) => {
          act.change.table = 'projects'
          if (act.change.how === 'patch') {
            act.change.id = act.change.projectId
            delete act.change.projectId
          }
        })
      await tx
        .table('tray')
        .toCollection()
        .modify((row: Record<string, unknown>) => {
          Object.assign(row, row.state)
          delete row.state
          delete row.savedAt
        })
    })
    // Version 3: wearers have dated sets of figures, garments their sizing; rows kept for undo likewise.
    this.version(3).upgrade(async (tx) => {
      const { projectToVersion2, wearerToVersion2 } = await oldRows()
      const day = today()
      type Plain = Record<string, unknown>
      await tx
        .table('wearers')
        .toCollection()
        .modify((row: Plain, ref: { value: Plain }) => void (ref.value = wearerToVersion2(row, day)))
      await tx
        .table('projects')
        .toCollection()
        .modify((row: Plain, ref: { value: Plain }) => void (ref.value = projectToVersion2(row)))
      await tx
        .table('acts')
        .toCollection()
        .modify((act: { change: { how: string; before: (Plain | null)[]; after: (Plain | null)[] } }) => {
          if (act.change.how !== 'rows') return
          act.change.before = act.change.before.map((r) => r && projectToVersion2(r))
          act.change.after = act.change.after.map((r) => r && projectToVersion2(r))
        })
    })
    // Version 4: slashes with a name; garments may have zones of their own; outlines on their way in other sizes.
    this.version(4)
      .stores({ recipes: 'id' })
      .upgrade(async (tx) => {
        const { projectToVersion3 } = await oldRows()
        type Plain = Record<string, unknown>
        await tx
          .table('projects')
          .toCollection()
          .modify((row: Plain, ref: { value: Plain }) => void (ref.value = projectToVersion3(row)))
        await tx
          .table('tray')
          .toCollection()
          .modify((row: { pieces?: { draft: Plain }[] }) =>
            row.pieces?.forEach((p) => Object.assign(p.draft, { sizeName: '', sizes: [], ...p.draft })),
          )
        await tx
          .table('acts')
          .toCollection()
          .modify((act: { change: { how: string; table: string; before: (Plain | null)[]; after: (Plain | null)[] } }) => {
            if (act.change.how !== 'rows' || act.change.table !== 'projects') return
            act.change.before = act.change.before.map((r) => r && projectToVersion3(r))
            act.change.after = act.change.after.map((r) => r && projectToVersion3(r))
          })
      })
    // Version 5: names, days and figures that were stored unchecked are mended, so that they can be opened and backed up.
    this.version(5).upgrade(async (tx) => {
      const { projectToVersion4, wearerToVersion4 } = await oldRows()
      type Plain = Record<string, unknown>
      const mends: [table: string, mend: (row: Plain) => Plain][] = [
        ['wearers', wearerToVersion4],
        ['projects', projectToVersion4],
      ]
      for (const [table, mend] of mends)
        await tx
          .table(table)
          .toCollection()
          .modify((row: Plain, ref: { value: Plain }) => void (ref.value = mend(row)))
    })
    // Version 6: a garment and the work on it for one wearer are two rows; an act may do several things at once.
    this.version(6)
      .stores({ projects: null, garments: 'id, updatedAt', fits: 'id, garmentId, wearerId, updatedAt' })
      .upgrade(async (tx) => {
        const { actToVersion6, projectToVersion5 } = await oldRows()
        type Plain = Record<string, unknown>
        const rows: Plain[] = await tx.table('projects').toArray()
        const parts = rows.map(projectToVersion5)
        await tx.table('garments').bulkAdd(parts.map((p) => p.garment))
        await tx.table('fits').bulkAdd(parts.map((p) => p.fit))
        await tx
          .table('acts')
          .toCollection()
          .modify((row: Plain, ref: { value: Plain }) => void (ref.value = actToVersion6(row)))
      })
    // Version 7: what was kept of fittings. There was nothing of it before.
    this.version(7).stores({ fittings: 'id, fitId', versions: 'id, fitId', photos: 'id, fitId, fittingId', pictures: 'id' })
    // Version 8: fits that were worked out among many, before they are taken.
    this.version(8).stores({ made: 'id, garmentId, wearerId' })
    // Version 9: garments are listed by name and label without reading their pieces.
    this.version(9).stores({ garments: 'id, updatedAt, [name+updatedAt], *labels' })
    // Version 10: of an outline in the tray it is kept how each thing is known, and no longer the sentences about it.
    this.version(10).upgrade(async (tx) => {
      const { withoutDoubts } = await oldRows()
      for (const table of [tx.table('tray').toCollection(), tx.table('acts').where({ scope: 'tray' })])
        await table.modify((row: unknown, ref: { value: unknown }) => void (ref.value = withoutDoubts(row)))
    })
    // Version 11: what the wardrobe shows, kept so that it opens at once (cards.ts); the log is read without what its acts changed.
    this.version(11).stores({
      garments: 'id, updatedAt',
      hangs: 'id',
      cards: 'id',
      settled: 'id, garmentId',
      acts: '++id, scope, [scope+undone], [scope+undone+at+label]',
    })
  }
}

/** A database in the memory of this page alone. */
export async function dbOnPage(): Promise<TidalSeamDb> {
  const { IDBFactory, IDBKeyRange } = await import('fake-indexeddb')
  // Where the browser has none at all, what watches for changes needs one too.
  Dexie.dependencies.indexedDB ??= new IDBFactory()
  Dexie.dependencies.IDBKeyRange ??= IDBKeyRange
  return new TidalSeamDb({ indexedDB: new IDBFactory(), IDBKeyRange })
}
