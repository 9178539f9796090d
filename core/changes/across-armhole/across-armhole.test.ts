import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftTunic } from '../../../demo/tunic'
import { armholeFigures, begunOn, contextFor, DEMO, done, isSleeved, roleMm, tried } from '../../../demo/test-kinds'
import { alongGrain, countInflections, type Path } from '../../geometry'
import { cornerPoint, edgePath, findPiece, grainDirection, halfNames, shapeOf, type Garment } from '../../pattern'
import { openOut } from '../../moves'
import { HALVES } from '../../seams'
import { bodyLengths } from '../../size'
import { acrossOf, goodPlace } from '../shared/across'
import { applyOrRefuse } from '../apply-or-refuse'
import { acrossArmhole } from './index'
import type { AcrossArmholeInputs } from './schema'

const AMOUNTS = [-17, 11]
const EACH = begunOn(acrossArmhole)

/** The same inputs on a half, with an amount. */
function on(garment: Garment, begun: AcrossArmholeInputs, half: 'front' | 'back', amountMm: number): AcrossArmholeInputs {
  return { ...acrossArmhole.withField!(garment, begun, 'half', half), amountMm }
}

/** How far the lowest end of the armhole of a piece lies below its upper one, mm. */
function armholeHeight(garment: Garment, pieceId: string, sizeId: string): number {
  const piece = findPiece(garment, pieceId)!
  const shape = shapeOf(piece, sizeId)
  const along = piece.edges
    .filter((e) => e.role === 'armhole')
    .flatMap((e) => edgePath(shape, e.id))
    .flatMap((s) => [s.from, s.to].map((p) => alongGrain(p, grainDirection(shape))))
  return Math.max(...along) - Math.min(...along)
}

