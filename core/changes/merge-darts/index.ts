import { readMergeDarts } from './reads'
import { distance, type Point } from '../../geometry'
import { angleFrom, equaliseLegs, finishTip, meetMiddles, mergeDarts, tipBackMm } from '../../moves'
import { dartIn, dartFigures, findPiece, shapeOf, type Garment, mapShapes } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { formatLength, lengthToken } from '../../units'
import { defineChange } from '../define-change'
import { finishSteps } from '../shared/darts/finish-steps'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import { apexOf, besideDart, dartOptions, dartsOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { angleAtApexDeg, dartCautions, drawnWhereClosed, heldByTurn, playTurn, soundOr } from '../shared/darts/turn-dart'
import type { Applied, ChangeContext, PaperStep, StepInput } from '../types'
import { MergeDartsSchema, type MergeDartsInputs } from './schema'

function bothDarts(
  garment: Garment,
  inputs: MergeDartsInputs,
): Result<{ from: FoundDart; into: FoundDart; apex: (sizeId: string) => Point }> {
  const from = findDart(garment, inputs.dart)
  if (isRefused(from)) return from
  const into = findDart(garment, inputs.into)
  if (isRefused(into)) return into
  if (from.piece.id !== into.piece.id || from.dart.id === into.dart.id)
    return refuse('not-two', from.piece.name, 'two darts of one piece are needed.', 'Choose another dart of the same piece.')
  // One place for both: the apex of the dart that stays.
  return ok({ from, into, apex: apexOf(into) })
}

function applyMerge(garment: Garment, inputs: MergeDartsInputs, context: ChangeContext): Result<Applied> {
  const both = bothDarts(garment, inputs)
  if (!both.ok) return both
  const { from, into, apex } = both.value
  const { piece } = from
  const was = shapeOf(piece, context.sizeId)
  const at = apex(context.sizeId)
  const merged = mergeDarts(garment, piece.id, from.dart.id, into.dart.id, apex, inputs.trued)
  const equal = mapShapes(merged, piece.id, (p, shape) => equaliseLegs(p, shape, dartIn(p, into.dart.id)))
  const after = finishTip(equal, piece.id, into.dart.id, apex, inputs.tipBackMm)
  const broken = soundOr(garment, after, 'Merge the other way round, or move one of the darts first.')
  if (broken) return broken
  const now = findPiece(after, piece.id)!
  const angle = {
    before: angleAtApexDeg(piece, was, at, [from.dart.id, into.dart.id]),
    after: angleAtApexDeg(now, shapeOf(now, context.sizeId), at, [into.dart.id]),
  }
  const d = dartFigures(piece, was, into.dart)
  const grown = Math.abs(d.firstMm - d.secondMm) > EQUAL_MM ? besideDart(piece, was, into.dart) : []
  const met = meetMiddles(piece, was, from.dart, into.dart)
  const missMm = met ? distance(met, at) : 0
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByTurn(
      garment,
      after,
      piece.id,
      context.sizeId,
      [...drawnWhereClosed(piece, was, from.dart, at, inputs.trued), ...grown],
      angle,
    ),
    cautions: [
      ...dartCautions(after, from, into.dart.id, at, context.sizeId),
      ...(missMm > MEET_MM
        ? [
            {
              code: 'middles-miss',
              pieceId: piece.id,
              message: `The middle lines of the two darts meet ${lengthToken(missMm)} away from the apex: they are turned about the apex all the same.`,
            },
          ]
        : []),
    ],
    folded: { pieceId: piece.id, dartId: into.dart.id },
    moves: playTurn(
      piece,
      was,
      at,
      null,
      new Map([
        [from.dart.id, 0],
        [into.dart.id, angleFrom(at, was, from.dart) + angleFrom(at, was, into.dart)],
      ]),
      `swing the ${from.dart.name} closed`,
    ),
  })
}

/** Two middle lines that meet further than this from the apex are shown, mm. */
const MEET_MM = 5

