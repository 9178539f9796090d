import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { nestOf } from '../../../demo/nest'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTunic } from '../../../demo/tunic'
import { countInflections, dot, measureLength, tangentAt, turnRad, type Path } from '../../geometry'
import { cornersAsSewn, DEFAULT_TOLERANCES, walkGarment } from '../../match'

import { dartFigures, dartIn, edgePath, findPiece, grainDirection, shapeOf, type Garment, sideLength } from '../../pattern'
import { bodyLengths } from '../../size'
import { answerWish } from '../../advice'
import { contextWith } from '../test-context'
import { frontLength } from './index'

const context = contextWith()
const blouse = draftBlouse()
const apply = (garment: Garment, pieceId: string, amountMm: number) => {
  const done = frontLength.apply(garment, { pieceId, amountMm }, context)
  if (!done.ok) throw new Error(done.problem.message)
  return done.value
}
const frontMm = (garment: Garment) => bodyLengths(garment, null).find((l) => l.id === 'front-to-waist')!.garmentMm
const sideSeam = (garment: Garment) => garment.seams.find((s) => s.name === 'side seam')!
const surplus = (garment: Garment) => sideLength(garment, sideSeam(garment), 0, 'one') - sideLength(garment, sideSeam(garment), 1, 'one')

describe('the front alone, longer or shorter', () => {
  it('its centre grows by just that, the back stays, the side seam still matches, and both legs are alike', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 30, noNaN: true }), (mm) => {
        const { garment, held } = apply(blouse, 'front', mm)
        expect(frontMm(garment) - frontMm(blouse)).toBeCloseTo(mm, 3)
        expect(findPiece(garment, 'back')).toEqual(findPiece(blouse, 'back'))
        expect(Math.abs(surplus(garment) - surplus(blouse))).toBeLessThan(0.5)
        const piece = findPiece(garment, 'front')!
        const d = dartFigures(piece, shapeOf(piece, 'one'), dartIn(piece, 'side-dart'))
        expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.05)
        expect(held.filter((h) => !h.held).map((h) => h.label)).toEqual([])
      }),
      { numRuns: 25 },
    )
  })
  it('the dart takes it: wider by about as much, the bust point where it was below the shoulder', () => {
    const figures = (garment: Garment) => {
      const piece = findPiece(garment, 'front')!
      const shape = shapeOf(piece, 'one')
      return {
        intake: dartFigures(piece, shape, dartIn(piece, 'side-dart')).intakeMm,
        apex: shape.points[piece.points.find((p) => p.role === 'apex')!.id]!,
      }
    }
    const [was, is] = [figures(blouse), figures(apply(blouse, 'front', 16).garment)]
    expect(is.intake - was.intake).toBeGreaterThan(12)
    expect(is.intake - was.intake).toBeLessThan(18)
    expect(is.apex).toEqual(was.apex)
  })
  it('runs on across the closed dart as it did, and no corner turns elsewhere', () => {
    const turns = (garment: Garment) =>
      new Map(cornersAsSewn(walkGarment(garment, 'one', DEFAULT_TOLERANCES)).map((c) => [c.id, Math.abs(c.turnDeg)]))
    const was = turns(blouse)
    for (const mm of [-20, -10, 15, 35])
      for (const [id, deg] of turns(apply(blouse, 'front', mm).garment)) expect(deg - (was.get(id) ?? 0), `${mm}: ${id}`).toBeLessThan(5)
  })
  it('every size of a nest alike', () => {
    const nest = nestOf(draftBlouse())
    const { garment } = apply(nest, 'front', 12)
    for (const { id } of nest.sizes) {
      const centre = (g: Garment) => {
        const piece = findPiece(g, 'front')!
        return measureLength(edgePath(shapeOf(piece, id), piece.edges.find((e) => e.fold || e.role === 'centre-front')!.id))
      }
      expect(centre(garment) - centre(nest), id).toBeCloseTo(12, 4)
    }
  })
  it('a front without a dart at its side gets one, its apex marked, and says so; it gives nothing', () => {
    const dress = draftQuayDress()
    const { garment, cautions } = apply(dress, 'bodice-front', 14)
    const piece = findPiece(garment, 'bodice-front')!
    expect(piece.darts).toHaveLength(findPiece(dress, 'bodice-front')!.darts.length + 1)
    expect(piece.points.some((p) => p.role === 'apex')).toBe(true)
    expect(cautions.map((c) => c.code)).toContain('new-dart')
    const less = frontLength.apply(dress, { pieceId: 'bodice-front', amountMm: -5 }, context)
    expect(!less.ok && less.problem.message).toMatch(/no dart at its side/)
  })
  it('no more than the dart holds, and then the most is named; a back, or a piece that has gone, is none', () => {
    const refused = frontLength.apply(blouse, { pieceId: 'front', amountMm: -90 }, context)
    expect(!refused.ok && refused.problem).toMatchObject({ code: 'amount-too-large' })
    const largest = (!refused.ok && refused.problem.largestMm) as number
    expect(largest).toBeLessThan(-15)
    const done = apply(blouse, 'front', largest)
    expect(frontMm(done.garment) - frontMm(blouse)).toBeCloseTo(largest, 3)
    for (const pieceId of ['back', 'nowhere'])
      expect(frontLength.apply(blouse, { pieceId, amountMm: 5 }, context)).toMatchObject({ ok: false })
  })
  it('what lies below goes down as it is: the hem keeps its place under the waist at the centre', () => {
    const { garment } = apply(blouse, 'front', 20)
    const below = (g: Garment) => {
      const piece = findPiece(g, 'front')!
      const shape = shapeOf(piece, 'one')
      const centre = edgePath(shape, piece.edges.find((e) => e.fold || e.role === 'centre-front')!.id)
      const waist = shape.lines[piece.lines.find((l) => l.role === 'waist')!.id]![0]!.from
      const down = grainDirection(shape)
      return Math.max(...centre.flatMap((s) => [dot(s.from, down), dot(s.to, down)])) - dot(waist, down)
    }
    expect(below(garment)).toBeCloseTo(below(blouse), 6)
  })
})

