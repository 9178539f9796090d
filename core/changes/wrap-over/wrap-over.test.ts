import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { nestOf } from '../../../demo/nest'
import { draftQuayDress } from '../../../demo/quay-dress'
import { blemishes, bodies } from '../../../demo/test-garments'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { draftTunic } from '../../../demo/tunic'
import { countInflections, distance, measureLength } from '../../geometry'
import { finishedMeasures, NO_ZONING } from '../../measure'
import { checkGarment, edgePath, findPiece, shapeOf, timesRound, type Garment } from '../../pattern'
import { biasStrips } from '../../seams'
import { applyOrRefuse } from '../apply-or-refuse'
import { findKind } from '../registry'
import { bodyWith, contextWith } from '../test-context'
import type { WrapOverInputs } from './schema'

const kind = findKind('wrap-over')
const asked = (set: Partial<WrapOverInputs>): WrapOverInputs => ({
  overlapMm: 90,
  coverMm: 85,
  endAboveMm: 180,
  shorterPct: 3,
  clothMm: 1400,
  ...set,
})
const tryOn = (garment: Garment, set: Partial<WrapOverInputs>, context = contextWith({ sizeId: garment.baseSizeId })) =>
  applyOrRefuse(kind, garment, asked(set), context)
function applied(garment: Garment, set: Partial<WrapOverInputs>, context = contextWith({ sizeId: garment.baseSizeId })) {
  const result = tryOn(garment, set, context)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}
const frontOf = (garment: Garment) => garment.pieces.find((p) => p.kind === 'front')!
const edgeOf = (garment: Garment, edgeId: string) => edgePath(shapeOf(frontOf(garment), garment.baseSizeId), edgeId)
/** Round the body, by zone. */
const rounds = (garment: Garment) =>
  Object.fromEntries(finishedMeasures(garment, garment.baseSizeId, NO_ZONING).map((m) => [m.id, m.mm] as [string, number]))

