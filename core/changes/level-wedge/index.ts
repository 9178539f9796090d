import { readLevelWedge } from './reads'
import { isStraightPath, measureLength, nearestPlace, placeAt, scale, alongGrain, crossLevel } from '../../geometry'
import { cutPiece } from '../../moves'
import { edgePath, findPiece, grainDirection, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { STRAIGHT_MM } from '../../tolerances'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { ChangeContext, Handle, PaperStep, StepInput, Way } from '../types'
import { swingHandle } from '../shared/swing-garment'
import { applyLevelWedge, placeBelow, startsAbove, straightenFigures, swingWedge } from './apply'
import { LevelWedgeSchema, type LevelWedgeInputs } from './schema'

const WIDEST: EdgeRole[] = ['centre-back', 'centre-front', 'crotch', 'neck']
const HINGES: EdgeRole[] = ['side', 'outseam']

/** The same wedge with its hinge on the level of its mouth, where that meets the side; else where it was. */
function levelAcross(piece: Piece, inputs: LevelWedgeInputs, sizeId: string): LevelWedgeInputs {
  const shape = shapeOf(piece, sizeId)
  const atMm = shape.edges[inputs.edgeId] ? placeBelow(shape, inputs.edgeId, inputs.belowMm) : null
  const [hinge] =
    atMm === null
      ? []
      : crossLevel(
          edgePath(shape, inputs.hingeEdgeId),
          grainDirection(shape),
          alongGrain(placeAt(edgePath(shape, inputs.edgeId), atMm).point, grainDirection(shape)),
        )
  if (!hinge) return inputs
  const sideMm = measureLength(edgePath(shape, inputs.hingeEdgeId))
  const hingeBelowMm = startsAbove(shape, inputs.hingeEdgeId) ? hinge.atMm : sideMm - hinge.atMm
  return { ...inputs, hingeBelowMm: Math.min(Math.max(hingeBelowMm, LEAST_MM), sideMm - LEAST_MM) }
}

/** Shares of the side seam at which a wedge is tried, best first. */
const SHARES = [0.5, 0.35, 0.65, 0.2, 0.05]

/** A level wedge from the centre to about half the side seam; null for a piece without a centre or side to cut between. */
function firstWedge(piece: Piece, sizeId: string): LevelWedgeInputs | null {
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const sides = piece.edges.filter((e) => HINGES.includes(e.role))
  const side = sides.sort((a, b) => measureLength(edgePath(shape, b.id)) - measureLength(edgePath(shape, a.id)))[0]
  if (!side) return null
  const across = edgePath(shape, side.id)
  const sideMm = measureLength(across)
  for (const edge of WIDEST.flatMap((r) => piece.edges.filter((e) => e.role === r)))
    for (const share of SHARES) {
      const own = edgePath(shape, edge.id)
      const { point } = placeAt(across, sideMm * share)
      // Where the same level crosses the edge; else the place of it that is nearest.
      const atMm = crossLevel(own, grain, alongGrain(point, grain))[0]?.atMm ?? nearestPlace(own, point).lengthMm
      const slash = { from: { edgeId: edge.id, atMm }, through: [], to: { edgeId: side.id, atMm: sideMm * share } }
      const inside = atMm > LEAST_MM && atMm < measureLength(own) - LEAST_MM
      if (!inside || !cutPiece(piece, shape, [slash]).ok) continue
      const below = (edgeId: string, mm: number, length: number) => (startsAbove(shape, edgeId) ? mm : length - mm)
      return {
        pieceId: piece.id,
        edgeId: edge.id,
        belowMm: below(edge.id, atMm, measureLength(own)),
        hingeEdgeId: side.id,
        hingeBelowMm: below(side.id, sideMm * share, sideMm),
        amountMm: 0,
        straighten: 'lower',
      }
    }
  return null
}

/** A wedge begins at least this far from the ends of its edge, mm: there must be edge to rule straight on both sides. */
const LEAST_MM = 20

function beginWedge(garment: Garment, context: ChangeContext): Result<LevelWedgeInputs> {
  const backFirst = [...garment.pieces].sort((a, b) => Number(b.kind.includes('back')) - Number(a.kind.includes('back')))
  for (const piece of backFirst) {
    const begun = firstWedge(piece, context.sizeId)
    if (begun) return ok(begun)
  }
  return refuse(
    'no-centre',
    'garment',
    'no piece with a centre and a side seam is found.',
    'Name the centre and the side of a piece first.',
  )
}

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
  ],
  does: 'Takes a wedge out at the centre, or puts one in, fading to nothing at the side seam.',
  holds: 'Side seam length, armhole, every edge that does not lie beside the wedge.',
  schema: LevelWedgeSchema,
  reads(wish, garment, context) {
    const wedgeOn = (pieceId: string) => {
      const piece = findPiece(garment, pieceId)
      return piece ? firstWedge(piece, context.sizeId) : null
    }
    return readLevelWedge(wish, garment, wedgeOn)
  },
  ofPin(garment, pinned, _side, context) {
    if (pinned.how !== 'wedge') return null
    const piece = findPiece(garment, pinned.pieceId)
    const begun = piece && firstWedge(piece, context.sizeId)
    if (!begun) return refuse('no-centre', piece?.name ?? 'piece', 'it has no side at which a wedge could end.', 'Choose a piece with one.')
    const inputs = { ...begun, edgeId: pinned.edgeId, belowMm: pinned.belowMm, amountMm: pinned.isOut ? -pinned.mm : pinned.mm }
    return ok(levelAcross(piece, inputs, context.sizeId))
  },
  mayMend: { 'collar-back': 2, belly: 1, 'rounded-back': 1, 'flat-seat': 1, 'full-seat': 1, seat: 2 },
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

