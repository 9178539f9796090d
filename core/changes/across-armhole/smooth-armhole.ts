import { alongGrain, countInflections, isStraightPath, measureLength, placeAt, type Path, type Point } from '../../geometry'
import { easeIn, redrawMoved } from '../../moves'
import { edgePath, findPiece, grainDirection, mapShapes, type Garment } from '../../pattern'
import { EQUAL_MM, STRAIGHT_MM } from '../../tolerances'

/** How much of the growth is spread evenly down the curve, the least that draws it without a bend back. */
const EVENLY = [0, 0.25, 0.5, 0.75, 1]

/**
 * A curve whose ends go along the grain by different amounts, drawn afresh from end to end. Eased in at both ends it keeps its
 * directions there; where a tight curve would bend back by that, part of the growth is spread evenly over its height, which bends
 * nothing back and turns the ends a little.
 *
 * @param startMm how far its first point goes along the grain
 * @param endMm how far its last one goes
 */
export function stretchCurve(path: Path, grain: Point, startMm: number, endMm: number): Path {
  const total = measureLength(path)
  const heightAt = (atMm: number) => alongGrain(placeAt(path, Math.min(total, Math.max(0, atMm))).point, grain)
  const [first, last] = [heightAt(0), heightAt(total)]
  const drawn = (evenly: number) =>
    redrawMoved(path, grain, (atMm) => {
      const even = Math.abs(last - first) <= EQUAL_MM ? atMm / total : (heightAt(atMm) - first) / (last - first)
      return startMm + (endMm - startMm) * (evenly * even + (1 - evenly) * easeIn(atMm / total))
    })
  const bends = countInflections(path)
  for (const evenly of EVENLY.slice(0, -1)) {
    const path = drawn(evenly)
    if (countInflections(path) <= bends) return path
  }
  return drawn(1)
}

/** The armholes that a line was opened or closed across, drawn smoothly over their whole height in every size. */
export const smoothArmholes = (before: Garment, moved: Garment, pieceIds: Iterable<string>): Garment =>
  [...pieceIds].reduce(
    (garment, pieceId) =>
      mapShapes(garment, pieceId, (piece, shape, sizeId) => {
        const was = findPiece(before, pieceId)!.shapes[sizeId]!
        const grain = grainDirection(was)
        const edges = piece.edges
          .filter((e) => e.role === 'armhole')
          .map((edge): [string, Path] => {
            const [path, now] = [edgePath(was, edge.id), edgePath(shape, edge.id)]
            const startMm = alongGrain(now[0]!.from, grain) - alongGrain(path[0]!.from, grain)
            const endMm = alongGrain(now[now.length - 1]!.to, grain) - alongGrain(path[path.length - 1]!.to, grain)
            const isKept = Math.abs(endMm - startMm) <= EQUAL_MM || isStraightPath(path, STRAIGHT_MM)
            return [edge.id, isKept ? now : stretchCurve(path, grain, startMm, endMm)]
          })
        return { ...shape, edges: { ...shape.edges, ...Object.fromEntries(edges) } }
      }),
    moved,
  )