/** Craft 6.11: merge two darts. */
export const mergeDartsKind = defineChange({
  kind: 'merge-darts',
  title: 'Merge two darts',
  foundBy: ['merge darts', 'two darts into one', 'combine darts', 'close a waist dart', 'one dart instead of two'],
  does: 'Closes one dart of a piece and opens another by its angle, about the same apex.',
  holds: 'The sum of both angles, every edge’s length, the grain.',
  schema: MergeDartsSchema,
  reads: readMergeDarts,
  phase: 'place-darts',
  begin(garment) {
    const pair = dartsOf(garment).flatMap((a) =>
      dartsOf(garment)
        .filter((b) => b.piece.id === a.piece.id && b.ref !== a.ref)
        .map((b) => [a, b] as const),
    )[0]
    if (!pair)
      return refuse('no-two-darts', 'garment', 'no piece has two darts.', 'This is for pieces with two darts that point at one apex.')
    const [from, into] = pair
    const role = dartFigures(into.piece, shapeOf(into.piece, garment.baseSizeId), into.dart).before.role
    return ok({ dart: from.ref, into: into.ref, tipBackMm: tipBackMm(role), trued: true })
  },
  withField(garment, inputs, key, value) {
    const next = { ...inputs, [key]: value }
    const chosen = dartsOf(garment).find((d) => d.ref === value)
    if ((key !== 'dart' && key !== 'into') || !chosen) return next
    const other = key === 'dart' ? 'into' : 'dart'
    const fits = dartsOf(garment).filter((d) => d.piece.id === chosen.piece.id && d.ref !== chosen.ref)
    return fits.some((d) => d.ref === next[other]) || !fits[0] ? next : { ...next, [other]: fits[0].ref }
  },
  fields: (garment) => [
    { type: 'choice', key: 'dart', label: 'This dart closes', options: dartOptions(garment) },
    { type: 'choice', key: 'into', label: 'This one takes it', options: dartOptions(garment) },
    { type: 'length', key: 'tipBackMm', label: 'Tip short of the apex' },
    { type: 'switch', key: 'trued', label: 'Redraw the closed place smoothly' },
  ],
  describe(garment, inputs) {
    const name = (ref: string) => dartsOf(garment).find((d) => d.ref === ref)?.dart.name ?? 'a dart that has gone'
    return { title: `Merge the ${name(inputs.dart)} into the ${name(inputs.into)}`, amountMm: null }
  },
  apply: applyMerge,
  handles: () => [],
  drag: (_garment, inputs) => inputs,
  choices: (garment, inputs) => {
    const found = dartsOf(garment).find((d) => d.ref === inputs.into)
    return found
      ? [
          { label: 'this way', inputs },
          { label: 'the other way round', inputs: { ...inputs, dart: inputs.into, into: inputs.dart } },
        ]
      : []
  },
  paperSteps: mergeSteps,
})

function mergeSteps({ before, inputs, applied, context, ruler }: StepInput<MergeDartsInputs>): PaperStep[] {
  const both = bothDarts(before, inputs)
  if (!both.ok) return []
  const { from, into, apex } = both.value
  const { piece } = from
  const shape = shapeOf(piece, context.sizeId)
  const at = apex(context.sizeId)
  const [a, b] = [dartFigures(piece, shape, from.dart), dartFigures(piece, shape, into.dart)]
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const result = outlineStroke(applied.garment, piece.id, context.sizeId, 'result')
  const now = findPiece(applied.garment, piece.id)!
  const opens = formatLength(dartFigures(now, shapeOf(now, context.sizeId), dartIn(now, into.dart.id)).intakeMm, ruler)
  return [
    {
      text: `${piece.name}: rule the legs of the ${from.dart.name} and of the ${into.dart.name} on to the apex.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, ...[a.first, a.second, b.first, b.second].map((p) => lineStroke(p, at, 'line'))],
        labels: [{ at, text: 'apex' }],
      },
    },
    {
      text: `${piece.name}: cut one leg of the ${into.dart.name} to the apex and one of the ${from.dart.name} almost to it. Swing the ${from.dart.name} closed and tape it; the ${into.dart.name} opens to ${opens} at the seam line. Draw the shorter leg as long as the longer, and redraw the ${a.before.name} smoothly where the dart closed.`,
      drawing: { pieceId: piece.id, strokes: [outline, result, lineStroke(b.first, at, 'cut')], labels: [{ at: b.first, text: opens }] },
    },
    ...finishSteps(applied.garment, piece.id, into.dart.id, at, context.sizeId, ruler),
  ]
}

export type { MergeDartsInputs } from './schema'