function wedgePaperSteps({ before, inputs, applied, context, ruler }: StepInput<LevelWedgeInputs>): PaperStep[] {
  const piece = findPiece(before, inputs.pieceId)!
  const shape = shapeOf(piece, context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const name = (id: string) => piece.edges.find((e) => e.id === id)!.name
  const from = placeAt(edgePath(shape, inputs.edgeId), placeBelow(shape, inputs.edgeId, inputs.belowMm) ?? 0).point
  const hinge = placeAt(edgePath(shape, inputs.hingeEdgeId), placeBelow(shape, inputs.hingeEdgeId, inputs.hingeBelowMm) ?? 0).point
  const gap = figure(Math.abs(inputs.amountMm))
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const figures = straightenFigures(before, inputs, context.sizeId).find((f) => f.straighten === inputs.straighten)
  const said = (f: { name: string; mm: number }) => `the ${f.name} becomes ${figure(Math.abs(f.mm))} ${f.mm < 0 ? 'shorter' : 'longer'}`
  const changes = figures ? [figures.upper, figures.lower].filter((f) => Math.abs(f.mm) > 0.5).map(said) : []
  return [
    {
      text: `${piece.name}: draw a line from the ${name(inputs.edgeId)}, ${figure(inputs.belowMm)} below its upper end, to the ${name(inputs.hingeEdgeId)}, ${figure(inputs.hingeBelowMm)} below its upper end, both on the seam line.`,
      drawing: { pieceId: piece.id, strokes: [outline, lineStroke(from, hinge, 'line')], labels: [{ at: from, text: gap }] },
    },
    {
      text:
        inputs.amountMm >= 0
          ? `${piece.name}: cut almost to the ${name(inputs.hingeEdgeId)}, clip the allowance there, and swing the lower part down until the gap is ${gap}. Tape paper behind it.`
          : `${piece.name}: fold the wedge out: ${gap} wide at the ${name(inputs.edgeId)}, nothing at the seam line of the ${name(inputs.hingeEdgeId)}. Tape it.`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(from, hinge, 'cut')], labels: [{ at: from, text: gap }] },
    },
    {
      text: `${piece.name}: rule the ${name(inputs.edgeId)} straight again${inputs.straighten === 'between' ? ' from end to end' : inputs.straighten === 'lower' ? ', on from its upper part' : ', on from its lower part'}${changes.length > 0 ? `; ${changes.join(', and ')}` : ''}. Smooth the bend at the hinge. The ${name(inputs.hingeEdgeId)} measures ${figure(measureLength(edgePath(shape, inputs.hingeEdgeId)))} as before.`,
      drawing: { pieceId: piece.id, strokes: [outline, result], labels: [] },
    },
  ]
}

export type { LevelWedgeInputs } from './schema'
