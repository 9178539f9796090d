import { describe, expect, it } from 'vitest'
import { cubic, line, measureLength, reversePath, type Path, type Point } from '../geometry'
import { curveFromOutline, proposePlaces } from './trace-curve'

const at = (x: number, y: number): Point => ({ x, y })
/** Paper cut along a curve from 0, 0 down and up to 210, -40, its other sides straight. */
const CURVE: Path = [cubic(at(0, 0), at(-4, 160), at(20, 270), at(70, 270)), cubic(at(70, 270), at(170, 270), at(225, 120), at(210, -40))]
const EDGES: Path[] = [
  [line(at(300, -40), at(300, 330))],
  [line(at(300, 330), at(-80, 330))],
  [line(at(-80, 330), at(-80, 0))],
  [line(at(-80, 0), at(0, 0))],
  CURVE,
  [line(at(210, -40), at(300, -40))],
]
const outline = EDGES.flat()
const beforeMm = EDGES.slice(0, 4).reduce((sum, e) => sum + measureLength(e), 0)
const lengths = { front: measureLength(CURVE.slice(0, 1)), all: measureLength(CURVE) }
const places = { frontMm: beforeMm, inseamMm: beforeMm + lengths.front, backMm: beforeMm + lengths.all }
const lengthOf = (points: readonly Point[]) =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y), 0)

describe('a curve traced along an outline', () => {
  const read = curveFromOutline(outline, places)
  if (!read.ok) throw new Error('refused')
  const { points, inseam } = read.value
  it('runs from the front waist over the inseam to the back waist, as long as it was cut', () => {
    expect(points[0]).toEqual(at(0, 0))
    expect(points.at(-1)!.x).toBeCloseTo(210, 3)
    expect(points.at(-1)!.y).toBeCloseTo(-40, 3)
    expect(points[inseam]!.x).toBeCloseTo(70, 3)
    expect(points[inseam]!.y).toBeCloseTo(270, 3)
    // Chords of 5 mm are a little shorter than the curve.
    expect(lengths.all - lengthOf(points)).toBeGreaterThan(0)
    expect(lengths.all - lengthOf(points)).toBeLessThan(0.2)
  })
  it('is the same where the outline runs the other way, or begins within the curve', () => {
    const total = measureLength(outline)
    const back = { frontMm: total - places.frontMm, inseamMm: total - places.inseamMm, backMm: total - places.backMm }
    const turned = curveFromOutline(reversePath(outline), back)
    const begun = [...CURVE.slice(1), ...EDGES[5]!, ...EDGES.slice(0, 4).flat(), CURVE[0]!]
    const within = curveFromOutline(begun, {
      frontMm: total - lengths.front,
      inseamMm: total,
      backMm: lengths.all - lengths.front,
    })
    for (const other of [turned, within]) {
      if (!other.ok) throw new Error('refused')
      expect(other.value.inseam).toBe(inseam)
      for (const [i, p] of other.value.points.entries()) expect(Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y)).toBeLessThan(1e-3)
    }
  })
  it('is refused where two places are one, or it spans no body', () => {
    expect(curveFromOutline(outline, { ...places, inseamMm: places.frontMm })).toMatchObject({ problem: { code: 'curve-inseam' } })
    expect(curveFromOutline(outline, { frontMm: beforeMm, inseamMm: beforeMm + 10, backMm: beforeMm + 30 })).toMatchObject({
      problem: { code: 'curve-span' },
    })
  })
})

describe('where a curve may lie on an outline', () => {
  it('is its most bowed edge, with the inseam furthest from the chord', () => {
    const found = proposePlaces(EDGES)
    expect(found.frontMm).toBeCloseTo(places.frontMm, 6)
    expect(found.backMm).toBeCloseTo(places.backMm, 6)
    // The lowest place lies some way behind the inseam of a body that is fuller at the back.
    expect(found.inseamMm).toBeGreaterThan(places.inseamMm - 30)
    expect(found.inseamMm).toBeLessThan(places.inseamMm + 60)
  })
  it('is both its parts where a tight bend was taken for a corner', () => {
    const bent: Path[] = [
      [cubic(at(0, 0), at(-4, 160), at(20, 250), at(50, 270))],
      [cubic(at(50, 270), at(150, 300), at(225, 120), at(210, -40))],
    ]
    const found = proposePlaces([...EDGES.slice(0, 4), ...bent, EDGES[5]!])
    expect(found.frontMm).toBeCloseTo(beforeMm, 6)
    expect(found.backMm).toBeCloseTo(beforeMm + measureLength(bent.flat()), 6)
    // The same where the outline begins at that bend.
    const begun = proposePlaces([bent[1]!, EDGES[5]!, ...EDGES.slice(0, 4), bent[0]!])
    expect(begun.backMm).toBeCloseTo(measureLength(bent[1]!), 6)
    expect(begun.frontMm).toBeCloseTo(measureLength([...bent[1]!, ...EDGES[5]!, ...EDGES.slice(0, 4).flat()]), 6)
  })
  it('is named even on an outline without any bow or chord', () => {
    const round: Path[] = [[...CURVE, line(at(210, -40), at(0, 0))]]
    const found = proposePlaces(round)
    expect(Object.values(found).every(Number.isFinite)).toBe(true)
    expect(found.inseamMm).toBeGreaterThan(found.frontMm)
  })
})
