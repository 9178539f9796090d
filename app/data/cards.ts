import type { GarmentRow } from '~~/core/formats'
import type { Unsettled } from '~/workers/desk'
import type { GarmentPicture } from '~/garment-picture'
import { db } from './db'

/**
 * What the wardrobe shows of garments and fits, kept so that it opens without reading every piece and working out every fit. It is worked
 * out anew where what it was made from, or the application, is another: nobody made it, and it is in no backup.
 */

/** What the list of garments says of one, under its id: written with the garment itself. */
export interface HangRow {
  id: string
  name: string
  labels: string[]
  updatedAt: string
}

/** What a card shows of the pieces of a garment, under the garment's id. */
export interface CardRow {
  id: string
  /** What it was made from, as text. */
  madeFor: string
  /** How many stops for everybody it has. */
  mends: number
  picture: GarmentPicture
}

/** What is left to settle in a fit, under the fit's id; under the garment's where it has none. */
export interface SettledRow {
  id: string
  garmentId: string
  /** What it was worked out from, as text. */
  madeFor: string
  unsettled: Unsettled
}

export const hangOf = ({ id, name, labels, updatedAt }: GarmentRow): HangRow => ({ id, name, labels: labels ?? [], updatedAt })

const NO_PICTURE: GarmentPicture = { box: '0 0 1 1', pieces: [] }

/** Where it cannot be kept it is worked out again the next time. */
const ignored = () => undefined

/**
 * The cards of some garments, those that are there: as kept, else drawn from their pieces, and kept.
 * @param build the version of the application
 */
export async function readCards(garments: readonly { id: string; updatedAt: string }[], build: string): Promise<Map<string, CardRow>> {
  const keyOf = (updatedAt: string) => `${build} ${updatedAt}`
  const kept = await db.cards.bulkGet(garments.map((g) => g.id))
  const cards = new Map(kept.flatMap((card, i) => (card?.madeFor === keyOf(garments[i]!.updatedAt) ? [[card.id, card] as const] : [])))
  const waiting = garments.filter((g) => !cards.has(g.id)).map((g) => g.id)
  if (waiting.length === 0) return cards
  const [draw, rows] = await Promise.all([import('~/garment-picture').catch(() => null), db.garments.bulkGet(waiting)])
  // A garment that cannot be drawn hangs there all the same, and is tried again the next time.
  const drawn = (garment: GarmentRow['garment']): GarmentPicture | null => {
    try {
      return draw && draw.pictureOf(garment)
    } catch {
      return null
    }
  }
  const made = rows.flatMap((row) =>
    row ? [{ id: row.id, madeFor: keyOf(row.updatedAt), mends: row.mends.length, picture: drawn(row.garment) }] : [],
  )
  for (const card of made) cards.set(card.id, { ...card, picture: card.picture ?? NO_PICTURE })
  await db.cards.bulkPut(made.flatMap(({ picture, ...card }) => (picture ? [{ ...card, picture }] : []))).catch(ignored)
  return cards
}

/** What was kept of fits, by their ids. */
export async function readSettled(): Promise<Map<string, SettledRow>> {
  const rows = await db.settled.toArray().catch(() => [])
  return new Map(rows.map((row) => [row.id, row]))
}

export const keepSettled = async (row: SettledRow): Promise<void> => void (await db.settled.put(row).catch(ignored))

/** The list of garments. One that was written by an earlier version is read whole, until `sweepCards` puts it there. */
export async function readHangs(): Promise<HangRow[]> {
  const [hangs, ids] = await Promise.all([db.hangs.toArray(), db.garments.toCollection().primaryKeys()])
  const known = new Set(hangs.map((h) => h.id))
  const missing = ids.filter((id) => !known.has(id))
  const rows = missing.length > 0 ? await db.garments.bulkGet(missing) : []
  const there = new Set(ids)
  return [...hangs.filter((h) => there.has(h.id)), ...rows.flatMap((row) => (row ? [hangOf(row)] : []))]
}

/** Puts garments on the list that are not there yet, and deletes what was kept of garments and fits that are gone. */
export async function sweepCards(): Promise<void> {
  await db.transaction('rw', db.hangs, db.garments, async () => {
    const known = new Set(await db.hangs.toCollection().primaryKeys())
    const there = await readHangs()
    const ids = new Set(there.map((h) => h.id))
    await db.hangs.bulkPut(there.filter((h) => !known.has(h.id)))
    await db.hangs.bulkDelete([...known].filter((id) => !ids.has(id)))
  })
  const garments = new Set(await db.garments.toCollection().primaryKeys())
  const fits = new Set(await db.fits.toCollection().primaryKeys())
  const [cards, settled] = await Promise.all([db.cards.toCollection().primaryKeys(), db.settled.toCollection().primaryKeys()])
  await db.cards.bulkDelete(cards.filter((id) => !garments.has(id)))
  await db.settled.bulkDelete(settled.filter((id) => !fits.has(id) && !garments.has(id)))
}
