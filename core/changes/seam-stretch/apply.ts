import { dot, nearestPlace, subtract } from '../../geometry'
import { edgePath, findPiece, neighbours, seamsOfEdge, shapeOf, type Garment, type Seam } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { lengthOfSide, letOutSeam, placeOnSeam, settleCaps, shareAt, sidesOfSeam, type SeamSide } from '../../seams'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { evenSides } from '../shared/even-sides'
import { isEvened, surplusOf } from '../shared/evened'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { settleBands } from '../shared/settle-bands'
import type { Applied, Caution, ChangeContext, HeldPromise } from '../types'
import { seamOfRef, type FoundSeam } from './find-seams'
import type { SeamStretchInputs } from './schema'

/** A seam that comes in or goes out by more than a quarter of the way over which it does so makes a point. */
const STEEPEST = 0.25
/** The garment with the stretch drawn in every size, its seams evened, cap and bands along. */
function draw(garment: Garment, { piece, edge }: FoundSeam, inputs: SeamStretchInputs, amountMm: number): Garment {
  if (amountMm === 0) return garment
  return garment.sizes.reduce((now, size) => {
    const sides = sidesOfSeam(now, piece.id, edge.id, size.id)
    const moved = letOutSeam(now, sides, { ...inputs, mm: amountMm }, size.id)
    const evened = evenSides(garment, moved, size.id).garment
    const capped = settleCaps(garment, evened, size.id, size.id)
    return settleBands(garment, capped.ok ? capped.value.garment : evened, size.id, size.id)
  }, garment)
}

/** How far each side went out where it goes most: from the old place to the new line, with the way that it went; square to the seam. */
function heldDepth(before: Garment, after: Garment, sides: readonly SeamSide[], inputs: SeamStretchInputs, sizeId: string): HeldPromise[] {
  return sides.map((side) => {
    const { pieceId, point, out } = placeOnSeam(before, side, inputs.atMm, sizeId)
    const piece = findPiece(after, pieceId)!
    const went = side
      .filter((r) => r.pieceId === pieceId)
      .map((r) => nearestPlace(edgePath(shapeOf(piece, sizeId), r.edgeId), point))
      .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
    const wentMm = Math.sign(dot(subtract(went.point, point), out)) * went.distanceMm
    return holdMeasure('how far the edge goes out', piece.name, inputs.amountMm, wentMm, SEAM_KEPT_MM)
  })
}

/** The edges of a piece that share a corner with a side’s end on it: they follow where that corner goes. */
function besideEnds(garment: Garment, sides: readonly SeamSide[]): { pieceId: string; edgeId: string }[] {
  return sides.flatMap((side) =>
    side.flatMap(({ pieceId, edgeId }) => {
      const { before, after } = neighbours(findPiece(garment, pieceId)!, edgeId)
      return [before, after].map((e) => ({ pieceId, edgeId: e.id }))
    }),
  )
}

/** Edges that the seam does not touch stay as long as they were, and the grain of its pieces where it was. */
function heldRest(before: Garment, after: Garment, sides: readonly SeamSide[], sizeId: string): HeldPromise[] {
  const drawn = [...sides.flat(), ...besideEnds(before, sides)]
  return [...new Set(sides.flat().map((r) => r.pieceId))].flatMap((pieceId) => {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const still = piece.edges.filter((e) => e.role !== 'dart-leg' && !drawn.some((d) => d.pieceId === pieceId && d.edgeId === e.id))
    return [...still.map((e) => holdEdge(piece, was, is, e.id)), holdGrain(piece, was, is)]
  })
}

/** Seams of edges that end at a corner which may go along: what they differ by then is said, and not promised. */
function seamsAtEnds(garment: Garment, sides: readonly SeamSide[], inputs: SeamStretchInputs, totalMm: number): Seam[] {
  if (shareAt(inputs, 0) === 0 && shareAt(inputs, totalMm) === 0) return []
  const own = new Set(sides.flat().flatMap((r) => seamsOfEdge(garment, r.pieceId, r.edgeId).map((s) => s.seam.id)))
  const there = besideEnds(garment, sides).flatMap((e) => seamsOfEdge(garment, e.pieceId, e.edgeId).map((s) => s.seam))
  return garment.seams.filter((s) => there.includes(s) && !own.has(s.id))
}

/**
 * Takes in or lets out a seam along a stretch, as it was pinned (craft 9): each of its edges by the amount where it is deepest,
 * running out smoothly to nothing above and below. A stretch that reaches beyond an end of the seam moves that corner.
 * Refuses: a seam that has gone, a place beyond its lower end, an amount that would cross an outline (with the largest that works).
 */
export function applySeamStretch(garment: Garment, inputs: SeamStretchInputs, context: ChangeContext): Result<Applied> {
  const found = seamOfRef(garment, inputs.seam)
  if (!found) return refuse('reference-gone', 'garment', 'the seam that was chosen has gone, or is a fold.', 'Choose the seam again.')
  const sides = sidesOfSeam(garment, found.piece.id, found.edge.id, context.sizeId)
  const total = lengthOfSide(garment, sides[0]!, context.sizeId)
  if (inputs.atMm > total + EQUAL_MM)
    return refuse(
      'beside-the-seam',
      found.name,
      `it is ${lengthToken(total)} long, and ${lengthToken(inputs.atMm)} below its upper end lies beside it.`,
      'Measure again from its upper end.',
    )
  const drawn = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, mm) => ok({ garment: draw(g, found, inputs, mm) }),
    (mm) => `At most ${limitToken(Math.abs(mm))} of each edge works along this stretch.`,
  )
  if (!drawn.ok) return drawn
  const after = drawn.value.garment
  const own = seamsOfEdge(garment, found.piece.id, found.edge.id)[0]?.seam
  const atEnds = seamsAtEnds(garment, sides, inputs, total)
  const cautions: Caution[] = []
  const reach = Math.min(
    inputs.aboveMm < inputs.atMm ? inputs.aboveMm : Infinity,
    inputs.belowMm < total - inputs.atMm ? inputs.belowMm : Infinity,
  )
  if (Math.abs(inputs.amountMm) > STEEPEST * reach)
    cautions.push({
      code: 'makes-a-point',
      pieceId: found.piece.id,
      message: `It comes in or goes out by ${lengthToken(Math.abs(inputs.amountMm))} over only ${lengthToken(reach)}: the seam makes a point there. Let it run out over ${lengthToken(Math.abs(inputs.amountMm) / STEEPEST)} at least.`,
    })
  const differs = (seam: Seam) => surplusOf(after, seam, context.sizeId) - surplusOf(garment, seam, context.sizeId)
  for (const seam of own ? [own, ...atEnds] : atEnds) {
    const mm = Math.abs(differs(seam))
    if (mm <= SEAM_KEPT_MM || isEvened(garment, after, seam, context.sizeId)) continue
    cautions.push({
      code: 'sides-apart',
      pieceId: found.piece.id,
      message:
        `The two sides of ${seam.name} differ by ${lengthToken(mm)} more than before` +
        (seam === own
          ? ', since they curve against each other: ease it in along this stretch.'
          : ', since the corner at its end went along: move the seam that goes on there as far, or let the stretch end before the corner.'),
    })
  }
  const held = [
    ...heldDepth(garment, after, sides, inputs, context.sizeId),
    ...heldRest(garment, after, sides, context.sizeId),
    ...holdSeams(garment, after, context.sizeId, new Set(atEnds.map((seam) => seam.id))),
  ]
  const touched = [...new Set(sides.flat().map((r) => r.pieceId))]
  return ok({
    garment: after,
    touched: touched.map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held,
    cautions,
  })
}
