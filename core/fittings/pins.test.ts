import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, findKind, type ChangeContext, type Pinned } from '../changes'
import { distance, mix } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { marksAlong, type Garment } from '../pattern'
import { foldMarksOf, mendPin, pinDrawing, pinnedMm, PinSchema, pinWords, usualPin, type Pin } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
function seenWith(id: string): { garment: Garment; context: ChangeContext } {
  const p = projects.find((x) => x.id === id)!
  return { garment: p.garment, context: contextOf(p.garment, p, wearers.find((w) => w.id === p.wearerId) ?? null, DEFAULT_TOLERANCES) }
}
const blouse = seenWith('demo-blouse')
const pin = (pinned: Pinned, side: Pin['side'] = 'both'): Pin => ({ id: 'pin', pinned, side, words: '', decision: { is: 'open' } })
const done = (p: Pin, g = blouse) => mendPin(p, g.garment, g.context)

describe('a pin', () => {
  it('of each sort begins where it is usually found, with no depth, on every garment', () => {
    for (const { garment, context } of projects.map((p) => seenWith(p.id)))
      for (const how of ['fold', 'wedge', 'side', 'seam', 'hem'] as const) {
        const pinned = usualPin(garment, how)
        expect(PinSchema.safeParse(pin(pinned)).success).toBe(true)
        expect(pinnedMm(pinned)).toBe(0)
        expect(mendPin(pin(pinned), garment, context)).toEqual({ offers: [], whyNot: ['Nothing was pinned yet: type how much.'] })
      }
  })
  it('across the armhole is a fold into the dart of that piece, from the mark it was measured from', () => {
    const pinned = { ...usualPin(blouse.garment, 'fold'), mm: 9 } as Pinned & { how: 'fold' }
    const piece = blouse.garment.pieces.find((p) => p.id === pinned.pieceId)!
    expect(foldMarksOf(blouse.garment, pinned.pieceId, pinned.edgeId)).toEqual(marksAlong(piece, pinned.edgeId))
    expect(foldMarksOf(blouse.garment, pinned.pieceId, 'gone')).toEqual([])
    const { offers, whyNot } = done(pin(pinned))
    expect(whyNot).toEqual([])
    expect(offers[0]!.change).toMatchObject({
      kind: 'take-in-fold',
      inputs: { edgeId: pinned.edgeId, from: pinned.from, atMm: pinned.atMm, amountMm: 9, sides: 'both' },
    })
    expect(findKind('take-in-fold').apply(blouse.garment, offers[0]!.change.inputs as never, blouse.context).ok).toBe(true)
  })
  it('on one side alone opens the piece out for that side', () => {
    const pinned = { ...usualPin(blouse.garment, 'fold'), mm: 9 } as Pinned
    const [left, right] = (['left', 'right'] as const).map((side) => done(pin(pinned, side)).offers[0]!.change.inputs as { sides: string })
    expect([left!.sides, right!.sides].sort()).toEqual(['one', 'other'])
  })
  it('at the sides moves each edge by what was pinned; and on one side alone where it was pinned there', () => {
    const pinned: Pinned = { how: 'side', isOut: false, bustMm: 0, waistMm: 6, hipMm: 3 }
    expect(done(pin(pinned)).offers[0]!.change).toMatchObject({
      kind: 'add-at-edge',
      inputs: { bustMm: 0 - 0, waistMm: -6, hipMm: -3 },
    })
    const left = done(pin(pinned, 'left'))
    expect(left.whyNot).toEqual([])
    expect(left.offers[0]!.change).toMatchObject({ inputs: { waistMm: -6, side: 'left' } })
    expect(done(pin(pinned)).offers[0]!.change.inputs).not.toHaveProperty('side')
  })
  it('as a wedge at the centre back takes out what was pinned, level to the side', () => {
    const pinned = { ...usualPin(blouse.garment, 'wedge'), mm: 12 } as Pinned & { how: 'wedge' }
    const change = done(pin(pinned)).offers[0]!.change
    expect(change).toMatchObject({ kind: 'level-wedge', inputs: { edgeId: pinned.edgeId, belowMm: pinned.belowMm, amountMm: -12 } })
    expect(done(pin({ ...pinned, isOut: false })).offers[0]!.change).toMatchObject({ inputs: { amountMm: 12 } })
  })
  it('along a seam moves both its edges where it was pinned, whichever of them was named', () => {
    const legs = seenWith('demo-tapered')
    const pinned: Pinned = { how: 'seam', pieceId: 'back', edgeId: 'inseam', atMm: 90, aboveMm: 60, belowMm: 120, isOut: true, mm: 7 }
    expect(done(pin(pinned), legs).offers[0]!.change).toMatchObject({
      kind: 'seam-stretch',
      inputs: { seam: 'front inseam', atMm: 90, aboveMm: 60, belowMm: 120, amountMm: 7 },
    })
    expect(done(pin({ ...pinned, isOut: false, edgeId: 'crotch' }), legs).offers[0]!.change).toMatchObject({
      inputs: { seam: 'back crotch', amountMm: -7 },
    })
    expect(done(pin({ ...pinned, edgeId: 'opening' }), legs).whyNot[0]).toMatch(/Choose another seam/)
    expect(pinWords(legs.garment, pin(pinned))).toContain('Seam let out by {mm 7} at the inseam, Back leg')
  })
  it('is drawn where it sits on its piece: both pins of a fold, three of a seam, none beside it, nothing for a hem', () => {
    const { garment } = blouse
    const marks = (pinned: Pinned) =>
      pinDrawing(garment, pinned)!
        .strokes.filter((s) => s.kind === 'cut')
        .map((s) => s.path[0]!)
    const fold = { ...usualPin(garment, 'fold'), mm: 20 } as Pinned & { how: 'fold' }
    const [first, second] = marks(fold)
    expect(distance(mix(first!.from, first!.to, 0.5), mix(second!.from, second!.to, 0.5))).toBeCloseTo(20, 0)
    const side = { how: 'seam', pieceId: 'back', edgeId: 'side', atMm: 100, aboveMm: 60, belowMm: 5000, isOut: true, mm: 7 } as const
    expect(marks(side)).toHaveLength(2)
    expect(pinDrawing(garment, { ...side, edgeId: 'gone' })).toBeNull()
    expect(pinDrawing(garment, usualPin(garment, 'hem'))).toBeNull()
  })
  it('at the hem turns up or lets down its three places', () => {
    const pinned: Pinned = { how: 'hem', isLonger: false, centreFrontMm: 0, sideMm: 4, centreBackMm: 8 }
    expect(done(pin(pinned)).offers[0]!.change).toMatchObject({ kind: 'uneven-hem', inputs: { sideMm: -4, centreBackMm: -8 } })
  })
  it('that the pieces do not bear is answered with why, and with the largest that works', () => {
    const { offers, whyNot } = done(pin({ how: 'side', isOut: false, bustMm: 0, waistMm: 400, hipMm: 0 }))
    expect(whyNot.length).toBeGreaterThan(0)
    for (const o of offers)
      expect(o).toMatchObject({ isLargest: true, sentence: expect.stringContaining('the largest that works') as string })
  })
  it('on a piece without a dart, or on one that has gone, says so', () => {
    const trousers = seenWith('demo-tapered')
    expect(done(pin({ how: 'fold', pieceId: 'front', edgeId: 'outseam', from: 'x', atMm: 50, mm: 9 }), trousers).whyNot[0]).toMatch(
      /no dart/,
    )
    const gone = pin({ how: 'wedge', pieceId: 'gone', edgeId: 'gone', belowMm: 50, isOut: true, mm: 9 })
    expect(done(gone).offers).toEqual([])
    expect(pinWords(blouse.garment, gone)).toContain('has gone')
  })
  it('is said in words, with its side', () => {
    expect(pinWords(blouse.garment, pin({ ...usualPin(blouse.garment, 'fold'), mm: 9 } as Pinned, 'left'))).toBe(
      'Fold of {mm 9} at the armhole, Front for cup B, left only',
    )
    expect(pinWords(blouse.garment, pin({ how: 'hem', isLonger: true, centreFrontMm: 3, sideMm: 0, centreBackMm: 5 }))).toBe(
      'Hem let down: {mm 3} at the centre front, {mm 5} at the centre back',
    )
  })
})
