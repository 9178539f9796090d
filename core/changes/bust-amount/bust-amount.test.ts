import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { nestOf } from '../../../demo/nest'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftArmholeDart, draftDartless, draftSleeveless, draftTwoDarts } from '../../../demo/dart-blouses'
import { distance, measureLength, nearestPlace, placeAt, tangentAt, turnRad, type Path } from '../../geometry'
import { walkGarment } from '../../match'
import { openOut } from '../../moves'
import { compareMeasures, findZones, finishedMm, NO_ZONING } from '../../measure'
import { makeWorksheet, NO_SIZING } from '../../size'
import { dartFigures, edgePath, findPiece, outlineOf, shapeOf, type Garment, type Piece, type Seam, sideLength } from '../../pattern'
import { garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { findKind } from '../registry'
import { bustAmount, type BustAmountInputs } from '.'
import { context, apply, front, shape, figures, roleMm } from '../shared/darts/test-darts'
import { bodyWith, contextWith } from '../test-context'

/** The sharpest turn between two parts of a path, deg. */
const sharpest = (path: Path) =>
  Math.max(0, ...path.slice(1).map((s, i) => Math.abs(turnRad(tangentAt(path[i]!, 1), tangentAt(s, 0))) * (180 / Math.PI)))

describe('fuller or smaller bust', () => {
  const inputs: BustAmountInputs = { pieceId: 'front', amountMm: 20, waist: 'keep', opening: 'dart', tipBackMm: 38 }
  /** From the centre across to the apex, and from there along the closed dart to the side, mm. */
  const halfBust = (garment: Garment, dartId: string) => {
    const apex = shape(garment).points.apex!
    const d = figures(garment, dartId)
    return apex.x + (distance(d.first, apex) + distance(d.second, apex)) / 2
  }
  const sideOff = (garment: Garment) => {
    const seam = garment.seams.find((s) => s.id === 'side')!
    return sideLength(garment, seam, 0, 'one') - sideLength(garment, seam, 1, 'one')
  }
  it('grows by just that on fronts with a side dart, an armhole dart and none; armhole, shoulder, neck and side hold', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          ['side-dart', draftBlouse()] as const,
          ['side-dart', draftArmholeDart()] as const,
          ['bust-dart', draftDartless()] as const,
        ),
        fc.double({ min: 3, max: 45, noNaN: true }),
        fc.constantFrom('keep' as const, 'side' as const),
        ([dartId, garment], amountMm, waist) => {
          const none = apply(bustAmount, garment, { ...inputs, amountMm: 0.001 }).garment
          const done = apply(bustAmount, garment, { ...inputs, amountMm, waist }).garment
          expect(Math.abs(halfBust(done, dartId) - halfBust(none, dartId) - amountMm)).toBeLessThan(0.5)
          for (const role of ['armhole', 'shoulder', 'neck'] as const)
            expect(Math.abs(roleMm(done, role) - roleMm(garment, role)), role).toBeLessThan(0.1)
          expect(Math.abs(sideOff(done))).toBeLessThan(0.5)
          // What the lower edge gains is kept, or taken out again.
          const gained = roleMm(done, 'hem') - roleMm(garment, 'hem')
          expect(Math.abs(gained - (waist === 'keep' ? amountMm : 0))).toBeLessThan(1.5)
          expect(roleMm(done, 'centre-front')).toBeGreaterThan(roleMm(garment, 'centre-front'))
        },
      ),
      { numRuns: 15 },
    )
  })
  it('taken out at the side leaves the lower edge as level as it was, and promises so by measuring it', () => {
    const fall = (garment: Garment) => {
      const ends = (roles: string[]) =>
        front(garment)
          .edges.filter((e) => roles.includes(e.role) || (e.fold && roles.includes('fold')))
          .flatMap((e) => edgePath(shape(garment), e.id))
          .flatMap((s) => [s.from.y, s.to.y])
      return Math.max(...ends(['side'])) - Math.max(...ends(['centre-front', 'fold']))
    }
    for (const garment of [draftBlouse(), draftArmholeDart(), draftDartless()])
      for (const amountMm of [8, 20, 35]) {
        const done = apply(bustAmount, garment, { ...inputs, amountMm, waist: 'side' })
        expect(Math.abs(fall(done.garment) - fall(garment))).toBeLessThan(0.05)
        const level = done.held.find((h) => h.label.startsWith('lower edge'))!
        expect(level.held).toBe(true)
        expect(level.after).toBeCloseTo(fall(done.garment), 6)
      }
  })
  it('eased in leaves no corner in the side, and the half bust grows by all of it', () => {
    for (const amountMm of [2, 3.5, 5]) {
      const done = apply(bustAmount, draftDartless(), { ...inputs, amountMm, opening: 'ease' })
      const grew = done.held.find((h) => h.label === 'half bust grows by')!
      expect(Math.abs(grew.after - amountMm)).toBeLessThan(0.1)
      const side = front(done.garment)
        .edges.filter((e) => e.role === 'side')
        .flatMap((e) => [...edgePath(shape(done.garment), e.id)])
      const was = front(draftDartless())
        .edges.filter((e) => e.role === 'side')
        .flatMap((e) => [...edgePath(shape(draftDartless()), e.id)])
      expect(sharpest(side)).toBeLessThan(Math.max(1, sharpest(was) + 0.1))
    }
  })
  it('reads twice its amount more in the worksheet and in the ledger, just as it promises, in every size', () => {
    const NESTED = nestOf(draftBlouse())
    for (const garment of [
      draftBlouse(),
      draftArmholeDart(),
      draftSleeveless(),
      draftTwoDarts(),
      draftDartless(),
      draftQuayDress(),
      NESTED,
    ])
      fc.assert(
        fc.property(fc.double({ min: -6, max: 32, noNaN: true }), fc.constantFrom('side', 'keep'), (amountMm, waist) => {
          const here = contextWith({ sizeId: garment.baseSizeId })
          const begun = bustAmount.begin(garment, here)
          if (!begun.ok) throw new Error(begun.problem.message)
          const done = bustAmount.apply(garment, { ...begun.value, amountMm, waist: waist as 'side' | 'keep', opening: 'dart' }, here)
          if (!done.ok) return
          const after = done.value.garment
          const promise = done.value.held.find((h) => h.label === 'half bust grows by')!
          expect(promise.after).toBeCloseTo(amountMm, 2)
          for (const { id } of garment.sizes) {
            const sheet = (g: Garment) => makeWorksheet(g, NO_SIZING, null).rows.find((r) => r.zone.id === 'bust')!
            const inSheet = (g: Garment) => sheet(g).sizes.find((s) => s.sizeId === id)!.mm
            expect(inSheet(after) - inSheet(garment)).toBeCloseTo(2 * amountMm, 2)
            const row = compareMeasures(garment, after, id, NO_ZONING).find((r) => r.id === 'finished:bust')
            expect(row ? row.afterMm! - row.beforeMm! : 0).toBeCloseTo(2 * amountMm, 1)
            expect(row?.afterMm ?? inSheet(after)).toBeCloseTo(inSheet(after), 6)
          }
        }),
        { numRuns: 6 },
      )
  })
  it('of a front measures the same however its dart is turned, raised or opened out', () => {
    const garment = draftBlouse()
    const bust = (g: Garment) =>
      finishedMm(
        g,
        findZones(g).find((z) => z.id === 'bust')!,
        'one',
      )
    for (const kind of ['move-dart', 'straighten-dart', 'finish-dart', 'raise-dart']) {
      const changed = findKind(kind)!
      const begun = changed.begin(garment, context)
      const done = begun.ok ? changed.apply(garment, begun.value, context) : begun
      expect(done.ok && bust(done.value.garment), kind).toBeCloseTo(bust(garment), 2)
    }
    expect(bust(openOut(garment, 'front', ['left', 'right']))).toBeCloseTo(bust(garment), 6)
  })
  it('takes from the dart for a smaller bust, and refuses more than it holds with what it has', () => {
    const done = apply(bustAmount, draftBlouse(), { ...inputs, amountMm: -8 })
    expect(figures(done.garment).angleRad).toBeLessThan(figures(draftBlouse()).angleRad)
    const refused = bustAmount.apply(draftBlouse(), { ...inputs, amountMm: -60 }, context)
    expect(!refused.ok && refused.problem.largestMm).toBeLessThan(-8)
  })
  it('eases a little away where there is no dart, and no more than a little', () => {
    const done = apply(bustAmount, draftDartless(), { ...inputs, amountMm: 5, opening: 'ease' })
    expect(front(done.garment).darts).toHaveLength(0)
    expect(sideOff(done.garment)).toBeGreaterThan(1)
    expect(sideOff(done.garment)).toBeLessThan(11)
    const much = bustAmount.apply(draftDartless(), { ...inputs, amountMm: 30, opening: 'ease' }, context)
    expect(!much.ok && much.problem.message).toContain('can be eased in')
  })
  it('proposes an amount from full bust, high bust and the wanted ease: what is missing, but no more than the cup explains', () => {
    const garment = draftBlouse()
    const zone = findZones(garment).find((z) => z.id === 'bust')!
    const finished = finishedMm(garment, zone, 'one')
    const proposed = (fullBustMm: number, highBustMm: number, bustEaseMm: number) => {
      const done = bustAmount.apply(
        garment,
        { ...inputs, amountMm: 0 },
        contextWith({
          body: bodyWith({ bust: fullBustMm, 'high-bust': highBustMm }),
          sizing: { ...NO_SIZING, wantedMm: { bust: bustEaseMm } },
        }),
      )
      const caution = done.ok ? done.value.cautions.find((c) => c.code === 'proposed') : undefined
      return (caution?.mend!.inputs as BustAmountInputs | undefined)?.amountMm ?? null
    }
    // 60 lack with 40 of ease; a cup of 130 is 80 more than is drafted: all of it is bust.
    expect(proposed(finished + 20, finished - 110, 40)).toBeCloseTo(30, 6)
    // The same with a cup of 80: only 30 of it is bust.
    expect(proposed(finished + 20, finished - 60, 40)).toBeCloseTo(15, 6)
    // Nothing lacks, or the cup is as drafted: no word.
    expect(proposed(finished - 60, finished - 190, 40)).toBeNull()
    expect(proposed(finished + 20, finished - 30, 40)).toBeNull()
  })
  it('sews what the waist gained as a dart under the apex, or cuts through the one that lies there', () => {
    const dress = draftQuayDress()
    const own: BustAmountInputs = { ...inputs, pieceId: 'bodice-front', amountMm: 15, waist: 'dart' }
    const waistOf = (g: Garment) => {
      const piece = findPiece(g, 'bodice-front')!
      const lines = shapeOf(piece, 'one')
      const dart = piece.darts.find((d) => d.name === 'waist dart')
      const mm = piece.edges.filter((e) => e.role === 'waist').reduce((sum, e) => sum + measureLength(edgePath(lines, e.id)), 0)
      return { mm, dart: dart ? dartFigures(piece, lines, dart) : null }
    }
    const once = apply(bustAmount, dress, own).garment
    expect(waistOf(once).dart!.intakeMm).toBeCloseTo(15, 1)
    expect(waistOf(once).mm).toBeCloseTo(waistOf(dress).mm, 1)
    for (const amountMm of [12, -6])
      for (const waist of ['dart', 'keep', 'side'] as const) {
        const twice = waistOf(apply(bustAmount, once, { ...own, amountMm, waist }).garment)
        expect(twice.dart!.intakeMm, waist).toBeCloseTo(15 + (waist === 'dart' ? amountMm : 0), 1)
        expect(twice.mm, waist).toBeCloseTo(waistOf(once).mm + (waist === 'keep' ? amountMm : 0), 0)
        expect(twice.dart!.firstMm).toBeCloseTo(twice.dart!.secondMm, 6)
      }
    const hemmed = bustAmount.apply(draftBlouse(), { ...inputs, waist: 'dart' }, context)
    expect(!hemmed.ok && hemmed.problem.code).toBe('no-waist')
  })
  it('lets both edges of a princess seam out so that they grow alike', () => {
    const centre = polygonPiece(
      'front',
      'front',
      [
        { x: 0, y: 80 },
        { x: 70, y: 0 },
        { x: 120, y: 20 },
        { x: 100, y: 260 },
        { x: 92, y: 415 },
        { x: 0, y: 415 },
      ],
      ['neck', 'shoulder', 'panel', 'panel', 'waist', 'centre-front'],
      { fold: 5 },
    )
    const joinPanel = { ...centre, edges: centre.edges.filter((e) => e.id !== 'e3'), corners: centre.corners.filter((c) => c.id !== 'c3') }
    const one = shapeOf(centre, 'one')
    const { e3, ...rest } = one.edges
    const middle = { ...joinPanel, shapes: { one: { ...one, edges: { ...rest, e2: [...one.edges.e2!, ...e3!] } } } }
    const side = polygonPiece(
      'side',
      'other',
      [
        { x: 0, y: 20 },
        { x: 90, y: 235 },
        { x: 70, y: 415 },
        { x: 0, y: 415 },
        { x: -20, y: 262 },
      ],
      ['armhole', 'side', 'waist', 'panel', 'panel'],
    )
    const sideOne = shapeOf(side, 'one')
    const { e4, ...sideRest } = sideOne.edges
    const panel = {
      ...side,
      edges: side.edges.filter((e) => e.id !== 'e4'),
      corners: side.corners.filter((c) => c.id !== 'c4'),
      shapes: { one: { ...sideOne, edges: { ...sideRest, e3: [...sideOne.edges.e3!, ...e4!] } } },
    }
    const notched = (piece: Piece, edgeId: string, from: 'start' | 'end') => ({
      ...piece,
      notches: [{ id: 'n', name: 'low', edgeId }],
      shapes: { one: { ...shapeOf(piece, 'one'), notches: { n: { from, distanceMm: 300 } } } },
    })
    const mark = ['front', 'side'].map((pieceId) => ({ pieceId, notchId: 'n' })) as Seam['marks'][number]
    const seam = { ...seamOf('princess', ['front', 'e2', false], ['side', 'e3', true]), marks: [mark] }
    const garment = garmentOf([notched(middle, 'e2', 'start'), notched(panel, 'e3', 'end')], [seam])
    const done = apply(bustAmount, garment, { ...inputs, amountMm: 16 })
    const grew = (g: Garment, p: string, e: string) => measureLength(edgePath(shapeOf(findPiece(g, p)!, 'one'), e))
    const [a, b] = [
      grew(done.garment, 'front', 'e2') - grew(garment, 'front', 'e2'),
      grew(done.garment, 'side', 'e3') - grew(garment, 'side', 'e3'),
    ]
    expect(Math.abs(a - b)).toBeLessThan(0.5)
    expect(done.touched.map((t) => t.pieceId)).toEqual(['front', 'side'])
    // Let out by as much together, at one place of the seam, and a mark below it still meets its partner.
    const out = (p: string, e: string) => {
      const [was, is] = [garment, done.garment].map((g) => edgePath(shapeOf(findPiece(g, p)!, 'one'), e))
      const places = Array.from({ length: 81 }, (_, i) => (measureLength(was!) * i) / 80)
      return Math.max(...places.map((mm) => nearestPlace(is!, placeAt(was!, mm).point).distanceMm))
    }
    expect(Math.abs(out('front', 'e2') + out('side', 'e3') - 16)).toBeLessThan(0.6)
    const off = (g: Garment) => walkGarment(g, 'one').seams[0]!.marks[0]!
    const moved = (g: Garment) => off(g).firstMm - off(g).secondMm
    expect(Math.abs(moved(done.garment) - moved(garment))).toBeLessThan(0.5)
    expect(outlineOf(findPiece(done.garment, 'side')!, shapeOf(findPiece(done.garment, 'side')!, 'one')).length).toBeGreaterThan(4)
  })
})
