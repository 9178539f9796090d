import { readSlashSwing } from './reads'
import { measureLength, placeAt } from '../../geometry'
import { edgePath, findPiece, shapeOf } from '../../pattern'
import { defineChange } from '../define-change'
import type { Handle, Way } from '../types'
import { swingHandle } from '../shared/swing-garment'
import { applySlashSwing, swingSlash } from './apply'
import { fromRecipe, toRecipe } from './recipe'
import { SlashRecipeSchema, SlashSwingSchema, type SlashSwingInputs } from './schema'
import { slashPaperSteps } from './paper-steps'
import { beginSlash, firstSlash } from './begin'

/** Craft 6.8, free: for what has no name yet. */
export const slashSwing = defineChange({
  kind: 'slash-swing',
  title: 'Slash and swing, freely',
  foundBy: [
    'slash',
    'swing',
    'cut and spread',
    'spread',
    'hinge',
    'open the pattern',
    'close the pattern',
    'overlap',
    'flare',
    'own change',
  ],
  does: 'Cuts a piece from one edge to a hinge on another, and swings it open or closed.',
  holds: 'The length of every edge but the one that is cut, the hinge, the part that lies still.',
  schema: SlashSwingSchema,
  reads: (wish, garment, context) => {
    const slashOn = (pieceId: string) => {
      const piece = findPiece(garment, pieceId)
      return piece ? firstSlash(garment, piece, context.sizeId) : null
    }
    return readSlashSwing(wish, garment, slashOn)
  },
  mayMend: { gathers: 1, 'leg-opening': 1, 'back-width': 3, 'neck-shape': 1, 'armhole-depth': 1, 'rounded-back': 2 },
  phase: 'widths',
  recipe: { schema: SlashRecipeSchema, keep: toRecipe, use: (garment, recipe) => fromRecipe(garment, SlashRecipeSchema.parse(recipe)) },
  begin: beginSlash,
  withPiece: (garment, inputs, pieceId, context) => {
    const piece = findPiece(garment, pieceId)
    return (piece && firstSlash(garment, piece, context.sizeId)) ?? inputs
  },
  fields(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const options = (piece?.edges ?? []).filter((e) => e.role !== 'dart-leg').map((e) => ({ value: e.id, label: e.name }))
    const starts = (edgeId: string) => {
      const i = piece?.edges.findIndex((e) => e.id === edgeId) ?? -1
      return piece && i >= 0 ? `From the corner “${piece.corners[i]!.name}” along the edge.` : 'Along the edge.'
    }
    return [
      { type: 'piece', key: 'pieceId', label: 'Piece' },
      { type: 'growth', key: 'amountMm', label: 'Where it is cut', plus: 'Opens', minus: 'Overlaps' },
      { type: 'choice', key: 'fromEdgeId', label: 'Cut from', options },
      { type: 'length', key: 'fromMm', label: 'How far along it', hint: starts(inputs.fromEdgeId) },
      { type: 'choice', key: 'hingeEdgeId', label: 'Hinge on', options },
      { type: 'length', key: 'hingeMm', label: 'How far along it', hint: starts(inputs.hingeEdgeId) },
      {
        type: 'choice',
        key: 'swings',
        label: 'What swings',
        options: [
          { value: 'far', label: 'the part away from fold and grain' },
          { value: 'near', label: 'the part with fold or grain' },
        ],
      },
    ]
  },
  describe(garment, inputs) {
    const piece = findPiece(garment, inputs.pieceId)
    const edge = (id: string) => piece?.edges.find((e) => e.id === id)?.name ?? 'an edge that has gone'
    const way = inputs.amountMm < 0 ? 'Close' : 'Open'
    return {
      title: piece ? `${way} the ${edge(inputs.fromEdgeId)} toward the ${edge(inputs.hingeEdgeId)}` : 'Slash and swing',
      amountMm: inputs.amountMm,
    }
  },
  apply: applySlashSwing,
  handles(garment, inputs, _applied, context): Handle[] {
    const piece = findPiece(garment, inputs.pieceId)!
    const was = shapeOf(piece, context.sizeId)
    const from = placeAt(edgePath(was, inputs.fromEdgeId), inputs.fromMm)
    const hinge = placeAt(edgePath(was, inputs.hingeEdgeId), inputs.hingeMm)
    // Which part swings, and which way, is seen on an opening of a millimetre when there is none yet.
    const done = swingSlash(garment, inputs.amountMm === 0 ? { ...inputs, amountMm: 1 } : inputs)
    const own = done.ok ? done.value.swung.get(piece.id) : undefined
    return [
      ...(own
        ? [
            {
              id: 'amount',
              pieceId: piece.id,
              ...swingHandle(was, own, inputs.fromEdgeId, inputs.amountMm !== 0),
              label: 'opening',
              valueMm: inputs.amountMm,
              isGrowth: true,
              kind: 'amount' as const,
            },
          ]
        : []),
      {
        id: 'from',
        pieceId: piece.id,
        at: from.point,
        axis: from.tangent,
        label: 'cut',
        valueMm: inputs.fromMm,
        isGrowth: false,
        kind: 'level',
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
  drag(garment, inputs, handleId, byMm, context) {
    if (handleId === 'amount') return { ...inputs, amountMm: inputs.amountMm + byMm }
    const key = handleId === 'from' ? 'fromMm' : 'hingeMm'
    const piece = findPiece(garment, inputs.pieceId)
    const edgeId = handleId === 'from' ? inputs.fromEdgeId : inputs.hingeEdgeId
    const path = piece ? shapeOf(piece, context.sizeId).edges[edgeId] : undefined
    const most = path ? measureLength(path) : inputs[key]
    return { ...inputs, [key]: Math.min(most, Math.max(0, inputs[key] + byMm)) }
  },
  choices: (_garment, inputs): Way<SlashSwingInputs>[] => [
    { label: 'the far part swings', inputs: { ...inputs, swings: 'far' } },
    { label: 'the part with fold or grain swings', inputs: { ...inputs, swings: 'near' } },
  ],
  paperSteps: slashPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export { fromRecipe, toRecipe } from './recipe'
export { SlashRecipeSchema, type SlashRecipe, type SlashSwingInputs } from './schema'
