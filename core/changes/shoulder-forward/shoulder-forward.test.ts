import { describe, expect, it } from 'vitest'
import { flattenPath } from '../../geometry'
import { findArmholes, HALVES, runLength, shoulderAbove } from '../../seams'
import { edgePath, shapeOf, type Garment } from '../../pattern'
import { armholeFigures, begunOn, done, isSleeved, tried } from '../../../demo/test-kinds'
import { forwardShoulder } from './index'

const armholeMm = (garment: Garment, sizeId: string, like = garment) => {
  const [own] = findArmholes(like)
  return { front: runLength(garment, own!.front, sizeId), back: runLength(garment, own!.back, sizeId) }
}

describe('a forward shoulder', () => {
  it.each(begunOn(forwardShoulder))(
    '%s: the back gains what the front gives, in every size; neck points and shoulders stay',
    (_, garment, begun) => {
      for (const amountMm of [10, -6]) {
        const applied = tried(forwardShoulder, garment, { ...begun, amountMm, acrossMm: 0 })
        if (!applied) continue
        for (const { id: sizeId } of garment.sizes) {
          const [was, is] = [armholeMm(garment, sizeId), armholeMm(applied.garment, sizeId, garment)]
          expect(is.back - was.back, sizeId).toBeCloseTo(amountMm, 1)
          expect(was.front - is.front, sizeId).toBeCloseTo(amountMm, 1)
          for (const half of HALVES) {
            const { piece, shoulder } = shoulderAbove(garment, findArmholes(garment)[0]![half], 'one')
            const seam = shoulder.filter((r) => !r.isLeg)
            expect(Math.abs(runLength(applied.garment, seam, sizeId) - runLength(garment, seam, sizeId))).toBeLessThan(0.05)
            const neck = (g: Garment) => {
              const first = shoulder[0]!
              const path = edgePath(
                shapeOf(
                  g.pieces.find((p) => p.id === piece.id)!,
                  sizeId,
                ),
                first.edgeId,
              )
              return first.reversed ? path[path.length - 1]!.to : path[0]!.from
            }
            // The neck point is still: a dart beside it would turn with the seam.
            if (!shoulder.some((r) => r.isLeg)) expect(neck(applied.garment)).toEqual(neck(garment))
          }
        }
      }
    },
  )
  it.each(begunOn(forwardShoulder, isSleeved))(
    '%s: the ease of each half stays, with a moved notch and with a slid cap',
    (_, garment, begun) => {
      for (const sleeve of ['notch', 'slide'] as const) {
        const { garment: after } = done(forwardShoulder, garment, { ...begun, amountMm: 9, sleeve })
        for (const { id: sizeId } of garment.sizes)
          for (const half of HALVES) {
            const ease = (g: Garment) => armholeFigures(g, sizeId).ease[half]
            expect(Math.abs(ease(after) - ease(garment)), `${sleeve}, ${half}, ${sizeId}`).toBeLessThan(0.3)
          }
      }
    },
  )
  it.each(begunOn(forwardShoulder))(
    '%s: a cap on one piece is played as it is cut off and slid, the way that it then lies',
    (_, garment, begun) => {
      for (const amountMm of [14, -12]) {
        const applied = tried(forwardShoulder, garment, { ...begun, amountMm, sleeve: 'slide', acrossMm: 0 })
        if (!applied) continue
        const caps = garment.pieces.filter((p) => p.edges.some((e) => e.role === 'cap'))
        expect(applied.moves!.length > 0).toBe(caps.length === 1)
        for (const { pieceId, by, parts, cut, pin } of applied.moves!) {
          expect(pin).toBeNull()
          expect(Math.hypot(by.x, by.y)).toBeCloseTo(Math.abs(amountMm), 6)
          // The cap alone, closed along the line that is cut.
          const [{ outline }] = parts as [(typeof parts)[0]]
          expect(outline.at(-1)!.to).toEqual(outline[0]!.from)
          expect([cut![0]!.from, cut![0]!.to]).toEqual([outline[0]!.from, outline.at(-1)!.from])
          // Places halfway up both sides of the cap have gone that way together.
          const capOf = (g: Garment) => g.pieces.find((p) => p.id === pieceId)!
          const sides = (g: Garment) => {
            const path = capOf(g)
              .edges.filter((e) => e.role === 'cap')
              .flatMap((e) => edgePath(shapeOf(capOf(g), g.baseSizeId), e.id))
            const points = flattenPath(path, 0.1)
            return [points[Math.floor(points.length / 4)]!, points[Math.floor((points.length * 3) / 4)]!]
          }
          const gone = sides(applied.garment).reduce((sum, p, i) => {
            const q = sides(garment)[i]!
            return sum + (p.x - q.x) * by.x + (p.y - q.y) * by.y
          }, 0)
          expect(gone).toBeGreaterThan(0)
        }
      }
      const notched = tried(forwardShoulder, garment, { ...begun, amountMm: 5, sleeve: 'notch' })
      expect(notched?.moves ?? []).toEqual([])
    },
  )
  it('works at every millimetre up to what works at most: a line that is drawn in one curve or in two leaves no gaps', () => {
    for (const [name, garment, begun] of begunOn(forwardShoulder, isSleeved).slice(0, 3)) {
      const works = Array.from({ length: 12 }, (_, i) => tried(forwardShoulder, garment, { ...begun, amountMm: i + 1 }) !== null)
      expect(works.slice(0, works.lastIndexOf(true) + 1), name).not.toContain(false)
      expect(works.lastIndexOf(true), name).toBeGreaterThan(7)
    }
  })
  it.each(begunOn(forwardShoulder))('%s: moved forward and back again it is as it was', (_, garment, begun) => {
    const there = done(forwardShoulder, garment, { ...begun, amountMm: 7, acrossMm: 0 }).garment
    const back = tried(forwardShoulder, there, { ...begun, amountMm: -7, acrossMm: 0 })?.garment
    if (!back) return
    const { baseSizeId } = garment
    const [was, is] = [armholeMm(garment, baseSizeId), armholeMm(back, baseSizeId, garment)]
    for (const half of HALVES) expect(Math.abs(is[half] - was[half])).toBeLessThan(0.1)
  })
})
