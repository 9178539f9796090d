import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { demoWardrobe } from '../../../demo/wardrobe'
import { countInflections, cubic, distance, line, measureLength, placeAt, reversePath, turnRad, type Path } from '../../geometry'

import { edgePath, findPiece, shapeOf, type Garment, type Piece, sideLength } from '../../pattern'
import { garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { cornersAsSewn, walkGarment } from '../../match'
import { RUN_THROUGH_DEG } from '../../tolerances'
import { shoulderEnds, whyNoShoulder } from '../shared/find-shoulders'
import { swingOf } from './apply'
import { shoulderWidth, type ShoulderWidthInputs } from './index'
import { contextWith } from '../test-context'

const context = contextWith()
const DEG = 180 / Math.PI

/** The worked cases' front: its armhole is one edge of two straight stretches that meet at the hinge. */
function workedFront(id = 'front', tip = { x: 192, y: 38 }, hinge = { x: 200, y: 158 }): Piece {
  const piece = polygonPiece(
    id,
    'front',
    [{ x: 0, y: 90 }, { x: 78, y: 0 }, tip, { x: 232, y: 232 }, { x: 205, y: 415 }, { x: 0, y: 415 }],
    ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-front'],
    { fold: 5 },
  )
  const armhole: Path = [line(tip, hinge), line(hinge, { x: 232, y: 232 })]
  return { ...piece, shapes: { one: { ...piece.shapes.one!, edges: { ...piece.shapes.one!.edges, e2: armhole } } } }
}

function apply(garment: Garment, inputs: ShoulderWidthInputs): Garment {
  const result = shoulderWidth.apply(garment, inputs, context)
  if (!result.ok) throw new Error(`${result.problem.where}: ${result.problem.message}`)
  return result.value.garment
}
const mm = (garment: Garment, pieceId: string, edgeId: string) =>
  measureLength(edgePath(shapeOf(findPiece(garment, pieceId)!, 'one'), edgeId))

describe('broad or narrow shoulder', () => {
  const garment = garmentOf([workedFront()])
  const hingeMm = distance({ x: 192, y: 38 }, { x: 200, y: 158 })

  it('worked case 5: broad by 12', () => {
    const after = apply(garment, { amountMm: 12, hingeMm, leftOut: [] })
    const shape = shapeOf(after.pieces[0]!, 'one')
    expect(mm(garment, 'front', 'e1')).toBeCloseTo(120.167, 3)
    expect(mm(after, 'front', 'e1')).toBeCloseTo(132.167, 3)
    const tip = edgePath(shape, 'e2')[0]!.from
    expect([tip.x, tip.y]).toEqual([expect.closeTo(204.639, 3), expect.closeTo(37.823, 3)])
    expect(Math.abs(mm(after, 'front', 'e2') - mm(garment, 'front', 'e2'))).toBeLessThan(0.05)
  })
  it('worked case 6: narrow by 9', () => {
    const after = apply(garment, { amountMm: -9, hingeMm, leftOut: [] })
    expect(mm(after, 'front', 'e1')).toBeCloseTo(111.167, 3)
    expect(Math.abs(mm(after, 'front', 'e2') - mm(garment, 'front', 'e2'))).toBeLessThan(0.05)
  })
  it('prints the gap that the hands must open', () => {
    const inputs = { amountMm: 12, hingeMm, leftOut: [] }
    const result = shoulderWidth.apply(garment, inputs, context)
    if (!result.ok) throw new Error(result.problem.message)
    const steps = shoulderWidth.paperSteps({ before: garment, inputs, applied: result.value, context, ruler: 'cm' })
    expect(steps.some((s) => s.text.includes('1.6 cm'))).toBe(true)
    expect(result.value.moves).toHaveLength(1)
    expect(Math.abs(result.value.moves![0]!.turnRad) * DEG).toBeCloseTo(6.025, 3)
  })
  it('holds on generated fronts: the shoulder grows by the amount, armhole, neck and all below stay', () => {
    const cases = fc.record({
      tipX: fc.integer({ min: 150, max: 215 }),
      tipY: fc.integer({ min: 10, max: 60 }),
      hollow: fc.integer({ min: 15, max: 60 }),
      amountMm: fc.integer({ min: -15, max: 20 }).filter((a) => a !== 0),
      part: fc.double({ min: 0.35, max: 0.7, noNaN: true }),
    })
    fc.assert(
      fc.property(cases, ({ tipX, tipY, hollow, amountMm, part }) => {
        const front = workedFront('front', { x: tipX, y: tipY })
        const armhole: Path = [
          cubic({ x: tipX, y: tipY }, { x: tipX - hollow / 2, y: tipY + 70 }, { x: tipX - hollow / 3, y: 215 }, { x: 232, y: 232 }),
        ]
        const own = garmentOf([{ ...front, shapes: { one: { ...front.shapes.one!, edges: { ...front.shapes.one!.edges, e2: armhole } } } }])
        const result = shoulderWidth.apply(own, { amountMm, hingeMm: measureLength(armhole) * part, leftOut: [] }, context)
        if (!result.ok) return expect(result.problem.largestMm).toBeTypeOf('number')
        const after = result.value.garment
        expect(mm(after, 'front', 'e1') - mm(own, 'front', 'e1')).toBeCloseTo(amountMm, 6)
        expect(Math.abs(mm(after, 'front', 'e2') - mm(own, 'front', 'e2'))).toBeLessThan(0.05)
        for (const id of ['e0', 'e3', 'e4', 'e5'])
          expect(shapeOf(after.pieces[0]!, 'one').edges[id]).toEqual(shapeOf(own.pieces[0]!, 'one').edges[id])
        // Smooth at the hinge.
        const path = edgePath(shapeOf(after.pieces[0]!, 'one'), 'e2')
        for (let at = 5; at < measureLength(path) - 5; at += 3) {
          const turn = turnRad(placeAt(path, at - 0.01).tangent, placeAt(path, at + 0.01).tangent) * DEG
          expect(Math.abs(turn)).toBeLessThan(1)
        }
      }),
    )
  })
  it('changes front and back together, and shows the one that was left out', () => {
    const blouse = draftBlouse()
    const begun = shoulderWidth.begin(blouse, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    const seam = blouse.seams.find((s) => s.id === 'shoulder')!
    const surplus = (g: Garment) => sideLength(g, seam, 0, 'one') - sideLength(g, seam, 1, 'one')
    const both = apply(blouse, { ...begun.value, amountMm: 10 })
    expect(surplus(both)).toBeCloseTo(surplus(blouse), 6)
    const result = shoulderWidth.apply(blouse, { ...begun.value, amountMm: 10, leftOut: ['back'] }, context)
    if (!result.ok) throw new Error(result.problem.message)
    expect(Math.abs(surplus(result.value.garment) - surplus(blouse))).toBeCloseTo(10, 6)
    expect(result.value.leftOut.map((l) => l.pieceId)).toEqual(['back'])
    expect(result.value.cautions.find((c) => c.code === 'partner-left-out')?.mend?.inputs).toMatchObject({ leftOut: [] })
    expect(result.value.held.some((h) => !h.held)).toBe(true)
  })
})

describe('the armhole after a shoulder was made broader or narrower', () => {
  const garments = demoWardrobe(new Date('2026-05-01')).projects.filter(
    (p, i, all) => all.findIndex((o) => o.garmentId === p.garmentId) === i && shoulderWidth.begin(p.garment, context).ok,
  )
  const BESIDE_MM = 15
  it('is looked at on many garments', () => expect(garments.length).toBeGreaterThan(8))
  it.each(garments.map((p) => [p.name, p.garment] as const))('%s: runs on across the shoulder, for what one usually asks', (_, garment) => {
    const begun = shoulderWidth.begin(garment, contextWith({ sizeId: garment.baseSizeId }))
    if (!begun.ok) throw new Error(begun.problem.message)
    const turns = (g: Garment) => cornersAsSewn(walkGarment(g, g.baseSizeId)).filter((c) => c.where.includes('armhole'))
    for (const amountMm of [-6, 6, 11]) {
      const was = new Map(turns(garment).map((c) => [c.id, Math.abs(c.turnDeg)]))
      for (const c of turns(apply(garment, { ...begun.value, amountMm })))
        expect(Math.abs(c.turnDeg), `${c.where} by ${amountMm}`).toBeLessThan(Math.max(RUN_THROUGH_DEG, was.get(c.id)! + 5))
    }
  })
  it.each(garments.map((p) => [p.name, p.garment] as const))('%s: no hook at the hinge, none above it, in every size', (_, garment) => {
    const begun = shoulderWidth.begin(garment, contextWith({ sizeId: garment.baseSizeId }))
    if (!begun.ok) throw new Error(begun.problem.message)
    for (const amountMm of [-12, 8, 15]) {
      const inputs = { ...begun.value, amountMm }
      const after = apply(garment, inputs)
      for (const piece of garment.pieces)
        for (const end of shoulderEnds(piece))
          for (const { id: sizeId } of garment.sizes) {
            const of = (g: Garment, edgeId: string) => {
              const path = edgePath(shapeOf(findPiece(g, piece.id)!, sizeId), edgeId)
              return end.reversed ? reversePath(path) : path
            }
            const [was, is] = [garment, after].map((g) => of(g, end.armhole[0]!.id)) as [Path, Path]
            const turnAtHinge = (path: Path) =>
              turnRad(placeAt(path, inputs.hingeMm - BESIDE_MM).tangent, placeAt(path, inputs.hingeMm + BESIDE_MM).tangent) * DEG
            const where = `${piece.name}, ${sizeId}, ${amountMm}`
            const swung = Math.abs(swingOf(shapeOf(piece, sizeId), end, inputs.hingeMm, amountMm)) * DEG
            expect(Math.abs(turnAtHinge(is) - turnAtHinge(was)), where).toBeLessThan(0.7 * swung)
            expect(countInflections(is, 2.5), where).toBeLessThanOrEqual(countInflections(was, 2.5))
            expect(Math.abs(measureLength(is) - measureLength(was)), where).toBeLessThan(0.05)
            const grew = measureLength(of(after, end.shoulder.id)) - measureLength(of(garment, end.shoulder.id))
            expect(grew, where).toBeCloseTo(amountMm, 3)
            const below = [0, 10, 30].map((mm) => inputs.hingeMm + mm)
            for (const mm of below) expect(distance(placeAt(is, mm).point, placeAt(was, mm).point), where).toBeLessThan(0.01)
          }
    }
  })
})

describe('shoulders that are not there to change', () => {
  const body = (roles: Piece['edges'][number]['role'][]) =>
    garmentOf([
      polygonPiece(
        'body',
        'front',
        [
          { x: 0, y: 90 },
          { x: 78, y: 0 },
          { x: 230, y: 60 },
          { x: 236, y: 232 },
          { x: 205, y: 415 },
          { x: 0, y: 415 },
        ],
        roles,
      ),
    ])
  it.each<[string, Garment, string]>([
    ['a sleeve cut in one', body(['neck', 'shoulder', 'hem', 'side', 'waist', 'centre-front']), 'sleeve-in-one'],
    ['a dropped shoulder', body(['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-front']), 'dropped-shoulder'],
    ['no shoulder', body(['neck', 'other', 'armhole', 'side', 'waist', 'centre-front']), 'no-shoulder'],
  ])('%s is refused with the reason', (_, garment, code) => {
    const refused = shoulderWidth.begin(garment, context)
    expect(!refused.ok && refused.problem.code).toBe(code)
    const applied = shoulderWidth.apply(garment, { amountMm: 10, hingeMm: 100, leftOut: [] }, context)
    expect(!applied.ok && applied.problem.code).toBe(code)
  })
  it('finds both ends of a whole piece, and a hinge beyond the armhole is refused', () => {
    expect(shoulderEnds(workedFront())).toHaveLength(1)
    const garment = garmentOf([workedFront('a'), workedFront('b')], [seamOf('s', ['a', 'e1', false], ['b', 'e1', false])])
    expect(whyNoShoulder(garment, 'one')).toBeNull()
    const refused = shoulderWidth.apply(garment, { amountMm: 10, hingeMm: 900, leftOut: [] }, context)
    expect(!refused.ok && refused.problem.code).toBe('hinge-beyond')
  })
})