describe('a front that wraps over', () => {
  const tunic = draftTunic()
  const neckOf = (garment: Garment) => {
    const piece = findPiece(garment, 'front')!
    return edgePath(shapeOf(piece, garment.baseSizeId), 'neck')
  }
  it('is cut from its edge, which runs on as smoothly as it did: its ends keep their directions, and it bends no other way', () => {
    fc.assert(
      fc.property(fc.double({ min: -7, max: 35, noNaN: true }), (mm) => {
        const { garment, held, cautions } = apply(tunic, 'front', mm)
        expect(frontMm(garment) - frontMm(tunic)).toBeCloseTo(mm, 3)
        expect(findPiece(garment, 'back')).toEqual(findPiece(tunic, 'back'))
        expect(held.filter((h) => !h.held).map((h) => h.label)).toEqual([])
        if (Math.abs(mm) > 1) expect(cautions.map((c) => c.code)).toContain('wrap-edge-grows')
        const [was, is] = [neckOf(tunic), neckOf(garment)]
        expect(countInflections(is)).toBeLessThanOrEqual(countInflections(was))
        const ends = (path: Path) => [tangentAt(path[0]!, 0), tangentAt(path[path.length - 1]!, 1)]
        ends(is).forEach((d, i) => expect(Math.abs(turnRad(ends(was)[i]!, d))).toBeLessThan(0.02))
      }),
      { numRuns: 20 },
    )
  })
  it('gives no more than its side dart holds, and says how much that is', () => {
    const refused = frontLength.apply(tunic, { pieceId: 'front', amountMm: -20 }, context)
    expect(!refused.ok && refused.problem).toMatchObject({ code: 'amount-too-large' })
    expect((!refused.ok && refused.problem.largestMm) as number).toBeLessThan(-5)
  })
})

describe('as it is said', () => {
  it.each([
    ['lengthen the front alone by 1', 25.4],
    ['shorten only the front 1/2', -12.7],
    ['front waist length 3/4 longer', 19.05],
    ['front length 1/4 shorter', -6.35],
  ])('“%s”', (wish, mm) => {
    const answer = answerWish(wish, 'in', blouse, context)
    expect(answer.how).toBe('does')
    if (answer.how !== 'does') return
    expect(answer.offer.change.kind).toBe('front-length')
    expect((answer.offer.change.inputs as { amountMm: number }).amountMm).toBeCloseTo(mm, 6)
  })
})
