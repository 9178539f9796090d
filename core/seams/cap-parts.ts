import { measureLength, reversePath, type Path } from '../geometry'
import { edgePath, findPiece, neighbours, shapeOf, type Edge, type Garment, type Piece, type RunEdge, type Shape } from '../pattern'
import type { SleevedArmhole } from './measure-armhole'

/** The part of a cap that lies on one piece: edges that follow each other, in the way that the seam walks them. */
export interface CapPart {
  pieceId: string
  runs: RunEdge[]
  /** Where it lies along the seam, mm. */
  fromMm: number
  toMm: number
}

/** A cap by the pieces that it lies on, in the order of its seam; a piece that the seam comes back to is named twice. */
export function capParts(garment: Garment, { sleeve: { seam, side } }: SleevedArmhole, sizeId: string): CapPart[] {
  const parts: CapPart[] = []
  let at = 0
  for (const run of seam.sides[side]) {
    const lengthMm = measureLength(edgePath(shapeOf(findPiece(garment, run.pieceId)!, sizeId), run.edgeId))
    const last = parts[parts.length - 1]
    if (last?.pieceId === run.pieceId) {
      last.runs.push(run)
      last.toMm = at + lengthMm
    } else parts.push({ pieceId: run.pieceId, runs: [run], fromMm: at, toMm: at + lengthMm })
    at += lengthMm
  }
  return parts
}

/** One line of several edges, as they are walked. */
export const joinRuns = (shape: Shape, runs: readonly RunEdge[]): Path =>
  runs.flatMap((r) => [...(r.reversed ? reversePath(edgePath(shape, r.edgeId)) : edgePath(shape, r.edgeId))])

/** The edge beyond the first or the last end of a run of edges. */
export function edgeBeyond(piece: Piece, runs: readonly RunEdge[], which: 'first' | 'last'): Edge {
  const run = which === 'first' ? runs[0]! : runs[runs.length - 1]!
  const { before, after } = neighbours(piece, run.edgeId)
  return (which === 'last') !== run.reversed ? after : before
}
