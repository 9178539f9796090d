import { dot, reversePath, scale, subtract, type Path, type Point } from '../../geometry'
import { runsDown } from '../../darts'
import { leadRun, stretchAlong } from '../../moves'
import { dartFigures, dartIn, edgePath, grainDirection, neighbours, type Piece, type Shape } from '../../pattern'

/**
 * The side below the dart led in by what the lower edge gained, its length kept. Its end rises or falls a little by that:
 * the whole lower edge goes along, so that it stays as level as it was, and the centre ends with it.
 */
export function takeOutAtSide(piece: Piece, shape: Shape, dartId: string, amountMm: number, outward: Point): Shape {
  const dart = dartIn(piece, dartId)
  const d = dartFigures(piece, shape, dart)
  const down = runsDown(piece, shape, dart)
  const next = (id: string) => (down ? neighbours(piece, id).after : neighbours(piece, id).before)
  const run = [down ? d.after : d.before]
  while (run.length < piece.edges.length && next(run[run.length - 1]!.id).role === 'side') run.push(next(run[run.length - 1]!.id))
  // Walked from the dart downward, whichever way the outline runs.
  const way = (path: Path) => (down ? path : reversePath(path))
  const led = leadRun(
    run.map((e) => way(edgePath(shape, e.id))),
    scale(outward, -amountMm),
    grainDirection(shape),
  )
  const last = led[led.length - 1]!
  const lower = next(run[run.length - 1]!.id)
  const old = way(edgePath(shape, lower.id))
  const none = { x: 0, y: 0 }
  const edges: Record<string, Path> = { ...shape.edges, ...Object.fromEntries(run.map((e, i) => [e.id, way(led[i]!)])) }
  const by = subtract(last[last.length - 1]!.to, old[0]!.from)
  const grain = grainDirection(shape)
  const level = scale(grain, dot(by, grain))
  edges[lower.id] = way(stretchAlong(old, by, level))
  // On along the lower edge, in and out of its darts, to the centre, whose end follows.
  let edge = next(lower.id)
  let isIn = false
  for (let i = 0; i < piece.edges.length && (edge.role === lower.role || edge.role === 'dart-leg'); i++) {
    const path = way(edgePath(shape, edge.id))
    if (edge.role === 'dart-leg') {
      edges[edge.id] = way(isIn ? stretchAlong(path, none, level) : stretchAlong(path, level, none))
      isIn = !isIn
    } else edges[edge.id] = way(stretchAlong(path, level, level))
    edge = next(edge.id)
  }
  edges[edge.id] = way(stretchAlong(way(edgePath(shape, edge.id)), level, none))
  return { ...shape, edges }
}
