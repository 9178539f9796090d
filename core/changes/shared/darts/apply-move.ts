import { measureLength } from '../../../geometry'
import { angleFrom, finishTip, insertDart, moveDart, tipBackMm } from '../../../darts'
import { edgePath, findPiece, shapeOf, type Garment } from '../../../pattern'
import { ok, refuse, type Result } from '../../../result'
import { SNAP_MM } from '../../../tolerances'
import { lengthToken } from '../../../units'
import { apexOf, findDart, isRefused, openEdges, slitAt, type FoundDart } from './find-darts'
import { angleAtApexDeg, clearPlace, dartCautions, drawnWhereClosed, heldByTurn, playTurn, soundOr } from './turn-dart'
import type { Applied, Caution, ChangeContext } from '../../types'
import type { DartMove } from './dart-move'

/** The dart of a stop and the edge it is to go to, or why it cannot. */
export function whereTo(garment: Garment, inputs: DartMove): Result<FoundDart> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const edge = openEdges(found.piece).find((e) => e.id === inputs.edgeId)
  if (!edge) return refuse('reference-gone', found.piece.name, 'the edge this dart was to go to has gone.', 'Choose another edge.')
  const length = measureLength(edgePath(shapeOf(found.piece, garment.baseSizeId), edge.id))
  if (inputs.atMm > length + SNAP_MM)
    return refuse(
      'beside-edge',
      `${found.piece.name}, ${edge.name}`,
      'the place lies beside this edge.',
      `It is ${lengthToken(length)} long: choose a place on it.`,
      length,
    )
  return ok(found)
}

/** The garment with the dart moved and its tips drawn back, and which darts it then has there. */
export function movedDart(garment: Garment, found: FoundDart, inputs: DartMove): { garment: Garment; dartIds: string[] } {
  const { piece, dart } = found
  const moved = moveDart(garment, {
    pieceId: piece.id,
    dartId: dart.id,
    apexOf: apexOf(found, inputs.beyondMm),
    mouthOf: slitAt(garment, piece, inputs.edgeId, inputs.atMm),
    share: inputs.sharePct / 100,
    trued: inputs.trued,
  })
  const dartIds = [...new Set([dart.id, moved.dartId])]
  const done = dartIds.reduce((g, id) => finishTip(g, piece.id, id, apexOf(found, inputs.beyondMm), inputs.tipBackMm), moved.garment)
  return { garment: done, dartIds }
}

/**
 * Moves a dart, or a share of it, to another place on the outline (craft 6.11): the angle at the apex is kept exactly, the
 * intake follows from how far the new place lies from the apex, and every edge keeps its length.
 * Refuses: a dart or edge that has gone, a place beside its edge, a turn that spoils the outline.
 */
export function applyMoveDart(garment: Garment, inputs: DartMove, context: ChangeContext): Result<Applied<DartMove>> {
  const where = whereTo(garment, inputs)
  if (!where.ok) return where
  const found = where.value
  const { piece, dart } = found
  const was = shapeOf(piece, context.sizeId)
  const apex = apexOf(found, inputs.beyondMm)(context.sizeId)
  const { garment: after, dartIds } = movedDart(garment, found, inputs)
  const broken = soundOr(garment, after, 'Choose another place, or move only a share of the dart.')
  if (broken) return broken
  const now = findPiece(after, piece.id)!
  const whole = inputs.sharePct >= 100
  const angle = {
    before: angleAtApexDeg(piece, was, apex, [dart.id]),
    after: angleAtApexDeg(now, shapeOf(now, context.sizeId), apex, dartIds),
  }
  // For the play: the paper as it is when the slit has been cut and nothing turned yet.
  const cut = insertDart(
    garment,
    piece.id,
    { id: 'cut', name: 'cut' },
    slitAt(garment, piece, inputs.edgeId, inputs.atMm),
    apexOf(found, inputs.beyondMm),
  )
  const slit = findPiece(cut, piece.id)!
  const turn = angleFrom(apex, was, dart)
  const angles = new Map([
    [dart.id, turn * (1 - inputs.sharePct / 100)],
    ['cut', turn * (inputs.sharePct / 100)],
  ])
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByTurn(garment, after, piece.id, context.sizeId, whole ? drawnWhereClosed(piece, was, dart, apex, inputs.trued) : [], angle),
    cautions: dartIds.flatMap((id) => dartCautions(after, found, id, apex, context.sizeId)).map((c) => mended(c, found, inputs, context)),
    folded: { pieceId: piece.id, dartId: dartIds[dartIds.length - 1]! },
    moves: playTurn(
      slit,
      shapeOf(slit, context.sizeId),
      apex,
      { edgeId: inputs.edgeId, atMm: inputs.atMm },
      angles,
      'cut to the apex, swing the old dart closed',
    ),
  })
}

/** What a click can do about a caution of a moved dart: half of a wide one stays, one near the armhole goes lower. */
function mended(caution: Caution, { piece }: FoundDart, inputs: DartMove, context: ChangeContext): Caution<DartMove> {
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)!
  const usual = tipBackMm(edge.role)
  if (caution.code === 'tip-on-apex') return { ...caution, mend: { label: 'Draw it back', inputs: { ...inputs, tipBackMm: usual } } }
  if (caution.code === 'wide-dart' && inputs.sharePct === 100)
    return { ...caution, mend: { label: 'Let half of it stay', inputs: { ...inputs, sharePct: 50 } } }
  if (caution.code !== 'near-armhole' || edge.role !== 'side') return caution
  const atMm = clearPlace(piece, shapeOf(piece, context.sizeId), edge)
  return atMm === null ? caution : { ...caution, mend: { label: 'Lower it', inputs: { ...inputs, atMm } } }
}
