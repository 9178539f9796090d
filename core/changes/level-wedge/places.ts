import { alongGrain, measureLength } from '../../geometry'
import { type Piece, type Shape, edgePath, grainDirection, neighbours } from '../../pattern'
import type { LevelWedgeInputs } from './schema'

/** The place so far below the upper end of an edge, mm from the edge's start; null beyond its lower end. */
export function placeBelow(shape: Shape, edgeId: string, belowMm: number): number | null {
  const length = measureLength(edgePath(shape, edgeId))
  if (belowMm > length) return null
  return startsAbove(shape, edgeId) ? belowMm : length - belowMm
}

/** Does an edge start at its upper end? */
export function startsAbove(shape: Shape, edgeId: string): boolean {
  const path = edgePath(shape, edgeId)
  const grain = grainDirection(shape)
  return alongGrain(path[0]!.from, grain) <= alongGrain(path[path.length - 1]!.to, grain)
}

/** Edges whose length the wedge may change: its own, and beside it where the straightened line gives or takes. */
export function changingEdges(piece: Piece, inputs: LevelWedgeInputs): Set<string> {
  const { before, after } = neighbours(piece, inputs.edgeId)
  return new Set([inputs.edgeId, ...(inputs.straighten === 'between' ? [] : [before.id, after.id])])
}
