import { distance, placeAt } from '../../geometry'
import { edgeFamily, edgePath, findPiece, shapeOf, type Edge, type Garment } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { DEG } from '../../units'
import { besideDart, type FoundDart } from '../shared/darts/find-darts'
import { angleAtApexDeg, heldByTurn } from '../shared/darts/turn-dart'
import { holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'

/** What was folded: seen from where, at which edge, between which pins, by how much. */
export interface Fold {
  found: FoundDart
  edge: Edge
  pins: { fromMm: number; toMm: number }
  amountMm: number
  /** The angle of the fold at the apex, measured on the pinned piece. */
  foldRad: number
}

/** The fold has gone into the dart: what was closed is measured on what the dart gained; and all that a turned dart holds. */
export function heldByFold(before: Garment, after: Garment, fold: Fold, sizeId: string, apex: { x: number; y: number }): HeldPromise[] {
  const { edge, pins, amountMm } = fold
  const { piece, dart } = fold.found
  const was = shapeOf(piece, sizeId)
  const now = findPiece(after, piece.id)!
  const hadDeg = angleAtApexDeg(piece, was, apex, [dart.id])
  const sumDeg = { before: hadDeg + fold.foldRad * DEG, after: angleAtApexDeg(now, shapeOf(now, sizeId), apex, [dart.id]) }
  // What was closed is what the dart has gained, measured on it: seen from the apex, as wide as that at the two pins.
  const path = edgePath(was, edge.id)
  const pinPoints = [placeAt(path, pins.fromMm).point, placeAt(path, pins.toMm).point] as const
  const [r, q] = [distance(pinPoints[0], apex), distance(pinPoints[1], apex)]
  const closedMm = Math.sqrt(Math.max(0, r * r + q * q - 2 * r * q * Math.cos((sumDeg.after - hadDeg) / DEG)))
  const drawn = amountMm > 0 ? [edgeFamily(edge.id), ...besideDart(piece, was, dart)] : []
  // What is sewn to the pinned edge loses nothing by itself: a caution says so.
  const pinned = before.seams.filter((s) => s.sides.flat().some((x) => x.pieceId === piece.id && x.edgeId === edge.id)).map((s) => s.id)
  return [
    holdMeasure('fold, straight between its pins', piece.name, distance(...pinPoints), closedMm, EQUAL_MM),
    ...heldByTurn(before, after, piece.id, sizeId, drawn, sumDeg, pinned),
  ]
}
