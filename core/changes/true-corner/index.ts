import { readTrueCorner } from './reads'
import { mendCorner } from './mends'
import { measureLength, placeAt, scale } from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { applyTrueCorner } from './apply'
import { findCorner } from './find-corner'
import { trueCornerPaperSteps } from './paper-steps'
import { proposeTruing } from './proposes'
import { TrueCornerSchema } from './schema'

/** Craft 7: the outline runs through seams without a corner. */
export const trueCorner = defineChange({
  kind: 'true-corner',
  title: 'True a corner',
  foundBy: [
    'true',
    'truing',
    'true a corner',
    'hem turns a corner',
    'armhole has a corner',
    'smooth',
    'point at the fold',
    'dip',
    'run through',
  ],
  does: 'Redraws the edges beside a seam, dart or fold so that they run on smoothly when sewn.',
  holds: 'The ends of every edge, the seam that ends there, everything beyond the redrawn part.',
  schema: TrueCornerSchema,
  reads: readTrueCorner,
  phase: 'true',
  proposes: proposeTruing,
  mends: mendCorner,
  begin(garment, context) {
    const corners = cornersAsSewn(walkGarment(garment, context.sizeId))
    if (corners.length === 0)
      return refuse('no-corner', 'garment', 'no edge runs through a seam, a dart or a fold here.', 'Name the edges and seams first.')
    const roughest = corners.reduce((a, b) => (rough(b) > rough(a) ? b : a))
    return ok({ cornerId: roughest.id, reachMm: 0, firstTakes: 'half' })
  },
  fields: (garment) => [
    {
      type: 'choice',
      key: 'cornerId',
      label: 'Where',
      options: cornersAsSewn(walkGarment(garment, garment.baseSizeId))
        .sort((a, b) => rough(b) - rough(a))
        .map((c) => ({ value: c.id, label: `${c.where} (${Math.abs(c.turnDeg).toFixed(0)}°)` })),
    },
    {
      type: 'length',
      key: 'reachMm',
      label: 'Redraw each edge over',
      hint: 'Measured from the seam; long enough that the change does not show.',
    },
    {
      type: 'choice',
      key: 'firstTakes',
      label: 'Who gives',
      options: [
        { value: 'half', label: 'both edges alike' },
        { value: 'all', label: 'the first edge only' },
        { value: 'none', label: 'the second edge only' },
      ],
    },
  ],
  describe(garment, inputs) {
    const corner = findCorner(garment, inputs.cornerId, garment.baseSizeId)
    // How far to each side it is drawn anew: nothing grows by that.
    return { isPlace: true, title: corner ? `True the ${corner.edgeName} ${corner.through}` : 'True a corner', amountMm: inputs.reachMm }
  },
  apply: applyTrueCorner,
  handles(_garment, inputs, applied, context): Handle[] {
    const arm = findCorner(applied.garment, inputs.cornerId, context.sizeId)!.arms[0]!
    const path = edgePath(shapeOf(findPiece(applied.garment, arm.pieceId)!, context.sizeId), arm.edgeId)
    const { point, tangent } = placeAt(path, arm.atStart ? inputs.reachMm : measureLength(path) - inputs.reachMm)
    return [
      {
        id: 'reach',
        pieceId: arm.pieceId,
        at: point,
        axis: arm.atStart ? tangent : scale(tangent, -1),
        label: 'redrawn over',
        valueMm: inputs.reachMm,
        isGrowth: false,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, reachMm: Math.max(0, inputs.reachMm + byMm) }),
  takesOver: (there, proposed) => (there.cornerId === proposed.cornerId ? there : null),
  paperSteps: trueCornerPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, reachMm: Math.abs(amountMm) }),
})

/** What order corners are offered in: real ones by their turn, designed ones last. */
const rough = (c: { turnDeg: number; designed: boolean }) => (c.designed ? -1 : Math.abs(c.turnDeg))
