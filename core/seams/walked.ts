import { distance, reversePath, type Path, type Point } from '../geometry'
import { edgePath, type Shape } from '../pattern'
import { JOIN_MM } from '../tolerances'

/** The line of an edge in the way that it is walked. */
export const walked = (shape: Shape, run: { edgeId: string; reversed: boolean }): Path =>
  run.reversed ? reversePath(edgePath(shape, run.edgeId)) : edgePath(shape, run.edgeId)

export const startOf = (path: Path): Point => path[0]!.from
export const endOf = (path: Path): Point => path[path.length - 1]!.to

/** A line begun where the one before it ends, to the last digit, where it begins there but for rounding. */
export const begunAt = (path: Path, end: Point | null): Path =>
  end && distance(end, startOf(path)) <= JOIN_MM ? [{ ...path[0]!, from: end }, ...path.slice(1)] : path

/** The line of an edge that ends, in the way that it is walked, at a point that it ends at but for rounding. */
export const endedAt = (path: Path, reversed: boolean, point: Point): Path =>
  reversed ? [{ ...path[0]!, from: point }, ...path.slice(1)] : [...path.slice(0, -1), { ...path[path.length - 1]!, to: point }]
