import {
  dartRef,
  doubleDartInputs,
  findKind,
  notchRef,
  type Change,
  type ChangeContext,
  type FoldedPlan,
  type LengthenInputs,
  type Level,
} from '../changes'
import { placeAt } from '../geometry'
import {
  cornersAsSewn,
  walkGarment,
  type WalkedCorner,
  type WalkedDart,
  type WalkedGarment,
  type WalkedMark,
  type WalkedSeam,
} from '../match'
import { alongGrain, placeOnSide } from '../moves'
import { cornersOf, edgePath, findPiece, grainDirection, shapeOf, takeSize, type Garment, type Piece } from '../pattern'
import { lengthToken } from '../units'

/** A change that would mend a fault: a new stop, or another version of one in the plan. */
export type Mend =
  | { how: 'add'; label: string; change: Omit<Change, 'id'> }
  | { how: 'edit'; label: string; changeId: string; inputs: unknown }
  | { how: 'off'; label: string; changeId: string }

/** Stops of the plan that left out a piece of this seam: including it again is the first mend to offer. */
export function includeAgain(plan: FoldedPlan, seam: WalkedSeam): Mend[] {
  const pieces = new Set(seam.sides.flatMap((s) => s.parts.map((p) => p.pieceId)))
  return plan.stops.flatMap((stop): Mend[] => {
    if (stop.status !== 'applied' || !stop.applied) return []
    const left = stop.applied.leftOut.filter((l) => pieces.has(l.pieceId))
    if (left.length === 0) return []
    const inputs = stop.change.inputs as LengthenInputs
    if (!Array.isArray(inputs.leftOut)) return []
    const ids = new Set(left.map((l) => l.pieceId))
    const names = left.map((l) => findPiece(plan.garment, l.pieceId)?.name).join(' and ')
    return [
      {
        how: 'edit',
        label: `Change ${names} too in “${stop.words.title}”`,
        changeId: stop.change.id,
        inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => !ids.has(id)) },
      },
    ]
  })
}

