import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftSlantedDart } from '../../demo/dart-blouses'
import { draftTrousers, FLARED, TAPERED } from '../../demo/trousers'
import { nestOf } from '../../demo/nest'
import { draftQuayDress } from '../../demo/quay-dress'
import { line, measureLength } from '../geometry'
import { listFaults } from '../advice'
import { walkGarment } from '../match'
import { compareMeasures, measureGarment, NO_ZONING } from '../measure'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import { findKind, foldPlan, type Change } from './index'
import { settleNotches } from './settle-notches'
import { contextWith, stopWith } from './test-context'

const stop = stopWith
const fold = (garment: Garment, ...stops: Change[]) => foldPlan(garment, stops, contextWith({ sizeId: garment.baseSizeId }))
const at = (x: number, y: number) => ({ x, y })

describe('a garment can always be opened', () => {
  it.each([
    ['move-dart', 'hem', draftBlouse()],
    ['split-dart', 'hem', draftBlouse()],
    ['move-dart', 'leg-opening', draftTrousers(TAPERED)],
  ] as const)('after %s into the %s', (kind, role, garment) => {
    const begun = findKind(kind)!.begin(garment, contextWith())
    if (!begun.ok) throw new Error(begun.problem.message)
    const ref = (begun.value as { dart: string }).dart.split(' ')[0]!
    const edge = findPiece(garment, ref)!.edges.find((e) => e.role === role)!
    const inputs = findKind(kind)!.withField!(garment, begun.value, 'edgeId', edge.id)
    const plan = fold(garment, stop(kind, { ...(inputs as object), ...(kind === 'split-dart' ? { sharePct: 40 } : {}) }))
    expect(plan.stops[0]!.problem).toBeNull()
    const finished = (g: Garment) => measureGarment(g, 'one', NO_ZONING).find((m) => m.id === `finished:${role}`)!.mm
    // Parted by a dart, the edge counts as the one that is sewn: closed it is as long as before.
    expect(Math.abs(finished(plan.garment) - finished(garment))).toBeLessThan(0.5)
    expect(() => [
      compareMeasures(garment, plan.garment, 'one', NO_ZONING),
      walkGarment(plan.garment, 'one'),
      listFaults(plan, contextWith()),
    ]).not.toThrow()
  })

  it('also when the program fails inside one stop: that stop alone is refused, the others run', () => {
    const kind = findKind('lengthen')
    const garment = draftBlouse()
    const begun = kind.begin(garment, contextWith())
    if (!begun.ok) throw new Error('no line')
    const good = stop('lengthen', kind.withAmount!(garment, begun.value, 20, contextWith()))
    // Inputs that no schema lets through stand for a mistake of ours.
    const plan = fold(garment, stop('lengthen', null, 'broken'), good)
    expect(plan.stops.map((s) => s.status)).toEqual(['refused', 'applied'])
    expect(plan.stops[0]!.problem).toMatchObject({ code: 'program-fault' })
  })
})

describe('what a stop was made for may have gone', () => {
  const trousers = draftTrousers(FLARED)
  it.each<[string, Garment, Change]>([
    [
      'a wedge of nothing, hinged on an edge that has gone',
      draftBlouse(),
      stop('level-wedge', {
        pieceId: 'back',
        edgeId: 'fold',
        belowMm: 100,
        hingeEdgeId: 'gone',
        hingeBelowMm: 50,
        amountMm: 0,
        straighten: 'between',
      }),
    ],
    [
      'a slash of nothing, from an edge that has gone',
      draftBlouse(),
      stop('slash-swing', {
        pieceId: 'back',
        fromEdgeId: 'gone',
        fromMm: 10,
        hingeEdgeId: 'side',
        hingeMm: 10,
        amountMm: 0,
        swings: 'far',
      }),
    ],
    ['a blend with a size that has gone', trousers, stop('blend', { bust: 'gone', waist: 'one', hip: 'one', startMm: 0, endMm: 0 })],
    [
      'a blend with a size of a grade that is off',
      nestOf(draftQuayDress()),
      stop('blend', { bust: 'one+3+1', waist: 'one', hip: 'one', startMm: 0, endMm: 0 }),
    ],
    [
      'a level on a line that has gone',
      draftBlouse(),
      stop('lengthen', {
        amountMm: 20,
        pieceId: 'front',
        levels: [{ id: 'a', share: 1, mark: { by: 'line', id: 'gone' }, belowMm: 0 }],
        leftOut: [],
      }),
    ],
    [
      'a piece that has gone',
      draftBlouse(),
      stop('lengthen', {
        amountMm: 20,
        pieceId: 'constructor',
        levels: [{ id: 'a', share: 1, mark: { by: 'narrowest' }, belowMm: 0 }],
        leftOut: [],
      }),
    ],
  ])('%s is kept and marked', (_, garment, change) => {
    const plan = fold(garment, change)
    expect(plan.stops[0]).toMatchObject({ status: 'orphan' })
    expect(plan.garment).toBe(garment)
  })
})

