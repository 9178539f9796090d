import { turnsAlong } from './farthest-along'
import { pointAt, pointsOf } from './segment'
import type { Box, Path, Point } from './types'

const RIGHT = { x: 1, y: 0 }
const DOWN = { x: 0, y: 1 }

/** The smallest upright box around a path, exact for curves (it asks where they turn, not where their handles lie). */
export function boundsOf(path: Path): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const s of path)
    for (const p of [s.from, s.to, ...[...turnsAlong(s, RIGHT), ...turnsAlong(s, DOWN)].map((t) => pointAt(s, t))]) {
      box.minX = Math.min(box.minX, p.x)
      box.minY = Math.min(box.minY, p.y)
      box.maxX = Math.max(box.maxX, p.x)
      box.maxY = Math.max(box.maxY, p.y)
    }
  return box
}

/** The smallest upright box around some points. */
export const boundsOfPoints = (points: readonly Point[]): Box =>
  joinBoxes(points.map(({ x, y }) => ({ minX: x, minY: y, maxX: x, maxY: y })))

/** The smallest upright box around a path and the handles of its curves. */
export function handleBoxOf(path: Path): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const p of path.flatMap(pointsOf)) {
    box.minX = Math.min(box.minX, p.x)
    box.minY = Math.min(box.minY, p.y)
    box.maxX = Math.max(box.maxX, p.x)
    box.maxY = Math.max(box.maxY, p.y)
  }
  return box
}

/** The smallest upright box around some boxes. */
export function joinBoxes(boxes: readonly Box[]): Box {
  const all: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const b of boxes) {
    all.minX = Math.min(all.minX, b.minX)
    all.minY = Math.min(all.minY, b.minY)
    all.maxX = Math.max(all.maxX, b.maxX)
    all.maxY = Math.max(all.maxY, b.maxY)
  }
  return all
}
