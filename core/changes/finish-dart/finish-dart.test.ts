import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftArmholeDart, draftSlantedDart, draftTwoDarts } from '../../../demo/dart-blouses'
import { distance, subtract, turnRad } from '../../geometry'
import { capReachMm, dartIn, shapeOf, type EdgeRole } from '../../pattern'
import { polygonPiece } from '../../pattern/test-pieces'
import { foldCap } from '../shared/darts/fold-cap'
import { finishDart } from '.'
import { apply, front, shape, figures } from '../shared/darts/test-darts'

describe('finish a dart', () => {
  const leg = { x: 230, y: 245 }
  /** Worked case 4 with equal legs: the lower end as far from the tip as the upper. */
  it('worked case 4: the cap’s point lies where the folded edge is straight', () => {
    const tip = { x: 133, y: 268 }
    const [la, lb] = [distance(tip, leg), distance(tip, { x: 226, y: 275 })]
    const low = { x: tip.x + ((226 - tip.x) * la) / lb, y: tip.y + ((275 - tip.y) * la) / lb }
    const corners = [{ x: 0, y: 100 }, { x: 232, y: 232 }, leg, tip, low, { x: 205, y: 415 }, { x: 0, y: 415 }]
    const roles: EdgeRole[] = ['other', 'side', 'dart-leg', 'dart-leg', 'side', 'waist', 'centre-front']
    const piece = polygonPiece('front', 'front', corners, roles, { fold: 6 })
    const dart = { id: 'd', name: 'side dart', legs: ['e2', 'e3'] as [string, string], pressTo: 'after' as const }
    const own = { ...piece, darts: [dart] }
    const folded = foldCap(own, shapeOf(own, 'one'), dart)
    expect(folded.offMm).toBeLessThan(0.05)
    // L sin a / sin(a + t / 2), with a at the end where the seam goes on: only so does the fold come out straight.
    const t = Math.abs(turnRad(subtract(leg, tip), subtract(low, tip)))
    const a = Math.abs(turnRad(subtract(tip, low), subtract({ x: 205, y: 415 }, low)))
    const cap = folded.under[0]!.to
    expect(distance(cap, tip)).toBeCloseTo(capReachMm(la, a, t), 6)
  })
  it('worked case 4: its figure, from the leg’s end and the seam’s direction as they lie open', () => {
    const [tip, low, onward] = [
      { x: 133, y: 268 },
      { x: 226, y: 275 },
      { x: 205, y: 415 },
    ]
    const a = Math.abs(turnRad(subtract(tip, leg), subtract(onward, low)))
    const t = Math.abs(turnRad(subtract(leg, tip), subtract(low, tip)))
    expect(capReachMm(distance(tip, leg), a, t)).toBeCloseTo(94.967, 3)
  })
  it('on generated darts makes legs equal to 0.01 mm and folds flat to 0.05 mm, whichever way it is pressed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(draftBlouse(), draftArmholeDart(), draftSlantedDart(), draftTwoDarts()),
        fc.constantFrom('before' as const, 'after' as const),
        fc.double({ min: 10, max: 60, noNaN: true }),
        (garment, pressTo, tipBackMm) => {
          for (const dart of front(garment).darts) {
            const done = apply(finishDart, garment, { dart: `front ${dart.id}`, tipBackMm, legs: 'equal', pressTo })
            const d = figures(done.garment, dart.id)
            expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
            const now = dartIn(front(done.garment), dart.id)
            expect(now.pressTo).toBe(pressTo)
            expect(foldCap(front(done.garment), shape(done.garment), now).offMm).toBeLessThan(0.05)
          }
        },
      ),
      { numRuns: 15 },
    )
  })
})
