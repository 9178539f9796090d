import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bodies, bendsAnew, sharpestJoin } from '../../demo/test-garments'
import { draftBlouse } from '../../demo/blouse'
import { distance, measureLength, nearestPlace, placeAt, tangentAt, turnRad, type Path } from '../geometry'
import { shapeOf, type Garment } from '../pattern'
import { DEG } from '../units'
import { carryThrough } from './carry-through'
import { closeDartsIn, findArmholes, joinRuns } from './index'

/** How much a line turns per mm just before and just after a place. */
function bendBeside(path: Path, atMm: number): [number, number] {
  const turn = (from: number, to: number) => turnRad(placeAt(path, from).tangent, placeAt(path, to).tangent) / (to - from)
  return [turn(atMm - 0.25, atMm), turn(atMm, atMm + 0.25)]
}

describe('a line drawn through another place in its middle', () => {
  it('passes there, keeps both its ends with their directions, bends nowhere anew and alike on both sides of the place', () => {
    fc.assert(
      fc.property(bodies, fc.integer({ min: -7, max: 7 }), fc.constantFrom('front', 'back'), (body, outMm, half) => {
        const garment: Garment = draftBlouse(true, body)
        const runs = findArmholes(garment)[0]![half as 'front' | 'back']
        const piece = garment.pieces.find((p) => p.id === runs[0]!.pieceId)!
        const { shape } = closeDartsIn(piece, shapeOf(piece, 'one'), runs, 'first')
        const was = joinRuns(shape, runs)
        const middleMm = measureLength(was) * 0.42
        const middle = placeAt(was, middleMm).point
        const drawn = carryThrough(shape, runs, middleMm, { x: outMm, y: 0 })!
        const is = joinRuns({ ...shape, edges: { ...shape.edges, ...drawn } }, runs)
        const place = nearestPlace(is, { x: middle.x + outMm, y: middle.y })
        expect(place.distanceMm).toBeLessThan(1e-6)
        expect(distance(is[0]!.from, was[0]!.from) + distance(is.at(-1)!.to, was.at(-1)!.to)).toBeLessThan(1e-9)
        for (const [i, t] of [
          [0, 0],
          [-1, 1],
        ] as const)
          expect(Math.abs(turnRad(tangentAt(is.at(i)!, t), tangentAt(was.at(i)!, t))) * DEG).toBeLessThan(1e-6)
        expect(sharpestJoin(is)).toBeLessThan(0.01)
        expect(bendsAnew(was, is)).toBe(false)
        const [before, after] = bendBeside(is, place.lengthMm)
        expect(Math.abs(after - before)).toBeLessThan(3e-4)
      }),
      { numRuns: 60 },
    )
  })
})
