import type { Path } from './types'
import { cross } from './vector'

/**
 * Area inside a closed path, mm2, positive when it runs clockwise on the page (y grows down).
 * Green's theorem; for a cubic the integral of the cross product is exact:
 * (6 P0xP1 + 3 P0xP2 + P0xP3 + 3 P1xP2 + 3 P1xP3 + 6 P2xP3) / 20.
 */
export function measureArea(closed: Path): number {
  let sum = 0
  for (const s of closed) {
    if (s.kind === 'line') sum += cross(s.from, s.to) / 2
    else
      sum +=
        (6 * cross(s.from, s.c1) +
          3 * cross(s.from, s.c2) +
          cross(s.from, s.to) +
          3 * cross(s.c1, s.c2) +
          3 * cross(s.c1, s.to) +
          6 * cross(s.c2, s.to)) /
        20
  }
  return sum
}
