import { shapeOf, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { limitToken } from '../../units'
import { findLargest } from '../find-largest'
import type { Applied, ChangeContext } from '../types'
import { notchesOf, notchOnEdge, type FoundNotch } from './find-notch'
import type { MoveNotchInputs } from './schema'
import { heldByNotch } from './held'

function moveNotch(garment: Garment, found: FoundNotch, byMm: number): Garment {
  if (byMm === 0) return garment
  const { piece, notch } = found
  const shapes = Object.fromEntries(
    garment.sizes.map((size) => {
      const shape = shapeOf(piece, size.id)
      const place = shape.notches[notch.id]!
      const distanceMm = place.distanceMm + (place.from === 'start' ? byMm : -byMm)
      return [size.id, { ...shape, notches: { ...shape.notches, [notch.id]: { ...place, distanceMm } } }]
    }),
  )
  const moved: Piece = { ...piece, shapes: { ...piece.shapes, ...shapes } }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === piece.id ? moved : p)) }
}

/**
 * Moves a notch along its edge, in every size; no line changes.
 * Refuses: a notch that has gone, an amount that would take it off its edge (with the largest that works).
 */
export function applyMoveNotch(garment: Garment, inputs: MoveNotchInputs, context: ChangeContext): Result<Applied<MoveNotchInputs>> {
  const found = notchesOf(garment).find((n) => n.ref === inputs.notch)
  if (!found)
    return refuse('reference-gone', 'notch', 'the notch this was made for has gone.', 'Delete the change, or choose another notch.')
  const staysOn = (byMm: number) =>
    garment.sizes.every((size) => {
      const { atMm, edgeMm } = notchOnEdge(found, size.id)
      return atMm + byMm >= 0 && atMm + byMm <= edgeMm
    })
  const where = `${found.piece.name}, ${found.notch.name}`
  if (!staysOn(inputs.byMm)) {
    const largest = findLargest(inputs.byMm, staysOn)
    return refuse(
      'amount-too-large',
      where,
      'it would leave its edge by this amount.',
      `It can move ${limitToken(Math.abs(largest))} that way at most.`,
      largest,
    )
  }
  const after = moveNotch(garment, found, inputs.byMm)
  return ok({
    garment: after,
    touched: [{ pieceId: found.piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByNotch(garment, after, found.piece.id, context.sizeId),
    cautions: [],
  })
}
