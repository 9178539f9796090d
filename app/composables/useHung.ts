import type { FitRow } from '~~/core/formats'
import { readHangs, type HangRow } from '~/data/cards'
import { db } from '~/data/db'
import { useLive } from './useLive'

/** A garment as it hangs in the wardrobe: without its pieces, which are large, and read only for the cards that are seen. */
export interface Hung extends HangRow {
  /** The one last worked on first. */
  fits: FitRow[]
}

const newestFirst = (a: { updatedAt: string }, b: { updatedAt: string }) => b.updatedAt.localeCompare(a.updatedAt)

/** All garments of the wardrobe with their fits, the one last worked on first. */
export async function readHung(): Promise<Hung[]> {
  return db.transaction('r', db.hangs, db.garments, db.fits, async () => {
    const [hangs, fits] = await Promise.all([readHangs(), db.fits.toArray()])
    const hung = new Map(hangs.map((hang): [string, Hung] => [hang.id, { ...hang, fits: [] }]))
    for (const fit of fits.sort(newestFirst)) hung.get(fit.garmentId)?.fits.push(fit)
    return [...hung.values()].sort((a, b) => newestFirst(a.fits[0] ?? a, b.fits[0] ?? b))
  })
}

/** All garments of the wardrobe, kept up to date; null until they are read. It is no store: while a garment is worked on, nobody looks at the others. */
export const useHung = () => useLive(readHung, null as Hung[] | null)
