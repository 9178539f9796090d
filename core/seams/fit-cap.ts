import { boundsOf, cutPath, findNearestRoot, measureLength, reversePath, type Path } from '../geometry'

import {
  findPiece,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Seam,
  type SeamMark,
  type Shape,
  markPosition,
  sideLength,
} from '../pattern'
import { ok, refuse, type Result } from '../result'
import { LENGTH_FOUND_MM } from '../tolerances'
import { lengthToken } from '../units'
import { capParts, joinRuns } from './cap-parts'
import { topMark } from './find-armholes'
import { HALVES, measureArmhole, type Half, type SleevedArmhole } from './measure-armhole'
import { capDrawer, NO_CAP_MOVE, type CapMove } from './reshape-cap'

/** How a cap is made longer or shorter: higher, wider at the bicep, or by half each. */
export type CapWay = 'height' | 'width' | 'both'

/** Most that a cap rises, and falls, as parts of its height; and that a half goes outward or inward, as parts of its width. */
const RISE = { most: 1.2, least: 0.7 }
const OUT = { most: 0.6, least: 0.45 }

export interface CapFit {
  garment: Garment
  move: CapMove
  /** How far the place that meets the shoulder went along the cap toward its front, mm. */
  notchMm: number
}

/** Height and width of the part of a cap that has its top on it, mm. */
function sizeOfCap(garment: Garment, armhole: SleevedArmhole, sizeId: string): { heightMm: number; widthMm: number } {
  const parts = capParts(garment, armhole, sizeId)
  const longest = parts.reduce((a, b) => (b.toMm - b.fromMm > a.toMm - a.fromMm ? b : a))
  const box = boundsOf(joinRuns(shapeOf(findPiece(garment, longest.pieceId)!, sizeId), longest.runs))
  return { heightMm: box.maxY - box.minY, widthMm: box.maxX - box.minX }
}

/**
 * A cap drawn anew so that its front and its back half each measure what is wanted (craft 6.10): the whole by its height, by the
 * place of its ends, or half by each; which part of it is front and which back by where the shoulder’s notch sits.
 * Notches keep the ease that lay between them and the underarm.
 *
 * @param wanted length of each half from the shoulder to the underarm, mm
 * @param slideMm how far the cap is slid to the front first, mm
 * Refuses, with the closest that was reached, where no height or width gives it.
 */
export function fitCap(
  garment: Garment,
  armhole: SleevedArmhole,
  sizeId: string,
  wanted: Record<Half, number>,
  way: CapWay,
  slideMm = 0,
): Result<CapFit> {
  const { seam, side, beginsAt } = armhole.sleeve
  const before = measureArmhole(garment, armhole, sizeId)
  const { heightMm, widthMm } = sizeOfCap(garment, armhole, sizeId)
  const draw = capDrawer(garment, armhole, sizeId, slideMm)
  const lengthOf = (move: CapMove) => {
    const drawn = draw(move)
    return drawn ? sideLength(drawn, seam, side, sizeId) : Number.NaN
  }
  let move: CapMove = NO_CAP_MOVE
  const cannot = (wantedMm: number, missedMm: number): Result<never> =>
    refuse(
      'cap-out-of-reach',
      seam.name,
      `the cap would have to measure ${lengthToken(wantedMm)}, and comes to ${lengthToken(wantedMm + missedMm)} at the nearest.`,
      `Ask for other ease, change the armhole instead${way === 'height' ? '' : ', or let the cap give by its height'}.`,
    )
  if (way !== 'height') {
    const share = way === 'both' ? 1 / 2 : 1
    const startMm = lengthOf(NO_CAP_MOVE)
    for (const half of HALVES) {
      // The two halves grow by themselves: what one takes leaves the other as it is.
      const grow = (wanted[half] - before.cap[half]) * share
      const at = (mm: number): CapMove => ({ ...NO_CAP_MOVE, outMm: { ...NO_CAP_MOVE.outMm, [half]: mm } })
      const limits = { plus: (OUT.most * widthMm) / 2, minus: (OUT.least * widthMm) / 2 }
      const found = findNearestRoot((mm) => lengthOf(at(mm)) - startMm - grow, limits, LENGTH_FOUND_MM)
      if (!('at' in found)) return cannot(startMm + grow, found.closest)
      move = { ...move, outMm: { ...move.outMm, [half]: found.at } }
    }
  }
  const total = wanted.front + wanted.back
  if (way !== 'width' || Math.abs(lengthOf(move) - total) > LENGTH_FOUND_MM) {
    const at = (mm: number): CapMove => ({ ...move, riseMm: mm })
    const limits = { plus: RISE.most * heightMm, minus: RISE.least * heightMm }
    const found = findNearestRoot((mm) => lengthOf(at(mm)) - total, limits, LENGTH_FOUND_MM)
    if (!('at' in found)) return cannot(total, found.closest)
    move = at(found.at)
  }
  const drawn = draw(move)
  if (!drawn) return cannot(total, lengthOf(NO_CAP_MOVE) - total)
  const laid = setTop(drawn, armhole, sizeId, wanted[beginsAt])
  if (!laid.ok) return laid
  const toFront = wanted[beginsAt] - before.topMm
  return ok({ garment: laid.value, move, notchMm: beginsAt === 'front' ? -toFront : toFront })
}

