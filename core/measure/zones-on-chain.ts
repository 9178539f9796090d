import { nearestPlace } from '../geometry'
import { crossLevel } from '../moves'
import { edgePath, findPiece, grainDirection, shapeOf, type EdgeRole, type Garment } from '../pattern'
import { findZones, type ZoneId } from './find-zones'
import { onwardThroughDarts } from './onward-through-darts'
import type { SideChain } from './side-chains'
import { zoneLevel } from './zone-level'

/** Where bust, waist and hip lie along a side seam, mm from its top; only those that the piece has, from the top down. */
export function zonesOnChain(garment: Garment, chain: SideChain, sizeId: string): { zone: ZoneId; atMm: number }[] {
  const piece = findPiece(garment, chain.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const touches = (role: EdgeRole, atTop: boolean) => {
    const part = chain.edges[atTop ? 0 : chain.edges.length - 1]!
    const i = piece.edges.findIndex((e) => e.id === part.edgeId)
    const n = piece.edges.length
    // The top of a chain that runs down with the outline is its start; of one that runs against it, its end.
    const beside = atTop !== part.reversed ? piece.edges[(i + n - 1) % n]! : piece.edges[(i + 1) % n]!
    return beside.role === role
  }
  const found = findZones(garment, { sewnTwice: true })
    .filter((z) => z.id === 'bust' || z.id === 'waist' || z.id === 'hip')
    .flatMap((zone): { zone: ZoneId; atMm: number }[] => {
      const part = zone.parts.find((p) => p.pieceId === piece.id)
      if (!part) return []
      if (part.by === 'edges')
        return touches('waist', true)
          ? [{ zone: zone.id, atMm: 0 }]
          : touches('waist', false)
            ? [{ zone: zone.id, atMm: chain.totalMm }]
            : []
      const level = zoneLevel(garment, part, sizeId)
      if (level === null) return []
      const along = (e: SideChain['edges'][number], atMm: number) => e.fromMm + (e.reversed ? e.lengthMm - atMm : atMm)
      // Where the level runs into a dart it meets the side beyond it, as sewn.
      const beyond = onwardThroughDarts(piece, shape, level).flatMap((o) => {
        const part = chain.edges.find((e) => e.edgeId === o.edgeId)
        return part ? [{ zone: zone.id, atMm: along(part, nearestPlace(edgePath(shape, part.edgeId), o.at).lengthMm) }] : []
      })
      if (beyond.length > 0) return beyond.slice(0, 1)
      for (const e of chain.edges) {
        const crossing = crossLevel(edgePath(shape, e.edgeId), grain, level)[0]
        if (crossing) return [{ zone: zone.id, atMm: along(e, crossing.atMm) }]
      }
      return []
    })
  return found.sort((a, b) => a.atMm - b.atMm)
}
