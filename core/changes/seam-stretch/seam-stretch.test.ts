import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftJacket } from '../../../demo/jacket'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { countInflections, distance, measureLength, nearestPlace, placeAt } from '../../geometry'
import { walkGarment } from '../../match'
import { edgePath, shapeOf, type Garment } from '../../pattern'
import { contextWith } from '../test-context'
import { findSeams, refOfSeam } from './find-seams'
import { seamStretch, type SeamStretchInputs } from './index'
import { usualStretch } from './places'

const context = contextWith()
const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
  ['trousers', draftTrousers(TAPERED)],
  ['one-piece', draftOnePiece()],
  ['jacket', draftJacket()],
]
const CASES = GARMENTS.flatMap(([name, garment]) =>
  findSeams(garment).map((seam) => ({ title: `${seam.name} of the ${name}`, garment, seam })),
)

function applied(garment: Garment, inputs: SeamStretchInputs) {
  const result = seamStretch.apply(garment, inputs, context)
  if (!result.ok) throw new Error(`${result.problem.message} ${result.problem.remedy}`)
  return result.value
}

it('finds the seams that run down a body or limb, each once, and no neckline, armhole, waist or fold', () => {
  const names = CASES.map((c) => c.title)
  expect(names).toEqual(
    expect.arrayContaining(['side seam of the blouse', 'inseam of the trousers', 'back crotch, Back leg of the trousers']),
  )
  expect(new Set(names).size).toBe(names.length)
  expect(names.filter((n) => /armhole|neck|waist|shoulder/i.test(n))).toEqual([])
})

it('takes the centre of a pair for a seam, but not where one buttons over the other beyond its middle', () => {
  const blouse = draftBlouse()
  const front = (isButtoned: boolean): Garment => ({
    ...blouse,
    pieces: blouse.pieces.map((p) => {
      if (p.id !== 'front') return p
      const edges = p.edges.map((e) => (e.fold ? { ...e, fold: false, role: 'centre-front' as const } : e))
      const lines = isButtoned ? [...p.lines, { id: 'middle', name: 'centre front', role: 'centre' as const }] : p.lines
      return { ...p, cut: { count: 2, mirrored: true }, edges, lines }
    }),
  })
  const centres = (garment: Garment) => findSeams(garment).filter((s) => s.edge.role === 'centre-front').length
  expect([centres(blouse), centres(front(false)), centres(front(true))]).toEqual([0, 1, 0])
})

describe.each(CASES)('$title', ({ garment, seam }) => {
  const begun = usualStretch(garment, seam, 'one')
  it('goes in or out by what was pinned, keeps what it promises, and bends no more often than before', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), fc.double({ min: 0.25, max: 0.75, noNaN: true }), (amountMm, part) => {
        const inputs = { ...begun, atMm: begun.atMm * 2 * part, aboveMm: 80, belowMm: 80, amountMm }
        const tried = seamStretch.apply(garment, inputs, context)
        fc.pre(tried.ok || tried.problem.code !== 'amount-too-large')
        const { garment: after, held, cautions } = applied(garment, inputs)
        expect(held.filter((h) => !h.held).map((h) => `${h.where} ${h.label} ${h.before} ${h.after}`)).toEqual([])
        // A seam that no longer matches is said, with the reason.
        const surplus = (g: Garment, id: string) => walkGarment(g, 'one').seams.find((w) => w.seam.id === id)!.surplusMm
        for (const { id, name } of garment.seams)
          if (Math.abs(surplus(after, id) - surplus(garment, id)) > 1.01)
            expect(cautions.map((c) => c.message).join(), name).toContain(name)
      }),
      { numRuns: 12 },
    )
  })
  it('in and out again is the seam again, to 0.1 mm', () => {
    const inputs = { ...begun, amountMm: 5 }
    const back = applied(applied(garment, inputs).garment, { ...inputs, amountMm: -5 }).garment
    for (const piece of garment.pieces)
      for (const edge of piece.edges) {
        const was = edgePath(shapeOf(piece, 'one'), edge.id)
        const is = edgePath(
          shapeOf(
            back.pieces.find((p) => p.id === piece.id)!,
            'one',
          ),
          edge.id,
        )
        const middle = placeAt(was, measureLength(was) / 2).point
        expect(nearestPlace(is, middle).distanceMm, `${piece.id} ${edge.id}`).toBeLessThan(0.1)
        expect(distance(was[0]!.from, is[0]!.from), `${piece.id} ${edge.id}`).toBeLessThan(0.1)
      }
  })
})

describe('the centre back seam of trousers', () => {
  const garment = draftTrousers(TAPERED)
  const seam = findSeams(garment).find((s) => s.edge.role === 'crotch' && s.piece.kind.includes('back'))!
  const atWaist = { seam: refOfSeam(seam), atMm: 0, aboveMm: 0, belowMm: 120, amountMm: -8 }
  it('pinned in at the waist moves that corner by the amount, and nothing below the stretch', () => {
    const { garment: after } = applied(garment, atWaist)
    const [was, is] = [garment, after].map((g) =>
      edgePath(
        shapeOf(
          g.pieces.find((p) => p.id === seam.piece.id)!,
          'one',
        ),
        seam.edge.id,
      ),
    )
    expect(distance(was![0]!.from, is![0]!.from)).toBeCloseTo(8, 2)
    expect(was!.at(-1)!.to).toEqual(is!.at(-1)!.to)
    for (const belowMm of [125, 160, 200]) {
      const place = placeAt(was!, belowMm).point
      expect(nearestPlace(is!, place).distanceMm, String(belowMm)).toBeLessThan(0.01)
    }
    expect(countInflections(is!)).toBeLessThanOrEqual(countInflections(was!) + 2)
  })
  it('takes the waistband along', () => {
    const { garment: after } = applied(garment, atWaist)
    const band = (g: Garment) =>
      measureLength(
        edgePath(
          shapeOf(
            g.pieces.find((p) => p.kind === 'band')!,
            'one',
          ),
          'waist',
        ),
      )
    expect(band(garment) - band(after)).toBeGreaterThan(5)
  })
  it('is refused beside the seam, and by more than there is, with what works', () => {
    const beside = seamStretch.apply(garment, { ...atWaist, atMm: 2000 }, context)
    expect(!beside.ok && beside.problem.message).toContain('lies beside it')
    const much = seamStretch.apply(garment, { ...atWaist, amountMm: -480 }, context)
    expect(!much.ok && much.problem.largestMm).toBeLessThan(-20)
  })
  it('says when it would make a point', () => {
    const { cautions } = applied(garment, { ...atWaist, atMm: 100, aboveMm: 20, belowMm: 20, amountMm: -8 })
    expect(cautions.map((c) => c.code)).toContain('makes-a-point')
  })
})
