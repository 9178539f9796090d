import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { placeAt, measureLength, turnRad } from '../../geometry'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import { polygonPiece, seamOf } from '../../pattern/test-pieces'
import { hemAndTop, hemPartners, lengthOf } from './find-hems'
import { hemFullness, type HemFullnessInputs } from './index'
import { contextWith } from '../test-context'

const context = contextWith()
const at = (x: number, y: number) => ({ x, y })
const dress = draftQuayDress()
const begun = hemFullness.begin(dress, context)
if (!begun.ok) throw new Error(begun.problem.message)
const inputs: HemFullnessInputs = { ...begun.value, pieceId: 'skirt-front' }
const run = (g: Garment, id: string, which: 'hem' | 'top') => {
  const piece = findPiece(g, id)!
  return lengthOf(shapeOf(piece, 'one'), hemAndTop(piece)![which])
}

describe('fullness of a hem', () => {
  it('makes both hems longer by exactly the amount, whatever the number of cuts, and keeps waist and sides', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 260 }).filter((a) => a !== 0),
        fc.integer({ min: 1, max: 7 }),
        (amountMm, cuts) => {
          const result = hemFullness.apply(dress, { ...inputs, amountMm, cuts }, context)
          if (!result.ok) throw new Error(result.problem.message)
          for (const id of ['skirt-front', 'skirt-back']) {
            expect(run(result.value.garment, id, 'hem') - run(dress, id, 'hem')).toBeCloseTo(amountMm, 1)
            expect(Math.abs(run(result.value.garment, id, 'top') - run(dress, id, 'top'))).toBeLessThan(0.05)
          }
          expect(
            result.value.held
              .filter((h) => !h.held)
              .map((h) => `${h.label} ${h.before} ${h.after}`)
              .join(),
          ).toBe('')
        },
      ),
      { numRuns: 30 },
    )
  })
  it('draws a hem without a corner', () => {
    const result = hemFullness.apply(dress, { ...inputs, amountMm: 150, cuts: 3 }, context)
    if (!result.ok) throw new Error(result.problem.message)
    const piece = findPiece(result.value.garment, 'skirt-front')!
    const hem = edgePath(shapeOf(piece, 'one'), hemAndTop(piece)!.hem[0]!.id)
    for (let at = 1; at < measureLength(hem) - 1; at += 2)
      expect(Math.abs(turnRad(placeAt(hem, at - 0.01).tangent, placeAt(hem, at + 0.01).tangent)) * (180 / Math.PI)).toBeLessThan(1)
  })
  it('plays one move for each cut, each carrying what hangs beyond it', () => {
    const result = hemFullness.apply(dress, { ...inputs, amountMm: 90, cuts: 3, leftOut: ['skirt-back'] }, context)
    if (!result.ok) throw new Error(result.problem.message)
    const moves = result.value.moves!
    expect(moves).toHaveLength(3)
    expect(moves.map((m) => m.parts.length).sort()).toEqual([1, 2, 3])
    expect(result.value.leftOut.map((l) => l.pieceId)).toEqual(['skirt-back'])
  })
  it.each([
    [1500, true, 'cloth-fits'],
    [600, true, 'cloth-too-narrow'],
  ])('says whether the piece fits cloth %d mm wide', (clothMm, folded, code) => {
    const result = hemFullness.apply(dress, { ...inputs, amountMm: 200, clothMm, folded }, context)
    if (!result.ok) throw new Error(result.problem.message)
    expect(result.value.cautions.filter((c) => c.code === code)).toHaveLength(2)
  })
  it('gives a piece that is not on the fold the whole width of flat cloth', () => {
    const trousers = draftTrousers(TAPERED)
    const own = { ...inputs, pieceId: 'front', amountMm: 20, clothMm: 600 }
    const codes = (folded: boolean) => {
      const result = hemFullness.apply(trousers, { ...own, folded }, context)
      if (!result.ok) throw new Error(result.problem.message)
      return result.value.cautions.filter((c) => c.pieceId === 'front').map((c) => c.code)
    }
    expect(codes(false)).toEqual(['cloth-fits'])
    expect(codes(true)).toEqual(['cloth-too-narrow'])
  })
  it('finds the skirt beside a skirt, and nothing beside a sleeve', () => {
    expect(hemPartners(dress, 'skirt-back').map((p) => p.id)).toEqual(['skirt-back', 'skirt-front'])
    expect(hemPartners(dress, 'sleeve').map((p) => p.id)).toEqual(['sleeve'])
    expect(hemPartners(dress, 'bodice-front')).toEqual([])
  })

  it('a straight cuff that is sewn to it becomes as much longer', () => {
    const blouse = draftBlouse()
    const hemMm = run(blouse, 'sleeve', 'hem')
    const cuff = polygonPiece(
      'cuff',
      'band',
      [at(0, 0), at(hemMm, 0), at(hemMm, 60), at(0, 60)],
      ['band', 'band-end', 'band', 'band-end'],
      { count: 4 },
    )
    const hem = hemAndTop(findPiece(blouse, 'sleeve')!)!.hem[0]!.id
    const cuffed = {
      ...blouse,
      pieces: [...blouse.pieces, cuff],
      seams: [...blouse.seams, seamOf('cuff', ['sleeve', hem, true], ['cuff', 'e0', false])],
    }
    const result = hemFullness.apply(cuffed, { ...inputs, pieceId: 'sleeve', amountMm: 18 }, context)
    if (!result.ok) throw new Error(result.problem.message)
    const after = findPiece(result.value.garment, 'cuff')!
    for (const edge of ['e0', 'e2']) expect(measureLength(edgePath(shapeOf(after, 'one'), edge)) - hemMm).toBeCloseTo(18, 1)
    expect(result.value.held.filter((h) => !h.held)).toEqual([])
    expect(result.value.touched.map((t) => t.pieceId)).toEqual(['sleeve', 'cuff'])
  })
})
