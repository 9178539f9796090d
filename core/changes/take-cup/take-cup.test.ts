import { describe, expect, it } from 'vitest'
import { withCups } from '../../../demo/cups'
import { draftBlouse } from '../../../demo/blouse'
import { nestOf } from '../../../demo/nest'
import { DEFAULT_TOLERANCES, walkGarment } from '../../match'
import { checkGarment, findPiece, takeSize, type Garment } from '../../pattern'
import { deepFreeze } from '../../pattern/test-pieces'
import { findZones, finishedMm } from '../../measure'
import { foldPlan, type Change } from '../index'
import { takeCup } from '.'
import { contextWith, stopWith } from '../test-context'

const garment = deepFreeze(withCups(nestOf(draftBlouse())))
const context = contextWith({ sizeId: garment.baseSizeId })
const bustMm = (g: Garment, sizeId: string) => {
  const bust = findZones(g).find((z) => z.id === 'bust')!
  return finishedMm(g, bust, sizeId)
}
const take = (cup: string, from: Garment = garment) => takeCup.apply(from, { pieceId: 'front', cup }, context)
const stop = (id: string, kind: string, inputs: unknown): Change => stopWith(kind, inputs, id)

describe('the piece for another cup', () => {
  it.each([
    ['A', -14],
    ['B', 0],
    ['C', 26],
  ])('cup %s is the pattern’s own, and as much larger round the bust in every size', (cup, mm) => {
    const done = take(cup)
    if (!done.ok) throw new Error(done.problem.message)
    const after = done.value.garment
    expect(findPiece(after, 'front')).toEqual(garment.cups!.find((c) => c.cup === cup))
    expect(checkGarment(after)).toBeNull()
    expect(done.value.held.filter((h) => !h.held)).toEqual([])
    for (const size of garment.sizes) {
      // Half the bust by the amount; the closed dart under the band takes a millimetre or two of it.
      expect(Math.abs(bustMm(after, size.id) - bustMm(garment, size.id) - mm)).toBeLessThan(5)
      expect(walkGarment(after, size.id, DEFAULT_TOLERANCES).seams.filter((s) => s.verdict !== 'good')).toEqual([])
    }
  })
  it('goes from any cup to any other, and back to the piece as bought', () => {
    const there = take('C')
    const back = there.ok ? take('B', there.value.garment) : there
    expect(back.ok && back.value.garment.pieces).toEqual(garment.pieces)
  })
  it('is refused once the piece has been changed, and the change is kept', () => {
    const longer = stop('longer', 'lengthen', {
      amountMm: 20,
      pieceId: 'front',
      levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
      leftOut: [],
    })
    const cup = stop('cup', 'take-cup', { pieceId: 'front', cup: 'C' })
    const late = foldPlan(garment, [longer, cup], context)
    expect(late.stops[1]).toMatchObject({ status: 'refused', problem: { code: 'changed-before' } })
    expect(late.garment).toBe(late.stops[0]!.garment)
    expect(foldPlan(garment, [cup, longer], context).stops.map((s) => s.status)).toEqual(['applied', 'applied'])
  })
  it('says which cups there are when one has gone', () => {
    const gone = take('H')
    expect(!gone.ok && gone.problem).toMatchObject({ code: 'reference-gone', remedy: 'It has A, B, C.' })
    expect(takeCup.begin(draftBlouse(), context).ok).toBe(false)
  })
  it('leaves nothing of other cups in a size that is taken out', () => {
    expect(takeSize(garment, garment.baseSizeId).cups).toBeUndefined()
  })
  it('the pattern’s pieces for cups are looked over like its others', () => {
    const [first, ...rest] = garment.cups!
    const said = (cups: Garment['cups']) => checkGarment({ ...garment, cups })?.message
    expect(said([{ ...first!, cup: undefined }, ...rest])).toMatch(/which cup/)
    expect(said([first!, ...garment.cups!])).toMatch(/two for cup A/)
    expect(said([{ ...first!, shapes: {} }, ...rest])).toMatch(/no outline/)
    // A size that was made since is none of theirs.
    const grown = { ...garment, sizes: [...garment.sizes, { id: 'new', name: '8' }] }
    const pieces = garment.pieces.map((p) => ({ ...p, shapes: { ...p.shapes, new: p.shapes.one! } }))
    expect(checkGarment({ ...grown, pieces })).toBeNull()
  })
})
