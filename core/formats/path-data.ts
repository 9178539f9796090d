import type { Path, Point } from '../geometry'

/** Digits after the point in written files: 0.0001 mm, a hundred times finer than the promised 0.01 mm. */
const DIGITS = 4

const figure = (n: number): string => String(Number(n.toFixed(DIGITS)))
const pair = (p: Point): string => `${figure(p.x)} ${figure(p.y)}`

/** SVG path data of a path, absolute commands, in the path's own units. */
export function toPathData(path: Path, closed = false): string {
  const parts = [`M${pair(path[0]!.from)}`]
  for (const s of path) parts.push(s.kind === 'line' ? `L${pair(s.to)}` : `C${pair(s.c1)} ${pair(s.c2)} ${pair(s.to)}`)
  return parts.join('') + (closed ? 'Z' : '')
}
