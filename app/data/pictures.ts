import type { Pictures } from '~~/core/formats'
import type { Photo } from '~~/core/fittings'
import type { Result } from '~~/core/result'
import { db, type PictureRow } from './db'
import { written } from './storage'

/**
 * Pictures of photographs of fittings, and of those in the tray, kept beside their rows. A photograph that is deleted keeps its picture as long as the act can be taken
 * back; what no photograph and no act names any more is swept out when the application opens.
 */

/** A picture kept for so long without a photograph that names it will not get one, ms: what another tab is just keeping is left. */
const ALONE_MS = 3_600_000

/** Keeps pictures before the photographs that name them. */
export function keepPictures(rows: readonly Omit<PictureRow, 'keptAt'>[]): Promise<Result<void>> {
  const keptAt = new Date().toISOString()
  return written('keep pictures', async () => void (await db.pictures.bulkPut(rows.map((row) => ({ ...row, keptAt })))))
}

/** The pictures of some photographs, those that are there. */
export async function picturesOf(photos: readonly Pick<Photo, 'id'>[]): Promise<Pictures> {
  const rows = await db.pictures.bulkGet(photos.map((p) => p.id))
  return new Map(rows.flatMap((row) => (row ? [[row.id, row.data] as const] : [])))
}

/** Deletes pictures that nothing can bring back into sight. */
export async function sweepPictures(): Promise<void> {
  const old = new Date(Date.now() - ALONE_MS).toISOString()
  const named = new Set<string>(await db.photos.toCollection().primaryKeys())
  for (const { id } of (await db.tray.get('now'))?.photos ?? []) named.add(id)
  const alone = (await db.pictures.toCollection().primaryKeys()).filter((id) => !named.has(id))
  if (alone.length === 0) return
  await db.acts.each(({ changes }) => {
    for (const change of changes) {
      if (change.table === 'photos' && change.how === 'rows') for (const id of change.ids) named.add(id)
      if (change.table === 'tray') for (const id of alone) if (JSON.stringify(change).includes(id)) named.add(id)
    }
  })
  const rows = await db.pictures.bulkGet(alone.filter((id) => !named.has(id)))
  await db.pictures.bulkDelete(rows.flatMap((row) => (row && row.keptAt < old ? [row.id] : [])))
}

/** How much room the storage of this browser has, bytes; null where it does not say. */
export async function roomLeft(): Promise<{ usedBytes: number; ofBytes: number } | null> {
  const estimate = await globalThis.navigator?.storage?.estimate?.().catch(() => null)
  return estimate?.usage === undefined || !estimate.quota ? null : { usedBytes: estimate.usage, ofBytes: estimate.quota }
}
