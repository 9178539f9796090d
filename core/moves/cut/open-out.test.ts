import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { nestOf } from '../../../demo/nest'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { draftWaistDart } from '../../../demo/waist-darts'
import { measureArea, measureLength } from '../../geometry'
import { walkGarment } from '../../match'
import { measureGarment, NO_ZONING } from '../../measure'
import {
  beforeOpening,
  checkGarment,
  doubleDartsOf,
  edgePath,
  findPiece,
  otherHalf,
  outlineOf,
  shapeOf,
  type Garment,
  halfNames,
} from '../../pattern'
import { openLike, openOut } from '../index'

const CASES: [string, string, Garment][] = [
  ['a front with a dart, on the fold', 'front', draftBlouse()],
  ['a back with darts at the edge and inside', 'back', draftWaistDart()],
  ['a band on the fold', 'neckband', draftBlouse()],
  ['a pair of legs', 'front', draftTrousers(TAPERED)],
  ['a pair of sleeves', 'sleeve', draftBlouse()],
  ['a nest of sizes', 'front', nestOf(draftBlouse())],
]
const finished = (garment: Garment, sizeId: string) =>
  measureGarment(garment, sizeId, NO_ZONING)
    .filter((m) => m.group === 'finished')
    .map((m) => [m.id, m.mm] as const)

describe('a piece opened out into left and right', () => {
  it.each(CASES)('%s: is sound, as large, sewn to the same seams, and measures the same round the body', (_, pieceId, garment) => {
    const opened = openOut(garment, pieceId, ['left', 'right'])
    expect(checkGarment(opened)).toBeNull()
    for (const { id } of garment.sizes) {
      const area = (g: Garment) =>
        g.pieces
          .filter((p) => p.id === pieceId || p.id === otherHalf(pieceId))
          .reduce((sum, p) => sum + measureArea(outlineOf(p, shapeOf(p, id))), 0)
      expect(area(opened)).toBeCloseTo(2 * area(garment), 3)
      expect(finished(opened, id)).toEqual(finished(garment, id).map(([what, mm]) => [what, expect.closeTo(mm, 3)]))
      const before = new Map(walkGarment(garment, id).seams.map((s) => [s.seam.id, s]))
      for (const seam of walkGarment(opened, id).seams) {
        const was = before.get(seam.seam.id.replace('~other', ''))!
        expect(seam.surplusMm).toBeCloseTo(was.surplusMm, 6)
        expect(seam.marks.map((m) => m.offMm)).toEqual(was.marks.map((m) => expect.closeTo(m.offMm, 6)))
        expect(seam.corners.map((c) => c.turnDeg)).toEqual(was.corners.map((c) => expect.closeTo(c.turnDeg, 6)))
      }
    }
  })
  it.each([
    ['front and back', draftBlouse(), ['front', 'back']],
    ['back and front, the other way round', draftBlouse(), ['back', 'front']],
    ['a pair of legs, front and back', draftTrousers(TAPERED), ['front', 'back']],
    ['everything', draftBlouse(), ['sleeve', 'back', 'neckband', 'front']],
  ] as [string, Garment, string[]][])('%s one after the other: left is sewn to left, and each seam is there once', (_, garment, ids) => {
    const opened = ids.reduce((g, id) => {
      const piece = findPiece(g, id)!
      return openOut(g, id, halfNames(piece, shapeOf(piece, 'one')))
    }, garment)
    expect(checkGarment(opened)).toBeNull()
    const before = new Map(walkGarment(garment, 'one').seams.map((s) => [s.seam.id, s]))
    for (const { seam, surplusMm, corners } of walkGarment(opened, 'one').seams) {
      const was = before.get(beforeOpening(seam.id))!
      expect(surplusMm).toBeCloseTo(was.surplusMm, 6)
      expect(
        corners.map((c) => c.turnDeg),
        `${seam.id} ${corners.map((c) => c.where)}`,
      ).toEqual(was.corners.map((c) => expect.closeTo(c.turnDeg, 6)))
      const sides = seam.sides.flat().flatMap((r) => {
        const { name, edges } = findPiece(opened, r.pieceId)!
        return [...`${name} ${edges.find((e) => e.id === r.edgeId)!.name}`.matchAll(/, (left|right)/g)].map((m) => m[1])
      })
      if (/side|shoulder|outseam|inseam/.test(seam.id)) expect(new Set(sides).size, seam.name).toBe(1)
    }
    expect(finished(opened, 'one')).toEqual(finished(garment, 'one').map(([what, mm]) => [what, expect.closeTo(mm, 3)]))
  })
  it('keeps what is drawn under its ids, and its image under theirs', () => {
    const garment = draftWaistDart()
    const opened = openOut(garment, 'back', ['right', 'left'])
    const [half, whole] = [findPiece(garment, 'back')!, findPiece(opened, 'back')!]
    for (const edge of half.edges.filter((e) => !e.fold)) {
      const length = measureLength(edgePath(shapeOf(half, 'one'), edge.id))
      for (const id of [edge.id, otherHalf(edge.id)]) expect(measureLength(edgePath(shapeOf(whole, 'one'), id))).toBeCloseTo(length, 6)
    }
    expect(doubleDartsOf(whole).map((d) => d.name)).toEqual(['waist dart, right', 'waist dart, left'])
    expect(whole.darts.map((d) => d.name)).toEqual(['shoulder dart, right', 'shoulder dart, left'])
    // A line across is one line again, twice as long.
    const waist = (p: typeof half) => measureLength(shapeOf(p, 'one').lines['waist-line']!)
    expect(whole.lines.filter((l) => l.role === 'waist')).toHaveLength(1)
    expect(waist(whole)).toBeGreaterThan(waist(half) * 2 - 1)
  })
  it('leaves what has no two halves as it is, and opens another like it', () => {
    const garment = draftBlouse()
    const opened = openOut(garment, 'front', ['left', 'right'])
    expect(openOut(opened, 'front', ['left', 'right'])).toBe(opened)
    expect(findPiece(openLike(garment, opened), 'front')!.edges).toHaveLength(findPiece(opened, 'front')!.edges.length)
    expect(openLike(garment, garment)).toBe(garment)
    expect(openLike(garment, openOut(garment, 'sleeve', ['a', 'b'])).pieces).toHaveLength(garment.pieces.length + 1)
  })
  it('names the halves by the wearer: what is right on a front is the wearer’s left', () => {
    const garment = draftBlouse()
    const names = (id: string) => halfNames(findPiece(garment, id)!, shapeOf(findPiece(garment, id)!, 'one'))
    expect(names('front')).toEqual(['left', 'right'])
    expect(names('back')).toEqual(['right', 'left'])
    expect(names('sleeve')).toEqual(['as drawn', 'turned over'])
  })
})
