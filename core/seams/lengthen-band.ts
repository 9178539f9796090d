import { add, dot, isStraightPath, mapPath, measureLength, mix, scale, subtract, unit, type Point } from '../geometry'

import {
  edgePath,
  findPiece,
  shapeOf,
  type Garment,
  type NotchPlace,
  type Piece,
  type Seam,
  type Shape,
  markPosition,
  sideLength,
} from '../pattern'
import { SAME_POINT_MM, STRAIGHT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'

/** A band that is sewn to an edge: the side of the seam that is all on it. */
export interface SewnBand {
  piece: Piece
  seam: Seam
  side: 0 | 1
}

/**
 * Pieces of the kind “band” along seams that some edges lie in, each edge of them once: where a front was opened out, half a band is sewn
 * to either half of it, and a band that was opened out too has a half for each.
 */
export function bandsAlong(garment: Garment, isOn: (run: { pieceId: string; edgeId: string }) => boolean): SewnBand[] {
  const all = garment.seams.flatMap((seam) =>
    ([0, 1] as const).flatMap((side): SewnBand[] => {
      const [own, other] = [seam.sides[side], seam.sides[side === 0 ? 1 : 0]]
      const piece = findPiece(garment, own[0]!.pieceId)!
      return piece.kind === 'band' && own.every((r) => r.pieceId === piece.id) && other.some(isOn) ? [{ piece, seam, side }] : []
    }),
  )
  const edgesOf = ({ seam, side }: SewnBand) => seam.sides[side].map((r) => r.edgeId)
  const isSame = (a: SewnBand, b: SewnBand) => a.piece === b.piece && edgesOf(a).some((id) => edgesOf(b).includes(id))
  return all.filter((band, i) => all.findIndex((b) => isSame(b, band)) === i)
}

/** Is a band straight in a size: all of its edges ruled? Only then can it be made longer by moving its parts along it. */
export const isStraightBand = (piece: Piece, shape: Shape): boolean =>
  piece.edges.every((e) => isStraightPath(edgePath(shape, e.id), STRAIGHT_MM))

/**
 * A straight band made to follow the edge that it is sewn to: each part between two marks of the seam becomes longer by what the
 * edge has gained there, so that its ease stays where it is.
 *
 * @param before the garment whose ease is kept
 * @param after the same with the edge redrawn
 * @returns the garment with the band longer; null where it is not straight
 */
export function lengthenBand(before: Garment, after: Garment, { piece: { id }, seam, side }: SewnBand, sizeId: string): Garment | null {
  const piece = findPiece(after, id)!
  const shape = shapeOf(piece, sizeId)
  if (!isStraightBand(piece, shape)) return null
  const other = side === 0 ? 1 : 0
  const neck = joinRuns(shape, seam.sides[side])
  const start = neck[0]!.from
  const along = unit(subtract(neck[neck.length - 1]!.to, start))
  const ends = [
    { own: 0, was: 0, is: 0 },
    {
      own: sideLength(after, seam, side, sizeId),
      was: sideLength(before, seam, other, sizeId),
      is: sideLength(after, seam, other, sizeId),
    },
  ]
  const marks = seam.marks.flatMap((pair) => {
    const own = markPosition(after, seam, side, pair[side], sizeId)
    const was = markPosition(before, seam, other, pair[other], sizeId)
    const is = markPosition(after, seam, other, pair[other], sizeId)
    return own === undefined || was === undefined || is === undefined ? [] : [{ own, was, is }]
  })
  const stations = [...ends, ...marks].sort((a, b) => a.own - b.own)
  /** How far a place so far along the band goes, mm: evenly between two marks. */
  const gone = (mm: number): number => {
    const beyond = stations.findIndex((s, i) => i > 0 && s.own >= mm)
    const b = stations[beyond < 0 ? stations.length - 1 : beyond]!
    const a = stations[stations.indexOf(b) - 1]!
    const span = b.own - a.own
    const part = span <= SAME_POINT_MM ? 1 : Math.min(1, Math.max(0, (mm - a.own) / span))
    return (a.is - a.was) * (1 - part) + (b.is - b.was) * part
  }
  const carry = (p: Point): Point => add(p, scale(along, gone(dot(subtract(p, start), along))))
  const slide = (p: Point): Point => subtract(carry(p), p)
  const edges = Object.fromEntries(Object.entries(shape.edges).map(([e, path]) => [e, mapPath(path, carry)]))
  const notches = Object.fromEntries(
    piece.notches.map((n): [string, NotchPlace] => {
      const place = shape.notches[n.id]!
      const path = edgePath(shape, n.edgeId)
      const way = subtract(path[path.length - 1]!.to, path[0]!.from)
      const total = measureLength(path)
      const at = mix(
        path[0]!.from,
        path[path.length - 1]!.to,
        (place.from === 'start' ? place.distanceMm : total - place.distanceMm) / total,
      )
      const from = edges[n.edgeId]!
      const mm = dot(subtract(carry(at), from[0]!.from), unit(way))
      return [n.id, { from: place.from, distanceMm: place.from === 'start' ? mm : measureLength(from) - mm }]
    }),
  )
  const lines = Object.fromEntries(Object.entries(shape.lines).map(([l, path]) => [l, mapPath(path, carry)]))
  const points = Object.fromEntries(Object.entries(shape.points).map(([k, p]) => [k, carry(p)]))
  // The arrow keeps its length and its direction.
  const by = slide(mix(shape.grain.from, shape.grain.to, 0.5))
  const grain = { from: add(shape.grain.from, by), to: add(shape.grain.to, by) }
  const is: Shape = { edges, notches, lines, points, grain }
  return { ...after, pieces: after.pieces.map((p) => (p.id === piece.id ? { ...piece, shapes: { ...piece.shapes, [sizeId]: is } } : p)) }
}
