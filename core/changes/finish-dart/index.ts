import { readFinishDart } from './reads'
import { distance, type Point } from '../../geometry'
import { drawTipBack, equaliseLegs, pressOf, pressWords, tipBackMm } from '../../moves'
import {
  dartFigures,
  dartIn,
  edgeFamily,
  findPiece,
  pieceOfRef,
  shapeOf,
  type Dart,
  type Garment,
  type Shape,
  mapShapes,
} from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { formatLength } from '../../units'
import { defineChange } from '../define-change'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import { apexOf, besideDart, dartOptions, dartsOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { bothShapes, holdEdge, holdGrain, holdMeasure } from '../shared/held'
import { dartCautions, soundOr } from '../shared/darts/turn-dart'
import type { Applied, ChangeContext, Handle, PaperStep, StepInput } from '../types'
import { foldCap } from '../shared/darts/fold-cap'
import { proposeFinish } from './proposes'
import { FinishDartSchema, type FinishDartInputs } from './schema'

/** mm that the edge may stand off straight where the cap is folded flat (craft 6.11). */
const CAP_MM = 0.05

function inputsFor(garment: Garment, found: FoundDart): FinishDartInputs {
  const shape = shapeOf(found.piece, garment.baseSizeId)
  const role = dartFigures(found.piece, shape, found.dart).before.role
  return { dart: found.ref, tipBackMm: tipBackMm(role), legs: 'equal', pressTo: pressOf(found.piece, shape, found.dart) }
}

function finished(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, inputs: FinishDartInputs): Garment {
  const drawn = mapShapes(garment, piece.id, (p, shape, sizeId) => {
    const at = apex(sizeId)
    const toApex = drawTipBack(p, shape, dart, at, 0)
    return drawTipBack(p, inputs.legs === 'equal' ? equaliseLegs(p, toApex, dart) : toApex, dart, at, inputs.tipBackMm)
  })
  const darts = (list: readonly Dart[]) => list.map((d) => (d.id === dart.id ? { ...d, pressTo: inputs.pressTo } : d))
  return { ...drawn, pieces: drawn.pieces.map((p) => (p.id === piece.id ? { ...p, darts: darts(p.darts) } : p)) }
}

function applyFinish(garment: Garment, inputs: FinishDartInputs, context: ChangeContext): Result<Applied> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const { piece, dart } = found
  const after = finished(garment, found, apexOf(found), inputs)
  const broken = soundOr(garment, after, 'Leave the legs as they are, or mend the edge beside them first.')
  if (broken) return broken
  const { was, is } = bothShapes(garment, after, piece.id, context.sizeId)
  const at = apexOf(found)(context.sizeId)
  const now = findPiece(after, piece.id)!
  const d = dartFigures(now, is, dartIn(now, dart.id))
  const own: string[] = inputs.legs === 'equal' ? besideDart(piece, was, dart) : []
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: [
      ...(inputs.legs === 'equal' ? [holdMeasure('both legs alike', piece.name, d.firstMm, d.secondMm, EQUAL_MM)] : []),
      holdMeasure('cap folded flat stands off the edge', piece.name, 0, foldCap(now, is, dartIn(now, dart.id)).offMm, CAP_MM),
      ...piece.edges.filter((e) => e.role !== 'dart-leg' && !own.includes(edgeFamily(e.id))).map((e) => holdEdge(piece, was, is, e.id)),
      holdGrain(piece, was, is),
    ],
    folded: { pieceId: piece.id, dartId: dart.id },
    cautions: dartCautions(after, found, dart.id, at, context.sizeId).map((c) =>
      c.code === 'tip-on-apex'
        ? { ...c, mend: { label: 'Draw it back', inputs: { ...inputs, tipBackMm: inputsFor(garment, found).tipBackMm } } }
        : c,
    ),
  })
}

