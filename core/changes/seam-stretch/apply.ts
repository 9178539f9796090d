import { measureLength } from '../../geometry'
import { edgePath, findPiece, seamsOfEdge, shapeOf, surplusOf, type Garment, type Seam } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { lengthOfSide, letOutSeam, settleCaps, shareAt, sidesOfSeam, type SeamSide } from '../../seams'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { evenSides } from '../shared/even-sides'
import { isEvened } from '../shared/evened'
import { settleBands } from '../shared/settle-bands'
import type { Applied, Caution, ChangeContext } from '../types'
import { seamOfRef, type FoundSeam } from './find-seams'
import { heldByStretch } from './held'
import { besideEnds, hipLevels, STEEPEST } from './places'
import type { SeamStretchInputs } from './schema'

/** The garment with the stretch drawn in every size, its seams evened, cap and bands along. */
function draw(garment: Garment, { piece, edge }: FoundSeam, inputs: SeamStretchInputs, amountMm: number): Garment {
  if (amountMm === 0) return garment
  return garment.sizes.reduce((now, size) => {
    const sides = sidesOfSeam(now, piece.id, edge.id, size.id)
    const moved = letOutSeam(now, sides, { ...inputs, mm: amountMm, stillBeyondMm: hipLevels(now, size.id) }, size.id)
    const evened = evenSides(garment, moved, size.id).garment
    const capped = settleCaps(garment, evened, size.id, size.id)
    return settleBands(garment, capped.ok ? capped.value.garment : evened, size.id, size.id)
  }, garment)
}

/** Seams of edges that end at a corner which may go along: what they differ by then is said, and not promised. */
function seamsAtEnds(garment: Garment, sides: readonly SeamSide[], inputs: SeamStretchInputs, totalMm: number): Seam[] {
  if (shareAt(inputs, 0) === 0 && shareAt(inputs, totalMm) === 0) return []
  const own = new Set(sides.flat().flatMap((r) => seamsOfEdge(garment, r.pieceId, r.edgeId).map((s) => s.seam.id)))
  const there = besideEnds(garment, sides).flatMap((e) => seamsOfEdge(garment, e.pieceId, e.edgeId).map((s) => s.seam))
  return garment.seams.filter((s) => there.includes(s) && !own.has(s.id))
}

/** By how much crotch seams became longer where their point went along, mm: what is sewn of them all round, front and back. */
function crotchGrowth(before: Garment, after: Garment, beside: readonly { pieceId: string; edgeId: string }[], sizeId: string): number {
  const isCrotch = ({ pieceId, edgeId }: { pieceId: string; edgeId: string }) =>
    findPiece(before, pieceId)!.edges.find((e) => e.id === edgeId)!.role === 'crotch'
  const lengthIn = (g: Garment, e: { pieceId: string; edgeId: string }) =>
    measureLength(edgePath(shapeOf(findPiece(g, e.pieceId)!, sizeId), e.edgeId))
  return beside.filter(isCrotch).reduce((sum, e) => sum + lengthIn(after, e) - lengthIn(before, e), 0)
}

/**
 * Takes in or lets out a seam along a stretch, as it was pinned (craft 9): each of its edges by the amount where it is deepest,
 * running out smoothly to nothing above and below. A stretch that reaches beyond an end of the seam moves that corner.
 * Refuses: a seam that has gone, a place beyond its lower end, an amount that would cross an outline (with the largest that works).
 */
export function applySeamStretch(garment: Garment, inputs: SeamStretchInputs, context: ChangeContext): Result<Applied<SeamStretchInputs>> {
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
  const growth = crotchGrowth(garment, after, besideEnds(garment, sides), context.sizeId)
  if (Math.abs(growth) > EQUAL_MM)
    cautions.push({
      code: 'crotch-seam',
      pieceId: found.piece.id,
      message: `The crotch point goes along, and the crotch below the hip with it: front and back together it becomes ${lengthToken(Math.abs(growth))} ${growth > 0 ? 'longer' : 'shorter'}. Try it in a mock-up, sitting.`,
    })
  const touched = [...new Set(sides.flat().map((r) => r.pieceId))]
  return ok({
    garment: after,
    touched: touched.map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByStretch(garment, after, sides, atEnds, inputs, context.sizeId),
    cautions,
  })
}
