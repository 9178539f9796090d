import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { cubic } from '../../geometry'
import type { Garment } from '../../pattern'
import { findArmholes, HALVES, underarmEnd } from '../../seams'
import { findPiece } from '../../pattern'
import { armholeFigures, begunOn, contextFor, done, isSleeved, roleMm, tried } from '../../../demo/test-kinds'
import { lowerArmhole } from './index'
import { lowerFor } from './proposes'

const AMOUNTS = [11, -7]

describe('a lowered or raised armhole', () => {
  it.each(begunOn(lowerArmhole))('%s: both sides give as much, in every size; neck, shoulder and hem stay', (_, garment, begun) => {
    for (const amountMm of AMOUNTS) {
      const applied = tried(lowerArmhole, garment, { ...begun, amountMm })
      if (!applied) continue
      const ids = HALVES.map((half) => underarmEnd(garment, findArmholes(garment)[0]![half]).piece.id)
      for (const { id: sizeId } of garment.sizes)
        for (const pieceId of ids) {
          const grew = (role: string) => roleMm(applied.garment, pieceId, role, sizeId) - roleMm(garment, pieceId, role, sizeId)
          const sides = findPiece(garment, pieceId)!.edges.filter((e) => e.role === 'side' && !e.id.includes('~other')).length
          expect(sides, pieceId).toBeGreaterThan(0)
          for (const role of ['neck', 'shoulder', 'hem']) expect(Math.abs(grew(role)), `${pieceId} ${role}`).toBeLessThan(0.05)
          // A whole piece has two sides, and each gives.
          const each = -grew('side') / (Math.abs(grew('side')) > 1.5 * Math.abs(amountMm) ? 2 : 1)
          expect(each, `${pieceId} in ${sizeId}`).toBeCloseTo(amountMm, 1)
        }
    }
  })
  it.each(begunOn(lowerArmhole, isSleeved))('%s: the cap follows in every way, and does not where it is left', (_, garment, begun) => {
    for (const cap of ['height', 'width', 'both', 'left'] as const) {
      const { garment: after } = done(lowerArmhole, garment, { ...begun, amountMm: 9, cap })
      for (const { id: sizeId } of garment.sizes) {
        const [was, is] = [armholeFigures(garment, sizeId), armholeFigures(after, sizeId)]
        for (const half of HALVES) {
          expect(is.armhole[half], half).toBeGreaterThan(was.armhole[half])
          if (cap === 'left') expect(is.cap[half]).toBeCloseTo(was.cap[half], 6)
          else expect(Math.abs(is.ease[half] - was.ease[half]), `${cap}, ${half}, ${sizeId}`).toBeLessThan(0.3)
        }
      }
    }
  })
  it.each(begunOn(lowerArmhole))('%s: what was lowered can be raised again', (_, garment, begun) => {
    const down = done(lowerArmhole, garment, { ...begun, amountMm: 8 }).garment
    const up = done(lowerArmhole, down, { ...begun, amountMm: -8 }).garment
    for (const piece of garment.pieces)
      for (const role of ['side', 'armhole'] as const)
        expect(Math.abs(roleMm(up, piece.id, role, garment.baseSizeId) - roleMm(garment, piece.id, role, garment.baseSizeId))).toBeLessThan(
          1,
        )
  })
  it.each(begunOn(lowerArmhole, isSleeved))('%s: an armhole that is to be so much larger or smaller round is so', (_, garment, begun) => {
    const context = contextFor(garment)
    const roundOf = (g: Garment) => HALVES.reduce((sum, half) => sum + armholeFigures(g, garment.baseSizeId).armhole[half], 0)
    for (const longerMm of [12.7, -9]) {
      const inputs = lowerFor(garment, begun, longerMm, context)!
      expect(Math.sign(inputs.amountMm)).toBe(Math.sign(longerMm))
      expect(roundOf(done(lowerArmhole, garment, inputs).garment) - roundOf(garment)).toBeCloseTo(longerMm, 2)
    }
    expect(lowerFor(garment, begun, 2000, context)).toBeNull()
  })
  it('an armhole that hardly bends, as under a dropped shoulder, goes too', () => {
    const blouse = draftBlouse()
    const straight: Garment = {
      ...blouse,
      pieces: blouse.pieces.map((p) => {
        const shape = p.shapes.one!
        const path = shape.edges.armhole
        if (!path) return p
        const [from, to] = [path[0]!.from, path.at(-1)!.to]
        const beside = (part: number) => ({ x: from.x + (to.x - from.x) * part - 2, y: from.y + (to.y - from.y) * part })
        return { ...p, shapes: { one: { ...shape, edges: { ...shape.edges, armhole: [cubic(from, beside(1 / 3), beside(2 / 3), to)] } } } }
      }),
    }
    const after = done(lowerArmhole, straight, { amountMm: 12, cap: 'left' }).garment
    for (const { id } of straight.pieces.filter((p) => p.shapes.one!.edges.armhole)) {
      expect(roleMm(straight, id, 'side', 'one') - roleMm(after, id, 'side', 'one')).toBeCloseTo(12, 1)
      expect(roleMm(after, id, 'armhole', 'one')).toBeGreaterThan(roleMm(straight, id, 'armhole', 'one') + 5)
    }
  })
})
