import { describe, expect, it } from 'vitest'
import { armholeFigures, contextFor, DEMO, done, isSleeved, tried } from '../../../demo/test-kinds'
import { distance, measureLength } from '../../geometry'
import { dartFigures, dartIn, edgePath, findPiece, halfNames, shapeOf, sideLength, type Garment } from '../../pattern'
import { HALVES } from '../../seams'
import { openOut, opensOut } from '../../moves'
import { dartsOf } from '../shared/darts/find-darts'
import { applyDartIntake } from './apply'
import { dartIntake } from './index'

const EVERY = DEMO.flatMap(([name, garment]) => dartsOf(garment).map((d) => [`${name}, ${d.ref}`, garment, d.ref] as const))

/** One dart of a garment in a size, and how long its piece's outline is beside it. */
function dartOf(garment: Garment, ref: string, sizeId: string) {
  const { piece, dart } = dartsOf(garment).find((d) => d.ref === ref)!
  const shape = shapeOf(findPiece(garment, piece.id)!, sizeId)
  const d = dartFigures(piece, shape, dartIn(piece, dart.id))
  return { ...d, besideMm: measureLength(edgePath(shape, d.before.id)) + measureLength(edgePath(shape, d.after.id)) }
}

describe('a dart that takes in more or less', () => {
  it('is tried on many darts', () => expect(EVERY.length).toBeGreaterThan(8))
  it.each(EVERY)(
    '%s: by just so much, its tip still, its legs alike as before, the edge as much shorter, in every size',
    (_, garment, ref) => {
      for (const amountMm of [-4, 3, 9]) {
        const applied = tried(dartIntake, garment, { dart: ref, amountMm })
        if (!applied) continue
        for (const { id } of garment.sizes) {
          const [was, is] = [dartOf(garment, ref, id), dartOf(applied.garment, ref, id)]
          expect(is.intakeMm - was.intakeMm, id).toBeCloseTo(amountMm, 3)
          expect(distance(is.tip, was.tip), id).toBeLessThan(1e-6)
          expect(Math.abs(is.firstMm - is.secondMm - was.firstMm + was.secondMm), id).toBeLessThan(0.05)
          // An edge that slants to the dart gives a little more or less than what lies between the leg ends.
          expect(Math.abs(was.besideMm - is.besideMm - amountMm), id).toBeLessThan(Math.abs(amountMm) * 0.35)
        }
      }
    },
  )
  it('a waistband follows the waist that a dart takes in', () => {
    const [, garment] = DEMO.find(([, g]) => dartsOf(g).some((d) => d.ref === 'back waist-dart'))!
    const applied = done(dartIntake, garment, { dart: 'back waist-dart', amountMm: 8 })
    const seam = garment.seams.find((s) => s.sides.flat().some((r) => findPiece(garment, r.pieceId)!.kind === 'band'))!
    const off = (g: Garment) => sideLength(g, seam, 0, g.baseSizeId) - sideLength(g, seam, 1, g.baseSizeId)
    expect(off(applied.garment)).toBeCloseTo(off(garment), 2)
    expect(
      Math.abs(sideLength(applied.garment, seam, 0, garment.baseSizeId) - sideLength(garment, seam, 0, garment.baseSizeId)),
    ).toBeGreaterThan(5)
    expect(applied.cautions.map((c) => c.code)).not.toContain('seam-changed')
  })
  it('a shoulder that loses by its dart is said, with the figure', () => {
    const [, garment] = DEMO.find(([, g]) => dartsOf(g).some((d) => d.ref === 'back shoulder-dart'))!
    const { cautions } = done(dartIntake, garment, { dart: 'back shoulder-dart', amountMm: 6 })
    const message = cautions.find((c) => c.code === 'seam-changed')!.message
    expect(message).toMatch(/^In the shoulder seam Back is now .+ shorter:/)
    expect(Number(/\{mm ([\d.]+)\}/.exec(message)![1])).toBeCloseTo(6, 0)
  })
  it('a cap keeps its ease where an armhole loses by its dart', () => {
    const [, garment] = DEMO.find(([, g]) =>
      dartsOf(g).some((d) => dartOf(g, d.ref, g.baseSizeId).before.role === 'armhole' && isSleeved(g)),
    )!
    const { ref } = dartsOf(garment).find((d) => dartOf(garment, d.ref, garment.baseSizeId).before.role === 'armhole')!
    const { garment: after } = done(dartIntake, garment, { dart: ref, amountMm: 6 })
    const [was, is] = [armholeFigures(garment, garment.baseSizeId), armholeFigures(after, garment.baseSizeId)]
    expect(was.armhole.front - is.armhole.front).toBeGreaterThan(3)
    for (const half of HALVES) expect(Math.abs(is.ease[half] - was.ease[half]), half).toBeLessThan(0.3)
  })
  it('a sleeve that is cut alike for both sides stays, and its ease is said, where only one armhole has the dart', () => {
    const [, garment] = DEMO.find(([, g]) =>
      dartsOf(g).some((d) => dartOf(g, d.ref, g.baseSizeId).before.role === 'armhole' && isSleeved(g)),
    )!
    const { ref, piece } = dartsOf(garment).find((d) => dartOf(garment, d.ref, garment.baseSizeId).before.role === 'armhole')!
    expect(opensOut(piece)).toBe(true)
    const whole = openOut(garment, piece.id, halfNames(piece, shapeOf(piece, garment.baseSizeId)))
    const { held, cautions, garment: after } = tried(dartIntake, whole, { dart: ref, amountMm: 6 })!
    expect(held.filter((h) => !h.held)).toEqual([])
    expect(cautions.map((c) => c.code)).toContain('cap-left-behind')
    for (const sleeve of whole.pieces.filter((p) => p.edges.some((e) => e.role === 'cap')))
      expect(findPiece(after, sleeve.id)!.shapes).toEqual(sleeve.shapes)
  })
  it('is refused beyond what it takes in, with the most that works, and when it has gone', () => {
    const [, garment, ref] = EVERY[0]!
    const refused = applyDartIntake(garment, { dart: ref, amountMm: -90 }, contextFor(garment))
    if (refused.ok) throw new Error('a dart gave more than it has')
    expect(refused.problem.largestMm).toBeLessThan(0)
    expect(-refused.problem.largestMm!).toBeLessThan(dartOf(garment, ref, garment.baseSizeId).intakeMm)
    done(dartIntake, garment, { dart: ref, amountMm: refused.problem.largestMm! })
    const gone = applyDartIntake(garment, { dart: 'front nowhere', amountMm: 3 }, contextFor(garment))
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
  })
  it('paper steps mark both ends and say what lies between them', () => {
    const [, garment, ref] = EVERY[0]!
    const inputs = { dart: ref, amountMm: 6 }
    const applied = done(dartIntake, garment, inputs)
    const steps = dartIntake.paperSteps({ before: garment, inputs, applied, context: contextFor(garment), ruler: 'cm' })
    const cm = (mm: number) => `${(Math.round(mm) / 10).toFixed(1)} cm`
    expect(steps[0]!.text).toContain(
      `takes in ${cm(dartOf(applied.garment, ref, garment.baseSizeId).intakeMm)} (was ${cm(dartOf(garment, ref, garment.baseSizeId).intakeMm)})`,
    )
    expect(steps.length).toBeGreaterThan(2)
  })
})