describe('one half longer or shorter across the armhole', () => {
  it.each(EACH)('%s: that half grows by just so much in every size; the other half and all other edges stay', (_, garment, begun) => {
    for (const half of HALVES)
      for (const amountMm of AMOUNTS) {
        const { piece } = acrossOf(garment, half)[0]!
        const { garment: after } = done(acrossArmhole, garment, on(garment, begun, half, amountMm))
        const others = acrossOf(garment, half === 'front' ? 'back' : 'front').map((a) => a.piece.id)
        for (const id of others) expect(findPiece(after, id), id).toEqual(findPiece(garment, id))
        for (const { id: sizeId } of garment.sizes) {
          const grew = armholeHeight(after, piece.id, sizeId) - armholeHeight(garment, piece.id, sizeId)
          expect(grew, `${half} in ${sizeId}`).toBeCloseTo(amountMm, 2)
          for (const role of ['shoulder', 'side', 'waist', 'hem'])
            expect(roleMm(after, piece.id, role, sizeId), `${role} in ${sizeId}`).toBeCloseTo(roleMm(garment, piece.id, role, sizeId), 2)
        }
      }
  })
  it.each(begunOn(acrossArmhole, isSleeved))('%s: the cap keeps the ease of each half, in every size', (_, garment, begun) => {
    for (const half of HALVES)
      for (const amountMm of AMOUNTS) {
        const { garment: after } = done(acrossArmhole, garment, on(garment, begun, half, amountMm))
        for (const { id: sizeId } of garment.sizes) {
          const [was, is] = [armholeFigures(garment, sizeId), armholeFigures(after, sizeId)]
          expect(Math.sign(is.armhole[half] - was.armhole[half])).toBe(Math.sign(amountMm))
          for (const h of HALVES) expect(Math.abs(is.ease[h] - was.ease[h]), `${h} in ${sizeId}`).toBeLessThan(0.3)
        }
      }
  })
  it.each(EACH)('%s: the armhole bends as often as it did', (_, garment, begun) => {
    for (const half of HALVES)
      for (const amountMm of AMOUNTS) {
        const { garment: after } = done(acrossArmhole, garment, on(garment, begun, half, amountMm))
        const { piece } = acrossOf(garment, half)[0]!
        for (const { id: sizeId } of garment.sizes)
          for (const edge of piece.edges.filter((e) => e.role === 'armhole')) {
            const bends = (g: Garment) => countInflections(edgePath(shapeOf(findPiece(g, piece.id)!, sizeId), edge.id) as Path)
            expect(bends(after), `${half} by ${amountMm} in ${sizeId}`).toBeLessThanOrEqual(bends(garment))
          }
      }
  })
  it('gives the front from shoulder to waist what was asked for, and the pieces again when it is undone', () => {
    const blouse = draftBlouse()
    const frontMm = (g: Garment) => bodyLengths(g, null).find((l) => l.id === 'front-to-waist')!.garmentMm
    const [, , begun] = EACH.find(([name]) => name === DEMO[0]![0])!
    fc.assert(
      fc.property(fc.double({ min: -40, max: 40, noNaN: true }), (mm) => {
        const there = done(acrossArmhole, blouse, { ...begun, amountMm: mm }).garment
        expect(frontMm(there) - frontMm(blouse)).toBeCloseTo(mm, 3)
        const back = tried(acrossArmhole, there, { ...begun, amountMm: -mm })
        if (back) expect(frontMm(back.garment)).toBeCloseTo(frontMm(blouse), 3)
      }),
      { numRuns: 20 },
    )
  })
  it('runs below the neckline and through no dart where there is room', () => {
    for (const [name, garment] of DEMO)
      for (const across of acrossOf(garment, 'front')) {
        const { belowMm, isClear } = goodPlace(garment, across)
        expect(belowMm, name).toBeGreaterThan(0)
        expect(belowMm, name).toBeLessThan(across.reachMm)
        // A shoulder dart reaches down past every place between shoulder and underarm.
        expect(isClear, name).toBe(!across.piece.darts.some((d) => d.name === 'shoulder dart'))
      }
  })
  it('both fronts of a garment that was opened out are changed, each with its armhole', () => {
    const blouse = draftBlouse()
    const front = findPiece(blouse, 'front')!
    const opened = openOut(blouse, 'front', halfNames(front, shapeOf(front, blouse.baseSizeId)))
    const begun = acrossArmhole.begin(opened, contextFor(opened))
    if (!begun.ok) throw new Error(begun.problem.message)
    const { garment: after } = done(acrossArmhole, opened, { ...begun.value, amountMm: -12 })
    const piece = findPiece(opened, 'front')!
    const ends = piece.corners.map((c) => {
      const at = (g: Garment) => alongGrain(cornerPoint(piece, shapeOf(findPiece(g, 'front')!, 'one'), c.id)!, { x: 0, y: 1 })
      return Math.abs(at(after) - at(opened))
    })
    for (const mm of ends) expect(Math.min(mm, Math.abs(mm - 12))).toBeLessThan(0.01)
    expect(ends.filter((mm) => mm > 11)).not.toHaveLength(0)
  })
  it('says where the edge of a wrap is crossed, and where it is much of the armhole', () => {
    const tunic = draftTunic()
    const begun = acrossArmhole.begin(tunic, contextFor(tunic))
    if (!begun.ok) throw new Error(begun.problem.message)
    const codes = (amountMm: number) => done(acrossArmhole, tunic, { ...begun.value, amountMm }).cautions.map((c) => c.code)
    expect(codes(-10)).toEqual(['neck-edge-crossed'])
    expect(codes(-60)).toEqual(['much-of-armhole', 'neck-edge-crossed'])
  })
  it('refuses what the pieces do not bear, with the largest that works, and a line beside the piece', () => {
    const blouse = draftBlouse()
    const [, , begun] = EACH.find(([name]) => name === DEMO[0]![0])!
    const far = applyOrRefuse(acrossArmhole, blouse, { ...begun, amountMm: -900 }, contextFor(blouse))
    if (far.ok || far.problem.largestMm === undefined) throw new Error('not refused')
    expect(far.problem.code).toBe('amount-too-large')
    expect(tried(acrossArmhole, blouse, { ...begun, amountMm: far.problem.largestMm })).not.toBeNull()
    const beside = applyOrRefuse(acrossArmhole, blouse, { ...begun, belowMm: -300, amountMm: 5 }, contextFor(blouse))
    expect(!beside.ok && beside.problem.code).toBe('level-misses')
  })
})