/** The place of a cap that meets the shoulder set to a length from the start of its seam. */
function setTop(garment: Garment, armhole: SleevedArmhole, sizeId: string, topMm: number): Result<Garment> {
  const { seam, side } = armhole.sleeve
  const mark = topMark(garment, armhole)?.cap
  if (!mark) return ok(garment)
  const piece = findPiece(garment, mark.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const part = capParts(garment, armhole, sizeId).find((p) => p.pieceId === piece.id && p.fromMm < topMm && topMm < p.toMm)
  if (!part)
    return refuse(
      'cap-out-of-reach',
      piece.name,
      'the shoulder would meet it beyond its cap.',
      'Ask for less, or change the armhole instead.',
    )
  if ('notchId' in mark) return ok(withShape(garment, piece.id, sizeId, setNotch(garment, seam, side, mark, shape, sizeId, topMm)))
  // The shoulder meets a corner between two edges of the cap: the same line, parted anew.
  const k = part.runs.findIndex((_, i) => i > 0 && isJoint(garment, part.runs, i, mark.cornerId))
  if (k < 0)
    return refuse('cap-in-halves', piece.name, 'a seam runs over the top of its cap.', 'Change the two halves of the sleeve one by one.')
  const whole = joinRuns(shape, part.runs.slice(k - 1, k + 1))
  const from = part.fromMm + measureLength(joinRuns(shape, part.runs.slice(0, k - 1)))
  const cut = topMm - from
  const halves: Path[] = [cutPath(whole, 0, cut), cutPath(whole, cut, measureLength(whole))]
  const edges = Object.fromEntries(
    part.runs.slice(k - 1, k + 1).map((run, i) => [run.edgeId, run.reversed ? reversePath(halves[i]!) : halves[i]!]),
  )
  return ok(withShape(garment, piece.id, sizeId, { ...shape, edges: { ...shape.edges, ...edges } }))
}

/** Do two edges of a run meet at this corner? */
function isJoint(
  garment: Garment,
  runs: readonly { pieceId: string; edgeId: string; reversed: boolean }[],
  i: number,
  cornerId: string,
): boolean {
  const piece = findPiece(garment, runs[i]!.pieceId)!
  const k = piece.edges.findIndex((e) => e.id === runs[i]!.edgeId)
  const corner = runs[i]!.reversed ? piece.corners[(k + 1) % piece.corners.length]! : piece.corners[k]!
  return corner.id === cornerId
}

const withShape = (garment: Garment, pieceId: string, sizeId: string, shape: Shape): Garment => ({
  ...garment,
  pieces: garment.pieces.map((p) => (p.id === pieceId ? { ...p, shapes: { ...p.shapes, [sizeId]: shape } } : p)),
})

/** A notch of a seam's side set to a length from its start; it keeps the end of its edge that it is measured from. */
function setNotch(
  garment: Garment,
  seam: Seam,
  side: 0 | 1,
  mark: Extract<SeamMark, { notchId: string }>,
  shape: Shape,
  sizeId: string,
  atMm: number,
): Shape {
  const piece = findPiece(garment, mark.pieceId)!
  const notch = piece.notches.find((n) => n.id === mark.notchId)!
  let walked = 0
  for (const run of seam.sides[side]) {
    const own = measureLength(shapeOf(findPiece(garment, run.pieceId)!, sizeId).edges[run.edgeId]!)
    if (run.pieceId === piece.id && run.edgeId === notch.edgeId) {
      const along = Math.min(own, Math.max(0, atMm - walked))
      const fromStart = run.reversed ? own - along : along
      const { from } = shape.notches[notch.id]!
      const place: NotchPlace = { from, distanceMm: from === 'start' ? fromStart : own - fromStart }
      return { ...shape, notches: { ...shape.notches, [notch.id]: place } }
    }
    walked += own
  }
  return shape
}

/**
 * The notches of a cap set so that they meet the armhole’s as they did before: between a notch and the underarm of its half lies
 * the ease that lay there.
 *
 * @param before the garment as it was, in its own size
 */
export function settleCapMarks(before: Garment, after: Garment, armhole: SleevedArmhole, sizeBefore: string, sizeId: string): Garment {
  const { seam, side } = armhole.sleeve
  const other = side === 0 ? 1 : 0
  const was = before.seams.find((s) => s.id === seam.id)
  const top = topMark(after, armhole)?.cap
  const topMm = measureArmhole(after, armhole, sizeId).topMm
  if (!was) return after
  return seam.marks.reduce((garment, pair) => {
    const mark = pair[side]
    if (!('notchId' in mark) || mark === top) return garment
    const [wasHere, wasThere, there, here] = [
      markPosition(before, was, side, mark, sizeBefore),
      markPosition(before, was, other, pair[other], sizeBefore),
      markPosition(garment, seam, other, pair[other], sizeId),
      markPosition(garment, seam, side, mark, sizeId),
    ]
    if (wasHere === undefined || wasThere === undefined || there === undefined || here === undefined) return garment
    const fromEnd = here > topMm
    const wasEase = sideLength(before, was, side, sizeBefore) - sideLength(before, was, other, sizeBefore)
    const isEase = sideLength(garment, seam, side, sizeId) - sideLength(garment, seam, other, sizeId)
    const at = there + (wasHere - wasThere) + (fromEnd ? isEase - wasEase : 0)
    const shape = shapeOf(findPiece(garment, mark.pieceId)!, sizeId)
    return withShape(garment, mark.pieceId, sizeId, setNotch(garment, seam, side, mark, shape, sizeId, at))
  }, after)
}
