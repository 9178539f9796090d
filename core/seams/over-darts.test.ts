import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftArmholeDart } from '../../demo/dart-blouses'
import { distance, measureLength, reversePath, turnRad, subtract } from '../geometry'
import { dartFigures, edgePath, findPiece, shapeOf, type Garment, type RunEdge } from '../pattern'
import { findArmholes } from './find-armholes'
import { measureArmhole } from './measure-armhole'
import { moveUnderarm, NO_UNDERARM_MOVE } from './move-underarm'
import { moveShoulder } from './move-shoulder'
import { beyondDart, closeDartsIn } from './over-darts'
import { slopeShoulder } from './slope-shoulder'

const garment = draftArmholeDart()
const front = (g: Garment = garment) => findPiece(g, 'front')!
const shape = (g: Garment = garment) => shapeOf(front(g), 'one')
const runs = findArmholes(garment)[0]!.front
const dart = () => front().darts[0]!
const legs = (g: Garment) => {
  const d = dartFigures(front(g), shape(g), dart())
  return {
    legsMm: [distance(d.first, d.tip), distance(d.second, d.tip)],
    rad: turnRad(subtract(d.first, d.tip), subtract(d.second, d.tip)),
  }
}
const gapBetween = (s: ReturnType<typeof shape>, [a, b]: readonly RunEdge[]) => {
  const walk = (r: RunEdge) => (r.reversed ? reversePath(edgePath(s, r.edgeId)) : edgePath(s, r.edgeId))
  return distance(walk(a!).at(-1)!.to, walk(b!)[0]!.from)
}

describe('an armhole with a dart in it', () => {
  it('is one half from the shoulder to the underarm, as long as the sleeve’s seam says', () => {
    expect(runs.map((r) => r.edgeId)).toEqual(['armhole', 'armhole>side-dart'])
    expect(beyondDart(front(), runs[0]!)!.id).toBe('armhole>side-dart')
    expect(beyondDart(front(), runs[1]!)).toBeNull()
    const [pair] = findArmholes(garment)
    const before = findArmholes(draftBlouse())[0]!
    const ease = (g: Garment, a: typeof before) => measureArmhole(g, { ...a, sleeve: a.sleeve! }, 'one').ease
    expect(ease(garment, pair!).front).toBeCloseTo(ease(draftBlouse(), before).front, 1)
  })
  it.each(['first', 'last'] as const)('is one line with its dart closed, the %s end still; laid back it is what it was', (still) => {
    expect(gapBetween(shape(), runs)).toBeGreaterThan(5)
    const closed = closeDartsIn(front(), shape(), runs, still)
    expect(gapBetween(closed.shape, runs)).toBeLessThan(0.01)
    const kept = still === 'first' ? runs[0]! : runs[1]!
    expect(closed.shape.edges[kept.edgeId]).toEqual(shape().edges[kept.edgeId])
    const back = closed.reopen(Object.fromEntries(runs.map((r) => [r.edgeId, closed.shape.edges[r.edgeId]!])))
    for (const [id, path] of Object.entries(back)) {
      const was = edgePath(shape(), id)
      expect(distance(path[0]!.from, was[0]!.from), id).toBeLessThan(1e-6)
      expect(distance(path.at(-1)!.to, was.at(-1)!.to), id).toBeLessThan(1e-6)
    }
  })
  it('a run without darts stays as it is', () => {
    const own = findArmholes(garment)[0]!.back
    const back = findPiece(garment, 'back')!
    const one = closeDartsIn(back, shapeOf(back, 'one'), own, 'first')
    expect(one.shape).toBe(shapeOf(back, 'one'))
    expect(one.reopen({})).toEqual({})
  })
  const CASES: [string, (g: Garment) => Garment | null][] = [
    ['lowered', (g) => moveUnderarm(g, runs, 'one', { ...NO_UNDERARM_MOVE, downMm: 14 })],
    ['raised and led out', (g) => moveUnderarm(g, runs, 'one', { downMm: -9, outMm: 6, hollowMm: 0 })],
    ['hollowed', (g) => moveUnderarm(g, runs, 'one', { ...NO_UNDERARM_MOVE, hollowMm: 5 })],
    ['with the shoulder moved', (g) => valueOf(moveShoulder(g, runs, 'one', { growMm: -12, acrossMm: 4 }))],
    ['with a squarer shoulder', (g) => valueOf(slopeShoulder(g, runs, 'one', 8, 6))],
    ['redrawn from a sloping shoulder', (g) => valueOf(slopeShoulder(g, runs, 'one', -7, null))],
  ]
  it.each(CASES)('%s keeps the dart’s angle, its legs alike, and runs on over it', (_, change) => {
    const after = change(garment)!
    const [was, is] = [legs(garment), legs(after)]
    expect(Math.abs(is.legsMm[0]! - is.legsMm[1]!)).toBeLessThan(Math.abs(was.legsMm[0]! - was.legsMm[1]!) + 0.05)
    const closed = closeDartsIn(front(after), shape(after), runs, 'first')
    expect(gapBetween(closed.shape, runs)).toBeLessThan(0.05)
    expect(is.rad).toBeCloseTo(was.rad, 1)
    // Each edge begins where the one before it ends.
    const outline = front(after).edges.map((e) => edgePath(shape(after), e.id))
    outline.forEach((path, i) => expect(distance(path[0]!.from, outline.at(i - 1)!.at(-1)!.to)).toBeLessThan(0.01))
    for (const e of front(after).edges)
      if (e.role === 'neck' || e.fold) expect(measureLength(edgePath(shape(after), e.id))).toBe(measureLength(edgePath(shape(), e.id)))
  })
})

const valueOf = (result: ReturnType<typeof moveShoulder>): Garment => {
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}
