import { applyAffine, distance, line, mapPath, measureLength, mix, norm, subtract, unit, type Affine, type Point } from '../../geometry'
import { cutPiece, moveParts, partOfPlace, partOfPoint, swingParts, type CutPiece, type Slash } from '../../moves'
import { centreEdge, edgePath, shapeOf, type Garment, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import type { PlayMove } from '../types'

/** One swing: a slash, its hinge, and how far it opens, rad (closes when negative). */
export interface Swing {
  slash: Slash
  hinge: Point
  openRad: number
  label: string
}

/** How one size of a piece is cut and swung. */
export interface SwingPlan {
  swings: Swing[]
  /** The part that lies still. */
  fixed: (cut: CutPiece) => number
  /** Draws edges anew that the trade redraws by rule, after the parts were joined. */
  redraw?: (shape: Shape) => Shape
}

export interface SwungPiece {
  plan: SwingPlan
  cut: CutPiece
  moves: Affine[]
}

/**
 * Cuts and swings pieces in every size of a nest.
 *
 * @param planOf how a size of a piece is swung; null leaves the piece alone
 * @returns the garment, and for the base size of each swung piece what was done
 */
export function swingGarment(
  garment: Garment,
  planOf: (piece: Piece, shape: Shape, sizeId: string) => Result<SwingPlan | null>,
): Result<{ garment: Garment; swung: Map<string, SwungPiece> }> {
  const swung = new Map<string, SwungPiece>()
  const pieces: Piece[] = []
  for (const piece of garment.pieces) {
    const shapes: Record<string, Shape> = {}
    for (const size of garment.sizes) {
      const shape = shapeOf(piece, size.id)
      const plan = planOf(piece, shape, size.id)
      if (!plan.ok) return plan
      if (!plan.value) continue
      const cut = cutPiece(
        piece,
        shape,
        plan.value.swings.map((s) => s.slash),
      )
      if (!cut.ok) return cut
      const moves = swingParts(cut.value, plan.value.fixed(cut.value), plan.value.swings)
      const moved = moveParts(piece, shape, cut.value, moves)
      if (!moved.ok) return moved
      shapes[size.id] = plan.value.redraw ? plan.value.redraw(moved.value) : moved.value
      if (size.id === garment.baseSizeId) swung.set(piece.id, { plan: plan.value, cut: cut.value, moves })
    }
    pieces.push(Object.keys(shapes).length > 0 ? { ...piece, shapes: { ...piece.shapes, ...shapes } } : piece)
  }
  return ok({ garment: swung.size > 0 ? { ...garment, pieces } : garment, swung })
}

/** The swings of a piece as the hands do them: each carries all the parts that hang beyond it. */
export function playSwings(pieceId: string, { plan, cut }: SwungPiece): PlayMove[] {
  const fixed = plan.fixed(cut)
  const done = plan.swings.map((s) => ({ ...s, openRad: 0 }))
  return plan.swings.map((swing, i): PlayMove => {
    const before = swingParts(cut, fixed, done)
    done[i]!.openRad = swing.openRad
    const after = swingParts(cut, fixed, done)
    const carried = cut.parts.map((_, k) => k).filter((k) => !samePlacement(before[k]!, after[k]!))
    const hinge = applyAffine(before[carried[0] ?? 0]!, swing.hinge)
    const { from, to } = cut.slashes[i]!
    const turn = carried[0] === undefined ? 0 : turnBetween(before[carried[0]]!, after[carried[0]]!)
    const way = [from, ...swing.slash.through, to].map((p) => applyAffine(before[carried[0] ?? 0]!, p))
    return {
      pieceId,
      label: swing.label,
      pin: hinge,
      cut: way.slice(1).map((p, k) => line(way[k]!, p)),
      parts: carried.map((id) => ({ id, outline: mapPath(cut.parts[id]!.outline, (p) => applyAffine(before[id]!, p)) })),
      traced: [],
      turnRad: turn,
      by: { x: 0, y: 0 },
    }
  })
}

const samePlacement = (a: Affine, b: Affine) => (['a', 'b', 'c', 'd', 'e', 'f'] as const).every((k) => a[k] === b[k])
const turnBetween = (a: Affine, b: Affine) => {
  const t = Math.atan2(b.b, b.a) - Math.atan2(a.b, a.a)
  return Math.atan2(Math.sin(t), Math.cos(t))
}

/** The part of a cut piece that stays by itself: with the fold or the centre, else where the middle of the grain lies. */
export function homePart(piece: Piece, shape: Shape, cut: CutPiece): number {
  const straight = centreEdge(piece)
  if (straight) return partOfPlace(cut, straight.id, 0)
  return partOfPoint(cut, mix(shape.grain.from, shape.grain.to, 0.5))
}

/** How far apart the two sides of an opened cut stand where it begins, mm; negative when they overlap. */
export function openingOf({ plan, cut, moves }: SwungPiece, i = 0): number {
  const { left, right, from } = cut.slashes[i]!
  return Math.sign(plan.swings[i]!.openRad) * distance(applyAffine(moves[left]!, from), applyAffine(moves[right]!, from))
}

/**
 * Where an amount is dragged: the end of the cut edge on the part that swings, square to its way from the hinge. It goes
 * as much faster than the opening as it is further from the hinge.
 *
 * @param own the piece as swung by any amount
 * @param opened whether that amount is in place; otherwise the place is given as it is before
 */
export function swingHandle(shape: Shape, own: SwungPiece, edgeId: string, opened: boolean): { at: Point; axis: Point; pace: number } {
  const path = edgePath(shape, edgeId)
  const fixed = own.plan.fixed(own.cut)
  const { left, right, from } = own.cut.slashes[0]!
  const moving = left === fixed ? right : left
  const { hinge, openRad } = own.plan.swings[0]!
  const ends = [path[0]!.from, path[path.length - 1]!.to]
  const lengths = [0, measureLength(path)]
  const k = lengths.findIndex((mm) => partOfPlace(own.cut, edgeId, mm) === moving)
  const end = ends[k] ?? from
  const reach = subtract(end, hinge)
  // The way that it goes when the cut opens.
  const turn = Math.sign(own.moves[moving]!.b) * Math.sign(openRad)
  const axis = unit({ x: -reach.y * turn, y: reach.x * turn })
  return { at: opened ? applyAffine(own.moves[moving]!, end) : end, axis, pace: Math.max(LEAST_PACE, norm(reach) / distance(from, hinge)) }
}

/** A place near the hinge hardly moves and would throw the amount about: it is dragged at this pace at least. */
export const LEAST_PACE = 0.25

/**
 * What a swing of one amount gives, or why not; then with the largest amount that works.
 *
 * @param swing the garment swung by an amount
 * @param remedy what to say of the largest amount, mm
 * Refusals that no smaller amount would heal (an edge that has gone, a cut that leaves the piece) are passed on.
 */
export function swingOrRefuse(
  garment: Garment,
  amountMm: number,
  swing: (amountMm: number) => ReturnType<typeof swingGarment>,
  remedy: (largestMm: number) => string,
): ReturnType<typeof swingGarment> {
  const done = swing(amountMm)
  const broken = done.ok ? findBrokenOutline(garment, done.value.garment) : null
  if (!broken && (done.ok || (done.problem.code !== 'amount-too-large' && done.problem.code !== 'no-room'))) return done
  const largest = findLargest(amountMm, (mm) => {
    const tried = swing(mm)
    return tried.ok && findBrokenOutline(garment, tried.value.garment) === null
  })
  const [where, what] = done.ok ? [broken!.where, `${broken!.what} by this amount.`] : [done.problem.where, done.problem.message]
  return refuse('amount-too-large', where, what, remedy(largest), largest)
}
