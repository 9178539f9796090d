import { describe, expect, it } from 'vitest'
import { armholeFigures, contextFor, DEMO, isSleeved } from '../../demo/test-kinds'
import { foldPlan, withId, type ChangeContext } from '../changes'
import { bodyWith } from '../changes/test-context'
import { boundsOf } from '../geometry'
import { finishedLength } from '../measure'
import { outlineOf, shapeOf, type Garment } from '../pattern'
import { bodyLengths } from '../size'
import { answerWish } from './answer-wish'

/** A garment after what a wish does, or after the first thing that it offers. */
function after(text: string, garment: Garment, context: ChangeContext): Garment | null {
  const answer = answerWish(text, 'in', garment, context)
  const offer = answer.how === 'does' ? answer.offer : answer.how === 'asks' ? answer.offers[0] : undefined
  if (!offer || offer.asksAmount) return null
  const [stop] = foldPlan(garment, [withId(offer.change, 'wished')], context).stops
  expect(stop!.problem?.message).toBeUndefined()
  return stop!.garment
}

const sleeved = DEMO.filter(([, g]) => isSleeved(g))
const hemmed = DEMO.filter(([, g]) => {
  const answer = answerWish('back neck to hem 40', 'in', g, contextFor(g))
  return answer.how === 'asks' && answer.offers[0]?.change.kind === 'uneven-hem'
})

describe('a cap that is to be higher or lower', () => {
  const heightMm = (garment: Garment) =>
    Math.max(
      ...garment.pieces
        .filter((p) => p.kind === 'sleeve')
        .map((p) => {
          const box = boundsOf(outlineOf(p, shapeOf(p, garment.baseSizeId)))
          return box.maxY - box.minY
        }),
    )
  it.each(sleeved)('%s: is so by the figure, and its armhole stays', (_, garment) => {
    const context = contextFor(garment)
    for (const [text, mm] of [
      ['cap 1/2 higher', 12.7],
      ['lower the sleeve cap by 1/4', -6.35],
    ] as const) {
      const changed = after(text, garment, context)!
      // In two pieces the highest place lies a little beside the one that is lifted.
      expect(Math.abs(heightMm(changed) - heightMm(garment) - mm), text).toBeLessThan(0.1)
      const [was, is] = [garment, changed].map((g) => armholeFigures(g, g.baseSizeId).armhole)
      expect(is!.front).toBeCloseTo(was!.front, 6)
      expect(is!.back).toBeCloseTo(was!.back, 6)
    }
  })
})

describe('a whole length that is wanted', () => {
  it.each(hemmed)('%s: is what the back measures from neckline to hem', (_, garment) => {
    const now = finishedLength(garment, 'centre-back', garment.baseSizeId)
    for (const wantedIn of [Math.round(now / 25.4) + 1, Math.round(now / 25.4) - 1]) {
      const changed = after(`back neck to hem ${wantedIn}`, garment, contextFor(garment))!
      expect(finishedLength(changed, 'centre-back', garment.baseSizeId)).toBeCloseTo(wantedIn * 25.4, 1)
    }
  })
  it('is asked on several garments', () => {
    expect(hemmed.length).toBeGreaterThan(3)
  })
})

describe('a hem that is to end at the knee', () => {
  const dress = DEMO.find(([name]) => name === 'Quay dress')![1]
  const sideMm = (garment: Garment) => bodyLengths(garment, null).find((r) => r.id === 'waist-to-hem-side')!.garmentMm
  it.each([
    ['knee length skirt', 0],
    ['hem 2 in below the knee', 50.8],
    ['hem 1 in above the knee', -25.4],
  ])('“%s” does so on a body whose knee was measured', (text, belowMm) => {
    const context = { ...contextFor(dress), body: bodyWith({ 'waist-to-knee': 590 }) }
    expect(sideMm(after(text, dress, context)!)).toBeCloseTo(590 + belowMm, 1)
  })
  it('asks for the figure where it was not, and says what would tell it', () => {
    const answer = answerWish('knee length skirt', 'in', dress, { ...contextFor(dress), body: bodyWith({}) })
    expect(answer).toMatchObject({
      how: 'asks',
      offers: [{ asksAmount: true, sentence: expect.stringContaining('waist to knee') as string }],
    })
  })
})
