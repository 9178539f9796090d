import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, findKind, type ChangeContext } from '../changes'
import { DEFAULT_TOLERANCES } from '../match'
import type { Garment } from '../pattern'
import { emptySighting, mendSign, PLACES, placesOf, sharedCauses, type Sighting } from './index'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const IDS = ['demo-blouse', 'demo-dancer', 'demo-tunic', 'demo-dress', 'demo-tapered', 'demo-bather', 'demo-jacket', 'demo-stoker']
const seenWith = (id: string): { id: string; garment: Garment; context: ChangeContext } => {
  const p = projects.find((x) => x.id === id)!
  return { id, garment: p.garment, context: contextOf(p.garment, p, wearers.find((w) => w.id === p.wearerId) ?? null, DEFAULT_TOLERANCES) }
}
const GARMENTS = IDS.map(seenWith)
const SIGNS = PLACES.flatMap((place) => place.signs.map((sign) => ({ place, sign })))
const sighting = (placeId: string, signId: string | null, mm: number | null, words = ''): Sighting => ({
  ...emptySighting('s', placeId),
  signId,
  mm,
  words,
})
const MM = 9

/** The amount that a stop has, without its direction; null for one that has none. */
function amountOf(garment: Garment, change: { kind: string; inputs: unknown }): number | null {
  const mm = findKind(change.kind)!.describe(garment, change.inputs).amountMm
  return mm === null ? null : Math.abs(mm)
}

describe('the list of places and signs', () => {
  it('has each id once, says what is seen, what it may mean and how it is measured', () => {
    expect(new Set(PLACES.map((p) => p.id)).size).toBe(PLACES.length)
    expect(new Set(SIGNS.map((s) => s.sign.id)).size).toBe(SIGNS.length)
    for (const { sign } of SIGNS) {
      expect(sign.tries.length).toBeGreaterThan(0)
      expect(sign.may).toMatch(/^[a-z]/)
      // A sign whose change takes an amount says how that is measured.
      expect(sign.tries.some((t) => t.wish.includes('#'))).toBe(sign.measure !== null)
    }
  })
  it('goes over what a garment has: trousers have a crotch and no neck, a blouse the other way round', () => {
    const of = (id: string) => placesOf(GARMENTS.find((g) => g.id === id)!.garment)
    expect(of('demo-tapered')).toEqual(expect.arrayContaining(['waist', 'crotch', 'thigh', 'knee']))
    expect(of('demo-tapered')).not.toEqual(expect.arrayContaining(['neck']))
    expect(of('demo-blouse')).toEqual(expect.arrayContaining(['shoulder-line', 'neck', 'sleeve', 'bust']))
    expect(of('demo-blouse')).not.toEqual(expect.arrayContaining(['crotch']))
    expect(of('demo-dancer')).not.toEqual(expect.arrayContaining(['sleeve']))
  })
})

describe.each(SIGNS)('$place.name: $sign.seen', ({ place, sign }) => {
  const found = GARMENTS.map((g) => ({ ...g, mend: mendSign(sighting(place.id, sign.id, MM), g.garment, g.context) }))

  it('leads to a stop on a garment where it can be done, and says why not on the others', () => {
    expect(found.some((f) => f.mend.offers.length > 0)).toBe(true)
    for (const { id, mend } of found) expect(mend.offers.length + mend.whyNot.length, id).toBeGreaterThan(0)
  })
  it('offers what can be applied, by the amount that was measured', () => {
    for (const { id, garment, context, mend } of found)
      for (const offer of mend.offers) {
        const applied = findKind(offer.change.kind)!.apply(garment, offer.change.inputs, context)
        expect(applied.ok, `${id}: ${offer.sentence}`).toBe(true)
        const mm = amountOf(garment, offer.change)
        if (mm === null || offer.isLargest) continue
        // All of it; or, round the body, its share of each half or edge.
        const shares = sign.tries.flatMap(({ share = 1 }) => [1, 2, 4].map((n) => (MM * share) / n))
        expect(Math.min(...shares.map((s) => Math.abs(s - mm))), `${id}: ${offer.sentence}, ${mm}`).toBeLessThan(0.01)
      }
  })
})

