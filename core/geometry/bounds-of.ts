import { turnsAlong } from './farthest-along'
import { pointAt, pointsOf } from './segment'
import type { Box, Path } from './types'

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

export function joinBoxes(boxes: readonly Box[]): Box {
  return {
    minX: Math.min(...boxes.map((b) => b.minX)),
    minY: Math.min(...boxes.map((b) => b.minY)),
    maxX: Math.max(...boxes.map((b) => b.maxX)),
    maxY: Math.max(...boxes.map((b) => b.maxY)),
  }
}
