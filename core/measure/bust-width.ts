import { distance, dot, nearestPlace, placeAt, scale, type Point, placeOnRay } from '../geometry'
import { outwardOf } from '../darts'
import { edgePath, grainDirection, shapeOf, type Garment, type Piece, type Shape } from '../pattern'
import { bustOnPartner } from './bust-on-partner'
import { apexesOf } from './find-front'
import { middleAcross } from './middle-across'
import { pointOnChain, sideChains, type SideChain } from './side-chains'

/** Where the bust of a front meets a side: as far down the seam as on the back; without a back where the apex is nearest. */
function bustAtSide(garment: Garment, shape: Shape, chain: SideChain, sizeId: string, apex: Point): Point {
  const atMm = bustOnPartner(garment, chain, sizeId)
  if (atMm !== null) return pointOnChain(shape, chain, atMm)
  const places = chain.edges.map((e) => nearestPlace(edgePath(shape, e.edgeId), apex).point)
  return places.reduce((a, b) => (distance(b, apex) < distance(a, apex) ? b : a))
}

/** Across the grain from an apex to the centre of a half front, mm. */
function toCentreMm(piece: Piece, shape: Shape, apex: Point): number | null {
  const inward = scale(outwardOf(piece, shape, apex), -1)
  const grain = grainDirection(shape)
  const middle = middleAcross(piece, shape, dot(apex, grain))
  if (middle !== null) return Math.abs(dot(apex, { x: -grain.y, y: grain.x }) - middle)
  for (const edge of piece.edges.filter((e) => e.fold || e.role === 'centre-front')) {
    const path = edgePath(shape, edge.id)
    const atMm = placeOnRay(path, apex, inward)
    if (atMm !== null) return distance(placeAt(path, atMm).point, apex)
  }
  return null
}

/**
 * What a front gives to the bust, mm on the seam lines, darts closed and along the body: across the grain from the centre to
 * the apex, and on to the side seam, where the bust of the back meets it; a whole front from apex to apex and on to both
 * sides. The place on the side is fixed to the paper, and a dart turns about the apex, so neither moving a dart nor its height
 * changes it, and a bust made fuller by an amount measures that much more.
 *
 * @returns null for a piece without an apex between centre and side (a princess panel, a whole front without darts)
 */
export function bustWidth(garment: Garment, piece: Piece, sizeId: string): number | null {
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const across = (p: Point) => dot(p, { x: -grain.y, y: grain.x })
  const byPlace = <T>(list: T[], place: (x: T) => Point) => list.sort((a, b) => across(place(a)) - across(place(b)))
  const chains = byPlace(sideChains(piece, shape), (c) => pointOnChain(shape, c, 0))
  const apexes = byPlace(apexesOf(garment, piece, sizeId), (p) => p)
  if (apexes.length === 0 || apexes.length !== chains.length) return null
  const middle = apexes.length === 2 ? Math.abs(across(apexes[1]!) - across(apexes[0]!)) : toCentreMm(piece, shape, apexes[0]!)
  if (middle === null) return null
  return apexes.reduce((sum, apex, i) => sum + distance(apex, bustAtSide(garment, shape, chains[i]!, sizeId, apex)), middle)
}
