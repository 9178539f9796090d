import { seamsOfEdge, type Garment, type Seam } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { lengthOfSide, letOutSeam, settleCaps, shareAt, sidesOfSeam, type SeamSide } from '../../seams'
import { EQUAL_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { evenSides } from '../shared/even-sides'
import { settleBands } from '../shared/settle-bands'
import type { Applied, ChangeContext } from '../types'
import { cautionsOf } from './cautions'
import { seamOfRef, type FoundSeam } from './find-seams'
import { heldByStretch } from './held'
import { besideEnds, hipLevels } from './places'
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

/** A stretch as it is drawn, and the seam that it was drawn on. */
interface Stretched {
  garment: Garment
  found: FoundSeam
  sides: SeamSide[]
  totalMm: number
}

/**
 * The pieces with a stretch drawn, and no more: without its promises.
 * Refuses: as the change does.
 */
export function stretched(garment: Garment, inputs: SeamStretchInputs, context: ChangeContext): Result<Stretched> {
  const found = seamOfRef(garment, inputs.seam)
  if (!found) return refuse('reference-gone', 'garment', 'the seam that was chosen has gone, or is a fold.', 'Choose the seam again.')
  const sides = sidesOfSeam(garment, found.piece.id, found.edge.id, context.sizeId)
  const totalMm = lengthOfSide(garment, sides[0]!, context.sizeId)
  if (inputs.atMm > totalMm + EQUAL_MM)
    return refuse(
      'beside-the-seam',
      found.name,
      `it is ${lengthToken(totalMm)} long, and ${lengthToken(inputs.atMm)} below its upper end lies beside it.`,
      'Measure again from its upper end.',
    )
  const drawn = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, mm) => ok({ garment: draw(g, found, inputs, mm) }),
    (mm) => `At most ${limitToken(Math.abs(mm))} of each edge works along this stretch.`,
  )
  return drawn.ok ? ok({ garment: drawn.value.garment, found, sides, totalMm }) : drawn
}

/**
 * Takes in or lets out a seam along a stretch, as it was pinned (craft 9): each of its edges by the amount where it is deepest,
 * running out smoothly to nothing above and below. A stretch that reaches beyond an end of the seam moves that corner.
 * Refuses: a seam that has gone, a place beyond its lower end, an amount that would cross an outline (with the largest that works).
 */
export function applySeamStretch(garment: Garment, inputs: SeamStretchInputs, context: ChangeContext): Result<Applied<SeamStretchInputs>> {
  const drawn = stretched(garment, inputs, context)
  if (!drawn.ok) return drawn
  const { garment: after, found, sides, totalMm } = drawn.value
  const atEnds = seamsAtEnds(garment, sides, inputs, totalMm)
  const touched = [...new Set(sides.flat().map((r) => r.pieceId))]
  return ok({
    garment: after,
    touched: touched.map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByStretch(garment, after, sides, atEnds, inputs, context.sizeId),
    cautions: cautionsOf(garment, after, found, { sides, atEnds, totalMm }, inputs, context.sizeId),
  })
}
