import { measureLength, reversePath, type Path, type Point } from '../geometry'
import { displaceAlong, type Field } from '../moves'
import { shapeOf, type Garment, type RunEdge, type Shape } from '../pattern'
import { begunAt, endOf, walked } from './walked'

/** The part of an armhole half that lies on one piece, its darts closed, moved by a field along it. */
export function displaceRuns(
  shape: Shape,
  runs: readonly RunEdge[],
  field: Field,
  places: number[],
  first: (path: Path) => Path = (p) => p,
) {
  const edges: Record<string, Path> = {}
  let at = 0
  let before: Point | null = null
  runs.forEach((run, i) => {
    const own = i === 0 ? first(walked(shape, run)) : walked(shape, run)
    const offset = at
    at += measureLength(own)
    let drawn = displaceAlong(
      own,
      { by: (mm) => field.by(mm + offset), slope: (mm) => field.slope(mm + offset) },
      places.map((p) => p - offset),
    )
    drawn = begunAt(drawn, before)
    before = endOf(drawn)
    edges[run.edgeId] = run.reversed ? reversePath(drawn) : drawn
  })
  return edges
}

/** A garment with some edges of one piece drawn anew in a size. */
export const withEdges = (
  garment: Garment,
  pieceId: string,
  sizeId: string,
  edges: Shape['edges'],
  notches?: Shape['notches'],
): Garment => ({
  ...garment,
  pieces: garment.pieces.map((p) => {
    if (p.id !== pieceId) return p
    const shape = shapeOf(p, sizeId)
    return { ...p, shapes: { ...p.shapes, [sizeId]: { ...shape, edges: { ...shape.edges, ...edges }, notches: notches ?? shape.notches } } }
  }),
})
