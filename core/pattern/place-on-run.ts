import { edgePath } from './outline'
import type { Edge, Shape } from './schema'
import { measureLength, placeAt, type Point } from '../geometry'

/**
 * The place at a length along several edges that follow each other, mm.
 * @param reversed the edges are walked against the outline
 * Lengths beyond the last edge take its end.
 */
export function placeOnRun(
  shape: Shape,
  edges: readonly Edge[],
  reversed: boolean,
  lengthMm: number,
): { edgeId: string; atMm: number; point: Point; tangent: Point } {
  let rest = lengthMm
  for (const [i, edge] of edges.entries()) {
    const path = edgePath(shape, edge.id)
    const own = measureLength(path)
    if (rest > own && i < edges.length - 1) {
      rest -= own
      continue
    }
    const along = Math.min(own, Math.max(0, rest))
    const atMm = reversed ? own - along : along
    const { point, tangent } = placeAt(path, atMm)
    return { edgeId: edge.id, atMm, point, tangent: reversed ? { x: -tangent.x, y: -tangent.y } : tangent }
  }
  throw new Error('a run of no edges has no places')
}
