import { readLevelWedge, readRoundedBack } from './reads'
import { isStraightPath, placeAt, scale } from '../../geometry'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { ok, refuse } from '../../result'
import { STRAIGHT_MM } from '../../tolerances'
import { defineChange } from '../define-change'
import type { Handle, Way } from '../types'
import { swingHandle } from '../shared/swing-garment'
import { applyLevelWedge, swingWedge } from './apply'
import { startsAbove, placeBelow } from './places'
import { LevelWedgeSchema, type LevelWedgeInputs } from './schema'
import { wedgePaperSteps } from './paper-steps'
import { beginWedge, firstWedge, levelAcross, wedgeAcrossBlades, wedgeForSign } from './begin'

/** Craft 6.4: level a wedge. */
export const levelWedge = defineChange({
  kind: 'level-wedge',
  title: 'Level a wedge',
  foundBy: [
    'wedge',
    'centre back too long',
    'centre front too long',
    'back tilts down',
    'back hem tilts',
    'back waist hangs',
    'swayed back',
    'swayback',
    'neckline gapes',
    'gaping neckline',
    'wrap gapes',
    'fold above the waist at the back',
    'flat seat',
    'full seat',
    'full belly',
    'rounded back',
  ],
  does: 'Takes a wedge out at the centre, or puts one in, fading to nothing at the side seam.',
  holds: 'Side seam length, armhole, every edge that does not lie beside the wedge.',
  schema: LevelWedgeSchema,
  reads(wish, garment, context) {
    const wedgeOn = (pieceId: string) => {
      const piece = findPiece(garment, pieceId)
      return piece ? firstWedge(piece, context.sizeId) : null
    }
    const wedgeAtBlades = (pieceId: string) => {
      const piece = findPiece(garment, pieceId)
      return piece ? wedgeAcrossBlades(piece, context.sizeId) : null
    }
    return [...readRoundedBack(wish, garment, wedgeAtBlades), ...readLevelWedge(wish, garment, wedgeOn)]
  },
  ofPin(garment, pinned, _side, context) {
    if (pinned.how !== 'wedge') return null
    const piece = findPiece(garment, pinned.pieceId)
    const begun = piece && firstWedge(piece, context.sizeId)
    if (!begun) return refuse('no-centre', piece?.name ?? 'piece', 'it has no side at which a wedge could end.', 'Choose a piece with one.')
    const inputs = { ...begun, edgeId: pinned.edgeId, belowMm: pinned.belowMm, amountMm: pinned.isOut ? -pinned.mm : pinned.mm }
    return ok(levelAcross(piece, inputs, context.sizeId))
  },
  mayMend: {
    'collar-back': 2,
    'crotch-depth': 3,
    'crotch-curve': 3,
    belly: 1,
    'rounded-back': 1,
    'erect-back': 1,
    'rounded-shoulders': 2,
    'flat-seat': 1,
    'full-seat': 1,
    seat: 2,
  },
  beginFor: wedgeForSign,
  phase: 'widths',
  begin: beginWedge,
  withPiece(garment, inputs, pieceId, context) {
    const piece = findPiece(garment, pieceId)
    return (piece && firstWedge(piece, context.sizeId)) ?? inputs
  },
  fields(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const options = (piece?.edges ?? []).filter((e) => e.role !== 'dart-leg').map((e) => ({ value: e.id, label: e.name }))
    return [
      { type: 'piece', key: 'pieceId', label: 'Piece' },
      { type: 'growth', key: 'amountMm', label: 'Wedge', plus: 'Put in', minus: 'Take out' },
      { type: 'choice', key: 'edgeId', label: 'Widest at', options },
      { type: 'length', key: 'belowMm', label: 'How far below its upper end' },
      { type: 'choice', key: 'hingeEdgeId', label: 'Nothing at', options },
      { type: 'length', key: 'hingeBelowMm', label: 'How far below its upper end' },
      {
        type: 'choice',
        key: 'straighten',
        label: 'A straight centre gives or takes',
        options: [
          { value: 'lower', label: 'below the wedge' },
          { value: 'upper', label: 'above the wedge' },
          { value: 'between', label: 'neither: ruled from end to end' },
        ],
      },
    ]
  },
  describe(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const edge = piece?.edges.find((e) => e.id === inputs.edgeId)?.name ?? 'an edge that has gone'
    const way = inputs.amountMm === 0 ? 'Level a wedge' : inputs.amountMm < 0 ? 'Take a wedge out' : 'Put a wedge in'
    return { title: `${way} at the ${edge}`, amountMm: inputs.amountMm }
  },
  apply: applyLevelWedge,
  handles(garment, inputs, _applied, context): Handle[] {
    const piece = findPiece(garment, inputs.pieceId)!
    const was = shapeOf(piece, context.sizeId)
    const place = (edgeId: string, belowMm: number) => {
      const { point, tangent } = placeAt(edgePath(was, edgeId), placeBelow(was, edgeId, belowMm) ?? 0)
      return { point, down: startsAbove(was, edgeId) ? tangent : scale(tangent, -1) }
    }
    const mouth = place(inputs.edgeId, inputs.belowMm)
    const hinge = place(inputs.hingeEdgeId, inputs.hingeBelowMm)
    // Which part moves is seen on a wedge of a millimetre when there is none yet.
    const done = swingWedge(garment, inputs.amountMm === 0 ? { ...inputs, amountMm: 1 } : inputs)
    const own = done.ok ? done.value.swung.get(piece.id) : undefined
    return [
      ...(own
        ? [
            {
              id: 'amount',
              pieceId: piece.id,
              ...swingHandle(was, own, inputs.edgeId, inputs.amountMm !== 0),
              label: 'wedge',
              valueMm: inputs.amountMm,
              isGrowth: true,
              kind: 'amount' as const,
            },
          ]
        : []),
      {
        id: 'below',
        pieceId: piece.id,
        at: mouth.point,
        axis: mouth.down,
        label: 'wedge',
        valueMm: inputs.belowMm,
        isGrowth: false,
        kind: 'level',
      },
      {
        id: 'hinge',
        pieceId: piece.id,
        at: hinge.point,
        axis: hinge.down,
        label: 'hinge',
        valueMm: inputs.hingeBelowMm,
        isGrowth: false,
        kind: 'level',
      },
    ]
  },
  drag(_garment, inputs, handleId, byMm) {
    if (handleId === 'amount') return { ...inputs, amountMm: inputs.amountMm + byMm }
    const key = handleId === 'hinge' ? 'hingeBelowMm' : 'belowMm'
    return { ...inputs, [key]: Math.max(0, inputs[key] + byMm) }
  },
  choices(garment, inputs, context): Way<LevelWedgeInputs>[] {
    const piece = findPiece(garment, inputs.pieceId)
    const path = piece && shapeOf(piece, context.sizeId).edges[inputs.edgeId]
    if (!path || !isStraightPath(path, STRAIGHT_MM)) return []
    return [
      { label: 'gives or takes below', inputs: { ...inputs, straighten: 'lower' } },
      { label: 'gives or takes above', inputs: { ...inputs, straighten: 'upper' } },
      { label: 'ruled from end to end', inputs: { ...inputs, straighten: 'between' } },
    ]
  },
  paperSteps: wedgePaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { LevelWedgeInputs } from './schema'
