import { dot, measureLength, placeAt, scale } from '../geometry'
import { swelling } from '../moves'
import { findPiece, frameOf, shapeOf, type Garment, type RunEdge } from '../pattern'
import { joinRuns } from './cap-parts'
import { carryThrough } from './carry-through'
import { displaceRuns, withEdges } from './displace-runs'
import { runLength } from './measure-armhole'
import { closeDartsIn } from './over-darts'

/** The edges of half an armhole on the piece that has most of it. */
export function mostOf(garment: Garment, half: readonly RunEdge[], sizeId: string): RunEdge[] {
  const lengths = new Map<string, number>()
  for (const run of half) lengths.set(run.pieceId, (lengths.get(run.pieceId) ?? 0) + runLength(garment, [run], sizeId))
  const pieceId = [...lengths].reduce((a, b) => (b[1] > a[1] ? b : a))[0]
  return half.filter((r) => r.pieceId === pieceId)
}

/** Half an armhole let out across the body in its middle, on the piece that has most of it, by so much there; taken in when negative. */
export function letOutAcross(garment: Garment, half: readonly RunEdge[], sizeId: string, acrossMm: number): Garment {
  if (acrossMm === 0) return garment
  const runs = mostOf(garment, half, sizeId)
  const { pieceId } = runs[0]!
  const piece = findPiece(garment, pieceId)!
  const open = shapeOf(piece, sizeId)
  const { shape, reopen } = closeDartsIn(piece, open, runs, 'first')
  const path = joinRuns(shape, runs)
  const total = measureLength(path)
  const along = placeAt(path, total / 2).tangent
  // Outlines run clockwise: outside lies on the left of one that is walked with them.
  const outside = runs[0]!.reversed ? { x: -along.y, y: along.x } : { x: along.y, y: -along.x }
  const { across } = frameOf(piece, open)
  const out = dot(across, outside) < 0 ? scale(across, -1) : across
  const by = scale(out, acrossMm)
  const drawn = carryThrough(shape, runs, total / 2, by) ?? displaceRuns(shape, runs, swelling(by, 0, total), [total / 2])
  return withEdges(garment, pieceId, sizeId, reopen(drawn))
}
