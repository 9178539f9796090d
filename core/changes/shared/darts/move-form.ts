import { measureLength, placeAt } from '../../../geometry'
import { APEX_BEYOND_MM, findApex, tipBackMm } from '../../../darts'
import { dartIn, dartFigures, edgePath, findPiece, shapeOf, type Garment } from '../../../pattern'
import { ok, refuse, type Result } from '../../../result'
import { findBrokenOutline } from '../../check-outlines'
import { apexOf, dartOptions, dartsOf, openEdges } from './find-darts'
import type { ChangeContext, ChangeKind, Handle } from '../../types'
import { movedDart } from './apply-move'
import { alongTrack, dartTrack, onTrack, snapAlong, usualPlaces } from './places'
import type { DartMove } from './dart-move'

/** What to begin with for a dart: where it is usually wanted. */
export function inputsForDart(garment: Garment, ref: string, sharePct: number): DartMove | null {
  const found = dartsOf(garment).find((d) => d.ref === ref)
  if (!found) return null
  const shape = shapeOf(found.piece, garment.baseSizeId)
  const own = findApex(found.piece, shape, found.dart)
  const from = dartFigures(found.piece, shape, found.dart).before.role
  const beyondMm = own.markId === null ? (from === 'side' ? APEX_BEYOND_MM.side : APEX_BEYOND_MM.other) : 0
  const tried = usualPlaces(found, shape).map((to): DartMove => {
    const edge = found.piece.edges.find((e) => e.id === to.edgeId)!
    return { dart: ref, ...to, beyondMm, sharePct, tipBackMm: tipBackMm(edge.role), trued: true }
  })
  return tried.find((move) => findBrokenOutline(garment, movedDart(garment, found, move).garment) === null) ?? tried[0]!
}

const edgeName = (garment: Garment, inputs: DartMove) =>
  dartsOf(garment)
    .find((d) => d.ref === inputs.dart)
    ?.piece.edges.find((e) => e.id === inputs.edgeId)?.name ?? 'an edge that has gone'

/** To begin with: the first dart of a garment, so much of its angle moved to where it is usually wanted. */
export function beginDartMove(garment: Garment, sharePct: number): Result<DartMove> {
  const first = dartsOf(garment)[0]
  if (!first) return refuse('no-dart', 'garment', 'it has no darts.', 'This is for pieces with a dart.')
  return ok(inputsForDart(garment, first.ref, sharePct)!)
}

/** The same dart moved to the middle of another edge; as it was where there is no such edge. */
export function movedTo(garment: Garment, inputs: DartMove, edgeId: string): DartMove {
  const piece = dartsOf(garment).find((d) => d.ref === inputs.dart)?.piece
  const edge = piece?.edges.find((e) => e.id === edgeId)
  if (!piece || !edge || edge.id === inputs.edgeId) return inputs
  const atMm = measureLength(edgePath(shapeOf(piece, garment.baseSizeId), edge.id)) / 2
  return { ...inputs, edgeId: edge.id, atMm, tipBackMm: tipBackMm(edge.role) }
}

type Common = 'phase' | 'withField' | 'fields' | 'describe' | 'withLargest' | 'handles' | 'drag'

/** What all kinds have in common that move a dart, or a part of it, to another place round its apex (craft 6.11). */
export const dartMove: Pick<ChangeKind<DartMove>, Common> = {
  phase: 'place-darts',
  withField(garment, inputs, key, value) {
    if (key === 'dart') return inputsForDart(garment, String(value), inputs.sharePct) ?? inputs
    return key === 'edgeId' ? movedTo(garment, inputs, String(value)) : { ...inputs, [key]: value }
  },
  fields(garment, inputs) {
    const piece = dartsOf(garment).find((d) => d.ref === inputs.dart)?.piece
    const i = piece?.edges.findIndex((e) => e.id === inputs.edgeId) ?? -1
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    const unmarked = found && findApex(found.piece, shapeOf(found.piece, garment.baseSizeId), found.dart).markId === null
    const hint = piece && i >= 0 ? `From the corner “${piece.corners[i]!.name}” along the edge; or drag it on the table.` : undefined
    return [
      { type: 'choice', key: 'dart', label: 'Which dart', options: dartOptions(garment) },
      {
        type: 'choice',
        key: 'edgeId',
        label: 'Where to',
        options: piece ? openEdges(piece).map((e) => ({ value: e.id, label: e.name })) : [],
      },
      { type: 'length', key: 'atMm', label: 'How far along it', ...(hint ? { hint } : {}) },
      { type: 'count', key: 'sharePct', label: 'Share that goes, %', min: 5, max: 100 },
      ...(unmarked
        ? [
            {
              type: 'length' as const,
              key: 'beyondMm',
              label: 'Apex beyond the tip',
              hint: 'No apex is marked: it is taken on the dart’s middle line.',
            },
          ]
        : []),
      {
        type: 'length',
        key: 'tipBackMm',
        label: 'Tip short of the apex',
        hint: 'Usually 1 1/2 in (38 mm) from the side, 2 in (50 mm) from above, 1 in (25 mm) from the waist.',
      },
      { type: 'switch', key: 'trued', label: 'Redraw the closed place smoothly' },
    ]
  },
  describe(garment, inputs) {
    const name = dartsOf(garment).find((d) => d.ref === inputs.dart)?.dart.name ?? 'a dart that has gone'
    return { title: `${inputs.sharePct < 100 ? 'Split' : 'Move'} the ${name}: to the ${edgeName(garment, inputs)}`, amountMm: null }
  },
  withLargest: (_garment, inputs, largestMm) => ({ ...inputs, atMm: Math.min(inputs.atMm, largestMm) }),
  handles(garment, inputs, applied, context): Handle[] {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)!
    const ids = movedDart(garment, found, inputs).dartIds
    const piece = findPiece(applied.garment, found.piece.id)!
    const shape = shapeOf(piece, context.sizeId)
    const dart = dartIn(piece, ids[ids.length - 1]!)
    const d = dartFigures(piece, shape, dart)
    const track = dartTrack(piece, shape).path
    return (['first', 'second'] as const).map((end): Handle => ({
      id: end,
      pieceId: piece.id,
      at: d[end],
      axis: placeAt(edgePath(shape, d.before.id), Infinity).tangent,
      track,
      label: 'intake',
      valueMm: d.intakeMm,
      isGrowth: false,
      kind: 'level',
    }))
  },
  drag(garment, inputs, _handleId, byMm, context: ChangeContext) {
    const found = dartsOf(garment).find((d) => d.ref === inputs.dart)
    if (!found) return inputs
    const shape = shapeOf(found.piece, context.sizeId)
    const { edges } = dartTrack(found.piece, shape)
    const last = edges[edges.length - 1]!
    const along = alongTrack(found.piece, shape, inputs.edgeId, inputs.atMm) + byMm
    const to = Math.min(last.fromMm + last.lengthMm, Math.max(0, along))
    const place = onTrack(found.piece, shape, snapAlong(found.piece, shape, apexOf(found, inputs.beyondMm)(context.sizeId), to))
    const role = (id: string) => found.piece.edges.find((e) => e.id === id)!.role
    // A tip that was as far back as is usual stays so on an edge of another kind.
    const usual = inputs.tipBackMm === tipBackMm(role(inputs.edgeId)) ? tipBackMm(role(place.edgeId)) : inputs.tipBackMm
    return { ...inputs, ...place, tipBackMm: usual }
  },
}
