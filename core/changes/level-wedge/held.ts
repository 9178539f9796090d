import { isStraightPath, turnRad, subtract } from '../../geometry'
import { type Garment, edgePath, type Shape, grainDirection } from '../../pattern'
import { EQUAL_MM, LENGTH_KEPT_MM, STRAIGHT_MM } from '../../tolerances'
import { DEG } from '../../units'
import { bothShapes, holdMeasure, holdEdge, holdGrain } from '../shared/held'
import { type SwungPiece, openingOf } from '../shared/swing-garment'
import type { HeldPromise } from '../types'
import { changingEdges } from './places'
import type { LevelWedgeInputs } from './schema'

/** The wedge is as wide as asked at its edge; every edge that it does not change, and the grain to the straightened edge, stay. */
export function heldByWedge(
  before: Garment,
  after: Garment,
  swung: ReadonlyMap<string, SwungPiece>,
  inputs: LevelWedgeInputs,
  sizeId: string,
): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, inputs.pieceId, sizeId)
  const own = swung.get(piece.id)
  const held = own ? [holdMeasure('width of the wedge', piece.name, inputs.amountMm, openingOf(own), EQUAL_MM)] : []
  const changing = changingEdges(piece, inputs)
  for (const edge of piece.edges) {
    if (edge.role === 'dart-leg' || changing.has(edge.id)) continue
    const promise = holdEdge(piece, was, is, edge.id)
    held.push(
      edge.id === inputs.hingeEdgeId ? holdMeasure(promise.label, promise.where, promise.before, promise.after, LENGTH_KEPT_MM) : promise,
    )
  }
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)!
  if (!isStraightPath(edgePath(was, edge.id), STRAIGHT_MM)) return [...held, holdGrain(piece, was, is)]
  const toEdge = (s: Shape) => {
    const path = edgePath(s, edge.id)
    // Both are lines without a direction: the angle between them is 90 degrees at most.
    const turn = Math.abs(turnRad(subtract(path[path.length - 1]!.to, path[0]!.from), grainDirection(s)))
    return Math.min(turn, Math.PI - turn) * DEG
  }
  return [...held, holdMeasure(`grain to the ${edge.name}`, piece.name, toEdge(was), toEdge(is), EQUAL_MM, 'deg')]
}
