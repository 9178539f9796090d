import { sumOfAmounts } from '../shared/sum-of-amounts'
import { readShoulderWidth } from './reads'
import { partnersIn } from '../shared/partners-in'
import { measureLength, subtract, unit } from '../../geometry'

import { edgePath, findPiece, shapeOf, placeOnRun } from '../../pattern'
import { ok } from '../../result'
import { defineChange } from '../define-change'
import type { Handle } from '../types'
import { applyShoulderWidth, USUAL_PART } from './apply'
import { aboveDart, armholeLength, shoulderEnds, whyNoShoulder } from '../shared/find-shoulders'
import { shoulderPaperSteps } from './paper-steps'
import { ShoulderWidthSchema } from './schema'

/** Above a dart in the armhole the hinge sits so far down. */
const ABOVE_DART_PART = 0.9

/** How far down the armhole the hinge usually sits, mm (craft 6.8). */
const USUAL_HINGE_MM = 125

/** Craft 6.8: broad or narrow shoulder. */
export const shoulderWidth = defineChange({
  kind: 'shoulder-width',
  title: 'Broad or narrow shoulder',
  foundBy: [
    'broad shoulder',
    'narrow shoulder',
    'wider shoulder',
    'shoulder too wide',
    'shoulder too narrow',
    'seam falls off the shoulder',
    'sleeve seam sits too far out',
    'sleeve pulls at the shoulder',
    'shoulder seam too long',
  ],
  does: 'Makes the shoulder seam longer or shorter by swinging its outer part about a point on the armhole.',
  holds: 'Neckline, armhole length, everything below the hinge; front and back shoulders still meet.',
  schema: ShoulderWidthSchema,
  reads: (wish, _garment, _context, begun) => readShoulderWidth(wish, begun),
  gives: ['shoulder'],
  givesMore: (_garment, begun, missingMm) => ({ ...begun, amountMm: missingMm }),
  phase: 'widths',
  leftOut: partnersIn,
  takesOver: sumOfAmounts,
  begin(garment, context) {
    const none = whyNoShoulder(garment, context.sizeId)
    if (none) return none
    const rooms = garment.pieces.flatMap((p) => {
      const shape = shapeOf(p, context.sizeId)
      // Above a dart in the armhole: the part that swings has to hang together.
      return shoulderEnds(p).map((e) => Math.min(armholeLength(shape, e) * USUAL_PART, aboveDart(p, shape, e) * ABOVE_DART_PART))
    })
    return ok({ amountMm: 0, hingeMm: Math.min(USUAL_HINGE_MM, Math.round(Math.min(...rooms))), leftOut: [] })
  },
  fields(garment, inputs) {
    const piece = garment.pieces.find((p) => shoulderEnds(p).length > 0 && !inputs.leftOut.includes(p.id))
    const nowMm = piece ? measureLength(edgePath(shapeOf(piece, garment.baseSizeId), shoulderEnds(piece)[0]!.shoulder.id)) : undefined
    return [
      {
        type: 'growth',
        key: 'amountMm',
        label: 'Shoulder seam, each side',
        plus: 'Broader',
        minus: 'Narrower',
        ...(nowMm === undefined ? {} : { nowMm }),
      },
      {
        type: 'length',
        key: 'hingeMm',
        label: 'Hinge, down the armhole',
        hint: 'From the shoulder along the seam line; nearer for a small amount.',
      },
      { type: 'partners', key: 'leftOut', label: 'The other shoulder' },
    ]
  },
  describe: (_garment, inputs) => ({
    title: inputs.amountMm === 0 ? 'Broad or narrow shoulder' : inputs.amountMm > 0 ? 'Broader shoulder' : 'Narrower shoulder',
    amountMm: inputs.amountMm,
  }),
  apply: applyShoulderWidth,
  handles(garment, inputs, applied, context): Handle[] {
    const piece = garment.pieces.find((p) => shoulderEnds(p).length > 0 && !inputs.leftOut.includes(p.id))
    if (!piece) return []
    const end = shoulderEnds(piece)[0]!
    const is = shapeOf(findPiece(applied.garment, piece.id)!, context.sizeId)
    const path = edgePath(is, end.shoulder.id)
    const [start, last] = [path[0]!.from, path[path.length - 1]!.to]
    const tip = end.reversed ? start : last
    const hinge = placeOnRun(is, end.armhole, end.reversed, inputs.hingeMm)
    return [
      {
        id: 'amount',
        pieceId: piece.id,
        at: tip,
        axis: unit(subtract(tip, end.reversed ? last : start)),
        label: 'shoulder',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
      {
        id: 'hinge',
        pieceId: piece.id,
        at: hinge.point,
        axis: hinge.tangent,
        label: 'hinge',
        valueMm: inputs.hingeMm,
        isGrowth: false,
        kind: 'level',
      },
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'hinge'
      ? { ...inputs, hingeMm: Math.min(2000, Math.max(1, inputs.hingeMm + byMm)) }
      : { ...inputs, amountMm: inputs.amountMm + byMm },
  // The hinge where it is, and half as far down: for a small amount the nearer one bends the armhole less far.
  choices: (_garment, inputs) => [
    { label: 'hinge here', inputs },
    { label: 'hinge half as far down', inputs: { ...inputs, hingeMm: inputs.hingeMm / 2 } },
  ],
  paperSteps: shoulderPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { ShoulderWidthInputs } from './schema'
