import { rootsInUnit } from './solve-cubic'
import { pointAt } from './segment'
import type { Box, Path, Segment } from './types'

function turnsOf(s: Segment): number[] {
  if (s.kind === 'line') return []
  const along = (p0: number, p1: number, p2: number, p3: number) =>
    rootsInUnit(0, 3 * (p3 - 3 * p2 + 3 * p1 - p0), 6 * (p2 - 2 * p1 + p0), 3 * (p1 - p0))
  return [...along(s.from.x, s.c1.x, s.c2.x, s.to.x), ...along(s.from.y, s.c1.y, s.c2.y, s.to.y)]
}

/** The smallest upright box around a path, exact for curves (it asks where they turn, not where their handles lie). */
export function boundsOf(path: Path): Box {
  const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity }
  for (const s of path)
    for (const p of [s.from, s.to, ...turnsOf(s).map((t) => pointAt(s, t))]) {
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
