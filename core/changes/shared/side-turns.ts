import { countInflections, cutPath, measureLength, placeAt, reversePath, turnRad, type Path } from '../../geometry'
import { sideChains, zonesOnChain } from '../../measure'
import { edgePath, findPiece, grainDirection, shapeOf, type Garment, type Piece, type Shape } from '../../pattern'
import { DEG } from '../../units'
import type { Caution } from '../types'

/** A side that turns further than this off its old direction is said before it is cut, deg (craft 4). */
const TURN_DEG = 25

/** Places along a side at which it is looked at. */
const PLACES = 40

const MENDS = 'What such a body wants there is a dart or a tie, or less difference.'

/** The direction of a side at places along one of its edges, its ends included, rad off the grain. */
function directionsAlong(shape: Shape, path: Path): number[] {
  const [grain, total] = [grainDirection(shape), measureLength(path)]
  return Array.from({ length: PLACES + 1 }, (_, i) => turnRad(grain, placeAt(path, (total * i) / PLACES).tangent))
}

/** How far a side turned off its old direction where it turned most, deg. */
function mostTurned(piece: Piece, was: Shape, is: Shape, edgeIds: readonly { edgeId: string; reversed: boolean }[]): number {
  let most = 0
  for (const { edgeId, reversed } of edgeIds) {
    const [a, b] = [was, is].map((s) => (reversed ? reversePath(edgePath(s, edgeId)) : edgePath(s, edgeId)))
    const old = directionsAlong(was, a!)
    directionsAlong(is, b!).forEach((rad, i) => {
      const turned = Math.abs(rad - old[i]!)
      most = Math.max(most, Math.min(turned, 2 * Math.PI - turned) * DEG)
    })
  }
  return most
}

/** How often a side changes from curving in to curving out between two of its zones. */
function bendsBetween(garment: Garment, piece: Piece, sizeId: string, from: string, to: string): number {
  const shape = shapeOf(piece, sizeId)
  const chain = sideChains(piece, shape)[0]
  if (!chain) return 0
  const zones = new Map(zonesOnChain(garment, chain, sizeId).map((z) => [z.zone as string, z.atMm]))
  const [low, high] = [zones.get(from), zones.get(to)]
  if (low === undefined || high === undefined) return 0
  return chain.edges.reduce((sum, e) => {
    const path = e.reversed ? reversePath(edgePath(shape, e.edgeId)) : edgePath(shape, e.edgeId)
    const [a, b] = [Math.max(0, low - e.fromMm), Math.min(e.lengthMm, high - e.fromMm)]
    return a < b ? sum + countInflections(cutPath(path, a, b)) : sum
  }, 0)
}

/**
 * Sides that would turn far off their old direction, or curve in and out again between bust and waist where they did not: said
 * before they are cut, with what else could be done (craft 4).
 */
export function sideCautions(before: Garment, after: Garment, sizeId: string): Caution[] {
  return before.pieces.flatMap((old): Caution[] => {
    const piece = findPiece(after, old.id)
    if (!piece) return []
    const [was, is] = [shapeOf(old, sizeId), shapeOf(piece, sizeId)]
    if (was === is) return []
    const deg = Math.max(0, ...sideChains(old, was).map((c) => mostTurned(old, was, is, c.edges)))
    if (deg > TURN_DEG)
      return [
        {
          code: 'side-turns',
          pieceId: old.id,
          message: `The side of ${old.name} turns ${Math.round(deg)}° off its old line: another silhouette. ${MENDS}`,
        },
      ]
    if (bendsBetween(after, piece, sizeId, 'bust', 'waist') > bendsBetween(before, old, sizeId, 'bust', 'waist') + 1)
      return [
        {
          code: 'side-turns',
          pieceId: old.id,
          message: `The side of ${old.name} curves in and out again between bust and waist. ${MENDS}`,
        },
      ]
    return []
  })
}
