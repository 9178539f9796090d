import { spend } from '../budget'
import { SAME_PARAMETER } from '../tolerances'

/**
 * Real roots of a t^3 + b t^2 + c t + d in [0, 1], ascending, each once.
 * The interval is parted at the derivative's roots; in each monotone part a sign change is halved to 1e-15: slower than
 * Cardano's formula and never wrong near double roots.
 */
export function rootsInUnit(a: number, b: number, c: number, d: number): number[] {
  spend()
  const f = (t: number) => ((a * t + b) * t + c) * t + d
  const turns: number[] = []
  const q = b * b - 3 * a * c
  if (a !== 0 && q > 0) {
    const root = Math.sqrt(q)
    turns.push((-b - root) / (3 * a), (-b + root) / (3 * a))
  } else if (a === 0 && b !== 0) turns.push(-c / (2 * b))
  const stops = [0, ...turns.filter((t) => t > 0 && t < 1).sort((x, y) => x - y), 1]
  const size = Math.max(Math.abs(a), Math.abs(b), Math.abs(c), Math.abs(d))
  const zero = size * SAME_PARAMETER * SAME_PARAMETER
  const roots: number[] = []
  const keep = (t: number) => {
    if (roots.every((r) => Math.abs(r - t) > SAME_PARAMETER)) roots.push(t)
  }
  for (let i = 0; i + 1 < stops.length; i++) {
    let low = stops[i]!
    let high = stops[i + 1]!
    const fl = f(low)
    const fh = f(high)
    if (Math.abs(fl) <= zero) keep(low)
    if (Math.abs(fh) <= zero) keep(high)
    if (fl * fh >= 0) continue
    for (let k = 0; k < 60; k++) {
      const middle = (low + high) / 2
      if (f(middle) * fl > 0) low = middle
      else high = middle
    }
    keep((low + high) / 2)
  }
  return roots.sort((x, y) => x - y)
}
