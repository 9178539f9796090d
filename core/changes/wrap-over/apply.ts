import { measureLength } from '../../geometry'
import { figureMm } from '../../body'

import { edgePath, findPiece, shapeOf, type Garment, sideLength } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findWrap, wrapFront, type WrapPiece } from '../../seams'
import { bodyLengths } from '../../size'
import { LENGTH_KEPT_MM, SEAM_EASE_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import type { WrapOverInputs } from './schema'
import { heldByWrap } from './held'

/** The length of the edge that crosses over, mm. */
export const edgeLengthMm = (garment: Garment, { neckline }: WrapPiece, sizeId: string): number =>
  measureLength(edgePath(shapeOf(findPiece(garment, neckline.piece.id)!, sizeId), neckline.runs[0]!.edgeId))

/** What else a wrapped front asks for: the body’s lengths, what is sewn to the edges that became longer. */
function wrapCautions(before: Garment, after: Garment, wrap: WrapPiece, context: ChangeContext): Caution[] {
  const { neckline, lower } = wrap
  const pieceId = neckline.piece.id
  const row = bodyLengths(after, context.body, context.sizing.wantedMm).find((r) => r.id === 'front-to-waist' && r.pieceId === pieceId)
  const isShort = row?.missingMm != null && Math.abs(row.missingMm) > SEAM_EASE_MM
  const length: Caution[] = isShort
    ? [
        {
          code: 'front-off-body',
          pieceId,
          message: `From the shoulder to the waist the body measures ${lengthToken(row.bodyMm!)} in front, this piece ${lengthToken(row.garmentMm)}: bring the front to the body’s length first, or the edge gapes or pulls.`,
        },
      ]
    : []
  const slopeMm = figureMm(context.body, 'front-slope')
  const edgeMm = edgeLengthMm(after, wrap, context.sizeId)
  const slope: Caution[] =
    slopeMm != null && Math.abs(edgeMm - slopeMm) > SEAM_EASE_MM
      ? [
          {
            code: 'front-slope',
            pieceId,
            message: `The edge measures ${lengthToken(edgeMm)}, the body from the shoulder over the bust to the other side of the waist ${lengthToken(slopeMm)}: ${edgeMm > slopeMm ? 'hold it in with a stay, or take the rest as a wedge toward the bust point' : 'it pulls; let it reach further, or cover less'}.`,
          },
        ]
      : []
  const sewn = before.seams.flatMap((seam): Caution[] => {
    const side = ([0, 1] as const).find((s) =>
      seam.sides[s].some((r) => r.pieceId === pieceId && [neckline.runs[0]!.edgeId, lower.edgeId].includes(r.edgeId)),
    )
    if (side === undefined) return []
    const grewMm = sideLength(after, seam, side, context.sizeId) - sideLength(before, seam, side, context.sizeId)
    const other = findPiece(before, seam.sides[side === 0 ? 1 : 0][0]!.pieceId)!
    if (Math.abs(grewMm) <= LENGTH_KEPT_MM || other.id === pieceId) return []
    const isLower = seam.sides[side].some((r) => r.edgeId === lower.edgeId)
    return [
      {
        code: 'sewn-to-the-wrap',
        pieceId: other.id,
        message: isLower
          ? `${other.name} must reach over the centre too, by ${lengthToken(grewMm)} on each side.`
          : `${other.name} must become ${lengthToken(Math.abs(grewMm))} ${grewMm > 0 ? 'longer' : 'shorter'} on each side, or give way to a binding.`,
      },
    ]
  })
  return [...length, ...slope, ...sewn]
}

/**
 * Draws a front to cross over the other one (craft 6.13), or a wrapped front anew: beyond the centre by the overlap, its edge in one
 * line from the shoulder past the bust point to where it ends above the lower edge.
 * Refuses: a garment without such a front, an edge that could not run smoothly, an amount that the lower edge is too short for.
 */
export function applyWrapOver(garment: Garment, inputs: WrapOverInputs, context: ChangeContext): Result<Applied<WrapOverInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const found = findWrap(garment)
  if (!found.ok) return found
  const wrap = found.value
  const done = drawOrRefuse(
    garment,
    inputs.overlapMm,
    (g, overlapMm) => {
      const drawn = wrapFront(g, wrap, { ...inputs, overlapMm })
      return drawn.ok ? ok({ garment: drawn.value }) : drawn
    },
    (mm) =>
      mm > 0
        ? `It can reach beyond the centre by ${limitToken(mm)} at most.`
        : 'Let the edge pass nearer to the centre or to the bust point, or end it lower.',
  )
  if (!done.ok) return done
  const after = done.value.garment
  return ok({
    garment: after,
    touched: touchedBy(garment, after, [wrap.neckline.piece.id]),
    leftOut: [],
    held: heldByWrap(garment, after, wrap, inputs, context.sizeId),
    cautions: wrapCautions(garment, after, wrap, context),
  })
}
