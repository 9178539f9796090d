import { readRaiseDart } from './reads'
import { scale, type Point } from '../../geometry'
import { angleFrom, markApex, raiseDart, runsAlongGrain } from '../../moves'
import { dartFigures, edgeFamily, findPiece, grainDirection, pieceOfRef, shapeOf, type Garment, type Shape, mapShapes } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM, SEAM_GOOD_MM } from '../../tolerances'
import { formatLength, limitToken } from '../../units'
import { defineChange } from '../define-change'
import { findBrokenOutline } from '../check-outlines'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import { apexOf, besideDart, dartOptions, dartsOf, familyMm, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { findLargest } from '../find-largest'
import { bothShapes, holdEdge, holdGrain, holdMeasure } from '../shared/held'
import { dartCautions } from '../shared/darts/turn-dart'
import type { Applied, ChangeContext, Handle, PaperStep, StepInput } from '../types'
import { RaiseDartSchema, type RaiseDartInputs } from './schema'

const DEG = 180 / Math.PI

/** The garment with the dart raised in every size, or null where it would leave its edge in one. */
function raised(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, upMm: number): Garment | null {
  if (upMm === 0) return garment
  let fits = true
  const after = mapShapes(markApex(garment, piece.id, apex), piece.id, (p, shape, sizeId) => {
    const up = raiseDart(p, shape, dart, apex(sizeId), upMm)
    if (!up) fits = false
    return up ?? shape
  })
  return fits && findBrokenOutline(garment, after) === null ? after : null
}

function applyRaise(garment: Garment, inputs: RaiseDartInputs, context: ChangeContext): Result<Applied> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const { piece, dart } = found
  const apex = apexOf(found)
  const after = raised(garment, found, apex, inputs.amountMm)
  if (!after) {
    const largest = findLargest(inputs.amountMm, (mm) => raised(garment, found, apex, mm) !== null)
    return refuse(
      'amount-too-large',
      `${piece.name}, ${dart.name}`,
      'the dart would leave its edge.',
      `It can go ${inputs.amountMm > 0 ? 'up' : 'down'} by ${limitToken(Math.abs(largest))} at most.`,
      largest,
    )
  }
  const { was, is } = bothShapes(garment, after, piece.id, context.sizeId)
  const now = findPiece(after, piece.id)!
  const at = apex(context.sizeId)
  const up = { x: at.x - grainDirection(was).x * inputs.amountMm, y: at.y - grainDirection(was).y * inputs.amountMm }
  const angleDeg = (shape: Shape, from: typeof at) => angleFrom(from, shape, dart) * DEG
  const own = besideDart(piece, was, dart)
  const beside = piece.edges.filter((e) => e.role !== 'dart-leg' && !own.includes(edgeFamily(e.id)))
  const sideMm = (p: typeof piece, shape: Shape) => [...new Set(own)].reduce((sum, f) => sum + familyMm(p, shape, f), 0)
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: [
      runsAlongGrain(piece, was, dart)
        ? holdMeasure('intake', piece.name, dartFigures(piece, was, dart).intakeMm, dartFigures(now, is, dart).intakeMm, EQUAL_MM)
        : holdMeasure('angle at the apex', piece.name, angleDeg(was, at), angleDeg(is, up), EQUAL_MM, 'deg'),
      holdMeasure('its edge with the dart closed', piece.name, sideMm(piece, was), sideMm(now, is), SEAM_GOOD_MM),
      ...beside.map((e) => holdEdge(piece, was, is, e.id)),
      holdGrain(piece, was, is),
    ],
    folded: { pieceId: piece.id, dartId: dart.id },
    cautions: dartCautions(after, found, dart.id, inputs.amountMm === 0 ? at : up, context.sizeId).filter(
      (c) => c.code !== 'middle-misses',
    ),
  })
}

/** Craft 6.11: raise or lower a dart with its apex. */
export const raiseDartKind = defineChange({
  kind: 'raise-dart',
  title: 'Raise or lower a dart',
  foundBy: ['raise a dart', 'lower a dart', 'dart too high', 'dart too low', 'bust point lower', 'apex too high', 'high bust point'],
  does: 'Slides a dart with its apex up or down along the grain and redraws its edge with the dart closed.',
  holds: 'The dart’s angle and direction, both corners of its edge, every other edge.',
  schema: RaiseDartSchema,
  reads: readRaiseDart,
  phase: 'dart-height',
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found =
      dartsOf(garment).find((d) => dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role === 'side') ??
      dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok({ dart: found.ref, amountMm: 0 })
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
    { type: 'growth', key: 'amountMm', label: 'By how much', plus: 'Raise', minus: 'Lower' },
  ],
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    return { title: `${inputs.amountMm < 0 ? 'Lower' : 'Raise'} the ${name}`, amountMm: inputs.amountMm }
  },
  apply: applyRaise,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const at = dartFigures(piece, shape, found.dart).tip
    return [
      {
        id: 'amount',
        pieceId: piece.id,
        at,
        axis: scale(grainDirection(shape), -1),
        label: 'dart',
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: raiseSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

function raiseSteps({ before, inputs, applied, context, ruler }: StepInput<RaiseDartInputs>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const d = dartFigures(piece, shape, dart)
  const now = findPiece(applied.garment, piece.id)!
  const shapeNow = shapeOf(now, context.sizeId)
  const amount = formatLength(Math.abs(inputs.amountMm), ruler)
  const way = inputs.amountMm < 0 ? 'down' : 'up'
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const apex = apexOf(found)(context.sizeId)
  const moved = { x: apex.x - grainDirection(shape).x * inputs.amountMm, y: apex.y - grainDirection(shape).y * inputs.amountMm }
  const nowDart = dartFigures(now, shapeNow, dart)
  return [
    {
      text: `${piece.name}: draw a box round the ${dart.name} and its apex, two sides along the grain and two square to it, and cut it out. Slide it ${amount} ${way} along the grain and tape it.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(d.first, d.tip, 'cut'), lineStroke(d.second, d.tip, 'cut'), lineStroke(apex, moved, 'line')],
        labels: [{ at: apex, text: amount }],
      },
    },
    {
      text: `${piece.name}: fold the ${dart.name} closed and redraw the ${d.before.name} from corner to corner, as it was; unfold. Its ends now lie ${amount} ${way === 'up' ? 'higher' : 'lower'} along the grain.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outline,
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
          lineStroke(nowDart.first, nowDart.tip, 'line'),
        ],
        labels: [],
      },
    },
    ...finishSteps(applied.garment, piece.id, dart.id, moved, context.sizeId, ruler),
  ]
}

export type { RaiseDartInputs } from './schema'
