import { nearestPlace, crossLevel } from '../geometry'

import { edgePath, findPiece, grainDirection, neighbours, shapeOf, type Garment, type Piece } from '../pattern'
import type { ZonePart } from './find-zones'
import { onwardThroughDarts } from './onward-through-darts'
import type { SideChain } from './side-chains'
import { zoneLevel } from './zone-level'

/** Does a side begin, or end, at an edge of the waist? */
function meetsWaist(piece: Piece, chain: SideChain, atTop: boolean): boolean {
  const part = chain.edges[atTop ? 0 : chain.edges.length - 1]!
  const { before, after } = neighbours(piece, part.edgeId)
  // The top of a chain that runs down with the outline is its start; of one that runs against it, its end.
  return (atTop !== part.reversed ? before : after).role === 'waist'
}

/** Where one zone of a piece meets its side seam, mm from the top; null where it does not. */
export function placeOnChain(garment: Garment, part: ZonePart, chain: SideChain, sizeId: string): number | null {
  const piece = findPiece(garment, chain.pieceId)!
  if (part.by === 'edges') return meetsWaist(piece, chain, true) ? 0 : meetsWaist(piece, chain, false) ? chain.totalMm : null
  const shape = shapeOf(piece, sizeId)
  const level = zoneLevel(garment, part, sizeId)
  if (level === null) return null
  const along = (e: SideChain['edges'][number], atMm: number) => e.fromMm + (e.reversed ? e.lengthMm - atMm : atMm)
  // Where the level runs into a dart it meets the side beyond it, as sewn.
  for (const o of onwardThroughDarts(piece, shape, level)) {
    const met = chain.edges.find((e) => e.edgeId === o.edgeId)
    if (met) return along(met, nearestPlace(edgePath(shape, met.edgeId), o.at).lengthMm)
  }
  const grain = grainDirection(shape)
  for (const e of chain.edges) {
    const crossing = crossLevel(edgePath(shape, e.edgeId), grain, level)[0]
    if (crossing) return along(e, crossing.atMm)
  }
  return null
}
