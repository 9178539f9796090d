import { findKind, type Change, type FoldedPlan, type LengthenInputs, type Level } from '../changes'
import { placeAt } from '../geometry'
import { walkGarment, type Tolerances, type WalkedGarment, type WalkedSeam } from '../match'
import { alongGrain, placeOnSide } from '../moves'
import { cornersOf, edgePath, findPiece, grainDirection, shapeOf, type Garment, type Piece } from '../pattern'
import { lengthToken } from '../units'

/** A change that would mend a fault: a new stop, or another version of one in the plan. */
export type Mend =
  | { how: 'add'; label: string; change: Omit<Change, 'id'> }
  | { how: 'edit'; label: string; changeId: string; inputs: unknown }
  | { how: 'off'; label: string; changeId: string }

export interface Fault {
  id: string
  seamId: string | null
  verdict: 'ease' | 'fault'
  /** How bad, for the order of the list: mm off, degrees for corners. */
  size: number
  /** Names the piece, the edge and the figure; lengths as tokens. */
  message: string
  mends: Mend[]
}

/** Stops of the plan that left out a piece of this seam: including it again is the first mend to offer. */
function includeAgain(plan: FoldedPlan, seam: WalkedSeam): Mend[] {
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
        label: `Change ${names} too in “${findKind(stop.change.kind)!.describe(plan.base, inputs).title}”`,
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

/** How many seams and marks of a garment are not good. */
const troubles = (garment: Garment, sizeId: string): number =>
  walkGarment(garment, sizeId).seams.reduce(
    (n, s) => n + Number(s.verdict !== 'good') + s.marks.filter((m) => m.verdict !== 'good').length,
    0,
  )

/** Lengthen the short side, alone, by what is missing; offered only when measuring again shows that fewer things are off. */
function lengthenShortSide(garment: Garment, walked: WalkedSeam, sizeId: string): Mend[] {
  const short = walked.offMm > 0 ? 1 : 0
  if (new Set(walked.sides[short].parts.map((p) => p.pieceId)).size !== 1) return []
  const { piece, level } = levelInStretch(garment, walked, short, sizeId)
  const amountMm = Math.abs(walked.offMm)
  const inputs: LengthenInputs = {
    amountMm,
    pieceId: piece.id,
    levels: [level],
    leftOut: garment.pieces.filter((p) => p.id !== piece.id).map((p) => p.id),
  }
  const tried = findKind('lengthen')!.apply(garment, inputs, { sizeId })
  if (!tried.ok || troubles(tried.value.garment, sizeId) >= troubles(garment, sizeId)) return []
  return [
    {
      how: 'add',
      label: `Lengthen ${piece.name} alone by ${lengthToken(amountMm)}`,
      change: { kind: 'lengthen', inputs, on: true, note: `Mends the ${walked.seam.name}.` },
    },
  ]
}

/** Changes of the plan without which the same thing would be in order. */
function switchOff(plan: FoldedPlan, sizeId: string, tolerances: Tolerances, stillFaulty: (walked: WalkedGarment) => boolean): Mend[] {
  let before = plan.base
  for (const stop of plan.stops) {
    const wasFine = !stillFaulty(walkGarment(before, sizeId, tolerances))
    if (stop.status === 'applied' && wasFine && stillFaulty(walkGarment(stop.garment, sizeId, tolerances)))
      return [
        {
          how: 'off',
          label: `Switch off “${findKind(stop.change.kind)!.describe(plan.base, stop.change.inputs).title}”`,
          changeId: stop.change.id,
        },
      ]
    before = stop.garment
  }
  return []
}

function seamFaults(plan: FoldedPlan, walked: WalkedSeam, sizeId: string, tolerances: Tolerances): Fault[] {
  const faults: Fault[] = []
  const names = walked.sides.map((s) => [...new Set(s.parts.map((p) => `${p.pieceName}, ${p.edgeName}`))].join(' + '))
  if (walked.verdict !== 'good') {
    const long = walked.offMm > 0 ? 0 : 1
    const wanted = walked.seam.wantedEase
    const eased = wanted.minMm !== 0 || wanted.maxMm !== 0
    faults.push({
      id: `${walked.seam.id}:length`,
      seamId: walked.seam.id,
      verdict: walked.verdict,
      size: Math.abs(walked.offMm),
      message: `${walked.seam.name}: ${names[long]} is ${lengthToken(Math.abs(walked.offMm))} too long for ${names[1 - long]}${eased ? ` (wanted ease ${lengthToken(wanted.minMm)} to ${lengthToken(wanted.maxMm)}, found ${lengthToken(walked.surplusMm)})` : ''}.`,
      mends: [
        ...includeAgain(plan, walked),
        ...lengthenShortSide(plan.garment, walked, sizeId),
        ...switchOff(plan, sizeId, tolerances, (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.verdict !== 'good'),
      ],
    })
  }
  for (const mark of walked.marks)
    if (mark.verdict !== 'good')
      faults.push({
        id: `${walked.seam.id}:mark:${mark.name}`,
        seamId: walked.seam.id,
        verdict: mark.verdict,
        size: Math.abs(mark.offMm),
        message: `${walked.seam.name}: notch “${mark.name}” lies ${lengthToken(mark.firstMm)} along ${names[0]} and ${lengthToken(mark.secondMm)} along ${names[1]}: they miss each other by ${lengthToken(Math.abs(mark.offMm))}.`,
        mends: [
          ...includeAgain(plan, walked),
          ...switchOff(
            plan,
            sizeId,
            tolerances,
            (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.marks.find((m) => m.name === mark.name)?.verdict !== 'good',
          ),
        ],
      })
  return faults
}

/**
 * Everything that does not match in the garment as altered, worst first, each with the changes that mend it.
 * A corner's size is in degrees and sorts after the lengths.
 */
export function listFaults(plan: FoldedPlan, sizeId: string, tolerances: Tolerances): Fault[] {
  const walked = walkGarment(plan.garment, sizeId, tolerances)
  const lengths = walked.seams.flatMap((s) => seamFaults(plan, s, sizeId, tolerances))
  for (const dart of walked.darts)
    if (dart.verdict !== 'good')
      lengths.push({
        id: `dart:${dart.pieceId}:${dart.dartId}`,
        seamId: null,
        verdict: dart.verdict,
        size: Math.abs(dart.offMm),
        message: `${dart.pieceName}, ${dart.dartName}: its legs measure ${lengthToken(dart.firstMm)} and ${lengthToken(dart.secondMm)}, ${lengthToken(Math.abs(dart.offMm))} apart.`,
        mends: switchOff(
          plan,
          sizeId,
          tolerances,
          (w) => w.darts.find((d) => d.pieceId === dart.pieceId && d.dartId === dart.dartId)?.verdict !== 'good',
        ),
      })
  const allCorners = (w: WalkedGarment) => [
    ...w.seams.flatMap((s) => s.corners.map((c) => ({ c, seamId: s.seam.id as string | null }))),
    ...w.darts.map((d) => ({ c: d.corner, seamId: null })),
    ...w.folds.map((f) => ({ c: f.corner, seamId: null })),
  ]
  const corners = allCorners(walked)
    .filter(({ c }) => c.verdict !== 'good')
    .map(({ c, seamId }): Fault => ({
      id: `corner:${c.id}`,
      seamId,
      verdict: 'fault',
      size: Math.abs(c.turnDeg),
      message: `${c.where}: the sewn edge turns a corner of ${Math.abs(c.turnDeg).toFixed(0)}° ${c.turnDeg > 0 ? 'inward' : 'outward'} here.`,
      mends: switchOff(plan, sizeId, tolerances, (w) => allCorners(w).find((x) => x.c.id === c.id)?.c.verdict !== 'good'),
    }))
  const worst = (a: Fault, b: Fault) => Number(b.verdict === 'fault') - Number(a.verdict === 'fault') || b.size - a.size
  return [...lengths.sort(worst), ...corners.sort(worst)]
}
