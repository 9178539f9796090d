import { describe, expect, it } from 'vitest'
import { nestOf } from '../../../demo/nest'
import { draftQuayDress } from '../../../demo/quay-dress'
import { DEFAULT_TOLERANCES, walkGarment } from '../../match'
import { checkGarment, findPiece, shapeOf } from '../../pattern'
import { deepFreeze } from '../../pattern/test-pieces'
import { findZones, finishedMm } from '../../measure'
import { pieceSize } from '.'
import { contextWith } from '../test-context'

const NEST = deepFreeze(nestOf(draftQuayDress()))
const context = contextWith({ sizeId: NEST.baseSizeId })
const LARGER = NEST.sizes[NEST.sizes.findIndex((s) => s.id === NEST.baseSizeId) + 1]!.id

function cut(pieceId: string, leftOut: string[] = []) {
  const done = pieceSize.apply(NEST, { pieceId, sizeId: LARGER, leftOut }, context)
  if (!done.ok) throw new Error(done.problem.message)
  expect(checkGarment(done.value.garment)).toBeNull()
  expect(done.value.held.filter((h) => !h.held)).toEqual([])
  return done.value
}
const finished = (garment: typeof NEST, zone: string, sizeId: string) =>
  finishedMm(
    garment,
    findZones(garment).find((z) => z.id === zone)!,
    sizeId,
  )

describe('cut a piece in another size', () => {
  it('takes the pieces on its side of the waist seam along, and leaves the others as they are', () => {
    const done = cut('skirt-front')
    expect(done.touched.map((t) => t.pieceId).sort()).toEqual(['skirt-back', 'skirt-front'])
    const upper = cut('bodice-front')
    expect(upper.touched.map((t) => t.pieceId).sort()).toEqual(['bodice-back', 'bodice-front', 'sleeve'])
    for (const piece of NEST.pieces.filter((p) => !p.kind.startsWith('skirt'))) expect(findPiece(done.garment, piece.id)).toBe(piece)
  })
  it('measures like that size where it is cut so, and like the base size elsewhere', () => {
    const { garment } = cut('skirt-front')
    expect(finished(garment, 'hip', NEST.baseSizeId)).toBeCloseTo(finished(NEST, 'hip', LARGER), 6)
    expect(finished(garment, 'bust', NEST.baseSizeId)).toBeCloseTo(finished(NEST, 'bust', NEST.baseSizeId), 6)
    // The printed sizes themselves stay.
    for (const { id } of NEST.sizes.filter((s) => s.id !== NEST.baseSizeId))
      for (const piece of garment.pieces) expect(shapeOf(piece, id)).toBe(shapeOf(findPiece(NEST, piece.id)!, id))
  })
  it('names the seams between two sizes with their figure, and no others', () => {
    const done = cut('skirt-front')
    const off = walkGarment(done.garment, NEST.baseSizeId, DEFAULT_TOLERANCES).seams.filter((s) => s.verdict !== 'good')
    expect(off.length).toBeGreaterThan(0)
    expect(done.cautions.map((c) => c.message.split(':')[0])).toEqual(off.map((s) => s.seam.name))
  })
  it('leaves a piece out that is said to stay, visibly; all in one size match as printed', () => {
    const done = cut('skirt-front', ['skirt-back'])
    expect(done.leftOut.map((l) => l.pieceId)).toEqual(['skirt-back'])
    expect(findPiece(done.garment, 'skirt-back')).toBe(findPiece(NEST, 'skirt-back'))
    const both = pieceSize.apply(cut('skirt-front').garment, { pieceId: 'bodice-front', sizeId: LARGER, leftOut: [] }, context)
    if (!both.ok) throw new Error(both.problem.message)
    const surplus = (garment: typeof NEST, sizeId: string) => walkGarment(garment, sizeId).seams.map((w) => [w.seam.name, w.surplusMm])
    expect(surplus(both.value.garment, NEST.baseSizeId)).toEqual(surplus(NEST, LARGER))
  })
  it('changes nothing in the size that it is in, and refuses one that has gone', () => {
    const same = pieceSize.apply(NEST, { pieceId: 'sleeve', sizeId: NEST.baseSizeId, leftOut: [] }, context)
    expect(same.ok && same.value.garment.pieces).toEqual(NEST.pieces)
    const gone = pieceSize.apply(NEST, { pieceId: 'sleeve', sizeId: 'none', leftOut: [] }, context)
    expect(!gone.ok && gone.problem.code).toBe('reference-gone')
    expect(pieceSize.begin(draftQuayDress(), context).ok).toBe(false)
  })
})
