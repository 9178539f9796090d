import { measureLength } from '../../geometry'
import { bendEnd } from '../../moves'
import { edgePath, shapeOf, type Garment, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { settleCapsInSizes } from '../../seams'
import { EQUAL_MM } from '../../tolerances'
import { DEG, limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { touchedBy } from '../shared/touched-by'
import type { Applied, ChangeContext } from '../types'
import { findCorner } from './find-corner'
import { heldByTruing } from './held'
import { roomFor } from './room'
import type { TrueCornerInputs } from './schema'

const SHARES = { none: 0, half: 0.5, all: 1 } as const

/** A notch on a redrawn edge: beyond the reach it keeps its distance from the far end, within it from the corner. */
function keepNotch(place: NotchPlace, totalMm: number, atStart: boolean, reachMm: number): NotchPlace {
  const fromStart = place.from === 'start' ? place.distanceMm : totalMm - place.distanceMm
  const fromCorner = atStart ? fromStart : totalMm - fromStart
  const measuredFromStart = fromCorner <= reachMm === atStart
  return measuredFromStart ? { from: 'start', distanceMm: fromStart } : { from: 'end', distanceMm: totalMm - fromStart }
}

function bendShape(piece: Piece, shape: Shape, edgeId: string, atStart: boolean, turnDeg: number, reachMm: number): Shape {
  const path = edgePath(shape, edgeId)
  const total = measureLength(path)
  const notches = { ...shape.notches }
  for (const notch of piece.notches) if (notch.edgeId === edgeId) notches[notch.id] = keepNotch(notches[notch.id]!, total, atStart, reachMm)
  // A turn inward is an inner angle too large. It closes when a leaving edge turns with the clock, an arriving one against
  // it; away from the corner that is one way for the first and the other for the second.
  const turnRad = ((atStart ? 1 : -1) * turnDeg) / DEG
  return { ...shape, notches, edges: { ...shape.edges, [edgeId]: bendEnd(path, atStart, turnRad, reachMm) } }
}

function bendGarment(garment: Garment, inputs: TrueCornerInputs): Garment {
  if (inputs.reachMm === 0) return garment
  let pieces = garment.pieces
  for (const size of garment.sizes) {
    const corner = findCorner(garment, inputs.cornerId, size.id)!
    const first = SHARES[inputs.firstTakes]
    const shares = corner.arms.length === 1 ? [0.5] : [first, 1 - first]
    corner.arms.forEach((arm, i) => {
      pieces = pieces.map((piece) => {
        if (piece.id !== arm.pieceId || shares[i] === 0) return piece
        const shape = bendShape(piece, shapeOf(piece, size.id), arm.edgeId, arm.atStart, corner.turnDeg * shares[i]!, inputs.reachMm)
        return { ...piece, shapes: { ...piece.shapes, [size.id]: shape } }
      })
    })
  }
  return { ...garment, pieces }
}

/**
 * Redraws the edges beside a seam, a closed dart or a fold so that they run on smoothly when sewn (craft 7 and step 6
 * of the order of work). The corner itself stays where it is, and so does the length of the seam that ends there.
 * Refuses: a corner that has gone, a reach longer than the shorter of its edges (with the longest that works).
 */
export function applyTrueCorner(garment: Garment, inputs: TrueCornerInputs, context: ChangeContext): Result<Applied<TrueCornerInputs>> {
  const corner = findCorner(garment, inputs.cornerId, context.sizeId)
  if (!corner)
    return refuse(
      'reference-gone',
      'corner',
      'the seam, dart or fold this was made for has gone.',
      'Delete the change, or choose another corner.',
    )
  const works = (reachMm: number) =>
    reachMm <= roomFor(garment, corner) + EQUAL_MM && findBrokenOutline(garment, bendGarment(garment, { ...inputs, reachMm })) === null
  if (!works(inputs.reachMm)) {
    const largest = findLargest(inputs.reachMm, works)
    return refuse(
      'amount-too-large',
      corner.where,
      `there is not that much edge to redraw.`,
      `At most ${limitToken(largest)} on each side of the seam can be redrawn here.`,
      largest,
    )
  }
  const bent = bendGarment(garment, inputs)
  // An armhole that is drawn through measures a little more or less: its cap keeps its ease.
  const capped = settleCapsInSizes(garment, bent)
  const after = capped.ok ? capped.value.garment : bent
  const about = [...new Set(corner.arms.map((a) => a.pieceId))]
  return ok({
    garment: after,
    touched: touchedBy(garment, after, about),
    leftOut: [],
    held: heldByTruing(garment, after, corner, inputs, context.sizeId),
    cautions: corner.designed
      ? [{ code: 'designed-corner', message: `${corner.where}: this corner is marked as designed; truing it takes the design away.` }]
      : [],
  })
}
