import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contextFor, DEMO, done } from '../../../demo/test-kinds'
import { countInflections, measureLength, placeAt, turnRad, type Path } from '../../geometry'
import { finishedMm, zoneOn } from '../../measure'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import { crotchOf, joinRuns } from '../../seams'
import { DEG } from '../../units'
import { findSeams } from './find-seams'
import { seamStretch } from './index'
import { atCrotchPoint } from './places'

const LEGS = DEMO.filter(([, garment]) => crotchOf(garment).ok)

/** The crotch line of each leg, from the waist to its point. */
function crotches(garment: Garment, sizeId: string): Path[] {
  const found = crotchOf(garment)
  if (!found.ok) throw new Error(found.problem.message)
  return [found.value.front, found.value.back].map(({ piece, runs }) => joinRuns(shapeOf(findPiece(garment, piece.id)!, sizeId), runs))
}

function roundIn(garment: Garment, zone: string, sizeId: string): number {
  const found = zoneOn(garment, zone, contextFor(garment).sizing)
  if (!found) throw new Error(`no ${zone}`)
  return finishedMm(garment, found, sizeId)
}

/** The direction in which a path ends. */
const endOf = (path: Path) => placeAt(path, measureLength(path)).tangent

describe.each(LEGS)('an inseam let out at the crotch point, on %s', (_, garment) => {
  const inseam = findSeams(garment).find((s) => s.edge.role === 'inseam')!
  const begun = atCrotchPoint(garment, inseam, garment.baseSizeId)!
  it('gives the thigh width and nothing else: waist, hip and knee stay, the crotch runs into its point as it did and bends no more', () => {
    fc.assert(
      fc.property(fc.double({ min: -10, max: 25, noNaN: true }), (amountMm) => {
        fc.pre(Math.abs(amountMm) > 0.5)
        const { garment: after, held, cautions } = done(seamStretch, garment, { ...begun, amountMm })
        expect(held.filter((h) => !h.held).map((h) => `${h.where}: ${h.label} ${h.before} ${h.after}`)).toEqual([])
        expect(held.filter((h) => h.label === 'width at the hip')).toHaveLength(2)
        expect(cautions.map((c) => c.code)).toContain('crotch-seam')
        for (const { id } of garment.sizes) {
          for (const zone of ['waist', 'hip', 'knee'])
            expect(roundIn(after, zone, id), `${zone} in ${id}`).toBeCloseTo(roundIn(garment, zone, id), 1)
          const gained = roundIn(after, 'thigh', id) - roundIn(garment, 'thigh', id)
          expect(gained / (2 * amountMm), `thigh in ${id}`).toBeGreaterThan(0.8)
          expect(gained / (2 * amountMm), `thigh in ${id}`).toBeLessThan(1.05)
          const [was, is] = [crotches(garment, id), crotches(after, id)]
          for (const [i, path] of is.entries()) {
            expect(Math.abs(turnRad(endOf(was[i]!), endOf(path))) * DEG, 'direction at the point').toBeLessThan(0.5)
            expect(countInflections(path), 'bends').toBeLessThanOrEqual(countInflections(was[i]!))
          }
        }
      }),
      { numRuns: 12 },
    )
  })
  it('keeps both sides of the inseam as equal as they were', () => {
    const { garment: after } = done(seamStretch, garment, { ...begun, amountMm: 15 })
    const surplus = (g: Garment) => {
      const sides = g.seams.find((s) =>
        s.sides.some((side) => side.some((r) => r.edgeId === inseam.edge.id && r.pieceId === inseam.piece.id)),
      )!.sides
      const [a, b] = sides.map((side) =>
        side.reduce((sum, r) => sum + measureLength(edgePath(shapeOf(findPiece(g, r.pieceId)!, g.baseSizeId), r.edgeId)), 0),
      )
      return a! - b!
    }
    expect(Math.abs(surplus(after) - surplus(garment))).toBeLessThan(0.5)
  })
  it('of a leg that ends above the knee runs out at its hem', () => {
    const noKnee = garment.pieces.map((p) => ({ ...p, lines: p.lines.filter((l) => l.role !== 'knee') }))
    const short = { ...garment, pieces: noKnee }
    const below = atCrotchPoint(short, inseam, short.baseSizeId)!.belowMm
    expect(below).toBeGreaterThanOrEqual(begun.belowMm)
    done(seamStretch, short, { ...begun, belowMm: below, amountMm: 8 })
  })
})
