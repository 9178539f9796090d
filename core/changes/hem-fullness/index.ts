import { readHemFullness } from './reads'
import { partnersIn } from '../shared/partners-in'
import { dot, measureLength, placeAt, scale, subtract } from '../../geometry'
import { edgePath, findPiece, neighbours, shapeOf, type Garment } from '../../pattern'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { LEAST_PACE } from '../shared/swing-garment'
import type { Handle } from '../types'
import { applyHemFullness, swingHems } from './apply'
import { hemAndTop, lengthOf } from './find-hems'
import { HemFullnessSchema } from './schema'
import { hemPaperSteps } from './paper-steps'

/** A usual width of cloth, mm. */
const USUAL_CLOTH_MM = 1400

/** Craft 6.8: fullness into or out of a hem. */
export const hemFullness = defineChange({
  kind: 'hem-fullness',
  title: 'Fullness of a hem',
  foundBy: [
    'fullness',
    'fuller skirt',
    'slimmer skirt',
    'flare',
    'skirt too full',
    'skirt too narrow',
    'hem too wide',
    'hem too narrow',
    'wider leg',
    'fuller sleeve',
    'take fullness out',
    'does not fit the fabric width',
  ],
  does: 'Opens or closes cuts from the hem of a skirt, leg or sleeve up to the edge it hangs from.',
  holds: 'Waist or cap length, side seams; says whether the piece still fits the cloth.',
  schema: HemFullnessSchema,
  reads: (wish, garment, context, begun) => readHemFullness(wish, garment, context, begun),
  mayMend: { gathers: 1, 'straight-leg': 1 },
  phase: 'widths',
  leftOut: partnersIn,
  begin(garment) {
    const piece = garment.pieces.find((p) => hemAndTop(p) !== null)
    if (!piece)
      return refuse(
        'no-hem',
        'garment',
        'no skirt, leg or sleeve with a hem is found.',
        'Set the kind of a piece and name its hem and waist first.',
      )
    return ok({ amountMm: 0, pieceId: piece.id, cuts: 2, leftOut: [], clothMm: USUAL_CLOTH_MM, folded: true })
  },
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId, leftOut: [] }),
  fields(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const run = piece && hemAndTop(piece)
    const nowMm = piece && run ? lengthOf(shapeOf(piece, garment.baseSizeId), run.hem) : undefined
    return [
      { type: 'piece', key: 'pieceId', label: 'Piece' },
      {
        type: 'growth',
        key: 'amountMm',
        label: 'Hem of each piece',
        plus: 'Fuller',
        minus: 'Slimmer',
        ...(nowMm === undefined ? {} : { nowMm }),
      },
      { type: 'count', key: 'cuts', label: 'Cuts', min: 1, max: 12 },
      { type: 'partners', key: 'leftOut', label: 'Changed with it' },
      { type: 'length', key: 'clothMm', label: 'Width of the cloth' },
      { type: 'switch', key: 'folded', label: 'The cloth lies folded', hint: 'A piece on the fold always does.' },
    ]
  },
  describe(garment, inputs) {
    const name = findPiece(garment, inputs.pieceId)?.name ?? 'a piece that has gone'
    const way = inputs.amountMm === 0 ? 'Fullness of the hem' : inputs.amountMm > 0 ? 'Fuller hem' : 'Slimmer hem'
    return { title: `${way}, ${name}`, amountMm: inputs.amountMm }
  },
  apply: applyHemFullness,
  handles(garment, inputs, applied, context): Handle[] {
    const outerEnd = (g: Garment) => {
      const piece = findPiece(g, inputs.pieceId)!
      const { hem } = hemAndTop(piece)!
      const shape = shapeOf(piece, context.sizeId)
      // Away from the fold or centre.
      const first = neighbours(piece, hem[0]!.id).before
      const atStart = !(first.fold || first.role === 'centre-front' || first.role === 'centre-back')
      const path = edgePath(shape, (atStart ? hem[0]! : hem[hem.length - 1]!).id)
      const { point, tangent } = placeAt(path, atStart ? 0 : measureLength(path))
      return { point, outward: atStart ? scale(tangent, -1) : tangent }
    }
    const { point, outward } = outerEnd(applied.garment)
    // Where the middle lies still, each end goes out by its share only.
    const more = swingHems(garment, { ...inputs, amountMm: inputs.amountMm + 1 })
    const pace = more.ok ? dot(subtract(outerEnd(more.value.garment).point, point), outward) : 1
    return [
      {
        id: 'amount',
        pieceId: inputs.pieceId,
        at: point,
        axis: outward,
        label: 'hem',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
        pace: Math.max(LEAST_PACE, pace),
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: hemPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export type { HemFullnessInputs } from './schema'
