import { describe, expect, it } from 'vitest'
import { readCurvePoints } from '../../core/body'
import { BendSchema, bendCurve } from './bend-curve'

describe('the simulated curve reader', () => {
  it('gives readings that are read, each a little other, of one body', () => {
    const made = [1, 2, 3].map((seed) => bendCurve(BendSchema.parse({ seed, waver: 2 })))
    for (const reading of made) expect(readCurvePoints(JSON.stringify(reading)).ok).toBe(true)
    expect(new Set(made.map((r) => JSON.stringify(r))).size).toBe(3)
    const span = (r: (typeof made)[number]) => Math.hypot(r.points[0]![0] - r.points.at(-1)![0], r.points[0]![1] - r.points.at(-1)![1])
    for (const reading of made) expect(Math.abs(span(reading) - span(made[0]!))).toBeLessThan(8)
  })
  it('does not bend beyond a body', () => {
    expect(BendSchema.safeParse({ depth: 9000 }).success).toBe(false)
    expect(BendSchema.safeParse({ seed: 'x' }).success).toBe(false)
  })
})
