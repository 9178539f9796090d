import type { Garment } from './schema'

/**
 * One size of a nest as a garment of its own, with nothing left of the others, nor of pieces for other cups: those are as
 * bought, and this one may be altered.
 * @throws when the garment has no such size: that is a bug of the caller
 */
export function takeSize(garment: Garment, sizeId: string): Garment {
  const size = garment.sizes.find((s) => s.id === sizeId)
  if (!size) throw new Error(`the garment has no size ${sizeId}`)
  const { cups: _, ...rest } = garment
  return { ...keepSizes(rest, [sizeId]), baseSizeId: sizeId }
}

/** A garment with some of its sizes alone, and its pieces for other cups as they are. @param ids of sizes; the base size is one of them */
export function keepSizes(garment: Garment, ids: readonly string[]): Garment {
  const sizes = garment.sizes.filter((s) => ids.includes(s.id))
  const pieces = garment.pieces.map((p) => ({ ...p, shapes: Object.fromEntries(sizes.map((s) => [s.id, p.shapes[s.id]!])) }))
  return { ...garment, sizes, pieces }
}
