import { cutPath, IDENTITY } from '../../geometry'
import { traceAndMove, type TracedRun } from '../../moves'
import { edgePath, findPiece, outlineOf, shapeOf, type Garment, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import type { Applied, Caution, ChangeContext, PlayMove } from '../types'
import type { PivotSlideInputs } from './schema'
import { planMoves } from './free-list'
import type { PivotPlan } from './plan'
import { planSequence } from './sequences'
import { heldByPivot } from './held'

/** What is done to one piece in one size, or null when this change is not for it. */
export function planPiece(garment: Garment, piece: Piece, shape: Shape, inputs: PivotSlideInputs, sizeId: string): PivotPlan | null {
  if (inputs.leftOut.includes(piece.id)) return null
  if (inputs.sequence === 'free')
    return piece.id === inputs.pieceId && inputs.moves.length > 0 ? planMoves(piece, shape, inputs.moves) : null
  return inputs.amountMm === 0 ? null : planSequence(garment, piece, shape, inputs.sequence, inputs.amountMm, sizeId)
}

/** Everything that no run moves and no gap joins is traced where the pattern lay first. */
function allRuns(piece: Piece, plan: PivotPlan): TracedRun[] {
  const known = new Set([...plan.gaps, ...plan.runs.flatMap((r) => r.bits.map((b) => b.edgeId))])
  const still = piece.edges.filter((e) => !known.has(e.id)).map((e) => ({ edgeId: e.id }))
  return still.length > 0 ? [...plan.runs, { bits: still, move: IDENTITY }] : plan.runs
}

function trace(garment: Garment, inputs: PivotSlideInputs): Result<{ garment: Garment; plans: Map<string, PivotPlan> }> {
  const plans = new Map<string, PivotPlan>()
  const pieces: Piece[] = []
  for (const piece of garment.pieces) {
    const shapes: Record<string, Shape> = {}
    for (const size of garment.sizes) {
      const shape = shapeOf(piece, size.id)
      const plan = planPiece(garment, piece, shape, inputs, size.id)
      if (!plan) continue
      const traced = traceAndMove(piece, shape, allRuns(piece, plan))
      if (!traced.ok) return traced
      shapes[size.id] = traced.value
      if (size.id === garment.baseSizeId) plans.set(piece.id, plan)
    }
    pieces.push(Object.keys(shapes).length > 0 ? { ...piece, shapes: { ...piece.shapes, ...shapes } } : piece)
  }
  return ok({ garment: plans.size > 0 ? { ...garment, pieces } : garment, plans })
}

/** The pieces that a ready-made sequence has a place on, whatever the amount. */
export function piecesFor(garment: Garment, sequence: PivotSlideInputs['sequence'], sizeId: string): Piece[] {
  if (sequence === 'free') return []
  return garment.pieces.filter((p) => planSequence(garment, p, shapeOf(p, sizeId), sequence, 1, sizeId) !== null)
}

function playOf(garment: Garment, plans: ReadonlyMap<string, PivotPlan>, sizeId: string): PlayMove[] {
  return [...plans].flatMap(([pieceId, plan]) => {
    const piece = findPiece(garment, pieceId)!
    const shape = shapeOf(piece, sizeId)
    return plan.runs
      .filter((r) => r.tracedNames !== '')
      .map((run): PlayMove => ({
        pieceId,
        label: run.pinName ? `pin the ${run.pinName}, turn, trace the ${run.tracedNames}` : `slide, trace the ${run.tracedNames}`,
        pin: run.pin,
        cut: null,
        parts: [{ id: 0, outline: outlineOf(piece, shape) }],
        traced: run.bits.map((b) => cutPath(edgePath(shape, b.edgeId), b.fromMm ?? 0, b.toMm ?? Infinity)),
        turnRad: run.turnRad,
        by: run.by,
      }))
  })
}

/**
 * Pivots and slides pieces over fresh paper, tracing them part by part (craft 6.7): a ready-made sequence on front and
 * back alike, or a free list of moves on one piece, in every size.
 * Refuses: a garment that the sequence has no place on, a corner or edge that has gone, an amount that no turn gives or
 * that crosses an outline (with the largest that works).
 */
export function applyPivotSlide(garment: Garment, inputs: PivotSlideInputs, context: ChangeContext): Result<Applied<PivotSlideInputs>> {
  const pieces =
    inputs.sequence === 'free' ? garment.pieces.filter((p) => p.id === inputs.pieceId) : piecesFor(garment, inputs.sequence, context.sizeId)
  if (pieces.length === 0)
    return refuse(
      'reference-gone',
      'garment',
      'there is no piece with the edges that this change turns.',
      'Choose another sequence, or name the edges first.',
    )
  const done = trace(garment, inputs)
  if (!done.ok && done.problem.code === 'runs-part') return done
  const missed =
    done.ok &&
    pieces.some((p) => {
      const asked = inputs.sequence === 'free' ? inputs.moves.length > 0 : inputs.amountMm !== 0
      return asked && !inputs.leftOut.includes(p.id) && !done.value.plans.has(p.id)
    })
  if (missed && inputs.sequence === 'free')
    return refuse(
      'no-turn',
      pieces[0]!.name,
      'a corner or edge of the list has gone, or no turn about its pin gets the corner that far.',
      'Look at the list again.',
    )
  const broken = done.ok ? findBrokenOutline(garment, done.value.garment) : null
  if (!done.ok || missed || broken) {
    const where = !done.ok ? done.problem.where : (broken?.where ?? pieces[0]!.name)
    const what = !done.ok
      ? done.problem.message
      : broken
        ? `${broken.what} by this amount.`
        : 'no turn about the pin gets the edge that far.'
    if (inputs.sequence === 'free') return refuse('outline-broken', where, what, 'Move or turn less, or trace less of it there.')
    const largest = findLargest(inputs.amountMm, (amountMm) => {
      const tried = trace(garment, { ...inputs, amountMm })
      const all = tried.ok && pieces.every((p) => inputs.leftOut.includes(p.id) || tried.value.plans.has(p.id))
      return tried.ok && all && findBrokenOutline(garment, tried.value.garment) === null
    })
    return refuse('amount-too-large', where, what, `Each edge can go ${limitToken(Math.abs(largest))} at most here.`, largest)
  }
  const { garment: after, plans } = done.value
  return ok({
    garment: after,
    touched: pieces
      .filter((p) => !inputs.leftOut.includes(p.id))
      .map((p, i) => ({ pieceId: p.id, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: pieces.filter((p) => inputs.leftOut.includes(p.id)).map((p) => ({ pieceId: p.id, seamName: 'side seam' })),
    held: heldByPivot(garment, after, plans, context.sizeId),
    cautions: pieces
      .filter((p) => inputs.leftOut.includes(p.id))
      .map((p): Caution<PivotSlideInputs> => ({
        code: 'partner-left-out',
        pieceId: p.id,
        message: `${p.name} was left out: its seams no longer meet those of the other pieces.`,
        mend: { label: `Change ${p.name} too`, inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => id !== p.id) } },
      })),
    moves: playOf(garment, plans, context.sizeId),
  })
}
