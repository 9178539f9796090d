import { alongGrain, crossPoints, dot, measureLength, placeAt, subtract, type Point } from '../../geometry'
import { findPiece, frameOf, grainDirection, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { closeDartsIn, distinctHalves, findArmholes, joinRuns, mostOf } from '../../seams'
import type { AcrossWidthInputs } from './schema'

/** The halves of all armholes that a change is about, each once. */
export const halvesOf = (garment: Garment, half: AcrossWidthInputs['half']): RunEdge[][] =>
  distinctHalves(findArmholes(garment)).flatMap((h) => (h.half === half ? [[...h.runs]] : []))

/** The part of half an armhole that lies on the piece that has most of it, its darts closed. */
function partOf(garment: Garment, half: readonly RunEdge[], sizeId: string) {
  const runs = mostOf(garment, half, sizeId)
  const piece = findPiece(garment, runs[0]!.pieceId)!
  const open = shapeOf(piece, sizeId)
  return { runs, piece, open, path: joinRuns(closeDartsIn(piece, open, runs, 'first').shape, runs) }
}

/** The middle of half an armhole on the piece that has most of it, and across the cloth there, away from the body. */
export function middleOf(garment: Garment, half: readonly RunEdge[], sizeId: string): { at: Point; out: Point; pieceId: string } {
  const { runs, piece, open, path } = partOf(garment, half, sizeId)
  const { point, tangent } = placeAt(path, measureLength(path) / 2)
  // Outlines run clockwise: outside lies on the left of one that is walked with them.
  const outside = runs[0]!.reversed ? { x: -tangent.y, y: tangent.x } : { x: tangent.y, y: -tangent.x }
  const { across } = frameOf(piece, open)
  return { at: point, out: dot(across, outside) < 0 ? { x: -across.x, y: -across.y } : across, pieceId: piece.id }
}

/** How far half an armhole has gone out across the cloth at the level of its old middle, mm; in when negative, nothing where it no longer reaches there. */
export function wentOutMm(before: Garment, after: Garment, half: readonly RunEdge[], sizeId: string): number {
  const { at, out, pieceId } = middleOf(before, half, sizeId)
  const own = half.filter((r) => r.pieceId === pieceId)
  const { open, path } = partOf(after, own, sizeId)
  const grain = grainDirection(open)
  const by = crossPoints(path, grain, alongGrain(at, grain)).map((p) => dot(subtract(p, at), out))
  return by.length === 0 ? 0 : by.reduce((nearest, mm) => (Math.abs(mm) < Math.abs(nearest) ? mm : nearest))
}