describe('what may mend a sign', () => {
  const blouse = GARMENTS.find((g) => g.id === 'demo-blouse')!
  const mend = (s: Sighting, g = blouse) => mendSign(s, g.garment, g.context)

  it('is in the order of trying', () => {
    const { offers } = mend(sighting('neck', 'rides-back', 10))
    expect(offers.map((o) => o.change.kind)).toEqual(['shoulder-forward', 'level-wedge'])
  })
  it('asks for the amount where none was measured and no figure of the body tells it', () => {
    const { offers } = mend(sighting('shoulder-line', 'slants-back', null))
    expect(offers).toMatchObject([{ asksAmount: true, change: { kind: 'shoulder-forward', inputs: { amountMm: 0 } } }])
  })
  it('takes what the pieces lack of the body and the ease wanted where it was not measured', () => {
    const sign = sighting('waist', 'waist-strains', null)
    const [offer] = mend(sign).offers
    const row = blouse.context.body!
    expect(row).not.toBeNull()
    expect(offer!.asksAmount).toBe(false)
    expect(amountOf(blouse.garment, offer!.change)).toBeGreaterThan(1)
    // A body of which nothing is known: it is asked.
    expect(mendSign(sign, blouse.garment, { ...blouse.context, body: null }).offers[0]!.asksAmount).toBe(true)
  })
  it('of as much as a size says so first, where the pattern has other sizes', () => {
    const trousers = GARMENTS.find((g) => g.id === 'demo-tapered')!
    const much = (mm: number) => mend(sighting('hip', 'hip-strains', mm), trousers).whyNot
    expect(much(60)[0]).toContain('choose another size there first')
    expect(much(12)).toEqual([])
    const one = { ...trousers.garment, sizes: trousers.garment.sizes.slice(0, 1) }
    expect(mendSign(sighting('hip', 'hip-strains', 60), one, trousers.context).whyNot).toEqual([])
  })
  it('is the largest that works, said so, where the amount is more than the pieces bear', () => {
    const { offers, whyNot } = mend(sighting('shoulder-end', 'hangs-over', 400))
    expect(whyNot.join(' ')).not.toBe('')
    for (const o of offers)
      expect(o).toMatchObject({ isLargest: true, sentence: expect.stringContaining('the largest that works') as string })
  })
  it('reads own words as the wish that they are, and does nothing else where they are not understood', () => {
    expect(mend(sighting('sleeve', null, null, 'shorten the sleeve by 2 cm')).offers).toMatchObject([
      { change: { kind: 'lengthen', inputs: { amountMm: -20 } } },
    ])
    const odd = mend(sighting('sleeve', null, null, 'the button is blue'))
    expect([odd.offers, odd.whyNot.length]).toEqual([[], 1])
  })
  it('says on trousers why a shoulder cannot be moved', () => {
    const { offers, whyNot } = mend(
      sighting('shoulder-line', 'slants-back', 10),
      GARMENTS.find((g) => g.id === 'demo-tapered'),
    )
    expect(offers).toEqual([])
    expect(whyNot[0]).toMatch(/not possible here/)
  })
  it('of two signs with one cause is said so: one change first', () => {
    const a = { ...sighting('shoulder-line', 'slants-back', 10), id: 'a' }
    const b = { ...sighting('neck', 'rides-back', 10), id: 'b' }
    const c = { ...sighting('hem-back', 'back-dips', 10), id: 'c' }
    expect(sharedCauses([a, b, c]).map(([x, y]) => [x.id, y.id])).toEqual([['a', 'b']])
    expect(sharedCauses([{ ...a, decision: { is: 'taken', changeIds: ['x'] } }, b])).toEqual([])
  })
})
