import { measureLength } from '../geometry'

import {
  cornersOf,
  edgePath,
  findPiece,
  neighbours,
  seamsOfEdge,
  shapeOf,
  type Garment,
  type RunEdge,
  type Seam,
  markPosition,
  sideLength,
} from '../pattern'
import { innerAngle, nameWhereItRuns, verdictOf } from './judge'
import type { CornerArm, Tolerances, WalkedCorner, WalkedMark, WalkedSeam, WalkedSide } from './types'

interface OpenEnd {
  arm: CornerArm
  role: string
  angleDeg: number
  designed: boolean
  edgeName: string
  label: string
}

/** The free edge that leaves a seam at one of its ends on one side, with the angle between them. */
function openEnd(garment: Garment, run: RunEdge, atStart: boolean, sizeId: string): OpenEnd {
  const piece = findPiece(garment, run.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const { before, after } = neighbours(piece, run.edgeId)
  const path = edgePath(shape, run.edgeId)
  const edgeStart = atStart !== run.reversed
  const corners = cornersOf(piece, run.edgeId)
  const corner = edgeStart ? corners.start : corners.end
  const other = edgeStart ? before : after
  const angleDeg = edgeStart ? innerAngle(edgePath(shape, other.id), path) : innerAngle(path, edgePath(shape, other.id))
  const arm = { pieceId: piece.id, edgeId: other.id, atStart: !edgeStart }
  return {
    arm,
    role: other.role,
    angleDeg,
    designed: corner.designed === true,
    edgeName: nameWhereItRuns(other),
    label: `${piece.name}, ${other.name}`,
  }
}

function walkCorners(garment: Garment, seam: Seam, sizeId: string, t: Tolerances): WalkedCorner[] {
  return (['start', 'end'] as const).flatMap((end): WalkedCorner[] => {
    const pick = (side: 0 | 1) => (end === 'start' ? seam.sides[side][0]! : seam.sides[side][seam.sides[side].length - 1]!)
    const a = openEnd(garment, pick(0), end === 'start', sizeId)
    const b = openEnd(garment, pick(1), end === 'start', sizeId)
    // Only an edge that goes on as the same edge on the partner runs through (armhole to armhole, hem to hem).
    if (a.role !== b.role || a.role === 'dart-leg' || a.role === 'pleat' || a.role === 'other' || a.role.startsWith('centre')) return []
    if (areSewn(garment, a.arm, b.arm)) return []
    const turnDeg = a.angleDeg + b.angleDeg - 180
    const designed = a.designed || b.designed
    const rough = Math.abs(turnDeg) > t.runThroughDeg && !designed
    return [
      {
        id: `${seam.id}:${end}`,
        where: `${a.label} to ${b.label}`,
        edgeName: a.edgeName,
        through: `across the ${seam.name}`,
        arms: [a.arm, b.arm],
        turnDeg,
        designed,
        verdict: rough ? 'fault' : 'good',
      },
    ]
  })
}

/** Are two edges sewn to each other? Then the seam goes on there, and no outline leaves it. */
const areSewn = (garment: Garment, a: CornerArm, b: CornerArm): boolean =>
  seamsOfEdge(garment, a.pieceId, a.edgeId).some(({ seam, side }) =>
    seam.sides[side === 0 ? 1 : 0].some((r) => r.pieceId === b.pieceId && r.edgeId === b.edgeId),
  )

function walkSide(garment: Garment, seam: Seam, side: 0 | 1, sizeId: string): WalkedSide {
  return {
    lengthMm: sideLength(garment, seam, side, sizeId),
    parts: seam.sides[side].map((run) => {
      const piece = findPiece(garment, run.pieceId)!
      const edge = piece.edges.find((e) => e.id === run.edgeId)!
      const lengthMm = measureLength(edgePath(shapeOf(piece, sizeId), edge.id))
      return { pieceId: piece.id, pieceName: piece.name, edgeId: edge.id, edgeName: edge.name, lengthMm }
    }),
  }
}

/**
 * Walks one seam: both lengths, the surplus against the wanted ease, where each pair of marks meets, and how the
 * neighbouring edges run through at its ends when sewn. A pair of marks may miss each other by as much as the seam's
 * surplus explains (ease lies between the marks); the rest is off. Limits of the seam's own go before the given ones.
 */
export function walkSeam(garment: Garment, seam: Seam, sizeId: string, tolerances: Tolerances): WalkedSeam {
  const t: Tolerances = { ...tolerances, ...seam.tolerance }
  const sides: [WalkedSide, WalkedSide] = [walkSide(garment, seam, 0, sizeId), walkSide(garment, seam, 1, sizeId)]
  const surplusMm = sides[0].lengthMm - sides[1].lengthMm
  const { minMm, maxMm } = seam.wantedEase
  const offMm = surplusMm > maxMm ? surplusMm - maxMm : surplusMm < minMm ? surplusMm - minMm : 0
  const low = Math.min(0, minMm, surplusMm)
  const high = Math.max(0, maxMm, surplusMm)
  const marks = seam.marks.flatMap((pair): WalkedMark[] => {
    const firstMm = markPosition(garment, seam, 0, pair[0], sizeId)
    const secondMm = markPosition(garment, seam, 1, pair[1], sizeId)
    if (firstMm === undefined || secondMm === undefined) return []
    const gap = firstMm - secondMm
    const off = gap > high ? gap - high : gap < low ? gap - low : 0
    return [{ name: markName(garment, pair[0]), pair, firstMm, secondMm, offMm: off, verdict: verdictOf(off, t) }]
  })
  marks.sort((a, b) => a.firstMm - b.firstMm)
  const stops = [
    { name: 'start', firstMm: 0, secondMm: 0 },
    ...marks,
    { name: 'end', firstMm: sides[0].lengthMm, secondMm: sides[1].lengthMm },
  ]
  const easeByStretch = stops.slice(1).map((stop, i) => ({
    from: stops[i]!.name,
    to: stop.name,
    surplusMm: stop.firstMm - stops[i]!.firstMm - (stop.secondMm - stops[i]!.secondMm),
  }))
  return {
    seam,
    sides,
    surplusMm,
    offMm,
    verdict: verdictOf(offMm, t),
    marks,
    corners: walkCorners(garment, seam, sizeId, t),
    easeByStretch,
  }
}

function markName(garment: Garment, mark: Seam['marks'][number][0]): string {
  const piece = findPiece(garment, mark.pieceId)!
  const named = 'notchId' in mark ? piece.notches.find((n) => n.id === mark.notchId) : piece.corners.find((c) => c.id === mark.cornerId)
  return named?.name ?? 'mark'
}
