import { neighbours, type Garment, type RunEdge } from '../../pattern'
import { findArmholes, halfKey } from '../../seams'
import type { FoundDart } from '../shared/darts/find-darts'

/**
 * Do caps follow an armhole that gains or loses by its dart? Where every armhole that the cap is sewn into has the dart: a sleeve that
 * is cut alike for both sides cannot follow a dart of one side, and what that leaves of its ease is said.
 */
export function capsFollow(garment: Garment, { piece, dart }: FoundDart): boolean {
  const beside = [neighbours(piece, dart.legs[0]).before.id, neighbours(piece, dart.legs[1]).after.id]
  const hasDart = (runs: readonly RunEdge[]) => runs.some((r) => r.pieceId === piece.id && beside.includes(r.edgeId))
  const armholes = findArmholes(garment).flatMap(({ front, back, sleeve }) =>
    sleeve ? [{ isOwn: hasDart([...front, ...back]), cap: halfKey(sleeve.seam.sides[sleeve.side]) }] : [],
  )
  const own = new Set(armholes.filter((a) => a.isOwn).map((a) => a.cap))
  return armholes.every((a) => a.isOwn || !own.has(a.cap))
}
