import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { cubic, cutPath, distance, measureLength, placeAt, tangentAt, turnRad, type Path } from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { bendEnd } from '../../moves'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import { garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { applyTrueCorner } from './apply'
import { findCorner } from './find-corner'
import type { TrueCornerInputs } from './schema'
import { contextWith } from '../test-context'

const at = (x: number, y: number) => ({ x, y })
const context = contextWith()
const deg = (rad: number) => (rad * 180) / Math.PI

/** Two panels joined at their side, whose hems meet at an angle: the front's side ends `drop` lower than its centre. */
function pointedHem(drop: number): Garment {
  const front = polygonPiece(
    'front',
    'front',
    [at(0, 0), at(200, 0), at(200, 400 + drop), at(0, 400)],
    ['neck', 'side', 'hem', 'centre-front'],
  )
  const back = polygonPiece('back', 'back', [at(0, 0), at(200, 0), at(200, 400 + drop), at(0, 400)], ['neck', 'side', 'hem', 'centre-back'])
  return garmentOf([front, back], [seamOf('side', ['front', 'e1', false], ['back', 'e1', false])])
}
const inputs = (reachMm: number, firstTakes: TrueCornerInputs['firstTakes'] = 'half'): TrueCornerInputs => ({
  cornerId: 'side:end',
  reachMm,
  firstTakes,
})
function trued(garment: Garment, change: TrueCornerInputs) {
  const result = applyTrueCorner(garment, change, context)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}

describe('bending an end of a path', () => {
  const curve: Path = [cubic(at(0, 0), at(60, 10), at(140, -20), at(220, 30))]
  it.each([true, false])('turns its direction there by the asked angle and leaves the rest alone (start: %s)', (atStart) => {
    fc.assert(
      fc.property(fc.double({ min: -0.4, max: 0.4, noNaN: true }), fc.double({ min: 20, max: 120, noNaN: true }), (turn, reach) => {
        const total = measureLength(curve)
        const bent = bendEnd(curve, atStart, turn, reach)
        const first = bent[0]!
        const last = bent[bent.length - 1]!
        expect(distance(first.from, at(0, 0))).toBeLessThan(1e-6)
        expect(distance(last.to, at(220, 30))).toBeLessThan(1e-6)
        // Away from an end and along the path are opposite ways at the end, so both turn alike.
        const turned = atStart
          ? turnRad(tangentAt(curve[0]!, 0), tangentAt(first, 0))
          : turnRad(tangentAt(curve[0]!, 1), tangentAt(last, 1))
        expect(turned).toBeCloseTo(turn, 3)
        const kept = cutPath(curve, atStart ? reach : 0, atStart ? total : total - reach)
        const rest = measureLength(bent) - measureLength(kept)
        const same = atStart ? placeAt(bent, rest) : placeAt(bent, measureLength(kept))
        const was = placeAt(curve, atStart ? reach : total - reach)
        expect(distance(same.point, was.point)).toBeLessThan(0.01)
        expect(Math.abs(deg(turnRad(same.tangent, was.tangent)))).toBeLessThan(0.5)
      }),
    )
  })
  it('does nothing over no reach or by no turn', () => {
    expect(bendEnd(curve, true, 0.2, 0)).toBe(curve)
    expect(bendEnd(curve, false, 0, 50)).toBe(curve)
  })
})

describe('truing a corner', () => {
  it('takes the whole turn out, whichever edge gives, and leaves the end of the seam where it was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -70, max: 70, noNaN: true }).filter((d) => Math.abs(d) > 1),
        fc.constantFrom('none' as const, 'half' as const, 'all' as const),
        fc.integer({ min: 30, max: 120 }),
        (drop, firstTakes, reach) => {
          const garment = pointedHem(drop)
          const { garment: after, held } = trued(garment, inputs(reach, firstTakes))
          expect(Math.abs(findCorner(after, 'side:end', 'one')!.turnDeg)).toBeLessThan(0.2)
          expect(held.filter((h) => !h.held)).toEqual([])
          for (const id of ['front', 'back']) {
            const was = shapeOf(findPiece(garment, id)!, 'one')
            const is = shapeOf(findPiece(after, id)!, 'one')
            expect(distance(is.edges.e2![0]!.from, was.edges.e2![0]!.from)).toBeLessThan(1e-6)
            expect(is.edges.e1).toEqual(was.edges.e1)
          }
          const untouched = firstTakes === 'all' ? 'back' : firstTakes === 'none' ? 'front' : null
          if (untouched) expect(findPiece(after, untouched)).toBe(findPiece(garment, untouched))
        },
      ),
    )
  })
  it('squares an edge to the fold: one edge, its mirror gives the other half', () => {
    const piece = polygonPiece(
      'peak',
      'front',
      [at(0, 0), at(120, 25), at(120, 300), at(0, 300)],
      ['neck', 'side', 'hem', 'centre-front'],
      { fold: 3 },
    )
    const garment = garmentOf([piece])
    const corner = cornersAsSewn(walkGarment(garment, 'one')).find((c) => Math.abs(c.turnDeg) > 10)!
    const { garment: after, touched } = trued(garment, { cornerId: corner.id, reachMm: 50, firstTakes: 'none' })
    expect(touched.map((t) => t.pieceId)).toEqual(['peak'])
    const neck = edgePath(shapeOf(findPiece(after, 'peak')!, 'one'), 'e0')
    expect(Math.abs(tangentAt(neck[0]!, 0).y)).toBeLessThan(0.005)
  })
  it('keeps notches: beyond the reach on their paper, within it by their distance from the corner', () => {
    const garment = structuredClone(pointedHem(40))
    const front = garment.pieces[0]!
    front.notches.push({ id: 'near', name: 'near', edgeId: 'e2' }, { id: 'far', name: 'far', edgeId: 'e2' })
    front.shapes.one!.notches = { near: { from: 'end', distanceMm: 180 }, far: { from: 'start', distanceMm: 150 } }
    const total = measureLength(edgePath(front.shapes.one!, 'e2'))
    const after = shapeOf(findPiece(trued(garment, inputs(60)).garment, 'front')!, 'one')
    expect(after.notches.near).toEqual({ from: 'start', distanceMm: expect.closeTo(total - 180, 9) })
    expect(after.notches.far).toEqual({ from: 'end', distanceMm: expect.closeTo(total - 150, 9) })
  })
  it('warns before it takes a designed corner away', () => {
    const garment = structuredClone(pointedHem(40))
    garment.pieces[0]!.corners[2]!.designed = true
    expect(trued(garment, inputs(40)).cautions.map((c) => c.code)).toEqual(['designed-corner'])
  })
  it('refuses a reach longer than its edge with the longest that works, and a corner that has gone', () => {
    const refused = applyTrueCorner(pointedHem(40), inputs(500), context)
    expect(refused.ok).toBe(false)
    if (refused.ok) return
    expect(refused.problem.largestMm).toBeGreaterThan(195)
    expect(applyTrueCorner(pointedHem(40), inputs(refused.problem.largestMm!), context).ok).toBe(true)
    const gone = applyTrueCorner(pointedHem(40), { ...inputs(40), cornerId: 'nowhere' }, context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
  })
  it('trues every corner of the blouse, however smooth it is already', () => {
    const garment = draftBlouse()
    for (const corner of cornersAsSewn(walkGarment(garment, 'one')).filter((c) => !c.designed)) {
      const { held } = trued(garment, { cornerId: corner.id, reachMm: 40, firstTakes: 'half' })
      expect(
        held.filter((h) => !h.held),
        corner.where,
      ).toEqual([])
    }
  })
})
