import { cornersOf, edgePath, findPiece, shapeOf } from './outline'
import type { Garment, Seam, SeamMark } from './schema'
import { measureLength } from '../geometry'

/** Length of one side of a seam, mm on the seam line. */
export function sideLength(garment: Garment, seam: Seam, side: 0 | 1, sizeId: string): number {
  return seam.sides[side].reduce((sum, run) => sum + edgeLength(garment, run.pieceId, run.edgeId, sizeId), 0)
}

/** How much longer the first side of a seam is than the second, mm: its ease where that is wanted. */
export const surplusOf = (garment: Garment, seam: Seam, sizeId: string): number =>
  sideLength(garment, seam, 0, sizeId) - sideLength(garment, seam, 1, sizeId)

function edgeLength(garment: Garment, pieceId: string, edgeId: string, sizeId: string): number {
  return measureLength(edgePath(shapeOf(findPiece(garment, pieceId)!, sizeId), edgeId))
}

/** Where a place on an edge lies along its side of a seam, mm from the seam's start. */
export function seamPosition(garment: Garment, seam: Seam, side: 0 | 1, index: number, atMm: number, sizeId: string): number {
  const runs = seam.sides[side]
  let before = 0
  for (let i = 0; i < index; i++) before += edgeLength(garment, runs[i]!.pieceId, runs[i]!.edgeId, sizeId)
  const run = runs[index]!
  return before + (run.reversed ? edgeLength(garment, run.pieceId, run.edgeId, sizeId) - atMm : atMm)
}

/** The edge, and the length along it, at a position of a seam's side; positions beyond the ends take the ends. */
export function placeOnSide(
  garment: Garment,
  seam: Seam,
  side: 0 | 1,
  positionMm: number,
  sizeId: string,
): { pieceId: string; edgeId: string; atMm: number } {
  let rest = Math.max(0, positionMm)
  const runs = seam.sides[side]
  for (let i = 0; i < runs.length; i++) {
    const run = runs[i]!
    const own = edgeLength(garment, run.pieceId, run.edgeId, sizeId)
    if (rest <= own || i === runs.length - 1) {
      const along = Math.min(rest, own)
      return { pieceId: run.pieceId, edgeId: run.edgeId, atMm: run.reversed ? own - along : along }
    }
    rest -= own
  }
  throw new Error(`seam ${seam.name} has an empty side`)
}

/** Where a mark lies along its side of a seam, mm from the start; undefined when it is not on that side. */
export function markPosition(garment: Garment, seam: Seam, side: 0 | 1, mark: SeamMark, sizeId: string): number | undefined {
  const piece = findPiece(garment, mark.pieceId)
  if (!piece) return undefined
  const shape = shapeOf(piece, sizeId)
  const runs = seam.sides[side]
  for (let i = 0; i < runs.length; i++) {
    const run = runs[i]!
    if (run.pieceId !== mark.pieceId) continue
    const own = edgeLength(garment, run.pieceId, run.edgeId, sizeId)
    if ('notchId' in mark) {
      const notch = piece.notches.find((n) => n.id === mark.notchId)
      const place = shape.notches[mark.notchId]
      if (!notch || !place || notch.edgeId !== run.edgeId) continue
      const at = place.from === 'start' ? place.distanceMm : own - place.distanceMm
      return seamPosition(garment, seam, side, i, at, sizeId)
    }
    const { start, end } = cornersOf(piece, run.edgeId)
    if (start.id === mark.cornerId) return seamPosition(garment, seam, side, i, 0, sizeId)
    if (end.id === mark.cornerId) return seamPosition(garment, seam, side, i, own, sizeId)
  }
  return undefined
}

/**
 * Walks a seam: the position on the other side that meets a position on this side, measured from the nearest shared
 * point (the seam's ends, a notch or a corner that meet), as two pieces are rolled along each other.
 */
export function walkAcross(garment: Garment, seam: Seam, side: 0 | 1, positionMm: number, sizeId: string): number {
  const other = side === 0 ? 1 : 0
  const own = sideLength(garment, seam, side, sizeId)
  const across = sideLength(garment, seam, other, sizeId)
  const shared: [number, number][] = [
    [0, 0],
    [own, across],
  ]
  for (const mark of seam.marks) {
    const here = markPosition(garment, seam, side, mark[side], sizeId)
    const there = markPosition(garment, seam, other, mark[other], sizeId)
    if (here !== undefined && there !== undefined) shared.push([here, there])
  }
  const [here, there] = shared.reduce((best, s) => (Math.abs(s[0] - positionMm) < Math.abs(best[0] - positionMm) ? s : best))
  return Math.min(across, Math.max(0, there + positionMm - here))
}
