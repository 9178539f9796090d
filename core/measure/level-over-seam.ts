import { alongGrain, crossLevel, measureLength, placeAt, reversePath, type Path } from '../geometry'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment, type RunEdge } from '../pattern'

/** The lines of one side of a seam in a size, as they are walked from its start. */
const pathsOf = (garment: Garment, runs: readonly RunEdge[], sizeId: string): Path[] =>
  runs.map((r) => {
    const path = edgePath(shapeOf(findPiece(garment, r.pieceId)!, sizeId), r.edgeId)
    return r.reversed ? reversePath(path) : path
  })

const total = (paths: readonly Path[]) => paths.reduce((mm, p) => mm + measureLength(p), 0)

/** The place so far along lines that follow each other, mm. */
function pointAlong(paths: readonly Path[], atMm: number) {
  let rest = atMm
  for (const path of paths.slice(0, -1)) {
    const mm = measureLength(path)
    if (rest <= mm) return placeAt(path, rest).point
    rest -= mm
  }
  return placeAt(paths.at(-1)!, rest).point
}

/**
 * The level of a piece that a level of its partner meets across the seam between them: walked along the seam from its nearer end, and
 * not by copying coordinates (craft 5).
 *
 * @param levelMm grain coordinate on the partner
 * @returns grain coordinate on the piece; null where the level does not meet the seam
 */
export function levelOverSeam(garment: Garment, seamId: string, pieceId: string, levelMm: number, sizeId: string): number | null {
  const seam = garment.seams.find((s) => s.id === seamId)
  const side = seam?.sides.findIndex((runs) => runs.some((r) => r.pieceId === pieceId)) ?? -1
  if (!seam || side < 0) return null
  const [mine, theirs] = [seam.sides[side]!, seam.sides[1 - side]!].map((runs) => pathsOf(garment, runs, sizeId)) as [Path[], Path[]]
  const partner = findPiece(garment, seam.sides[1 - side]![0]!.pieceId)!
  const grain = grainDirection(shapeOf(partner, sizeId))
  let fromMm = 0
  for (const path of theirs) {
    const [met] = crossLevel(path, grain, levelMm)
    if (met) {
      const [atMm, theirsMm, mineMm] = [fromMm + met.atMm, total(theirs), total(mine)]
      const at = pointAlong(mine, atMm <= theirsMm / 2 ? Math.min(atMm, mineMm) : Math.max(0, mineMm - (theirsMm - atMm)))
      return alongGrain(at, grainDirection(shapeOf(findPiece(garment, pieceId)!, sizeId)))
    }
    fromMm += measureLength(path)
  }
  return null
}
