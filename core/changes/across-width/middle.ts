import { dot, measureLength, placeAt, type Point } from '../../geometry'
import { findPiece, frameOf, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { closeDartsIn, distinctHalves, findArmholes, joinRuns, mostOf } from '../../seams'
import type { AcrossWidthInputs } from './schema'

/** The halves of all armholes that a change is about, each once. */
export const halvesOf = (garment: Garment, half: AcrossWidthInputs['half']): RunEdge[][] =>
  distinctHalves(findArmholes(garment)).flatMap((h) => (h.half === half ? [[...h.runs]] : []))

/** The middle of half an armhole on the piece that has most of it, and across the cloth there, away from the body. */
export function middleOf(garment: Garment, half: readonly RunEdge[], sizeId: string): { at: Point; out: Point; pieceId: string } {
  const runs = mostOf(garment, half, sizeId)
  const { pieceId } = runs[0]!
  const piece = findPiece(garment, pieceId)!
  const open = shapeOf(piece, sizeId)
  const path = joinRuns(closeDartsIn(piece, open, runs, 'first').shape, runs)
  const { point, tangent } = placeAt(path, measureLength(path) / 2)
  // Outlines run clockwise: outside lies on the left of one that is walked with them.
  const outside = runs[0]!.reversed ? { x: -tangent.y, y: tangent.x } : { x: tangent.y, y: -tangent.x }
  const { across } = frameOf(piece, open)
  return { at: point, out: dot(across, outside) < 0 ? { x: -across.x, y: -across.y } : across, pieceId }
}
