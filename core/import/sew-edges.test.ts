import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftTrousers, TAPERED } from '../../demo/trousers'

import { walkGarment } from '../match'
import { checkGarment, type Garment, type Seam, sideLength } from '../pattern'
import { pointedLength, sewEdges, type PointedEdge } from './sew-edges'

const edges = (side: Seam['sides'][number]): PointedEdge[] => side.map(({ pieceId, edgeId }) => ({ pieceId, edgeId }))
/** As it is walked, whichever way round and whichever side first. */
const ways = (seam: Seam) => {
  const words = (side: Seam['sides'][number]) => side.map((r) => `${r.pieceId} ${r.edgeId} ${r.reversed}`).join()
  const round = (side: Seam['sides'][number]) => words([...side].reverse().map((r) => ({ ...r, reversed: !r.reversed })))
  return [seam.sides.map(words).join(' | '), seam.sides.map(round).join(' | ')]
}

describe('edges that were pointed at', () => {
  const garments: [string, Garment][] = [
    ['blouse', draftBlouse()],
    ['trousers', draftTrousers(TAPERED)],
  ]
  for (const [name, garment] of garments)
    for (const seam of garment.seams.filter((s) => s.sides.every((side) => new Set(side.map((r) => r.pieceId)).size === 1)))
      it(`are sewn as they are in the ${name}: ${seam.name}, in whatever order they were pointed at`, () => {
        const [a, b] = [edges(seam.sides[0]), edges(seam.sides[1])]
        for (const sides of [[a, b] as const, [[...a].reverse(), [...b].reverse()] as const]) {
          const made = sewEdges(garment, 'mine', sides)!
          expect(ways(seam)).toContain(ways(made)[0])
          // Every mark of the seam is found again, on both of its sides.
          expect(made.marks).toHaveLength(seam.marks.length)
          const whole = { ...garment, seams: [made] }
          expect(checkGarment(whole)).toBeNull()
          expect(sideLength(whole, made, 0, garment.baseSizeId)).toBeCloseTo(pointedLength(garment, a), 6)
        }
      })
  it('are turned round where the person says so: notches that met no longer do', () => {
    const garment = draftBlouse()
    const side = garment.seams.find((s) => s.id === 'side')!
    const turned = sewEdges(garment, 'mine', [edges(side.sides[0]), edges(side.sides[1])], true)!
    expect(ways(side)).not.toContain(ways(turned)[0])
    expect(turned.marks.length).toBeLessThan(side.marks.length)
  })
  it('make no seam where one is gone, is on both sides, or a side has none', () => {
    const garment = draftBlouse()
    const [a, b] = garment.seams[0]!.sides.map(edges) as [PointedEdge[], PointedEdge[]]
    expect(sewEdges(garment, 'x', [a, []])).toBeNull()
    expect(sewEdges(garment, 'x', [a, a])).toBeNull()
    expect(sewEdges(garment, 'x', [a, [{ pieceId: 'front', edgeId: 'gone' }]])).toBeNull()
    expect(sewEdges(garment, 'x', [a, [{ ...b[0]!, pieceId: 'gone' }]])).toBeNull()
  })
  it('are walked in Match like any other seam', () => {
    const garment = draftBlouse()
    const side = garment.seams.find((s) => s.id === 'side')!
    const made = sewEdges(garment, 'mine', [edges(side.sides[0]), edges(side.sides[1])])!
    expect(walkGarment({ ...garment, seams: [made] }, 'one').seams[0]!.verdict).toBe('good')
  })
})
