import { grainDirection, outlineOf } from './outline'
import type { EdgeRole, Piece, Shape } from './schema'
import { boundsOf, dot, mix, subtract } from '../geometry'

/** Roles of the edge in the middle of the body, by which one sees to which side a half lies. */
const MIDDLES: EdgeRole[] = ['centre-front', 'centre-back', 'crotch']

/**
 * What the half as drawn and the other one are to the wearer: a front lies printed side up as it is seen by others, so that
 * what is right on the paper is the wearer's left; a back the other way round. Pieces without a middle have no such side.
 */
export function halfNames(piece: Piece, shape: Shape): [string, string] {
  const middle = piece.edges.find((e) => e.fold) ?? piece.edges.find((e) => MIDDLES.includes(e.role))
  const front = piece.kind.endsWith('front')
  if (!middle || !(front || piece.kind.endsWith('back'))) return ['as drawn', 'turned over']
  const grain = grainDirection(shape)
  const toRight = { x: grain.y, y: -grain.x }
  const path = shape.edges[middle.id]!
  const box = boundsOf(outlineOf(piece, shape))
  const off = subtract({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }, mix(path[0]!.from, path[path.length - 1]!.to, 0.5))
  return dot(off, toRight) > 0 === front ? ['left', 'right'] : ['right', 'left']
}
