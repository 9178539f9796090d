import { add, dot, leftOf, mapPath, rotateAbout, scale, subtract, turnRad, type Point } from '../geometry'
import { edgePath, type Piece, type Shape } from '../pattern'
import { DEG } from '../units'

/** Beyond this the cap would meet itself in a corner across the sewn sleeve seam (two such turns, and what the cap goes along). */
const MOST_TURN_RAD = 3.4 / DEG

/**
 * A seam turned stiffly about its far end until its near end has gone by an amount across: its length and its shape are kept.
 * Edges of one role that follow each other go together, with the darts between them.
 *
 * @param edgeId the edge at the near end
 * @param forward whether the seam runs on along the outline from there, or against it
 * @param out unit direction in which the near end goes
 * @param outMm how far, mm; the other way when negative
 * @returns the piece’s lines with the seam turned, and where its near end lies then; null where the seam is too short for that, or would turn too far
 */
export function turnChain(
  piece: Piece,
  shape: Shape,
  edgeId: string,
  forward: boolean,
  out: Point,
  outMm: number,
): { edges: Shape['edges']; end: Point; turnRad: number } | null {
  const n = piece.edges.length
  const first = piece.edges.findIndex((e) => e.id === edgeId)
  const role = piece.edges[first]!.role
  const chain: string[] = []
  for (let k = first, steps = 0; steps < n; k = (k + (forward ? 1 : n - 1)) % n, steps++) {
    const edge = piece.edges[k]!
    if (edge.role !== role && edge.role !== 'dart-leg' && edge.role !== 'pleat') break
    chain.push(edge.id)
  }
  const end = (id: string, which: 'near' | 'far'): Point => {
    const path = edgePath(shape, id)
    return (which === 'near') === forward ? path[0]!.from : path[path.length - 1]!.to
  }
  const near = end(chain[0]!, 'near')
  const pin = end(chain[chain.length - 1]!, 'far')
  const reach = subtract(near, pin)
  const aside = leftOf(out)
  const [a, b] = [dot(reach, out) + outMm, dot(reach, aside)]
  const left = dot(reach, reach) - a * a
  if (left <= 0) return null
  const target = add(pin, add(scale(out, a), scale(aside, Math.sign(b) * Math.sqrt(left))))
  const turn = turnRad(reach, subtract(target, pin))
  if (Math.abs(turn) > MOST_TURN_RAD) return null
  const turned = chain.map((id) => [id, mapPath(edgePath(shape, id), (p) => rotateAbout(p, pin, turn))] as const)
  return { edges: { ...shape.edges, ...Object.fromEntries(turned) }, end: rotateAbout(near, pin, turn), turnRad: turn }
}
