import { type WalkedCorner, cornersAsSewn, walkGarment } from '../../match'
import type { Garment } from '../../pattern'

/** The corner as it is sewn now, or undefined when it has gone. */
export function findCorner(garment: Garment, cornerId: string, sizeId: string): WalkedCorner | undefined {
  return cornersAsSewn(walkGarment(garment, sizeId)).find((c) => c.id === cornerId)
}
