import { measureLength, nearestPlace, scale, type Path, type Point, placeOnRay } from '../../../geometry'
import { findApex } from '../../../darts'
import { edgePath, grainDirection, type Edge, type Piece, type Shape } from '../../../pattern'
import { SNAP_MM } from '../../../tolerances'
import { openEdges, type FoundDart } from './find-darts'

/** A dart that is dragged comes to rest within this of a good place, mm. */
const SNAP_TO_MM = 4

/** The edges of a piece a dart can lie on, one after the other with where each begins, mm: the line it is dragged along. */
export function dartTrack(piece: Piece, shape: Shape): { edges: { edge: Edge; fromMm: number; lengthMm: number }[]; path: Path } {
  const edges: { edge: Edge; fromMm: number; lengthMm: number }[] = []
  const n = piece.edges.length
  // Begin behind a fold or centre, so that the line is whole.
  const closed = (e: Edge) => !openEdges(piece).includes(e) && e.role !== 'dart-leg'
  const start = Math.max(
    0,
    piece.edges.findIndex((e, i) => !closed(e) && closed(piece.edges[(i + n - 1) % n]!)),
  )
  let at = 0
  for (let i = 0; i < n; i++) {
    const edge = piece.edges[(start + i) % n]!
    if (closed(edge) || edge.role === 'dart-leg') continue
    const lengthMm = measureLength(edgePath(shape, edge.id))
    edges.push({ edge, fromMm: at, lengthMm })
    at += lengthMm
  }
  return { edges, path: edges.flatMap(({ edge }) => [...edgePath(shape, edge.id)]) }
}

/** A place on an edge as a length along that line, and back. */
export function alongTrack(piece: Piece, shape: Shape, edgeId: string, atMm: number): number {
  const own = dartTrack(piece, shape).edges.find((e) => e.edge.id === edgeId)
  return own ? own.fromMm + Math.min(own.lengthMm, atMm) : 0
}
export function onTrack(piece: Piece, shape: Shape, alongMm: number): { edgeId: string; atMm: number } {
  const { edges } = dartTrack(piece, shape)
  const own = edges.findLast((e) => e.fromMm <= alongMm + SNAP_MM) ?? edges[0]!
  return { edgeId: own.edge.id, atMm: Math.min(own.lengthMm, Math.max(0, alongMm - own.fromMm)) }
}

/** Good places for a dart: corners, the middle of an edge, and where cross-grain and grain through the apex meet the edge. */
export function goodPlaces(piece: Piece, shape: Shape, apex: Point): number[] {
  const { edges } = dartTrack(piece, shape)
  const grain = grainDirection(shape)
  const rays = [grain, scale(grain, -1), { x: -grain.y, y: grain.x }, { x: grain.y, y: -grain.x }]
  return edges.flatMap(({ edge, fromMm, lengthMm }) => [
    fromMm,
    fromMm + lengthMm / 2,
    fromMm + lengthMm,
    ...rays.flatMap((ray) => {
      const hit = placeOnRay(edgePath(shape, edge.id), apex, ray)
      return hit === null ? [] : [fromMm + hit]
    }),
  ])
}

/** The place a drag comes to rest at: a good one that is near, else where it was let go. */
export function snapAlong(piece: Piece, shape: Shape, apex: Point, alongMm: number): number {
  const near = goodPlaces(piece, shape, apex)
    .filter((mm) => Math.abs(mm - alongMm) <= SNAP_TO_MM)
    .sort((a, b) => Math.abs(a - alongMm) - Math.abs(b - alongMm))[0]
  return near ?? alongMm
}

/**
 * Where a dart is usually wanted, the likeliest first: from the armhole, shoulder or neck to the side at the height of the apex; from the
 * side to the waist or the armhole; and where else it could go.
 */
export function usualPlaces(found: FoundDart, shape: Shape): { edgeId: string; atMm: number }[] {
  const { piece, dart } = found
  const here = piece.edges.find((e) => e.id === dart.legs[0])!
  const before = piece.edges[(piece.edges.indexOf(here) + piece.edges.length - 1) % piece.edges.length]!
  const apex = findApex(piece, shape, dart).point
  const wanted = before.role === 'side' ? ['waist', 'shoulder', 'armhole'] : ['side', 'armhole', 'waist', 'neck']
  const edges = wanted.flatMap((role) => openEdges(piece).filter((e) => e.role === role))
  const others = openEdges(piece).filter((e) => !edges.includes(e))
  return [...edges.filter((e) => e.id !== before.id), ...others].map((edge) => {
    const path = edgePath(shape, edge.id)
    const { lengthMm } = edge.role === 'side' ? nearestPlace(path, apex) : { lengthMm: measureLength(path) / 2 }
    return { edgeId: edge.id, atMm: Math.min(measureLength(path), Math.max(0, lengthMm)) }
  })
}
