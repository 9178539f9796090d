import type { IndexableType } from 'dexie'
import type { FitRow } from '~~/core/formats'
import { db } from '~/data/db'
import { useLive } from './useLive'

/** A garment as it hangs in the wardrobe: without its pieces, which are large, and read only for the cards that are seen. */
export interface Hung {
  id: string
  name: string
  labels: string[]
  updatedAt: string
  /** The one last worked on first. */
  fits: FitRow[]
}

const newestFirst = (a: { updatedAt: string }, b: { updatedAt: string }) => b.updatedAt.localeCompare(a.updatedAt)

/** What an index holds, with the ids of its rows: the rows themselves are not read. */
async function indexOf(index: '[name+updatedAt]' | 'labels'): Promise<{ id: string; key: IndexableType }[]> {
  const all = db.garments.orderBy(index)
  const [keys, ids] = await Promise.all([all.keys(), all.primaryKeys()])
  return ids.map((id, i) => ({ id, key: keys[i]! }))
}

/** All garments of the wardrobe with their fits, the one last worked on first. */
export async function readHung(): Promise<Hung[]> {
  return db.transaction('r', db.garments, db.fits, async () => {
    const [named, labels, fits] = await Promise.all([indexOf('[name+updatedAt]'), indexOf('labels'), db.fits.toArray()])
    const hung = new Map<string, Hung>()
    for (const { id, key } of named) {
      const [name, updatedAt] = key as [string, string]
      hung.set(id, { id, name, labels: [], updatedAt, fits: [] })
    }
    for (const { id, key } of labels) hung.get(id)?.labels.push(key as string)
    for (const fit of fits.sort(newestFirst)) hung.get(fit.garmentId)?.fits.push(fit)
    return [...hung.values()].sort((a, b) => newestFirst(a.fits[0] ?? a, b.fits[0] ?? b))
  })
}

/** All garments of the wardrobe, kept up to date; null until they are read. It is no store: while a garment is worked on, nobody looks at the others. */
export const useHung = () => useLive(readHung, null as Hung[] | null)