describe('a front that crosses over', () => {
  it('on made bodies and by made amounts: reaches and covers by just that, bends one way, touches nothing else', () => {
    let done = 0
    const amounts = fc.record({
      overlapMm: fc.integer({ min: 20, max: 180 }),
      coverMm: fc.integer({ min: 20, max: 130 }),
      endAboveMm: fc.integer({ min: 10, max: 230 }),
    })
    fc.assert(
      fc.property(
        fc.oneof(
          bodies.map((b) => draftBlouse(true, b)),
          bodies.map((b) => draftTunic(b)),
          fc.constant(draftQuayDress()),
        ),
        amounts,
        (garment, set) => {
          const result = tryOn(garment, set)
          if (!result.ok) {
            expect(`${result.problem.message} ${result.problem.remedy}`).toMatch(/smoothly|above|too short|at most|cross/)
            return
          }
          done += 1
          const { garment: after, held } = result.value
          expect(held.filter((h) => !h.held)).toEqual([])
          expect(checkGarment(after)).toBeNull()
          expect(countInflections(edgeOf(after, 'neck'))).toBe(0)
          expect(blemishes(garment, after).filter((b) => !b.includes('neck'))).toEqual([])
        },
      ),
      { numRuns: 80, seed: 8 },
    )
    expect(done).toBeGreaterThan(40)
  })

  it('is cut twice in place of once on the fold, and measures round the body what it did', () => {
    const blouse = draftBlouse()
    const after = applied(blouse, {}).garment
    const front = findPiece(after, 'front')!
    expect([front.cut, timesRound(after, front), front.edges.some((e) => e.fold)]).toEqual([{ count: 2, mirrored: true }, 2, false])
    const [was, is] = [rounds(blouse), rounds(after)]
    for (const zone of ['finished:bust', 'finished:waist', 'finished:hip']) expect(is[zone]).toBeCloseTo(was[zone]!, 6)
  })

  it('a fold pinned at its edge goes into the dart, and the edge is drawn anew with more overlap', () => {
    const tunic = draftTunic()
    const fold = { dart: 'front side-dart', edgeId: 'neck', from: 'at-shoulder', atMm: 150, amountMm: 12, sides: 'both', tipBackMm: 38 }
    const pinned = applyOrRefuse(findKind('take-in-fold')!, tunic, fold, contextWith())
    if (!pinned.ok) throw new Error(pinned.problem.message)
    const dartMm = (g: Garment) => distance(edgeOf(g, 'dart-upper')[0]!.from, edgeOf(g, 'dart-lower')[0]!.to)
    expect(dartMm(pinned.value.garment)).toBeGreaterThan(dartMm(tunic) + 4)
    expect(rounds(pinned.value.garment)['finished:bust']).toBeCloseTo(rounds(tunic)['finished:bust']!, 6)
    const again = applied(pinned.value.garment, { overlapMm: 130, coverMm: 90, endAboveMm: 200 })
    expect(again.held.every((h) => h.held)).toBe(true)
    expect(measureLength(edgeOf(again.garment, 'neck'))).toBeGreaterThan(measureLength(edgeOf(pinned.value.garment, 'neck')))
  })

  it('begins as it is drawn, and drawn so changes nothing', () => {
    const tunic = draftTunic()
    const begun = kind.begin(tunic, contextWith())
    if (!begun.ok) throw new Error(begun.problem.message)
    expect(begun.value.overlapMm).toBeCloseTo(105, 6)
    expect(begun.value.coverMm).toBeCloseTo(138, 3)
    expect(begun.value.endAboveMm).toBeCloseTo(200, 6)
    const same = applyOrRefuse(kind, tunic, begun.value, contextWith())
    expect(same.ok && same.value.garment).toBe(tunic)
  })

  it('says what the body’s lengths and the pieces sewn to it ask for', () => {
    const body = bodyWith({ 'front-to-waist': 470, 'front-slope': 520 })
    const codes = applied(draftBlouse(), {}, contextWith({ body })).cautions.map((c) => c.code)
    expect(codes).toEqual(expect.arrayContaining(['front-off-body', 'front-slope', 'sewn-to-the-wrap']))
    const dress = applied(draftQuayDress(), { endAboveMm: 25 })
    expect(dress.cautions.find((c) => c.message.includes('on each side'))?.message).toContain('must reach over the centre too')
  })

  it('holds in every size of a nest', () => {
    const nest = nestOf(draftTunic())
    for (const size of nest.sizes)
      expect(applied(nest, { overlapMm: 120 }, contextWith({ sizeId: size.id })).held.filter((h) => !h.held)).toEqual([])
  })

  it('is refused with the reason: no front, an edge that cannot run smoothly or ends too high', () => {
    const begun = kind.begin(draftTrousers(TAPERED), contextWith())
    expect(begun.ok).toBe(false)
    const why = (set: Partial<WrapOverInputs>) => {
      const result = tryOn(draftBlouse(), set)
      return result.ok ? '' : result.problem.message
    }
    expect(why({ endAboveMm: 420 })).toContain('above the bust point')
    expect(why({ endAboveMm: 0 })).toContain('too short')
    expect(why({ coverMm: -140 })).not.toBe('')
  })
})

describe('strips on the bias', () => {
  it('are shorter than the edge, and joined where the cloth is too narrow', () => {
    expect(biasStrips(1000, 3, 1400)).toMatchObject({ lengthMm: 970, strips: 1, joins: 0 })
    const two = biasStrips(1000, 0, 600)
    expect(two.longestMm).toBeCloseTo(848.528, 3)
    expect([two.strips, two.joins]).toEqual([2, 1])
    // Just one join’s worth more than two strips give together asks for a third.
    const give = two.longestMm * 2 - 10
    expect([biasStrips(give, 0, 600).strips, biasStrips(give + 1, 0, 600).strips]).toEqual([2, 3])
  })
})
