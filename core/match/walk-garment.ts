import { measureLength, tangentAt, turnRad, type Path } from '../geometry'
import { markPosition, sideLength } from '../moves'
import {
  cornersOf,
  dartFigures,
  doubleDartFigures,
  doubleDartsOf,
  edgePath,
  findPiece,
  neighbours,
  shapeOf,
  type Garment,
  type RunEdge,
  type Seam,
} from '../pattern'
import { EQUAL_MM, RUN_THROUGH_DEG, SEAM_EASE_MM, SEAM_GOOD_MM } from '../tolerances'

export type Verdict = 'good' | 'ease' | 'fault'

export interface Tolerances {
  goodMm: number
  easeMm: number
  runThroughDeg: number
}

export const DEFAULT_TOLERANCES: Tolerances = { goodMm: SEAM_GOOD_MM, easeMm: SEAM_EASE_MM, runThroughDeg: RUN_THROUGH_DEG }

export interface WalkedSide {
  lengthMm: number
  parts: { pieceId: string; pieceName: string; edgeId: string; edgeName: string; lengthMm: number }[]
}

export interface WalkedMark {
  name: string
  /** The two marks that are meant to meet. */
  pair: Seam['marks'][number]
  firstMm: number
  secondMm: number
  /** How far outside of what the seam's surplus explains the two marks miss each other, mm. */
  offMm: number
  verdict: Verdict
}

/** An edge that runs on through a seam when sewn, and which of its ends lies there. */
export interface CornerArm {
  pieceId: string
  edgeId: string
  atStart: boolean
}

export interface WalkedCorner {
  id: string
  where: string
  /** The two edges that run through; one alone where it meets its own mirror image at a fold. */
  arms: CornerArm[]
  /** Turn of the sewn outline where it runs through, deg; 0 is smooth. */
  turnDeg: number
  designed: boolean
  verdict: Verdict
}

export interface WalkedSeam {
  seam: Seam
  sides: [WalkedSide, WalkedSide]
  /** First side minus second side, mm. */
  surplusMm: number
  /** How far the surplus lies outside the wanted range, mm; positive: the first side is too long. */
  offMm: number
  verdict: Verdict
  marks: WalkedMark[]
  corners: WalkedCorner[]
  /** Surplus between one shared mark and the next, in walking order: where the ease sits. */
  easeByStretch: { from: string; to: string; surplusMm: number }[]
}

export interface WalkedDart {
  pieceId: string
  pieceName: string
  dartId: string
  dartName: string
  firstMm: number
  secondMm: number
  offMm: number
  verdict: Verdict
  /** Where the edge runs across the closed dart; null for one that lies inside the piece. */
  corner: WalkedCorner | null
}

export interface WalkedFold {
  pieceId: string
  corner: WalkedCorner
}

export interface WalkedGarment {
  seams: WalkedSeam[]
  darts: WalkedDart[]
  folds: WalkedFold[]
}

function verdictOf(offMm: number, t: Tolerances): Verdict {
  const off = Math.abs(offMm)
  if (off <= t.goodMm + EQUAL_MM) return 'good'
  return off <= t.easeMm + EQUAL_MM ? 'ease' : 'fault'
}

const DEG = 180 / Math.PI

/** Inner angle of the outline at a corner between an edge's arriving and the next edge's leaving direction, deg. */
function innerAngle(arriving: Path, leaving: Path): number {
  return 180 - turnRad(tangentAt(arriving[arriving.length - 1]!, 1), tangentAt(leaving[0]!, 0)) * DEG
}

interface OpenEnd {
  arm: CornerArm
  role: string
  angleDeg: number
  designed: boolean
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
  return { arm, role: other.role, angleDeg, designed: corner.designed === true, label: `${piece.name}, ${other.name}` }
}

function walkCorners(garment: Garment, seam: Seam, sizeId: string, t: Tolerances): WalkedCorner[] {
  return (['start', 'end'] as const).flatMap((end): WalkedCorner[] => {
    const pick = (side: 0 | 1) => (end === 'start' ? seam.sides[side][0]! : seam.sides[side][seam.sides[side].length - 1]!)
    const a = openEnd(garment, pick(0), end === 'start', sizeId)
    const b = openEnd(garment, pick(1), end === 'start', sizeId)
    // Only an edge that goes on as the same edge on the partner runs through (armhole to armhole, hem to hem).
    if (a.role !== b.role || a.role === 'dart-leg' || a.role === 'pleat' || a.role === 'other' || a.role.startsWith('centre')) return []
    const turnDeg = a.angleDeg + b.angleDeg - 180
    const designed = a.designed || b.designed
    const rough = Math.abs(turnDeg) > t.runThroughDeg && !designed
    return [
      {
        id: `${seam.id}:${end}`,
        where: `${a.label} to ${b.label}`,
        arms: [a.arm, b.arm],
        turnDeg,
        designed,
        verdict: rough ? 'fault' : 'good',
      },
    ]
  })
}

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

