import type { Point } from '../geometry'
import { dartIn, type Garment, mapShapes } from '../pattern'
import { closeDart } from './close-dart'

import { markApex } from './mark-apex'
import { angleFrom, turnAboutApex } from './turn-about-apex'

/** Merges one dart into another with the same apex: the first closes, the second opens by its angle (craft 6.11). */
export function mergeDarts(
  garment: Garment,
  pieceId: string,
  fromId: string,
  intoId: string,
  apexOf: (sizeId: string) => Point,
  trued: boolean,
): Garment {
  const turned = mapShapes(markApex(garment, pieceId, apexOf), pieceId, (piece, shape, sizeId) => {
    const apex = apexOf(sizeId)
    const angle = (id: string) => angleFrom(apex, shape, dartIn(piece, id))
    const angles = new Map([
      [fromId, 0],
      [intoId, angle(fromId) + angle(intoId)],
    ])
    return turnAboutApex(piece, shape, apex, angles)
  })
  return closeDart(turned, pieceId, fromId, trued ? 'true' : 'meet')
}
