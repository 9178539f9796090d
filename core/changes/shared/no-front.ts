import type { Garment, Piece } from '../../pattern'
import { refuse, type Result } from '../../result'

/** The front of a garment that is cut whole and has both its sides; undefined where it has none. */
export const wholeFront = (garment: Garment): Piece | undefined =>
  garment.pieces.find(
    (p) =>
      p.kind === 'front' &&
      p.edges.filter((e) => e.role === 'side').length > 1 &&
      !p.edges.some((e) => e.fold || e.role === 'centre-front'),
  )

/**
 * Why a garment has no front that can be changed as a half piece: one that is cut whole, as after its two sides were parted, or none
 * whose edges say so.
 *
 * @param needs what such a front has: “an armhole and a side seam”
 */
export function noFront(garment: Garment, needs: string): Result<never> {
  const whole = wholeFront(garment)
  return whole
    ? refuse(
        'no-front',
        whole.name,
        'it is cut whole, and this is done on half a front.',
        'Do it before left and right are parted: move this stop up, above the one that opens the piece out.',
      )
    : refuse('no-front', 'garment', `no front with ${needs} is found.`, 'Name the edges of the front first.')
}
