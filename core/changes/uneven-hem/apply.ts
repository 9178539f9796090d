import { measureLength, movePath, scale, type Path } from '../../geometry'
import { easeIn, redrawAcross, redrawMoved, type LevelCrossing } from '../../moves'
import { edgePath, findPiece, grainDirection, neighbours, seamsOfEdge, shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { SAME_POINT_MM, WINDOW_AMOUNTS, WINDOW_MIN_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import type { Applied, ChangeContext } from '../types'
import { findHem, type HemPart } from './find-hem'
import type { UnevenHemInputs } from './schema'
import { heldByHem } from './held'

/** How far the hem moves at a length along one of its edges, mm: level at the centre and at the side, smooth between. */
export function hemMove(part: HemPart, inputs: UnevenHemInputs, edgeMm: number): (atMm: number) => number {
  const centre = part.half === 'front' ? inputs.centreFrontMm : inputs.centreBackMm
  return (atMm) => {
    const from = part.fromCentreMm
    const out = from ? from.start + ((from.end - from.start) * atMm) / edgeMm : Math.abs(atMm - edgeMm / 2)
    return centre + (inputs.sideMm - centre) * easeIn(out / part.halfMm)
  }
}

/** How much of an upright edge is redrawn when its end moves: as much as its partner has, so that both stay equal. */
function endWindow(garment: Garment, pieceId: string, edgeId: string, amountMm: number, sizeId: string): number {
  const lengths = [measureLength(edgePath(shapeOf(findPiece(garment, pieceId)!, sizeId), edgeId))]
  for (const { seam, side } of seamsOfEdge(garment, pieceId, edgeId))
    for (const run of seam.sides[side === 0 ? 1 : 0])
      lengths.push(measureLength(edgePath(shapeOf(findPiece(garment, run.pieceId)!, sizeId), run.edgeId)))
  return Math.min(...lengths, Math.max(WINDOW_MIN_MM, 2 * WINDOW_AMOUNTS * Math.abs(amountMm)))
}

function moveHem(garment: Garment, inputs: UnevenHemInputs, sizeId: string): Garment {
  let pieces = garment.pieces
  for (const part of findHem(garment, sizeId)) {
    pieces = pieces.map((piece) => {
      if (piece.id !== part.piece.id) return piece
      const shape = shapeOf(piece, sizeId)
      const grain = grainDirection(shape)
      const hem = edgePath(shape, part.edge.id)
      const total = measureLength(hem)
      const moved = hemMove(part, inputs, total)
      const [start, end, middle] = [moved(0), moved(total), moved(total / 2)]
      if (start === 0 && end === 0 && middle === 0) return piece
      const same = Math.abs(start - end) <= SAME_POINT_MM && Math.abs(start - middle) <= SAME_POINT_MM
      const edges: Record<string, Path> = { ...shape.edges }
      edges[part.edge.id] = same ? movePath(hem, scale(grain, start)) : redrawMoved(hem, grain, moved)
      const { before, after } = neighbours(piece, part.edge.id)
      const arriving = edgePath(shape, before.id)
      const leaving = edgePath(shape, after.id)
      const arrivingMm = measureLength(arriving)
      const endAt = (stepMm: number, atMm: number, beforeMm: number, afterMm: number): LevelCrossing[] =>
        stepMm === 0 ? [] : [{ atMm, stepMm, beforeMm, afterMm }]
      // The hem's other half moves by itself, and by as much where they meet.
      if (before.role !== 'hem')
        edges[before.id] = redrawAcross(
          arriving,
          grain,
          0,
          endAt(start, arrivingMm, endWindow(garment, piece.id, before.id, start, sizeId), 0),
        )
      if (after.role !== 'hem')
        edges[after.id] = redrawAcross(leaving, grain, end, endAt(-end, 0, 0, endWindow(garment, piece.id, after.id, end, sizeId)))
      const notches = { ...shape.notches }
      for (const notch of piece.notches) {
        const place = notches[notch.id]!
        // An upright edge's notch keeps its distance from the end that did not move.
        if (notch.edgeId === before.id && place.from === 'end')
          notches[notch.id] = { from: 'start', distanceMm: Math.max(0, arrivingMm - place.distanceMm) }
        if (notch.edgeId === after.id && place.from === 'start')
          notches[notch.id] = { from: 'end', distanceMm: Math.max(0, measureLength(leaving) - place.distanceMm) }
      }
      return { ...piece, shapes: { ...piece.shapes, [sizeId]: { ...shape, edges, notches } } }
    })
  }
  return pieces.every((p, i) => p === garment.pieces[i]) ? garment : { ...garment, pieces }
}

function moveAllSizes(garment: Garment, inputs: UnevenHemInputs): Garment {
  return garment.sizes.reduce((g, size) => moveHem(g, inputs, size.id), garment)
}

/**
 * Lengthens or shortens a hem by different amounts at centre front, side and centre back (craft 6.2). Front and back
 * take the same at the side; between the places the amount grows smoothly, level at centre and side, so that the hem
 * stays square to the fold and turns no corner at the side seam.
 */
export function applyUnevenHem(garment: Garment, inputs: UnevenHemInputs, context: ChangeContext): Result<Applied<UnevenHemInputs>> {
  const parts = findHem(garment, context.sizeId)
  if (parts.length === 0)
    return refuse(
      'reference-gone',
      'garment',
      'it has no hem that runs from a centre to a side.',
      'Name the hem edges first, or delete this change.',
    )
  const after = moveAllSizes(garment, inputs)
  const broken = findBrokenOutline(garment, after)
  if (broken) {
    const key = (['centreFrontMm', 'sideMm', 'centreBackMm'] as const).reduce((a, b) => (Math.abs(inputs[b]) > Math.abs(inputs[a]) ? b : a))
    const most = inputs[key]
    const largest = findLargest(most, (mm) => {
      const part = mm / most
      return (
        findBrokenOutline(
          garment,
          moveAllSizes(garment, {
            centreFrontMm: inputs.centreFrontMm * part,
            sideMm: inputs.sideMm * part,
            centreBackMm: inputs.centreBackMm * part,
          }),
        ) === null
      )
    })
    return refuse(
      'amount-too-large',
      broken.where,
      `${broken.what} by this amount.`,
      `All three amounts can be taken together up to ${limitToken(Math.abs(largest))} at the place where most was asked.`,
      largest,
    )
  }
  const touched = [...new Set(parts.map((p) => p.piece.id))].map((pieceId, i) => ({
    pieceId,
    how: i === 0 ? ('asked' as const) : ('partner' as const),
    levels: [],
  }))
  return ok({ garment: after, touched, leftOut: [], held: heldByHem(garment, after, parts, context.sizeId), cautions: [] })
}
