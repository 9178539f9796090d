import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nestOf } from '../../demo/nest'
import { draftOnePiece } from '../../demo/one-piece'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { measureLength } from '../geometry'

import { grade, gradeGarment } from '../changes/grade'
import { contextWith } from '../changes/test-context'
import { dartFigures, findPiece, shapeOf, type Garment, sideLength } from '../pattern'
import { sideChains, zonesOnChain } from './index'

const chainsOf = (garment: Garment, pieceId: string, sizeId = 'one') => {
  const piece = findPiece(garment, pieceId)!
  return sideChains(piece, shapeOf(piece, sizeId))
}
const gradeOf = (garment: Garment) => {
  const begun = grade.begin(garment, contextWith())
  if (!begun.ok) throw new Error(begun.problem.message)
  return begun.value
}
const zonesOf = (garment: Garment, pieceId: string, sizeId = 'one') =>
  zonesOnChain(garment, chainsOf(garment, pieceId, sizeId)[0]!, sizeId).map((z) => [z.zone, Math.round(z.atMm)])

describe('the side seams of a piece', () => {
  it('run from the top down, a dart in them closed', () => {
    const garment = draftBlouse()
    const [front] = chainsOf(garment, 'front')
    expect(front!.edges.map((e) => [e.edgeId, e.reversed])).toEqual([
      ['side-upper', false],
      ['side-lower', false],
    ])
    expect(front!.edges[1]!.fromMm).toBeCloseTo(front!.edges[0]!.lengthMm, 9)
    const seam = garment.seams.find((s) => s.id === 'side')!
    expect(front!.totalMm).toBeCloseTo(sideLength(garment, seam, 0, 'one'), 9)
  })
  it('are two on a whole piece, one of them walked against the outline', () => {
    const chains = chainsOf(draftOnePiece(), 'front')
    expect(chains.map((c) => c.edges.map((e) => [e.edgeId, e.reversed]))).toEqual([[['side-right', false]], [['side-left', true]]])
    expect(chains[0]!.totalMm).toBeCloseTo(chains[1]!.totalMm, 6)
  })
  it('run down on a leg that is drawn the other way round', () => {
    const garment = draftTrousers(TAPERED)
    expect(chainsOf(garment, 'back').map((c) => c.edges[0]!.reversed)).toEqual([true])
    const outseam = measureLength(shapeOf(findPiece(garment, 'back')!, 'one').edges.outseam!)
    expect(chainsOf(garment, 'back')[0]!.totalMm).toBeCloseTo(outseam, 9)
  })
  it('are none on sleeves and bands', () => {
    expect(chainsOf(draftBlouse(), 'sleeve')).toEqual([])
    expect(chainsOf(draftBlouse(), 'neckband')).toEqual([])
  })
})

describe('zones along a side seam', () => {
  it('lie at the same place on front and back', () => {
    const garment = draftBlouse()
    const [front, back] = [zonesOf(garment, 'front'), zonesOf(garment, 'back')]
    expect(front.map(([zone]) => zone)).toEqual(['bust', 'waist', 'hip'])
    for (const [i, [, at]] of front.entries())
      expect(Math.abs(Number(at) - Number(back[i]![1])), String(front[i]![0])).toBeLessThanOrEqual(1)
  })
  it('of a dress end the bodice and begin the skirt with the waist', () => {
    const garment = draftQuayDress()
    const bodice = chainsOf(garment, 'bodice-front')[0]!
    expect(zonesOf(garment, 'bodice-front').at(-1)).toEqual(['waist', Math.round(bodice.totalMm)])
    expect(zonesOf(garment, 'skirt-front')[0]).toEqual(['waist', 0])
  })
  it('of trousers begin with the waist', () => {
    expect(zonesOf(draftTrousers(TAPERED), 'front').map(([zone]) => zone)).toEqual(['waist', 'hip'])
  })
  it('go down in order in every size of a nest', () => {
    const garment = nestOf(draftBlouse())
    for (const { id } of garment.sizes)
      for (const piece of ['front', 'back']) {
        const places = zonesOf(garment, piece, id).map(([, at]) => Number(at))
        expect(places).toEqual([...places].sort((a, b) => a - b))
        expect(places).toHaveLength(3)
      }
  })
  it('the bust of a front lies as far down as on the back, also in sizes in which its level runs into the side dart', () => {
    const nest = gradeGarment(draftBlouse(), { ...gradeOf(draftBlouse()), intervalMm: 51, up: 9, down: 0 })
    const runsIntoDart = nest.sizes.filter(({ id }) => {
      const front = findPiece(nest, 'front')!
      const shape = shapeOf(front, id)
      const line = front.lines.find((l) => l.role === 'bust')!
      return shape.lines[line.id]![0]!.from.y > dartFigures(front, shape, front.darts[0]!).tip.y
    })
    expect(runsIntoDart.length).toBeGreaterThan(0)
    for (const { id } of nest.sizes) {
      const [front, back] = ['front', 'back'].map((piece) => zonesOf(nest, piece, id).find(([zone]) => zone === 'bust')![1])
      expect(front, id).toBe(back)
    }
  })
})