/** Craft 6.11: finish a dart. */
export const finishDart = defineChange({
  kind: 'finish-dart',
  title: 'Finish a dart',
  foundBy: [
    'finish a dart',
    'draw the tip back',
    'dart tip',
    'dart makes a point',
    'press a dart',
    'dart cap',
    'redraw the legs',
    'dart after lengthening',
  ],
  does: 'Draws the tip back from the apex, rules equal legs from it, and trues the cap for the way it is pressed.',
  holds: 'Every edge but the two beside the dart, the grain; the folded cap lies straight along the edge.',
  schema: FinishDartSchema,
  reads: (wish, garment) => readFinishDart(wish, garment, (dart) => inputsFor(garment, dart)),
  phase: 'finish-darts',
  proposes: proposeFinish,
  // A dart is finished once: the stop that is there does it, with its own tip.
  takesOver: (there, proposed) => (there.dart === proposed.dart ? { ...there, legs: 'equal' as const } : null),
  press: (inputs, to) => ({ ...inputs, pressTo: to }),
  onePiece: (inputs) => pieceOfRef(inputs.dart),
  begin(garment) {
    const found = dartsOf(garment)[0]
    if (!found) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
    return ok(inputsFor(garment, found))
  },
  withField(garment, inputs, key, value) {
    const found = key === 'dart' ? dartsOf(garment).find((d) => d.ref === value) : undefined
    return found ? inputsFor(garment, found) : { ...inputs, [key]: value }
  },
  fields(garment, inputs) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    const shape = found && shapeOf(found.piece, garment.baseSizeId)
    return [
      { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
      {
        type: 'length',
        key: 'tipBackMm',
        label: 'Tip short of the apex',
        hint: 'Usually 1 1/2 in (38 mm) from the side, 2 in (50 mm) from above, 1 in (25 mm) from the waist.',
      },
      {
        type: 'choice',
        key: 'legs',
        label: 'Legs',
        options: [
          { value: 'equal', label: 'both as long as the longer' },
          { value: 'keep', label: 'as they are' },
        ],
      },
      {
        type: 'choice',
        key: 'pressTo',
        label: 'Pressed',
        options: shape
          ? [
              { value: 'before', label: sideWords(found!, shape, 'before') },
              { value: 'after', label: sideWords(found!, shape, 'after') },
            ]
          : [],
      },
    ]
  },
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    return { title: `Finish the ${name}`, amountMm: null }
  },
  apply: applyFinish,
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const d = dartFigures(piece, shape, found.dart)
    const apex = apexOf(found)(context.sizeId)
    const mouth = { x: (d.first.x + d.second.x) / 2, y: (d.first.y + d.second.y) / 2 }
    const reach = distance(mouth, apex)
    const axis = { x: (mouth.x - apex.x) / reach, y: (mouth.y - apex.y) / reach }
    return [{ id: 'tip', pieceId: piece.id, at: d.tip, axis, label: 'tip', valueMm: inputs.tipBackMm, isGrowth: false, kind: 'level' }]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, tipBackMm: Math.min(300, Math.max(0, inputs.tipBackMm + byMm)) }),
  paperSteps: finishPaperSteps,
})

/** Which way, and whether that is how such darts are usually pressed. */
function sideWords({ piece, dart }: FoundDart, shape: Shape, which: 'before' | 'after'): string {
  return `${pressWords(piece, shape, dart, which)}${pressOf(piece, shape, dart) === which ? ' (usual)' : ''}`
}

function finishPaperSteps({ before, inputs, applied, context, ruler }: StepInput<FinishDartInputs>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const d = dartFigures(piece, shape, dart)
  const apex = apexOf(found)(context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const [first, second] = [figure(distance(d.first, apex)), figure(distance(d.second, apex))]
  const shorter = distance(d.first, apex) < distance(d.second, apex) ? d.before : d.after
  const even =
    inputs.legs !== 'equal'
      ? ''
      : first === second
        ? ' They are as long as each other to the ruler: leave them.'
        : ` Draw the shorter one on to the length of the longer, and the ${shorter.name} to its end.`
  return [
    {
      text: `${piece.name}: mark the apex. Lay the ruler along each leg of the ${dart.name} from its end to the apex: they measure ${first} and ${second}.${even}`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(d.first, apex, 'line'), lineStroke(d.second, apex, 'line')],
        labels: [{ at: apex, text: 'apex' }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dart.id, apex, context.sizeId, ruler),
  ]
}

export type { FinishDartInputs } from './schema'
