import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { cross, distance, measureLength, placeAt, subtract, tangentAt, turnRad, type Path } from '../../geometry'
import { walkGarment } from '../../match'
import { checkGarment, edgePath, shapeOf, type Garment } from '../../pattern'
import { findZones, finishedMm, sideChains } from '../../measure'
import { gradeGarment } from '../grade'
import { findKind } from '../registry'
import { blend, type BlendInputs } from './index'
import { blendGarment } from './blend-garment'
import { carryAlong, knotsOf } from './carry-along'
import { zonesOfSides } from './plan-chain'
import { contextWith } from '../test-context'

const nest = (garment: Garment): Garment =>
  gradeGarment(garment, {
    intervalMm: 40,
    up: 3,
    down: 2,
    upIntervalsMm: [],
    downIntervalsMm: [],
    centre: 'none',
    rules: {},
    school: 'shift',
  })
const NESTS: [string, Garment][] = [
  ['blouse', nest(draftBlouse())],
  ['dress', nest(draftQuayDress())],
  ['trousers', nest(draftTrousers(TAPERED))],
  ['one-piece', nest(draftOnePiece())],
]
const inputs = (bust: string, waist: string, hip: string, change: Partial<BlendInputs> = {}): BlendInputs => ({
  bust,
  waist,
  hip,
  startMm: 0,
  endMm: 0,
  ...change,
})
const context = contextWith()

/** How often a path changes the side it bends to, bends flatter than a ruler shows left out. */
function inflections(path: Path): number {
  const total = measureLength(path)
  const step = 8
  const signs: number[] = []
  for (let mm = step; mm < total - step; mm += step / 2) {
    const a = placeAt(path, mm - step).point
    const b = placeAt(path, mm).point
    const c = placeAt(path, mm + step).point
    const bend = cross(subtract(b, a), subtract(c, b)) / (step * step)
    if (Math.abs(bend) > 0.002) signs.push(Math.sign(bend))
  }
  return signs.filter((s, i) => i > 0 && s !== signs[i - 1]).length
}

