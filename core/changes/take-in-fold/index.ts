import { readTakeInFold } from './reads'
import { findPiece, dartFigures, marksAlong, shapeOf, type EdgeRole, type Garment, halfNames } from '../../pattern'
import { tipBackMm } from '../../darts'
import { opensOut } from '../../moves'
import { ok, refuse } from '../../result'
import { defineChange } from '../define-change'
import { dartOptions, dartsOf, openEdges, type FoundDart } from '../shared/darts/find-darts'
import type { Handle } from '../types'
import { applyTakeInFold, onOneSide, pinPoints, pinsOf } from './apply'
import { TakeInFoldSchema, type TakeInFoldInputs } from './schema'
import { foldSteps } from './paper-steps'

/** Edges at which folds are usually pinned. */
const PINNED: EdgeRole[] = ['armhole', 'neck', 'shoulder']

/** A fold is begun this far from the middle of its edge's first half, mm from its first mark. */
function inputsFor(garment: Garment, found: FoundDart): TakeInFoldInputs | null {
  const { piece, dart } = found
  const shape = shapeOf(piece, garment.baseSizeId)
  const beside = dartFigures(piece, shape, dart).before
  const edge = PINNED.flatMap((r) => openEdges(piece).filter((e) => e.role === r)).find((e) => e.id !== beside.id)
  if (!edge) return null
  const from = marksAlong(piece, edge.id)
  return { dart: found.ref, edgeId: edge.id, from: from[0]!.id, atMm: 100, amountMm: 0, sides: 'both', tipBackMm: tipBackMm(beside.role) }
}

/** Pinned this far from the first mark of an edge that is chosen afresh, mm. */
const NEAR_MARK_MM = 25

/** The same fold pinned at another edge, from its first mark. */
function atEdge(garment: Garment, inputs: TakeInFoldInputs, edgeId: string): TakeInFoldInputs {
  const piece = dartsOf(garment).find((d) => d.ref === inputs.dart)!.piece
  return edgeId === inputs.edgeId ? inputs : { ...inputs, edgeId, from: marksAlong(piece, edgeId)[0]!.id, atMm: NEAR_MARK_MM }
}

