import type { Garment } from '../pattern'
import { bandsOf } from './bands'
import type { Cloth } from './cloth'
import type { LayItem, LayWay } from './lay-items'
import type { Parcel, Way } from './pack'
import { stripePhases, stripesAcross } from './stripes'

/** Kept free between two pieces, mm: room for the scissors. */
export const BETWEEN_MM = 3

/** What settles where items may lie: stripes across the cloth and along it. */
export interface OnStripes {
  /** Of items, where they may begin along the cloth, mm. */
  phases: ReadonlyMap<string, number>
  /** Of pieces, where a stripe lies across their grain, and where the first one lies across the cloth, mm; null without any. */
  across: { repeatMm: number; firstMm: number; stripes: ReadonlyMap<string, number> } | null
  unmatched: string[]
}

/** Rows of about this height, mm: so that stripes along the cloth are a whole number of rows apart, or rows a whole number of stripes. */
export function heightOf(aboutMm: number, { across }: OnStripes): number {
  if (!across) return aboutMm
  const { repeatMm } = across
  return repeatMm > aboutMm ? repeatMm / Math.ceil(repeatMm / aboutMm) : repeatMm * Math.floor(aboutMm / repeatMm)
}

/** How many rows a cloth has. */
export const rowsOf = (mm: number, heightMm: number) => Math.floor(mm / heightMm)

/** The rows in which something may begin so that its stripe lies on one of the cloth: the first, the step to the next, and how far above the row it lies. */
function rowsOnStripes(item: LayItem, way: LayWay, heightMm: number, { across }: OnStripes) {
  if (!across || item.onFold) return { firstRow: 0, rowStep: 1, aboveMm: 0 }
  const { repeatMm, firstMm, stripes } = across
  const stripeMm = BETWEEN_MM / 2 + way.originMm + way.flip * stripes.get(item.pieceId)!
  const offMm = (((firstMm - stripeMm) % repeatMm) + repeatMm) % repeatMm
  const firstRow = Math.floor(offMm / heightMm)
  return { firstRow, rowStep: Math.max(1, Math.round(repeatMm / heightMm)), aboveMm: offMm - firstRow * heightMm }
}

/** Pieces as they lie on one stretch of cloth: opened or as they are, and where its first stripe along lies across it, mm. */
export interface Stretch {
  garment: Garment
  asBought: Garment
  sizeId: string
  items: readonly LayItem[]
  acrossMm: number
  firstStripeMm: number
}

/** Where stripes of a cloth lead its pieces. */
export function onStripesOf({ garment, asBought, sizeId, items, firstStripeMm }: Stretch, cloth: Cloth): OnStripes {
  const { repeatMm, repeatAcrossMm } = cloth
  const along = repeatMm > 0 ? stripePhases(garment, items, sizeId, cloth) : null
  const across = repeatAcrossMm > 0 ? stripesAcross(garment, asBought, items, sizeId, cloth) : null
  return {
    phases: along?.phases ?? new Map<string, number>(),
    across: across && { repeatMm: repeatAcrossMm, firstMm: firstStripeMm, stripes: across.stripes },
    unmatched: [...(along?.unmatched ?? []), ...(across?.unmatched ?? []).map((name) => `${name} (stripes along the cloth)`)],
  }
}

/** Items as they are packed: each way of each by rows of a height, and where it may lie. */
export function parcelsOf(items: readonly LayItem[], acrossMm: number, heightMm: number, on: OnStripes): Parcel[] {
  const rowCount = rowsOf(acrossMm, heightMm)
  return items.map((item) =>
    item.ways.map((way): Way => {
      const { firstRow, rowStep, aboveMm } = rowsOnStripes(item, way, heightMm, on)
      const lowMm = item.onFold ? 0 : -BETWEEN_MM / 2 - aboveMm
      const count = Math.min(rowCount, Math.ceil((way.widthMm + BETWEEN_MM / 2 - lowMm) / heightMm))
      const bands = bandsOf(way.polygon, lowMm, heightMm, count, BETWEEN_MM)
      const lastRow = item.onFold ? 0 : rowCount - count
      return { bands, firstRow, lastRow, rowStep, lowMm, phaseMm: on.phases.get(item.id) ?? 0 }
    }),
  )
}
