import {
  add,
  applyAffine,
  cross,
  distance,
  dot,
  line,
  mapPath,
  measureLength,
  mix,
  placeAt,
  reversePath,
  rotateAbout,
  subtract,
  type Affine,
  type Path,
  type Point,
} from '../geometry'
import { findPiece, neighbours, shapeOf, type Garment, type Piece, type RunEdge, type Seam } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { joinRuns } from './cap-parts'
import { layTogether } from './lay-together'
import type { Half } from './measure-armhole'

/** The crotch edges of a leg, walked from the waist to the inseam. */
export interface CrotchLeg {
  piece: Piece
  runs: RunEdge[]
}

/** Both legs at the crotch: their edges, and the seam along which they are laid together. */
export interface Crotch {
  front: CrotchLeg
  back: CrotchLeg
  inseam: Seam
  /** Which side of that seam is the front, and at which of its ends the crotch lies. */
  frontSide: 0 | 1
  at: 'start' | 'end'
}

/** The crotch edges beside an end of an inseam, walked from the waist down to it. */
function legAt(garment: Garment, run: RunEdge, at: 'start' | 'end'): CrotchLeg | null {
  const piece = findPiece(garment, run.pieceId)!
  const { before, after } = neighbours(piece, run.edgeId)
  // The corner at the seam’s end, and the edge on its other side.
  const isAtStart = (at === 'start') !== run.reversed
  const n = piece.edges.length
  const step = isAtStart ? n - 1 : 1
  const runs: RunEdge[] = []
  for (let k = piece.edges.indexOf(isAtStart ? before : after), i = 0; i < n && piece.edges[k]!.role === 'crotch'; k = (k + step) % n, i++)
    runs.unshift({ pieceId: piece.id, edgeId: piece.edges[k]!.id, reversed: !isAtStart })
  return runs.length > 0 ? { piece, runs } : null
}

/**
 * The crotch of trousers: front and back leg with their crotch edges, met at the inseam (craft 6.9).
 * Refuses: a garment without legs, legs that no inseam joins.
 */
export function crotchOf(garment: Garment): Result<Crotch> {
  for (const inseam of garment.seams)
    for (const at of ['start', 'end'] as const) {
      const legs = ([0, 1] as const).map((side) => {
        const runs = inseam.sides[side]
        return legAt(garment, at === 'start' ? runs[0]! : runs[runs.length - 1]!, at)
      })
      const [a, b] = legs
      if (!a || !b || a.piece.id === b.piece.id) continue
      const frontSide = b.piece.kind === 'leg-front' || a.piece.kind === 'leg-back' ? 1 : 0
      return ok({ front: legs[frontSide]!, back: legs[1 - frontSide]!, inseam, frontSide, at })
    }
  const hasCrotch = garment.pieces.some((p) => p.edges.some((e) => e.role === 'crotch'))
  return hasCrotch
    ? refuse('no-inseam', 'garment', 'no inseam joins a front leg to a back one at the crotch.', 'Sew the inseam of the two legs first.')
    : refuse('no-crotch', 'garment', 'it has no crotch: it is not cut with legs.', 'Choose trousers, or name the crotch edges first.')
}

/** Both legs laid together at the inseam: the front as drawn, and the whole crotch line from front waist over the inseam to back waist. */
export interface LaidCrotch {
  /** Where the back leg lies. */
  back: Affine
  frontPath: Path
  /** From the inseam on, laid. */
  backPath: Path
  point: Point
}

export function layCrotch(garment: Garment, crotch: Crotch, sizeId: string): LaidCrotch {
  const seam: Seam = crotch.frontSide === 0 ? crotch.inseam : { ...crotch.inseam, sides: [crotch.inseam.sides[1], crotch.inseam.sides[0]] }
  const back = layTogether(garment, seam, crotch.at, sizeId)
  const frontPath = joinRuns(shapeOf(findPiece(garment, crotch.front.piece.id)!, sizeId), crotch.front.runs)
  const backOwn = reversePath(joinRuns(shapeOf(findPiece(garment, crotch.back.piece.id)!, sizeId), crotch.back.runs))
  return { back, frontPath, backPath: mapPath(backOwn, (p) => applyAffine(back, p)), point: frontPath[frontPath.length - 1]!.to }
}

