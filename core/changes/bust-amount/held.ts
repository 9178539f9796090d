import { dot, measureLength } from '../../geometry'
import type { FrontKind } from '../../measure'
import { type Garment, findPiece, shapeOf, edgeFamily, type Piece, type Shape, edgePath, grainDirection } from '../../pattern'
import { SEAM_KEPT_MM, LENGTH_KEPT_MM } from '../../tolerances'
import { familyMm } from '../shared/darts/find-darts'
import { holdMeasure, holdGrain, holdSeam } from '../shared/held'
import type { HeldPromise } from '../types'
import type { BustDone } from './change-bust'
import { bustPieces, halfBustMm } from './half-bust'
import type { BustAmountInputs } from './schema'

/** What the change holds still, measured. */
export function heldByBust(before: Garment, done: BustDone, front: FrontKind, inputs: BustAmountInputs, sizeId: string): HeldPromise[] {
  const { garment: after, spread } = done
  const piece = findPiece(after, front.piece.id)!
  const [was, is] = [shapeOf(front.piece, sizeId), shapeOf(piece, sizeId)]
  const held: HeldPromise[] = []
  const [had, has] = [before, after].map((g) => halfBustMm(g, bustPieces(front), sizeId))
  if (had != null && has != null) held.push(holdMeasure('half bust grows by', piece.name, inputs.amountMm, has - had, SEAM_KEPT_MM))
  if (spread) {
    const [fell, falls] = [lowerFallMm(front.piece, was), lowerFallMm(piece, is)]
    if (fell !== null && falls !== null)
      held.push(holdMeasure('lower edge, how far its side end hangs below the centre', piece.name, fell, falls, LENGTH_KEPT_MM))
  }
  const families = new Map(front.piece.edges.filter((e) => e.role !== 'dart-leg').map((e) => [edgeFamily(e.id), e]))
  for (const [family, edge] of families) {
    if (['armhole', 'shoulder', 'neck'].includes(edge.role))
      held.push(
        holdMeasure(`${edge.name}, length`, piece.name, familyMm(front.piece, was, family), familyMm(piece, is, family), BUST_KEPT_MM),
      )
  }
  const sideMm = (p: Piece, shape: Shape) =>
    p.edges.filter((e) => e.role === 'side').reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  // Eased away, what opened is left in the side on purpose.
  const eased = front.how === 'no-dart' && inputs.opening === 'ease'
  if (sideMm(front.piece, was) > 0 && !eased)
    held.push(
      holdMeasure(
        'side seam with its dart closed',
        piece.name,
        sideMm(front.piece, was),
        sideMm(piece, is),
        front.how === 'other-dart' ? SEAM_KEPT_MM : LENGTH_KEPT_MM,
      ),
    )
  held.push(holdGrain(front.piece, was, is))
  if (front.how === 'panels') held.push(holdSeam(before, after, front.seam, sizeId))
  return held
}

/** How far the side end of the lower edge lies below its centre end, along the grain, mm; null where it has not both. */
function lowerFallMm(piece: Piece, shape: Shape): number | null {
  const grain = grainDirection(shape)
  const end = (roles: readonly string[], fold: boolean) => {
    const edges = piece.edges.filter((e) => roles.includes(e.role) || (fold && e.fold))
    const levels = edges.flatMap((e) => edgePath(shape, e.id)).flatMap((s) => [dot(s.from, grain), dot(s.to, grain)])
    return levels.length > 0 ? Math.max(...levels) : null
  }
  const [side, centre] = [end(['side'], false), end(['centre-front'], true)]
  return side === null || centre === null ? null : side - centre
}

/** Armhole, shoulder and neckline may differ by this, mm (craft 6.11). */
const BUST_KEPT_MM = 0.1