/** Darts inside a piece: above and below the widest place both legs are sewn together; the half that is further apart counts. */
function walkDoubleDarts(garment: Garment, sizeId: string, t: Tolerances): WalkedDart[] {
  return garment.pieces.flatMap((piece) =>
    doubleDartsOf(piece).map((dart): WalkedDart => {
      const [a, b] = doubleDartFigures(shapeOf(piece, sizeId), dart.id).legsMm
      const half = Math.abs(a.above - b.above) >= Math.abs(a.below - b.below) ? 'above' : 'below'
      const offMm = a[half] - b[half]
      return {
        pieceId: piece.id,
        pieceName: piece.name,
        dartId: dart.id,
        dartName: `${dart.name}, ${half} its widest place`,
        firstMm: a[half],
        secondMm: b[half],
        offMm,
        verdict: verdictOf(offMm, t),
        corner: null,
      }
    }),
  )
}

function walkDarts(garment: Garment, sizeId: string, t: Tolerances): WalkedDart[] {
  return garment.pieces.flatMap((piece) =>
    piece.darts.map((dart): WalkedDart => {
      const shape = shapeOf(piece, sizeId)
      const d = dartFigures(piece, shape, dart)
      const offMm = d.firstMm - d.secondMm
      const legA = edgePath(shape, dart.legs[0])
      const legB = edgePath(shape, dart.legs[1])
      // With the dart closed the two inner angles beside its legs lie next to each other along the edge.
      const closed = innerAngle(edgePath(shape, d.before.id), legA) + innerAngle(legB, edgePath(shape, d.after.id))
      const turnDeg = closed - 180
      // A dart that begins at a corner of the piece leaves that corner as it is meant to be.
      const atCorner = d.before.role !== d.after.role
      const designed = atCorner || [dart.legs[0], dart.legs[1]].some((id) => cornersOf(piece, id).start.designed === true)
      return {
        pieceId: piece.id,
        pieceName: piece.name,
        dartId: dart.id,
        dartName: dart.name,
        firstMm: d.firstMm,
        secondMm: d.secondMm,
        offMm,
        verdict: verdictOf(offMm, t),
        corner: {
          id: `${piece.id}:${dart.id}`,
          where: `${piece.name}, ${d.before.name} across the closed dart`,
          arms: [
            { pieceId: piece.id, edgeId: d.before.id, atStart: false },
            { pieceId: piece.id, edgeId: d.after.id, atStart: true },
          ],
          turnDeg,
          designed,
          verdict: Math.abs(turnDeg) > t.runThroughDeg && !designed ? 'fault' : 'good',
        },
      }
    }),
  )
}

/** Where an edge meets the fold, the mirrored half goes on: it must be square, or the sewn edge has a point or a dip. */
function walkFolds(garment: Garment, sizeId: string, t: Tolerances): WalkedFold[] {
  return garment.pieces.flatMap((piece) => {
    const shape = shapeOf(piece, sizeId)
    return piece.edges
      .filter((e) => e.fold)
      .flatMap((fold) => {
        const { before, after } = neighbours(piece, fold.id)
        const corners = cornersOf(piece, fold.id)
        const path = edgePath(shape, fold.id)
        return [
          { edge: before, atStart: false, corner: corners.start, angle: innerAngle(edgePath(shape, before.id), path) },
          { edge: after, atStart: true, corner: corners.end, angle: innerAngle(path, edgePath(shape, after.id)) },
        ].map(({ edge, atStart, corner, angle }): WalkedFold => {
          const turnDeg = 2 * angle - 180
          const designed = corner.designed === true
          return {
            pieceId: piece.id,
            corner: {
              id: `${piece.id}:${fold.id}:${corner.id}`,
              where: `${piece.name}, ${edge.name} at the fold`,
              arms: [{ pieceId: piece.id, edgeId: edge.id, atStart }],
              turnDeg,
              designed,
              verdict: Math.abs(turnDeg) > t.runThroughDeg && !designed ? 'fault' : 'good',
            },
          }
        })
      })
  })
}

/**
 * Walks every seam, dart and fold of a garment in one size, on the seam lines.
 * @returns figures and verdicts only; listFaults puts them into words
 */
export function walkGarment(garment: Garment, sizeId: string, tolerances: Tolerances = DEFAULT_TOLERANCES): WalkedGarment {
  return {
    seams: garment.seams.map((s) => walkSeam(garment, s, sizeId, tolerances)),
    darts: [...walkDarts(garment, sizeId, tolerances), ...walkDoubleDarts(garment, sizeId, tolerances)],
    folds: walkFolds(garment, sizeId, tolerances),
  }
}

/** Every place where a sewn edge runs through a seam, a closed dart or a fold. */
export function cornersAsSewn(walked: WalkedGarment): WalkedCorner[] {
  return [...walked.seams.flatMap((s) => s.corners), ...walked.darts.flatMap((d) => d.corner ?? []), ...walked.folds.map((f) => f.corner)]
}