/** Craft 6.11: take in a pinned fold. */
export const takeInFoldKind = defineChange({
  kind: 'take-in-fold',
  title: 'Take in a pinned fold',
  foundBy: ['armhole gapes', 'gaping armhole', 'neckline gapes', 'gaping neckline', 'pinned fold', 'take in a fold', 'pinned in a fitting'],
  does: 'Closes a wedge pinned at an edge in a fitting and adds its angle to a dart.',
  holds: 'The angle of fold and dart together, the other edges, the grain; the dart’s legs come out equal.',
  schema: TakeInFoldSchema,
  reads: (wish, garment) =>
    readTakeInFold(
      wish,
      garment,
      (dart) => inputsFor(garment, dart),
      (inputs, edgeId) => atEdge(garment, inputs, edgeId),
    ),
  ofOneSide: true,
  isOneSided: (inputs) => inputs.sides !== 'both',
  ofPin(garment, pinned, side) {
    if (pinned.how !== 'fold') return null
    const { pieceId, edgeId, from, atMm, mm } = pinned
    const piece = findPiece(garment, pieceId)
    const name = piece?.name ?? 'piece'
    const begun = dartsOf(garment).flatMap((d) => (d.piece.id === pieceId ? (inputsFor(garment, d) ?? []) : []))[0]
    if (!piece || !begun)
      return refuse('no-dart', name, 'it has no dart that could take the fold in.', 'Make or move a dart into it first.')
    const sides = side === 'both' ? side : halfNames(piece, shapeOf(piece, garment.baseSizeId))[0] === side ? 'one' : 'other'
    if (sides !== 'both' && !opensOut(piece))
      return refuse('one-side', name, 'its two sides cannot be told apart here.', 'Pin both sides alike, or name its centre first.')
    return ok({ ...begun, edgeId, from, atMm, amountMm: mm, sides })
  },
  mayMend: { 'neck-shape': 2 },
  phase: 'widths',
  begin(garment) {
    for (const found of dartsOf(garment)) {
      const inputs = inputsFor(garment, found)
      if (inputs) return ok(inputs)
    }
    return refuse('no-dart', 'garment', 'it has no dart that could take a fold in.', 'Make or move a dart first.')
  },
  withField(garment, inputs, key, value) {
    const found = dartsOf(garment).find((d) => d.ref === (key === 'dart' ? value : inputs.dart))
    if (key === 'dart' && found) return { ...(inputsFor(garment, found) ?? inputs), dart: found.ref, amountMm: inputs.amountMm }
    return key === 'edgeId' && found ? atEdge(garment, inputs, String(value)) : { ...inputs, [key]: value }
  },
  fields(garment, inputs) {
    const piece = dartsOf(garment).find((d) => d.ref === inputs.dart)?.piece
    const edges = piece ? openEdges(piece) : []
    const marks = piece && edges.some((e) => e.id === inputs.edgeId) ? marksAlong(piece, inputs.edgeId) : []
    const names = piece && opensOut(piece) ? halfNames(piece, shapeOf(piece, garment.baseSizeId)) : []
    const oneSide = names.map((name, i) => ({ value: i === 0 ? 'one' : 'other', label: `${name} only` }))
    return [
      { type: 'choice', key: 'edgeId', label: 'Pinned at', options: edges.map((e) => ({ value: e.id, label: e.name })) },
      { type: 'choice', key: 'from', label: 'Measured from', options: marks.map((m) => ({ value: m.id, label: m.name })) },
      { type: 'length', key: 'atMm', label: 'To the nearer pin' },
      { type: 'length', key: 'amountMm', label: 'Pinned, from pin to pin', hint: 'At the edge itself, along it: these two pins decide.' },
      { type: 'choice', key: 'dart', label: 'Into the dart', options: dartOptions(garment) },
      {
        type: 'choice',
        key: 'sides',
        label: 'On the body',
        options: [{ value: 'both', label: 'both sides alike' }, ...oneSide],
      },
      { type: 'length', key: 'tipBackMm', label: 'Tip short of the apex' },
    ]
  },
  describe(garment, inputs) {
    const piece = dartsOf(garment).find((d) => d.ref === inputs.dart)?.piece
    const edge = piece?.edges.find((e) => e.id === inputs.edgeId)?.name ?? 'an edge that has gone'
    const names = piece && opensOut(piece) ? halfNames(piece, shapeOf(piece, garment.baseSizeId)) : null
    const side = names && inputs.sides !== 'both' ? `, ${names[inputs.sides === 'one' ? 0 : 1]} only` : ''
    return { title: `Take in the fold at the ${edge}${side}`, amountMm: inputs.amountMm }
  },
  apply: applyTakeInFold,
  handles(whole, wholeInputs, _applied, context): Handle[] {
    const { garment, inputs } = onOneSide(whole, wholeInputs)
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const shape = shapeOf(found.piece, context.sizeId)
    const pins = pinsOf(found.piece, shape, inputs)
    if (!pins) return []
    const [near, far] = pinPoints(shape, inputs.edgeId, pins)
    const back = inputs.from === marksAlong(found.piece, inputs.edgeId)[1]!.id
    const at = back ? near : far
    const axis = back ? { x: -at.tangent.x, y: -at.tangent.y } : at.tangent
    return [
      {
        id: 'amount',
        pieceId: found.piece.id,
        at: at.point,
        axis,
        label: 'pinned',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: Math.max(0, inputs.amountMm + byMm) }),
  paperSteps: foldSteps,
  // A fold takes in; there is none of less than nothing.
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm: Math.abs(amountMm) }),
})

export type { TakeInFoldInputs } from './schema'