/** A line across the short side in the middle of the stretch, between two marks, where the surplus arises. */
function levelInStretch(garment: Garment, walked: WalkedSeam, short: 0 | 1, sizeId: string): { piece: Piece; level: Level } {
  const stops = [
    { at: 0 },
    ...walked.marks.map((m) => ({ at: short === 0 ? m.firstMm : m.secondMm })),
    { at: walked.sides[short].lengthMm },
  ]
  const sizes = walked.easeByStretch.map((e) => Math.abs(e.surplusMm))
  const k = sizes.indexOf(Math.max(...sizes))
  const place = placeOnSide(garment, walked.seam, short, (stops[k]!.at + stops[k + 1]!.at) / 2, sizeId)
  const piece = findPiece(garment, place.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const path = edgePath(shape, place.edgeId)
  const { start, end } = cornersOf(piece, place.edgeId)
  const ends = [
    { corner: start, at: alongGrain(path[0]!.from, grain) },
    { corner: end, at: alongGrain(path[path.length - 1]!.to, grain) },
  ]
  const upper = ends[0]!.at <= ends[1]!.at ? ends[0]! : ends[1]!
  const belowMm = alongGrain(placeAt(path, place.atMm).point, grain) - upper.at
  return { piece, level: { id: 'line-1', share: 1, mark: { by: 'corner', id: upper.corner.id }, belowMm } }
}

/** A folded plan that is looked through for faults: every garment in it is walked once. */
export interface Look {
  plan: FoldedPlan
  context: ChangeContext
  walk(garment: Garment): WalkedGarment
}

export function lookAt(plan: FoldedPlan, context: ChangeContext): Look {
  const walked = new Map<Garment, WalkedGarment>()
  return {
    plan,
    context,
    walk(garment) {
      const known = walked.get(garment) ?? walkGarment(garment, context.sizeId, context.tolerances)
      walked.set(garment, known)
      return known
    },
  }
}

/** How many seams, marks, darts and corners of a garment are not good. */
function troubles(walked: WalkedGarment): number {
  const bad = (x: { verdict: string }) => x.verdict !== 'good'
  return [...walked.seams, ...walked.seams.flatMap((s) => s.marks), ...walked.darts, ...cornersAsSewn(walked)].filter(bad).length
}

/**
 * A change as a mend, if applying it and measuring again shows that fewer things are off. It is tried in the size that is
 * shown first: of a nest of twenty that is a twentieth of the work.
 */
function ifItHelps(look: Look, kind: string, inputs: unknown, words: { label: string; note: string }): Mend[] {
  const { plan, context, walk } = look
  const { apply } = findKind(kind)!
  const shown = apply(takeSize(plan.garment, context.sizeId), inputs, context)
  if (!shown.ok) return []
  const left = troubles(walkGarment(shown.value.garment, context.sizeId, context.tolerances))
  if (left >= troubles(walk(plan.garment)) || !apply(plan.garment, inputs, context).ok) return []
  return [{ how: 'add', label: words.label, change: { kind, inputs, on: true, note: words.note } }]
}

/** Lengthen the short side, alone, by what is missing. */
export function lengthenShortSide(look: Look, walked: WalkedSeam): Mend[] {
  const { garment } = look.plan
  const short = walked.offMm > 0 ? 1 : 0
  if (new Set(walked.sides[short].parts.map((p) => p.pieceId)).size !== 1) return []
  const { piece, level } = levelInStretch(garment, walked, short, look.context.sizeId)
  const amountMm = Math.abs(walked.offMm)
  const inputs: LengthenInputs = {
    amountMm,
    pieceId: piece.id,
    levels: [level],
    leftOut: garment.pieces.filter((p) => p.id !== piece.id).map((p) => p.id),
  }
  const words = { label: `Lengthen ${piece.name} alone by ${lengthToken(amountMm)}`, note: `Mends the ${walked.seam.name}.` }
  return ifItHelps(look, 'lengthen', inputs, words)
}

/** Move the notch of one side, or of the other, by as much as the two miss each other. */
export function meetNotches(look: Look, walked: WalkedSeam, mark: WalkedMark): Mend[] {
  const { garment } = look.plan
  return ([1, 0] as const).flatMap((side) => {
    const own = mark.pair[side]
    if (!('notchId' in own)) return []
    const piece = findPiece(garment, own.pieceId)!
    const edgeId = piece.notches.find((n) => n.id === own.notchId)!.edgeId
    const run = walked.seam.sides[side].find((r) => r.pieceId === own.pieceId && r.edgeId === edgeId)!
    // Toward the other mark, along the seam; and then along the edge, which the seam may walk the other way.
    const alongSeam = side === 0 ? -mark.offMm : mark.offMm
    const inputs = { notch: notchRef(own.pieceId, own.notchId), byMm: run.reversed ? -alongSeam : alongSeam }
    const words = {
      label: `Move the notch on ${piece.name} by ${lengthToken(Math.abs(mark.offMm))}`,
      note: `Lets the notches of the ${walked.seam.name} meet.`,
    }
    return ifItHelps(look, 'move-notch', inputs, words)
  })
}

/** Draw the shorter leg on until both are equal, or take the longer one back where that serves better; inside a piece, rule both. */
export function equalLegs(look: Look, dart: WalkedDart): Mend[] {
  const { garment } = look.plan
  const ref = dartRef(dart.pieceId, dart.dartId)
  // A dart inside a piece has no edge that runs across it.
  if (!dart.corner) {
    const inputs = doubleDartInputs(garment, ref)
    const words = { label: 'Rule both legs anew', note: `Lets the legs of ${dart.pieceName}, ${dart.dartName} meet.` }
    return inputs ? ifItHelps(look, 'double-dart', { ...inputs, legs: 'ruled' }, words) : []
  }
  const shorter = dart.offMm > 0 ? 'second' : 'first'
  const amount = lengthToken(Math.abs(dart.offMm))
  return (['longer', 'shorter'] as const).flatMap((way) => {
    const leg = (way === 'longer') === (shorter === 'first') ? 'first' : 'second'
    const growMm = way === 'longer' ? Math.abs(dart.offMm) : -Math.abs(dart.offMm)
    const words = {
      label: way === 'longer' ? `Make the short leg ${amount} longer` : `Make the long leg ${amount} shorter`,
      note: `Lets the legs of ${dart.pieceName}, ${dart.dartName} meet.`,
    }
    return ifItHelps(look, 'equal-legs', { dart: ref, leg, growMm }, words)
  })
}

/** Reaches over which a corner is trued, mm: the first that works and helps is offered. */
const TRUING_REACHES_MM = [60, 40, 25, 15]

/** Redraw both edges beside a corner so that they run on. */
export function trueCorner(look: Look, corner: WalkedCorner): Mend[] {
  for (const reachMm of TRUING_REACHES_MM) {
    const words = { label: 'True the corner', note: `Lets the edge run on smoothly: ${corner.where}.` }
    const mend = ifItHelps(look, 'true-corner', { cornerId: corner.id, reachMm, firstTakes: 'half' }, words)
    if (mend.length > 0) return mend
  }
  return []
}

/** Changes of the plan without which the same thing would be in order. */
export function switchOff({ plan, walk }: Look, stillFaulty: (walked: WalkedGarment) => boolean): Mend[] {
  let before = plan.base
  for (const stop of plan.stops) {
    const wasFine = !stillFaulty(walk(before))
    if (stop.status === 'applied' && wasFine && stillFaulty(walk(stop.garment)))
      return [
        {
          how: 'off',
          label: `Switch off “${stop.words.title}”`,
          changeId: stop.change.id,
        },
      ]
    before = stop.garment
  }
  return []
}
