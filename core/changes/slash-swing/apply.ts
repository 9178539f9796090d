import { distance, placeAt } from '../../geometry'
import { angleOfGap } from '../../moves'
import { edgePath, findPiece, type Garment, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { limitToken } from '../../units'
import { homePart, playSwings, swingGarment, swingOrRefuse, type SwingPlan } from '../shared/swing-garment'
import type { Applied, ChangeContext } from '../types'
import { heldBySlash } from './held'
import type { SlashSwingInputs } from './schema'

function planSlash(piece: Piece, shape: Shape, inputs: SlashSwingInputs): Result<SwingPlan | null> {
  if (piece.id !== inputs.pieceId) return ok(null)
  if (![inputs.fromEdgeId, inputs.hingeEdgeId].every((id) => piece.edges.some((e) => e.id === id)))
    return refuse('reference-gone', piece.name, 'the edge this slash begins or ends at has gone.', 'Choose another edge.')
  if (inputs.amountMm === 0) return ok(null)
  const mouth = placeAt(edgePath(shape, inputs.fromEdgeId), inputs.fromMm).point
  const hinge = placeAt(edgePath(shape, inputs.hingeEdgeId), inputs.hingeMm).point
  const reach = distance(mouth, hinge)
  const openRad = angleOfGap(inputs.amountMm, reach)
  if (!Number.isFinite(openRad))
    return refuse('amount-too-large', piece.name, 'the cut is too short to open that far.', 'Ask for less, or move the hinge further away.')
  const slash = {
    from: { edgeId: inputs.fromEdgeId, atMm: inputs.fromMm },
    through: [],
    to: { edgeId: inputs.hingeEdgeId, atMm: inputs.hingeMm },
  }
  return ok({
    swings: [{ slash, hinge, openRad, label: inputs.amountMm > 0 ? 'cut, and swing open' : 'cut, and swing closed' }],
    fixed: (cut) => {
      const home = homePart(piece, shape, cut)
      return inputs.swings === 'far' ? home : cut.parts.findIndex((_, i) => i !== home)
    },
  })
}

export const swingSlash = (garment: Garment, inputs: SlashSwingInputs) =>
  swingGarment(garment, (piece, shape) => planSlash(piece, shape, inputs))

/**
 * Cuts one piece from an edge to a hinge on another and swings it open or closed (craft 6.8). Every edge but the one that
 * was cut keeps its length.
 * Refuses: a piece or edge that has gone, a slash that leaves the piece, an amount that the cut cannot open or that
 * crosses the outline (with the largest that works).
 */
export function applySlashSwing(garment: Garment, inputs: SlashSwingInputs, context: ChangeContext): Result<Applied<SlashSwingInputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  if (!piece)
    return refuse('reference-gone', 'piece', 'the piece this change was made for has gone.', 'Delete the change, or choose another piece.')
  if ([inputs.fromEdgeId, inputs.hingeEdgeId].some((id) => !piece.edges.some((e) => e.id === id)))
    return refuse('reference-gone', piece.name, 'an edge this cut was made for has gone.', 'Choose the edges again.')
  const done = swingOrRefuse(
    garment,
    inputs.amountMm,
    (amountMm) => swingSlash(garment, { ...inputs, amountMm }),
    (largestMm) => `This cut can ${inputs.amountMm < 0 ? 'close' : 'open'} by ${limitToken(Math.abs(largestMm))} at most.`,
  )
  if (!done.ok) return done
  const { garment: after, swung } = done.value
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldBySlash(garment, after, swung, inputs, context.sizeId),
    cautions: [],
    moves: [...swung].flatMap(([pieceId, one]) => playSwings(pieceId, one)),
  })
}
