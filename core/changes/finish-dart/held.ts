import { dartFigures, dartIn, edgeFamily, findPiece, type EdgeRole, type Garment } from '../../pattern'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { besideDart, type FoundDart } from '../shared/darts/find-darts'
import { foldCap } from '../shared/darts/fold-cap'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import type { FinishDartInputs } from './schema'

/** mm that the edge may stand off straight where the cap is folded flat (craft 6.11). */
const CAP_MM = 0.05

/** A side is set even with its partner, and its lower edge drawn to it. */
const FOLLOW: readonly EdgeRole[] = ['side', 'hem', 'waist']

/** Legs alike where that was asked, the edge straight across the folded dart, and every edge but those that the legs end at. */
export function heldByFinish(
  before: Garment,
  after: Garment,
  { piece, dart }: FoundDart,
  inputs: FinishDartInputs,
  sizeId: string,
): HeldPromise[] {
  const { was, is } = bothShapes(before, after, piece.id, sizeId)
  const now = findPiece(after, piece.id)!
  const own: string[] = inputs.legs === 'equal' ? besideDart(piece, was, dart) : []
  const { firstMm, secondMm } = dartFigures(now, is, dartIn(now, dart.id))
  return [
    ...(inputs.legs === 'equal' ? [holdMeasure('both legs alike', piece.name, firstMm, secondMm, EQUAL_MM)] : []),
    holdMeasure('cap folded flat stands off the edge', piece.name, 0, foldCap(now, is, dartIn(now, dart.id)).offMm, CAP_MM),
    ...piece.edges
      .filter((e) => e.role !== 'dart-leg' && !own.includes(edgeFamily(e.id)))
      .map((e) => holdEdge(piece, was, is, e.id, FOLLOW.includes(e.role) ? SEAM_KEPT_MM : EQUAL_MM)),
    holdGrain(piece, was, is),
    ...holdSeams(before, after, sizeId),
  ]
}
