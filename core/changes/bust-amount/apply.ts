import { figureMm } from '../../body'
import { line, measureLength, type Point } from '../../geometry'
import type { SpreadBust } from '../../darts'
import { edgePath, findPiece, shapeOf, type Garment, type Piece } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { APEX_BELOW_MM, apexOfFront, findZones, finishedMm, frontKind, type FrontKind } from '../../measure'
import { easeWanted } from '../../size'
import { EQUAL_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { dartCautions } from '../shared/darts/turn-dart'
import type { Applied, Caution, ChangeContext, PlayMove } from '../types'
import { changeBust, type BustDone } from './change-bust'
import type { BustAmountInputs } from './schema'
import { heldByBust } from './held'

function playBust(front: FrontKind, spread: SpreadBust, apex: Point): PlayMove[] {
  const { cut, moves, parts, slashes } = spread
  const pieceId = front.piece.id
  const outline = (id: number) => ({ id, outline: cut.parts[id]!.outline })
  const turn = moves[parts.turned]!
  const slide = moves[parts.slid]!
  const low = moves[parts.down]!
  return [
    {
      pieceId,
      label: 'cut from the armhole, swing until the bust is as wide as asked',
      pin: slashes.armhole,
      cut: [line(slashes.armhole, apex)],
      parts: [outline(parts.turned)],
      traced: [],
      turnRad: Math.atan2(turn.b, turn.a),
      by: { x: 0, y: 0 },
    },
    {
      pieceId,
      label: 'the part below the dart goes along',
      pin: null,
      cut: [line(slashes.lower, apex)],
      parts: [outline(parts.slid)],
      traced: [],
      turnRad: 0,
      by: { x: slide.e, y: slide.f },
    },
    {
      pieceId,
      label: 'let the centre down level with it',
      pin: null,
      cut: [line(slashes.centre, apex)],
      parts: [outline(parts.down)],
      traced: [],
      turnRad: 0,
      by: { x: low.e, y: low.f },
    },
  ]
}

/** Fronts are usually drafted for a full bust this much larger than the high bust, mm: our own figure. */
const DRAFTED_CUP_MM = 50

/** A smaller proposal, or a smaller difference from it, is not worth a word, mm. */
const LEAST_PROPOSAL_MM = 5

/** What the wearer's figures propose on the half front, mm, with the two differences behind it. */
interface Proposal {
  mm: number
  /** Round the body: full bust and wanted ease, less what the garment measures. */
  missingMm: number
  /** Full bust less high bust. */
  cupMm: number
}

/**
 * The amount that full bust, high bust and the wanted ease propose (craft 4 and 6.11): half of what the finished bust
 * lacks, but no more than the cup explains; the rest is a matter of size. null without figures, or where they agree.
 */
export function proposeBust(garment: Garment, context: ChangeContext): Proposal | null {
  const [fullBustMm, highBustMm] = [figureMm(context.body, 'bust'), figureMm(context.body, 'high-bust')]
  const zone = findZones(garment).find((z) => z.id === 'bust')
  if (fullBustMm === undefined || highBustMm === undefined || !zone) return null
  const easeMm = easeWanted(context.bought ?? garment, zone, context.sizing, context.body).mm
  const missingMm = fullBustMm + easeMm - finishedMm(garment, zone, context.sizeId, context.sizing.shiftsMm.bust)
  const cupMm = fullBustMm - highBustMm
  const byCup = cupMm - DRAFTED_CUP_MM
  if (Math.sign(missingMm) !== Math.sign(byCup)) return null
  const mm = (Math.sign(byCup) * Math.min(Math.abs(missingMm), Math.abs(byCup))) / 2
  return Math.abs(mm) < LEAST_PROPOSAL_MM ? null : { mm, missingMm, cupMm }
}

function bustCautions(
  garment: Garment,
  done: BustDone,
  front: FrontKind,
  inputs: BustAmountInputs,
  context: ChangeContext,
): Caution<BustAmountInputs>[] {
  const pieceId = front.piece.id
  const said: Caution<BustAmountInputs>[] = []
  const proposed = proposeBust(garment, context)
  if (proposed && Math.abs(proposed.mm - inputs.amountMm) >= LEAST_PROPOSAL_MM)
    said.push({
      code: 'proposed',
      pieceId,
      message: `The wearer’s full bust is ${lengthToken(proposed.cupMm)} more than the high bust (fronts are drafted for ${lengthToken(DRAFTED_CUP_MM)}), and with the wanted ease the garment ${proposed.missingMm > 0 ? 'lacks' : 'has too much by'} ${lengthToken(Math.abs(proposed.missingMm))} round the bust. That proposes ${lengthToken(Math.abs(proposed.mm))} ${proposed.mm > 0 ? 'more' : 'less'} on the half front.`,
      mend: { label: 'Take that', inputs: { ...inputs, amountMm: proposed.mm } },
    })
  if (apexOfFront(front, context.sizeId).assumed)
    said.push({
      code: 'apex-assumed',
      pieceId,
      message:
        front.how === 'panels'
          ? `No apex is marked on this front: the bust is taken ${lengthToken(APEX_BELOW_MM)} below the underarm, at the seam.`
          : 'No apex is marked on this front: it is taken on the bust line, two fifths of the way from the centre to the side.',
    })
  if (front.how === 'other-dart')
    said.push({
      code: 'dart-moved-first',
      pieceId,
      message: `The ${front.dart.name} is moved to the side first; move it back after this stop if you want it where it was.`,
    })
  const piece = findPiece(done.garment, pieceId)!
  const dart = piece.darts.find((d) => d.id === done.dartId)
  if (dart && done.spread)
    said.push(
      ...dartCautions(done.garment, { ref: '', piece, dart }, dart.id, done.spread.apex, context.sizeId).filter(
        (c) => c.code !== 'middle-misses',
      ),
    )
  if (done.spread && inputs.amountMm !== 0) {
    const centreMm = (p: Piece) =>
      p.edges
        .filter((e) => e.fold || e.role === 'centre-front')
        .reduce((sum, e) => sum + measureLength(edgePath(shapeOf(p, context.sizeId), e.id)), 0)
    const drop = Math.abs(centreMm(piece) - centreMm(front.piece))
    if (drop > EQUAL_MM)
      said.push({
        code: 'front-longer',
        pieceId,
        message: `The centre front becomes ${lengthToken(drop)} ${inputs.amountMm > 0 ? 'longer' : 'shorter'}, so that the lower edge stays level; what is sewn to it there must follow.`,
      })
  }
  return said
}

/**
 * Makes the bust of a front fuller or smaller by an amount on the half piece (craft 6.11). Armhole, shoulder, neckline and
 * the side seam with its dart closed keep their lengths; what the lower edge gains is kept, taken out or sewn as a dart.
 * Refuses: no front, more than the armhole slash can swing or the dart can give (with the largest that works).
 */
export function applyBustAmount(garment: Garment, inputs: BustAmountInputs, context: ChangeContext): Result<Applied<BustAmountInputs>> {
  const sound = (amountMm: number): Result<BustDone> => {
    const done = changeBust(garment, { ...inputs, amountMm })
    if (!done.ok) return done
    const broken = findBrokenOutline(garment, done.value.garment)
    return broken ? refuse('amount-too-large', broken.where, `${broken.what} by this amount.`, 'Ask for less.') : done
  }
  const done = sound(inputs.amountMm)
  if (!done.ok) {
    if (!['amount-too-large', 'no-room'].includes(done.problem.code)) return done
    const largest = findLargest(inputs.amountMm, (mm) => sound(mm).ok)
    const remedy =
      largest === 0
        ? done.problem.remedy
        : `On this front ${limitToken(Math.abs(largest))} ${inputs.amountMm > 0 ? 'more' : 'less'} works at most.`
    return refuse('amount-too-large', done.problem.where, done.problem.message, remedy, largest)
  }
  const front = frontKind(garment, findPiece(garment, inputs.pieceId)!)!
  const { garment: after, spread } = done.value
  const ids = front.how === 'panels' ? [front.piece.id, front.other.id] : [front.piece.id]
  return ok({
    garment: after,
    touched: ids.map((pieceId, i) => ({ pieceId, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByBust(garment, done.value, front, inputs, context.sizeId),
    cautions: bustCautions(garment, done.value, front, inputs, context),
    ...(done.value.dartId ? { folded: { pieceId: front.piece.id, dartId: done.value.dartId } } : {}),
    ...(spread ? { moves: playBust(front, spread, done.value.apex) } : {}),
  })
}
