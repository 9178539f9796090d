import { boundsOf, distance, rotateAbout, turnRad } from '../../geometry'
import { angleOfGap } from '../../moves'
import { findPiece, grainDirection, outlineOf, shapeOf, type Garment, type Piece, type Shape, placeOnRun } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { bandsAlong, lengthenBand } from '../../seams'
import { EQUAL_MM } from '../../tolerances'
import { differenceToken, lengthToken, limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { homePart, playSwings, swingGarment, type Swing, type SwingPlan, type SwungPiece } from '../shared/swing-garment'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { hemAndTop, hemPartners, lengthOf } from './find-hems'
import { heldByHems } from './held'
import type { HemFullnessInputs } from './schema'

/** Rounds of the secant that finds the gap for a wanted hem: the redrawn hem is nearly as much longer as the gaps are wide. */
const ROUNDS = 12

/** The cuts of one piece: evenly spaced along the hem and along its top edge, each opening `gapMm` at the hem. */
function planCuts(piece: Piece, shape: Shape, cuts: number, gapMm: number): Result<SwingPlan | null> {
  const run = hemAndTop(piece)!
  const [hemMm, topMm] = [lengthOf(shape, run.hem), lengthOf(shape, run.top)]
  const swings: Swing[] = []
  for (let i = 0; i < cuts; i++) {
    const share = (i + 0.5) / cuts
    const mouth = placeOnRun(shape, run.hem, false, hemMm * share)
    // The outline runs one way along the hem and back along the top.
    const hinge = placeOnRun(shape, run.top, false, topMm * (1 - share))
    const openRad = angleOfGap(gapMm, distance(mouth.point, hinge.point))
    if (!Number.isFinite(openRad))
      return refuse('amount-too-large', piece.name, 'the cuts are too short to open that far.', 'Ask for less.')
    swings.push({
      slash: { from: { edgeId: mouth.edgeId, atMm: mouth.atMm }, through: [], to: { edgeId: hinge.edgeId, atMm: hinge.atMm } },
      hinge: hinge.point,
      openRad,
      label: cuts > 1 ? `cut ${i + 1}: swing ${gapMm > 0 ? 'open' : 'closed'}` : `cut, and swing ${gapMm > 0 ? 'open' : 'closed'}`,
    })
  }
  return ok({ swings, fixed: (cut) => homePart(piece, shape, cut) })
}

/** The gap at each cut that makes the hem of one piece, in one size, longer by exactly the amount. */
function solveGap(garment: Garment, piece: Piece, sizeId: string, cuts: number, amountMm: number): Result<number> {
  const shape = shapeOf(piece, sizeId)
  const { hem } = hemAndTop(piece)!
  const alone: Garment = { ...garment, pieces: [piece], seams: [], sizes: garment.sizes.filter((s) => s.id === sizeId), baseSizeId: sizeId }
  const grown = (gap: number): Result<number> => {
    const done = swingGarment(alone, () => planCuts(piece, shape, cuts, gap))
    if (!done.ok) return done
    return ok(lengthOf(shapeOf(done.value.garment.pieces[0]!, sizeId), hem) - lengthOf(shape, hem))
  }
  let gap = amountMm / cuts
  for (let round = 0; round < ROUNDS; round++) {
    const now = grown(gap)
    if (!now.ok) return now
    const off = amountMm - now.value
    if (Math.abs(off) <= EQUAL_MM / 10) break
    gap += off / cuts
  }
  return ok(gap)
}

export function swingHems(
  garment: Garment,
  inputs: HemFullnessInputs,
): Result<{ garment: Garment; swung: Map<string, SwungPiece>; gaps: Map<string, number> }> {
  const gaps = new Map<string, number>()
  const taken = new Set(hemPartners(garment, inputs.pieceId).map((p) => p.id))
  const done = swingGarment(garment, (piece, shape, sizeId) => {
    if (inputs.amountMm === 0 || !taken.has(piece.id) || inputs.leftOut.includes(piece.id)) return ok(null)
    const gap = solveGap(garment, piece, sizeId, inputs.cuts, inputs.amountMm)
    if (!gap.ok) return gap
    if (sizeId === garment.baseSizeId) gaps.set(piece.id, gap.value)
    return planCuts(piece, shape, inputs.cuts, gap.value)
  })
  return done.ok ? ok({ ...done.value, garment: withCuffs(garment, done.value.garment, [...done.value.swung.keys()]), gaps }) : done
}

/** Straight bands that are sewn to the hems, a cuff, made as much longer or shorter in every size. */
function withCuffs(before: Garment, after: Garment, swung: readonly string[]): Garment {
  const hems = swung.flatMap((pieceId) => hemAndTop(findPiece(before, pieceId)!)!.hem.map((e) => ({ pieceId, edgeId: e.id })))
  const cuffs = bandsAlong(before, (run) => hems.some((h) => h.pieceId === run.pieceId && h.edgeId === run.edgeId))
  let garment = after
  for (const size of before.sizes) for (const cuff of cuffs) garment = lengthenBand(before, garment, cuff, size.id) ?? garment
  return garment
}

/** How wide a piece lies across the grain with its allowances, mm: what it needs of the cloth's width. */
function widthOnCloth(piece: Piece, shape: Shape): number {
  const grain = grainDirection(shape)
  const upright = turnRad(grain, { x: 0, y: 1 })
  const turned = outlineOf(piece, shape).map((s) => {
    const t = (p: typeof s.from) => rotateAbout(p, { x: 0, y: 0 }, upright)
    return s.kind === 'line' ? { ...s, from: t(s.from), to: t(s.to) } : { ...s, from: t(s.from), c1: t(s.c1), c2: t(s.c2), to: t(s.to) }
  })
  const box = boundsOf(turned)
  const allowances = piece.edges.map((e) => e.allowanceMm)
  const sides = piece.edges.some((e) => e.fold) ? 1 : 2
  return box.maxX - box.minX + sides * Math.max(...allowances)
}

/**
 * Says whether a piece fits the cloth's width along its grain: on folded cloth it has half of it, and a piece on the
 * fold of its own always lies on folded cloth.
 */
function clothCaution(piece: Piece, shape: Shape, inputs: HemFullnessInputs): Caution<HemFullnessInputs> {
  const onFold = piece.edges.some((e) => e.fold)
  const folded = inputs.folded || onFold
  const room = folded ? inputs.clothMm / 2 : inputs.clothMm
  const needs = widthOnCloth(piece, shape)
  const how = onFold ? 'on the fold' : folded ? 'on folded cloth' : 'on flat cloth'
  const over = needs - room
  return over > 0
    ? {
        code: 'cloth-too-narrow',
        pieceId: piece.id,
        message: `${piece.name} is ${lengthToken(needs)} wide along its grain and does not fit ${how}: the cloth leaves ${lengthToken(room)} there, ${differenceToken(needs, room)} too little. Cut it in two with a seam, take wider cloth, or turn the grain.`,
      }
    : {
        code: 'cloth-fits',
        pieceId: piece.id,
        message: `${piece.name} is ${lengthToken(needs)} wide along its grain and fits ${how} of cloth ${lengthToken(inputs.clothMm)} wide, with ${differenceToken(room, needs)} to spare.`,
      }
}

/**
 * Puts fullness into the hem of a skirt, leg or sleeve, or takes it out (craft 6.8): cuts from the hem to hinges on the
 * edge it hangs from, opened until the redrawn hem has grown by the amount. The gap of each cut is solved for that.
 * Refuses: a piece that has gone or hangs from nothing, cuts that leave the piece, an amount that the cuts cannot open or
 * that crosses the outline (with the largest that works).
 */
export function applyHemFullness(garment: Garment, inputs: HemFullnessInputs, context: ChangeContext): Result<Applied<HemFullnessInputs>> {
  const pieces = hemPartners(garment, inputs.pieceId)
  if (pieces.length === 0)
    return refuse(
      'reference-gone',
      'piece',
      'the piece this change was made for has gone, or has no hem and waist any more.',
      'Delete the change, or choose another piece.',
    )
  const done = swingHems(garment, inputs)
  const broken = done.ok ? findBrokenOutline(garment, done.value.garment) : null
  if (!done.ok && done.problem.code.startsWith('slash')) return done
  if (!done.ok || broken) {
    const largest = findLargest(inputs.amountMm, (amountMm) => {
      const tried = swingHems(garment, { ...inputs, amountMm })
      return tried.ok && findBrokenOutline(garment, tried.value.garment) === null
    })
    return refuse(
      'amount-too-large',
      done.ok ? broken!.where : done.problem.where,
      done.ok ? `${broken!.what} by this amount.` : done.problem.message,
      `Each hem can be ${limitToken(Math.abs(largest))} ${inputs.amountMm < 0 ? 'shorter' : 'longer'} at most; or make more cuts.`,
      largest,
    )
  }
  const { garment: after, swung } = done.value
  const cautions = pieces.map((p) => clothCaution(p, shapeOf(findPiece(after, p.id)!, context.sizeId), inputs))
  for (const p of pieces)
    if (inputs.leftOut.includes(p.id))
      cautions.push({
        code: 'partner-left-out',
        pieceId: p.id,
        message: `${p.name} was left out: the garment hangs fuller on one side than on the other.`,
        mend: { label: `Change ${p.name} too`, inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => id !== p.id) } },
      })
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      pieces.filter((p) => !inputs.leftOut.includes(p.id)).map((p) => p.id),
    ),
    leftOut: pieces.filter((p) => inputs.leftOut.includes(p.id)).map((p) => ({ pieceId: p.id, seamName: 'hem' })),
    held: heldByHems(garment, after, swung, inputs, context.sizeId),
    cautions,
    moves: [...swung].flatMap(([pieceId, one]) => playSwings(pieceId, one)),
  })
}