/** A half front with a side dart that rises steeply from low on the side, as steep as a person draws one. */
function steepDart(degrees: number): Garment {
  const apex = at(95, 268)
  const slope = Math.tan((degrees * Math.PI) / 180)
  const y = (x: number) => apex.y + (x - apex.x) * slope
  const corners = [
    at(0, 60),
    at(78, 0),
    at(192, 38),
    at(200, 158),
    at(232, 232),
    at(232, y(232) - 14),
    apex,
    at(232, y(232) + 14),
    at(232, 470),
    at(0, 470),
  ]
  const piece = polygonPiece(
    'front',
    'front',
    corners,
    ['neck', 'shoulder', 'armhole', 'armhole', 'side', 'dart-leg', 'dart-leg', 'side', 'waist', 'centre-front'],
    { fold: 9 },
  )
  piece.darts.push({ id: 'd', name: 'side dart', legs: ['e5', 'e6'], pressTo: 'after' })
  piece.points.push({ id: 'apex', name: 'apex', role: 'apex' })
  piece.shapes.one!.points.apex = apex
  return garmentOf([piece])
}

describe('a steep side dart', () => {
  it.each([25, 35, 45, 52])('of %i degrees is straightened in one stop, its angle kept', (degrees) => {
    const garment = steepDart(degrees)
    expect(checkGarment(garment)).toBeNull()
    const begun = findKind('straighten-dart').begin(garment, contextWith())
    const plan = fold(garment, stop('straighten-dart', begun.ok ? begun.value : {}))
    expect(plan.stops[0]!.problem).toBeNull()
    expect(plan.stops[0]!.applied!.held.filter((h) => !h.held)).toEqual([])
  })
  it.each([30, 45])('of %i degrees is moved up along its own side', (degrees) => {
    const garment = steepDart(degrees)
    const plan = fold(
      garment,
      stop('move-dart', { dart: 'front d', edgeId: 'e4', atMm: 40, beyondMm: 0, sharePct: 100, tipBackMm: 38, trued: true }),
    )
    expect(plan.stops[0]!.problem).toBeNull()
    expect(plan.stops[0]!.applied!.held.filter((h) => !h.held)).toEqual([])
  })
  it('gives in one stop what the demo gives in one', () => {
    const plan = fold(
      draftSlantedDart(),
      stop('straighten-dart', { dart: 'front side-dart', way: 'exact', lowerMm: 0, tipBackMm: 38, trued: true }),
    )
    expect(plan.stops[0]!.status).toBe('applied')
  })
})

describe('a notch', () => {
  it('whose edge becomes shorter than the way to it is set at the edge’s end, and a caution says so', () => {
    // A side of 200 with a notch 150 from its upper end, cut down to 100 from above.
    const piece = polygonPiece(
      'front',
      'front',
      [at(0, 0), at(200, 0), at(200, 200), at(0, 200)],
      ['neck', 'side', 'hem', 'centre-front'],
      { fold: 3 },
    )
    piece.notches.push({ id: 'n', name: 'waist notch', edgeId: 'e1' })
    piece.shapes.one!.notches.n = { from: 'start', distanceMm: 150 }
    const before = garmentOf([piece])
    const after = structuredClone(before)
    after.pieces[0]!.shapes.one!.edges.e1 = [line(at(200, 0), at(200, 100))]
    after.pieces[0]!.shapes.one!.edges.e2 = [line(at(200, 100), at(0, 200))]
    const applied = { garment: after, touched: [], leftOut: [], held: [], cautions: [] }
    const settled = settleNotches(before, applied)
    expect(settled.garment.pieces[0]!.shapes.one!.notches.n).toEqual({ from: 'start', distanceMm: 100 })
    expect(settled.cautions).toMatchObject([{ code: 'notch-at-end', pieceId: 'front', message: expect.stringContaining('waist notch') }])
    expect(settleNotches(after, applied)).toBe(applied)
  })
  it('stays on its edge however much is taken in', () => {
    const garment = draftBlouse()
    const kinds = ['add-at-edge', 'lengthen', 'pivot-slide', 'take-in-fold', 'shoulder-width', 'bust-amount']
    for (const kind of kinds.map((k) => findKind(k)!))
      for (const mm of [-20, -60, -120, 60]) {
        const begun = kind.begin(garment, contextWith())
        if (!begun.ok) continue
        const plan = fold(garment, stop(kind.kind, kind.withAmount!(garment, begun.value, mm, contextWith())))
        for (const piece of plan.garment.pieces)
          for (const { id, edgeId, name } of piece.notches) {
            const shape = shapeOf(piece, 'one')
            expect(shape.notches[id]!.distanceMm, `${kind.kind} ${mm}, ${name}`).toBeLessThanOrEqual(
              measureLength(edgePath(shape, edgeId)) + 0.01,
            )
          }
      }
  })
})
