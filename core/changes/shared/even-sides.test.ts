import { describe, expect, it } from 'vitest'
import { draftTrousers, TAPERED } from '../../../demo/trousers'

import { findPiece, shapeOf, type Garment, sideLength } from '../../pattern'
import { deepFreeze, garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { evenSides } from './even-sides'

const at = (x: number, y: number) => ({ x, y })
/** Two halves of a leg whose inseams slant differently: cut at the knee and moved down, they grow differently. */
function legs(frontDown: number, backDown: number): Garment {
  const leg = (id: string, kind: 'leg-front' | 'leg-back', slant: number, down: number) =>
    polygonPiece(
      id,
      kind,
      [at(0, 0), at(200, 0), at(200 - slant, 700 + down), at(30, 700 + down)],
      ['waist', 'inseam', 'leg-opening', 'outseam'],
      { count: 2 },
    )
  return garmentOf(
    [leg('front', 'leg-front', 20, frontDown), leg('back', 'leg-back', 90, backDown)],
    [seamOf('inseam', ['front', 'e1', false], ['back', 'e1', false])],
  )
}
const surplus = (g: Garment) => sideLength(g, g.seams[0]!, 0, 'one') - sideLength(g, g.seams[0]!, 1, 'one')

describe('sides made even', () => {
  it('a seam that was as wanted is as wanted again: the first side ends further down, along the grain', () => {
    const before = garmentOf(legs(0, 0).pieces, [{ ...legs(0, 0).seams[0]!, wantedEase: { minMm: -6, maxMm: 0 } }])
    const after = { ...before, pieces: legs(60, 60).pieces }
    const drifted = { ...after, seams: [{ ...before.seams[0]!, wantedEase: { minMm: surplus(before), maxMm: surplus(before) } }] }
    const even = evenSides({ ...before, seams: drifted.seams }, drifted, 'one')
    expect(Math.abs(surplus(even.garment) - surplus(before))).toBeLessThan(0.02)
    expect(even.ends).toHaveLength(1)
    expect(even.ends[0]!.pieceId).toBe('front')
    const moved = shapeOf(findPiece(even.garment, 'front')!, 'one').edges.e1!.at(-1)!.to
    const stood = shapeOf(findPiece(after, 'front')!, 'one').edges.e1!.at(-1)!.to
    expect(moved.x).toBeCloseTo(stood.x, 9)
    expect(moved.y - stood.y).toBeCloseTo(even.ends[0]!.mm, 9)
  })
  it('a seam whose sides were drawn plainly unequal keeps that difference', () => {
    const before = legs(0, 0)
    expect(Math.abs(surplus(before))).toBeGreaterThan(3)
    const even = evenSides(before, { ...before, pieces: legs(60, 60).pieces }, 'one')
    expect(Math.abs(surplus(even.garment) - surplus(before))).toBeLessThan(0.02)
  })
  it('a partner that was left out stays off', () => {
    const before = legs(0, 0)
    const alone = { ...before, pieces: before.pieces.map((p) => (p.id === 'front' ? findPiece(legs(25, 0), 'front')! : p)) }
    expect(evenSides(before, alone, 'one')).toEqual({ garment: alone, ends: [] })
    const asked = evenSides(before, alone, 'one', { alone: true })
    expect(asked.ends.map((e) => e.pieceId)).toEqual(['front'])
    expect(Math.abs(surplus(asked.garment) - surplus(before))).toBeLessThan(0.02)
  })
  it('what is even is not touched', () => {
    const trousers = deepFreeze(draftTrousers(TAPERED))
    expect(evenSides(trousers, trousers, 'one')).toEqual({ garment: trousers, ends: [] })
  })
})