/** A reading as it was taken: points from the front waist to the back waist, and which of them lies at the inseam. */
export interface CrotchReading {
  points: readonly Point[]
  inseam: number
}

/** Places at which readings are compared on each side of the inseam. */
const SAMPLES = 60

/** A polyline at shares of its length. */
function atShares(points: readonly Point[]): Point[] {
  const path: Path = points.slice(1).map((p, i) => line(points[i]!, p))
  const total = measureLength(path)
  return Array.from({ length: SAMPLES + 1 }, (_, i) => placeAt(path, (total * i) / SAMPLES).point)
}

/**
 * A reading laid on the crotch line of the legs (craft 6.9): its inseam point on theirs, turned, and turned over where that is nearer,
 * so that its ends lie as near as they can to both waist ends (least squares about the pin).
 */
function layReading(reading: CrotchReading, laid: LaidCrotch): { front: Point[]; back: Point[] } {
  const ends: [Point, Point] = [laid.frontPath[0]!.from, laid.backPath[laid.backPath.length - 1]!.to]
  const wanted = ends.map((p) => subtract(p, laid.point))
  const placed = [1, -1].map((side) => {
    const pin = reading.points[reading.inseam]!
    const own = reading.points.map((p) => ({ x: (p.x - pin.x) * side, y: p.y - pin.y }))
    const tips = [own[0]!, own[own.length - 1]!]
    const turn = Math.atan2(
      tips.reduce((sum, p, i) => sum + cross(p, wanted[i]!), 0),
      tips.reduce((sum, p, i) => sum + dot(p, wanted[i]!), 0),
    )
    const points = own.map((p) => add(laid.point, rotateAbout(p, { x: 0, y: 0 }, turn)))
    return { points, off: distance(points[0]!, ends[0]) + distance(points[points.length - 1]!, ends[1]) }
  })
  const best = placed[0]!.off <= placed[1]!.off ? placed[0]! : placed[1]!
  return {
    front: atShares(best.points.slice(0, reading.inseam + 1)),
    back: atShares(best.points.slice(reading.inseam)),
  }
}

/** What several readings say together, laid on the crotch line. */
export interface BodyCurve {
  /** From the front waist to the inseam, and on to the back waist. */
  front: Point[]
  back: Point[]
  /** How far a reading lies from their mean at the most, mm. */
  spreadMm: number
}

/** Readings laid on the crotch line and averaged place by place. */
export function averageReadings(readings: readonly CrotchReading[], laid: LaidCrotch): BodyCurve {
  const placed = readings.map((r) => layReading(r, laid))
  const meanOf = (which: Half): Point[] =>
    placed[0]![which].map((_, i) => {
      const sum = placed.map((p) => p[which][i]!).reduce(add)
      return { x: sum.x / placed.length, y: sum.y / placed.length }
    })
  const [front, back] = [meanOf('front'), meanOf('back')]
  const offs = placed.flatMap((p) => [...p.front.map((q, i) => distance(q, front[i]!)), ...p.back.map((q, i) => distance(q, back[i]!))])
  return { front, back, spreadMm: Math.max(...offs) }
}

/**
 * How far a line lies from a body’s curve at places along it, mm, square to the line: positive where the body’s curve lies further
 * into the cloth. Where the square does not meet the curve there is none to be told, and it counts as nothing.
 *
 * @param into unit direction into the cloth, for a length along the line
 */
export function distancesTo(
  path: Path,
  curve: readonly Point[],
  into: (tangent: Point) => Point,
  count: number,
): { atMm: number; mm: number }[] {
  const total = measureLength(path)
  return Array.from({ length: count + 1 }, (_, i) => {
    const atMm = (total * i) / count
    const { point, tangent } = placeAt(path, atMm)
    const n = into(tangent)
    let best: number | null = null
    for (let k = 1; k < curve.length; k++) {
      const [a, b] = [subtract(curve[k - 1]!, point), subtract(curve[k]!, point)]
      const [sa, sb] = [dot(a, tangent), dot(b, tangent)]
      if (sa * sb > 0 || sa === sb) continue
      const mm = dot(mix(a, b, sa / (sa - sb)), n)
      if (best === null || Math.abs(mm) < Math.abs(best)) best = mm
    }
    return { atMm, mm: best ?? 0 }
  })
}
