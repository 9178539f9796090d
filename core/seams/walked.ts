import { reversePath, type Path, type Point } from '../geometry'
import { edgePath, type Shape } from '../pattern'

/** The line of an edge in the way that it is walked. */
export const walked = (shape: Shape, run: { edgeId: string; reversed: boolean }): Path =>
  run.reversed ? reversePath(edgePath(shape, run.edgeId)) : edgePath(shape, run.edgeId)

export const startOf = (path: Path): Point => path[0]!.from
export const endOf = (path: Path): Point => path[path.length - 1]!.to
