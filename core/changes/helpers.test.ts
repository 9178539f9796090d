import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import { findBrokenOutline } from './check-outlines'
import { findLargest } from './find-largest'
import { bothShapes, holdEdge, holdGrain, holdMeasure, holdSeams } from './shared/held'

const at = (x: number, y: number) => ({ x, y })
const panel = (height: number) =>
  polygonPiece('p', 'front', [at(0, 0), at(100, 0), at(100, height), at(0, height)], ['neck', 'side', 'hem', 'centre-front'])

describe('the largest amount that works', () => {
  it('is a little under the limit, on a half millimetre, of the asked sign, and works', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 400 }), fc.integer({ min: 1, max: 600 }), fc.boolean(), (limit, more, up) => {
        const sign = up ? 1 : -1
        const works = (mm: number) => Math.abs(mm) <= limit
        const found = findLargest(sign * (limit + more), works)
        return works(found) && Math.sign(found) === sign && limit - Math.abs(found) <= 1.25 && Number.isInteger(found * 2)
      }),
    )
  })
  it('is nothing where nothing works, and stays below a gap in what works', () => {
    expect(findLargest(-50, (mm) => mm === 0)).toBe(0)
    // 0..20 works, 20..60 does not, beyond works again: only the first stretch can be trusted.
    const found = findLargest(100, (mm) => mm <= 20 || mm > 60)
    expect(found).toBeGreaterThan(18)
    expect(found).toBeLessThanOrEqual(20)
  })
})

describe('a broken outline', () => {
  const before = garmentOf([panel(300)])
  const withEdges = (edges: Record<string, [number, number, number, number]>) => {
    const piece = structuredClone(before.pieces[0]!)
    for (const [id, [x1, y1, x2, y2]] of Object.entries(edges))
      piece.shapes.one!.edges[id] = [{ kind: 'line', from: at(x1, y1), to: at(x2, y2) }]
    return garmentOf([piece])
  }
  it('is none where nothing was touched or all is well', () => {
    expect(findBrokenOutline(before, before)).toBeNull()
    expect(findBrokenOutline(before, garmentOf([panel(250)]))).toBeNull()
  })
  it('is found when an edge is used up or runs the other way', () => {
    expect(findBrokenOutline(before, garmentOf([panel(-40)]))?.what).toMatch(/used up/)
    expect(findBrokenOutline(before, withEdges({ e1: [100, 0, 100, 0], e2: [100, 0, 0, 300] }))?.what).toMatch(/“side 1” would be used up/)
  })
  it('is found when the outline crosses itself', () => {
    expect(findBrokenOutline(before, withEdges({ e0: [0, 0, 100, 200], e1: [100, 200, -60, 250], e2: [-60, 250, 0, 300] }))?.what).toMatch(
      /cross itself|used up/,
    )
  })
})

describe('promises', () => {
  it('are kept or broken by what was measured, on either side of what is allowed', () => {
    expect(holdMeasure('width', 'Front', 100, 100.4, 0.5).held).toBe(true)
    expect(holdMeasure('width', 'Front', 100, 99.4, 0.5).held).toBe(false)
    expect(holdMeasure('turn', 'Front', 0, 0.2, 0.1, 'deg')).toMatchObject({ unit: 'deg', held: false })
  })
  it('measure the edge and the grain on both garments', () => {
    const before = garmentOf([panel(300)])
    const after = garmentOf([panel(320)])
    const { piece, was, is } = bothShapes(before, after, 'p', 'one')
    expect(holdEdge(piece, was, is, 'e1')).toMatchObject({ before: 300, after: 320, held: false })
    expect(holdEdge(piece, was, is, 'e2')).toMatchObject({ before: 100, after: 100, held: true })
    expect(holdGrain(piece, was, is).held).toBe(true)
    const turned = { ...is, grain: { from: at(50, 1), to: at(60, 319) } }
    expect(holdGrain(piece, was, turned).held).toBe(false)
  })
  it('about seams name only those whose length moved', () => {
    const blouse = draftBlouse()
    expect(holdSeams(blouse, blouse, 'one')).toEqual([])
    const longer = structuredClone(blouse)
    const shape = longer.pieces[0]!.shapes.one!
    shape.edges.shoulder = [
      { kind: 'line', from: shape.edges.shoulder![0]!.from, to: at(shape.edges.shoulder![0]!.to.x + 5, shape.edges.shoulder![0]!.to.y) },
    ]
    const held = holdSeams(blouse, longer, 'one')
    expect(held.map((h) => [h.label, h.held])).toEqual([['shoulder seam, difference of its sides', false]])
  })
})