describe.each(NESTS)('blending the %s', (_, garment) => {
  const zones = zonesOfSides(garment)

  it('of a size with itself changes nothing, and with the base size nothing at all', () => {
    expect(blendGarment(garment, inputs('one', 'one', 'one'))).toBe(garment)
    for (const { id } of garment.sizes) {
      const after = blendGarment(garment, inputs(id, id, id))
      for (const piece of after.pieces)
        for (const edge of piece.edges) {
          const was = edgePath(shapeOf(piece, id), edge.id)
          const is = edgePath(shapeOf(piece, 'one'), edge.id)
          expect(measureLength(is)).toBeCloseTo(measureLength(was), 6)
          expect(distance(is[0]!.from, was[0]!.from)).toBeLessThan(1e-6)
        }
    }
  })

  const steps = fc.tuple(fc.constantFrom('one-1', 'one', 'one+1'), fc.integer({ min: 0, max: 2 }), fc.integer({ min: -1, max: 2 }))
  const ids = garment.sizes.map((s) => s.id)
  const chosen = steps.map(([bust, w, h]) => {
    const at = (n: number) => ids[Math.min(ids.length - 1, Math.max(0, n))]!
    const b = ids.indexOf(bust)
    return inputs(bust, at(b + w), at(b + w + h))
  })

  it('gives each zone what its size measures, sound pieces, and seams as equal as they were', () => {
    fc.assert(
      fc.property(chosen, (set) => {
        const result = blend.apply(garment, set, context)
        if (!result.ok) throw new Error(result.problem.message)
        const after = result.value.garment
        expect(checkGarment(after)).toBeNull()
        expect(result.value.held.filter((h) => !h.held).map((h) => `${h.label} ${h.before} ${h.after}`)).toEqual([])
        for (const zone of findZones(garment).filter(
          (z) => zones.includes(z.id as (typeof zones)[number]) && z.parts.every((p) => p.by !== 'narrowest'),
        )) {
          const want = finishedMm(garment, zone, set[zone.id as (typeof zones)[number]])
          expect(Math.abs(finishedMm(after, zone, 'one') - want), zone.id).toBeLessThan(1)
        }
        const off = walkGarment(after, 'one').seams.filter((s) => s.verdict === 'fault')
        expect(off.map((s) => s.seam.id)).toEqual([])
      }),
      { numRuns: 18 },
    )
  })

  it('is smooth: no corner over one degree inside an edge, at most one bend more than the sizes it is made of', () => {
    fc.assert(
      fc.property(chosen, (set) => {
        const after = blendGarment(garment, set)
        for (const piece of after.pieces)
          for (const edge of piece.edges.filter((e) => e.role === 'side' || e.role === 'outseam')) {
            const path = edgePath(shapeOf(piece, 'one'), edge.id)
            const corners = (p: Path) => p.slice(1).map((s, i) => Math.abs((turnRad(tangentAt(p[i]!, 1), tangentAt(s, 0)) * 180) / Math.PI))
            const was = Math.max(
              0,
              ...[set.bust, set.waist, set.hip].flatMap((id) =>
                corners(
                  edgePath(
                    shapeOf(
                      garment.pieces.find((p) => p.id === piece.id)!,
                      id,
                    ),
                    edge.id,
                  ),
                ),
              ),
            )
            expect(Math.max(0, ...corners(path)), `${piece.id} ${edge.id}`).toBeLessThan(was + 1)
            const bends = [set.bust, set.waist, set.hip].map((id) =>
              inflections(
                edgePath(
                  shapeOf(
                    garment.pieces.find((p) => p.id === piece.id)!,
                    id,
                  ),
                  edge.id,
                ),
              ),
            )
            // One more for each change from size to size on this edge.
            expect(inflections(path), `${piece.id} ${edge.id}`).toBeLessThanOrEqual(Math.max(...bends) + 2)
          }
      }),
      { numRuns: 18 },
    )
  })
})

