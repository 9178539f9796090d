import { describe, expect, it } from 'vitest'
import { garmentOf, polygonPiece, seamOf } from '../../core/pattern/test-pieces'
import { studiedGarments } from './garments'
import { makeBody } from './make-body'
import { measureAgain } from './measure-again'
import { studyBody } from './study-body'
import { brokenList, KEPT, offTable, sharesTable } from './tables'

const at = (x: number, y: number) => ({ x, y })

describe('pieces measured a second time', () => {
  it('a straight half front and back: round the waist, from neck to waist, its seam', () => {
    const half = (kind: 'front' | 'back') =>
      polygonPiece(
        kind,
        kind,
        [at(0, 20), at(70, 0), at(190, 40), at(230, 210), at(210, 420), at(0, 420)],
        ['neck', 'shoulder', 'armhole', 'side', 'waist', kind === 'front' ? 'centre-front' : 'centre-back'],
        { fold: 5 },
      )
    const side = { ...seamOf('side', ['front', 'e3', false], ['back', 'e3', false]), wantedEase: { minMm: 1, maxMm: 2 } }
    const again = measureAgain(garmentOf([half('front'), half('back')], [side]), 'one')
    expect(again.rounds.waist).toBeCloseTo(840, 6)
    expect(again.lengths).toEqual({ 'back-neck-to-waist': 400, 'front-to-waist': 420, 'underarm-to-waist': 210 })
    expect(again.seams).toEqual([{ name: 'side', offMm: 1 }])
  })
})

describe('made bodies', () => {
  it('are the same for a seed, and differ for another', () => {
    expect(makeBody(3)).toEqual(makeBody(3))
    expect(makeBody(3).figures).not.toEqual(makeBody(4).figures)
  })

  it.each(studiedGarments().map((g) => [g.id, g] as const))(
    'get a plan on %s that applies, and gives ease, the back’s length and equal legs as measured again',
    (_, garment) => {
      const studied = [11, 12, 13, 14, 15, 16].map((seed) => studyBody(garment, 'finished', seed))
      for (const s of studied) {
        expect([s.applied, s.isFinite], `seed ${s.seed}`).toEqual([true, true])
        expect(s.legsMm, `seed ${s.seed}`).toBeLessThan(KEPT.legsMm)
        for (const [zone, mm] of Object.entries(s.ease)) expect(Math.abs(mm), `seed ${s.seed}, ${zone}`).toBeLessThan(KEPT.easeMm)
        expect(Math.abs(s.lengths['back-neck-to-waist'] ?? 0), `seed ${s.seed}`).toBeLessThan(KEPT.lengthMm)
      }
      expect(sharesTable(studied)).toContain(`| ${garment.id} | finished | 6 | 100 % | 100 % |`)
      expect(offTable(studied).split('\n').length).toBeGreaterThan(3)
      expect(brokenList(studied).split('\n').filter(Boolean).length).toBeLessThanOrEqual(12)
    },
  )
})
