import { measureLength, subtract, unit } from '../../geometry'
import { edgePath, findPiece, placeOnRun, shapeOf, type Shape } from '../../pattern'
import { defineChange } from '../define-change'
import { armholeAsSewn } from '../shared/as-sewn'
import { sideFields, titleOnSide } from '../shared/one-side'
import { shoulderEnds, type ShoulderEnd } from '../shared/find-shoulders'
import { partnersIn } from '../shared/partners-in'
import { alike } from '../shared/sum-of-amounts'
import type { Field, Handle } from '../types'
import { applyShoulderWidth } from './apply'
import { beginShoulder } from './begin'
import { shoulderPaperSteps } from './paper-steps'
import { proposeShoulder, wayFor } from './proposes'
import { readShoulderWidth } from './reads'
import { ShoulderWidthSchema } from './schema'

const HINGE: Field = {
  type: 'length',
  key: 'hingeMm',
  label: 'Hinge, down the armhole',
  hint: 'From the shoulder along the seam line; nearer for a small amount.',
}

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
  does: 'Makes the shoulder seam longer or shorter: by swinging its outer part about a point on the armhole, or along its own line.',
  holds: 'Neckline, seams; the length of the armhole, or the slope of the shoulder and the ease of a cap that follows.',
  schema: ShoulderWidthSchema,
  reads: (wish, _garment, _context, begun) => readShoulderWidth(wish, begun),
  gives: ['shoulder'],
  givesMore: wayFor,
  proposes: proposeShoulder,
  phase: 'widths',
  sideOf: (inputs) => inputs.side,
  leftOut: partnersIn,
  takesOver: (there, { amountMm, armhole, leftOut }) =>
    alike(there.leftOut, leftOut) ? { ...there, armhole, amountMm: there.amountMm + amountMm } : null,
  begin: beginShoulder,
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
        type: 'choice',
        key: 'armhole',
        label: 'The armhole',
        options: [
          { value: 'kept', label: 'keeps its length, swung' },
          { value: 'redrawn', label: 'is redrawn, the cap follows' },
        ],
      },
      ...(inputs.armhole === 'redrawn' ? [] : [HINGE]),
      { type: 'partners', key: 'leftOut', label: 'The other shoulder' },
      ...sideFields(garment),
    ]
  },
  describe: (_garment, inputs) => ({
    title: titleOnSide(
      inputs.amountMm === 0 ? 'Broad or narrow shoulder' : inputs.amountMm > 0 ? 'Broader shoulder' : 'Narrower shoulder',
      inputs.side,
    ),
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
      ...(inputs.armhole === 'redrawn' ? [] : [hingeOf(is, end, piece.id, inputs.hingeMm)]),
    ]
  },
  drag: (_garment, inputs, handleId, byMm) =>
    handleId === 'hinge'
      ? { ...inputs, hingeMm: Math.min(2000, Math.max(1, inputs.hingeMm + byMm)) }
      : { ...inputs, amountMm: inputs.amountMm + byMm },
  // The hinge where it is, and half as far down: for a small amount the nearer one bends the armhole less far.
  choices: (_garment, inputs) => {
    const kept = { ...inputs, armhole: 'kept' as const }
    return [
      { label: 'hinge here', inputs: kept },
      { label: 'hinge half as far down', inputs: { ...kept, hingeMm: inputs.hingeMm / 2 } },
      { label: 'armhole redrawn', inputs: { ...inputs, armhole: 'redrawn' as const } },
    ]
  },
  paperSteps: shoulderPaperSteps,
  asSewn: (before, _inputs, applied, context) => armholeAsSewn(before, applied.garment, context.sizeId),
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

const hingeOf = (shape: Shape, end: ShoulderEnd, pieceId: string, hingeMm: number): Handle => {
  const { point, tangent } = placeOnRun(shape, end.armhole, end.reversed, hingeMm)
  return { id: 'hinge', pieceId, at: point, axis: tangent, label: 'hinge', valueMm: hingeMm, isGrowth: false, kind: 'level' }
}

export type { ShoulderWidthInputs } from './schema'
