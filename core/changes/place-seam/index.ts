import { readPlaceSeam } from './reads'
import { findPiece, grainDirection, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { firstLevel } from '../shared/levels/begin'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { applyPlaceSeam } from './apply'
import { findPlaceableSeam, measureSideToSeam, seamEdges } from './measure-side'
import { placeSeamSteps } from './paper-steps'
import { PlaceSeamSchema } from './schema'

/** Craft 6.3: put a seam where the body is. */
export const placeSeam = defineChange({
  kind: 'place-seam',
  title: 'Place a seam on the body',
  foundBy: [
    'waist seam',
    'place a seam',
    'waist seam too low',
    'waist seam too high',
    'seam sits below the waist',
    'seam sits above the waist',
    'raise the waist',
    'lower the waist',
    'underarm to waist',
  ],
  does: 'Moves a waist seam to a wanted distance below the underarm, at a line above it.',
  holds: 'The joined edge and its partner keep their lengths; the whole length too, if it is given back.',
  schema: PlaceSeamSchema,
  reads: readPlaceSeam,
  phase: 'lengths',
  costsAfter: { sizes: 'the sizes were blended at the old waist.' },
  begin(garment, context) {
    const found = findPlaceableSeam(garment, context.sizeId)
    if (!found)
      return refuse(
        'no-seam',
        'garment',
        'it has no waist seam below an underarm.',
        'This change is for garments with a body joined to a skirt.',
      )
    return ok({
      seamId: found.seam.id,
      pieceId: found.piece.id,
      fromCornerId: found.cornerId,
      wantedMm: found.distanceMm,
      level: firstLevel(found.piece, context.sizeId),
      giveBack: true,
    })
  },
  fields: (garment, inputs) => [
    {
      type: 'length',
      key: 'wantedMm',
      label: 'Wanted, underarm to seam',
      hint: 'Measured on the body along the side; without seam allowances.',
    },
    {
      type: 'choice',
      key: 'seamId',
      label: 'Seam',
      options: garment.seams
        .filter((s) => {
          const piece = findPiece(garment, inputs.pieceId)
          return piece && seamEdges(piece, s).size > 0 && piece.edges.some((e) => e.role === 'waist' && seamEdges(piece, s).has(e.id))
        })
        .map((s) => ({ value: s.id, label: s.name })),
    },
    { type: 'switch', key: 'giveBack', label: 'Give the length back below the seam', hint: 'The whole garment keeps its length.' },
  ],
  describe(garment, inputs) {
    const seam = garment.seams.find((s) => s.id === inputs.seamId)
    return { title: `Place the ${seam?.name ?? 'seam'}`, amountMm: inputs.wantedMm, isPlace: true }
  },
  apply: applyPlaceSeam,
  handles(garment, inputs, applied, context): Handle[] {
    const piece = findPiece(applied.garment, inputs.pieceId)
    const seam = garment.seams.find((s) => s.id === inputs.seamId)
    if (!piece || !seam) return []
    const shape = shapeOf(piece, context.sizeId)
    const edge = piece.edges.find((e) => seamEdges(piece, seam).has(e.id))!
    const path = shape.edges[edge.id]!
    const grain = grainDirection(shape)
    return [
      {
        id: 'wanted',
        pieceId: piece.id,
        at: path[0]!.from,
        axis: grain,
        label: 'seam',
        valueMm: inputs.wantedMm,
        kind: 'amount',
        isGrowth: false,
      },
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'wanted' ? { ...inputs, wantedMm: Math.max(0, inputs.wantedMm + byMm) } : inputs,
  paperSteps: placeSeamSteps,
  withLargest: (_garment, inputs, largestMm) => ({ ...inputs, wantedMm: largestMm }),
  withAmount(garment, inputs, amountMm, context) {
    const piece = findPiece(garment, inputs.pieceId)!
    const seam = garment.seams.find((s) => s.id === inputs.seamId)!
    return { ...inputs, wantedMm: measureSideToSeam(garment, piece, seam, inputs.fromCornerId, context.sizeId)! + amountMm }
  },
})
