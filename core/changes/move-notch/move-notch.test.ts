import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { applyMoveNotch } from './apply'
import { notchesOf, notchOnEdge } from './find-notch'
import { contextWith } from '../test-context'

const context = contextWith()
const blouse = draftBlouse()
const all = notchesOf(blouse)

describe('moving a notch', () => {
  it('moves just that notch, by just that much, from whichever end it is measured; or refuses', () => {
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.double({ min: -80, max: 80, noNaN: true }), (found, byMm) => {
        const was = notchOnEdge(found, 'one')
        const result = applyMoveNotch(blouse, { notch: found.ref, byMm }, context)
        const room = was.atMm + byMm >= 0 && was.atMm + byMm <= was.edgeMm
        expect(result.ok).toBe(room)
        if (!result.ok) {
          const largest = result.problem.largestMm!
          expect(applyMoveNotch(blouse, { notch: found.ref, byMm: largest }, context).ok).toBe(true)
          return
        }
        for (const now of notchesOf(result.value.garment)) {
          const before = notchOnEdge(
            all.find((n) => n.ref === now.ref)!,
            'one',
          )
          expect(notchOnEdge(now, 'one').atMm - before.atMm).toBeCloseTo(now.ref === found.ref ? byMm : 0, 9)
        }
        expect(result.value.held.every((h) => h.held)).toBe(true)
      }),
    )
  })
  it('moves in every size of the pattern', () => {
    const garment = structuredClone(blouse)
    garment.sizes.push({ id: 'two', name: 'two' })
    for (const piece of garment.pieces) piece.shapes.two = structuredClone(piece.shapes.one!)
    const result = applyMoveNotch(garment, { notch: all[0]!.ref, byMm: 5 }, context)
    if (!result.ok) throw new Error(result.problem.message)
    const moved = notchesOf(result.value.garment)[0]!
    expect(notchOnEdge(moved, 'two').atMm).toBeCloseTo(notchOnEdge(all[0]!, 'one').atMm + 5, 9)
  })
  it('refuses a notch that has gone', () => {
    const gone = applyMoveNotch(blouse, { notch: 'front nowhere', byMm: 3 }, context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
  })
})