describe('the change', () => {
  const garment = nest(draftBlouse())
  it('leaves everything above the first change exactly the upper size', () => {
    const after = blendGarment(garment, inputs('one-1', 'one+1', 'one+1'))
    for (const piece of after.pieces.filter((p) => p.kind === 'front' || p.kind === 'back'))
      for (const edge of piece.edges.filter((e) => ['neck', 'shoulder', 'armhole'].includes(e.role)))
        expect(shapeOf(piece, 'one').edges[edge.id]).toEqual(shapeOf(piece, 'one-1').edges[edge.id])
    const sleeve = after.pieces.find((p) => p.kind === 'sleeve')!
    expect(shapeOf(sleeve, 'one')).toEqual(shapeOf(sleeve, 'one-1'))
  })
  it('draws no more line than there is, also after the body was shortened', () => {
    const shortened = findKind('lengthen').apply(
      garment,
      { amountMm: -18.3, pieceId: 'back', levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }], leftOut: [] },
      context,
    )
    if (!shortened.ok) throw new Error(shortened.problem.message)
    const from = shortened.value.garment
    const result = blend.apply(from, inputs('one-1', 'one', 'one+2'), context)
    if (!result.ok) throw new Error(result.problem.message)
    expect(result.value.held.filter((h) => !h.held)).toEqual([])
    for (const id of ['front', 'back']) {
      const piece = result.value.garment.pieces.find((p) => p.id === id)!
      for (const edge of piece.edges.filter((e) => e.role === 'side')) {
        const path = edgePath(shapeOf(piece, 'one'), edge.id)
        const chord = distance(path[0]!.from, path[path.length - 1]!.to)
        expect(measureLength(path), `${id} ${edge.id}`).toBeLessThan(chord * 1.04)
      }
    }
  })
  it('calls the garment by its sizes', () => {
    expect(blendGarment(garment, inputs('one', 'one+1', 'one+2')).sizes.find((s) => s.id === 'one')!.name).toBe(
      'own draft bust, own draft +1 waist, own draft +2 hip',
    )
    expect(blend.describe(garment, inputs('one+1', 'one+1', 'one+1')).title).toBe('Size own draft +1')
  })
  it('begins where it is dragged to, and refuses to begin below where it ends', () => {
    const set = inputs('one', 'one+2', 'one+2')
    const widthAt = (change: Partial<BlendInputs>) => {
      const result = blend.apply(garment, { ...set, ...change }, context)
      if (!result.ok) throw new Error(result.problem.message)
      const side = edgePath(
        shapeOf(
          result.value.garment.pieces.find((p) => p.id === 'back')!,
          'one',
        ),
        'side',
      )
      return placeAt(side, 110).point.x
    }
    expect(widthAt({ startMm: 100 })).toBeLessThan(widthAt({ startMm: 0 }) - 1)
    const refused = blend.apply(garment, { ...set, startMm: 900 }, context)
    expect(!refused.ok && refused.problem.largestMm).toBeGreaterThan(120)
  })
  it('ends where its lower handle is dragged to, and the hip keeps its size from there on', () => {
    const set = inputs('one', 'one', 'one+2')
    const first = blend.apply(garment, set, context)
    if (!first.ok) throw new Error(first.problem.message)
    const end = blend.handles(garment, set, first.value, context).find((h) => h.id === 'end')!
    const dragged = blend.drag(garment, set, 'end', -40, context)
    const second = blend.apply(garment, dragged, context)
    if (!second.ok) throw new Error(second.problem.message)
    const now = blend.handles(garment, dragged, second.value, context).find((h) => h.id === 'end')!
    expect(now.valueMm).toBe(end.valueMm - 40)
    // Measured along the seam, which leans a little here.
    expect(Math.hypot(end.at.x - now.at.x, end.at.y - now.at.y)).toBeCloseTo(40, 0)
    expect(blend.drag(garment, set, 'end', -9000, context).endMm).toBe(-2000)
  })
  it('follows a size that has gone as an orphan, and names both partners it changed', () => {
    const gone = blend.apply(garment, inputs('one', 'nowhere', 'one'), context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
    const result = blend.apply(garment, inputs('one', 'one+1', 'one+1'), context)
    expect(result.ok && result.value.touched.map((t) => [t.pieceId, t.how])).toEqual([
      ['front', 'asked'],
      ['back', 'partner'],
    ])
  })
})

describe('the places that a blend goes by', () => {
  const knot = (base: number, other: number) =>
    new Map([
      ['one', base],
      ['two', other],
    ])
  it('give a figure wherever one asks, also with one place, or none between', () => {
    for (const knots of [[knot(0, 0)], [knot(0, 0), knot(200, 240)], [knot(0, 0), knot(100, 90), knot(200, 260)]])
      for (const mm of [-5, 0, 60, 200, 900]) expect(Number.isFinite(carryAlong(knots, 'one', 'two', mm))).toBe(true)
  })
  it('run down the side in every size, however wild the grade', () => {
    for (const [, garment] of NESTS)
      for (const intervalMm of [5, 90]) {
        const wild = gradeGarment(garment, {
          intervalMm,
          up: 2,
          down: 3,
          upIntervalsMm: [],
          downIntervalsMm: [],
          centre: 'none',
          rules: {},
          school: 'shift',
        })
        const ids = wild.sizes.map((s) => s.id)
        for (const piece of wild.pieces)
          for (const chain of sideChains(piece, shapeOf(piece, 'one'))) {
            const knots = knotsOf(wild, chain, ids, 'one')
            for (const [i, k] of knots.entries())
              if (i > 0) for (const id of ids) expect(k.get(id)!).toBeGreaterThan(knots[i - 1]!.get(id)!)
          }
      }
  })
})
