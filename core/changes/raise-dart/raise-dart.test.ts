import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftArmholeDart, draftTwoDarts } from '../../../demo/dart-blouses'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { distance } from '../../geometry'
import { dartFigures, findPiece, shapeOf } from '../../pattern'
import { apexOf, besideDart, familyMm, findDart, type FoundDart } from '../shared/darts/find-darts'
import { apply, context, DART, figures, shape } from '../shared/darts/test-darts'
import { raiseDartKind } from '.'

describe('raise or lower a dart', () => {
  it('raises and lowers a side dart with its apex, and comes back', () => {
    fc.assert(
      fc.property(fc.double({ min: -35, max: 30, noNaN: true }), (mm) => {
        // Drawn once, both its legs are alike from the apex.
        const garment = apply(raiseDartKind, draftBlouse(), { dart: DART, amountMm: 0.01, asideMm: 0 }).garment
        const up = apply(raiseDartKind, garment, { dart: DART, amountMm: mm, asideMm: 0 }).garment
        expect(shape(up).points.apex!.y).toBeCloseTo(shape(garment).points.apex!.y - mm, 6)
        const [a, b] = [figures(garment), figures(up)]
        expect(b.tip.y - a.tip.y).toBeCloseTo(-mm, 6)
        const back = apply(raiseDartKind, up, { dart: DART, amountMm: -mm, asideMm: 0 }).garment
        expect(distance(figures(back).first, a.first)).toBeLessThan(0.5)
      }),
      { numRuns: 12 },
    )
  })
  it('goes as far as its edge lets it, and refuses more with that', () => {
    for (const amountMm of [400, -400]) {
      const refused = raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm, asideMm: 0 }, context)
      if (refused.ok) throw new Error('a dart far off its edge was drawn')
      expect(refused.problem.code).toBe('amount-too-large')
      const most = refused.problem.largestMm!
      expect(Math.sign(most)).toBe(Math.sign(amountMm))
      expect(refused.problem.remedy).toContain(amountMm > 0 ? 'up' : 'down')
      expect(raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm: most, asideMm: 0 }, context).ok).toBe(true)
      expect(raiseDartKind.apply(draftBlouse(), { dart: DART, amountMm: most + Math.sign(amountMm) * 2, asideMm: 0 }, context).ok).toBe(
        false,
      )
    }
  })
  it('is dragged along the grain by its tip, and begins on the side dart where there is one', () => {
    const garment = draftBlouse()
    const begun = raiseDartKind.begin(garment, context)
    expect(begun).toEqual({ ok: true, value: { dart: DART, amountMm: 0, asideMm: 0 } })
    const inputs = { dart: DART, amountMm: 12, asideMm: 0 }
    const applied = apply(raiseDartKind, garment, inputs)
    const [handle] = raiseDartKind.handles(garment, inputs, applied, context)
    expect(distance(handle!.at, figures(applied.garment).tip)).toBeLessThan(0.001)
    // Up the page is up the body: an axis against the grain, on which 8 mm more raise it by 8 mm more.
    expect(handle!.axis).toEqual({ x: -0, y: -1 })
    expect(raiseDartKind.drag(garment, inputs, 'amount', 8, context)).toEqual({ dart: DART, amountMm: 20, asideMm: 0 })
    expect(raiseDartKind.begin(draftArmholeDart(), context).ok).toBe(true)
  })
  it('refuses a dart that has gone', () => {
    const refused = raiseDartKind.apply(draftBlouse(), { dart: 'front other-dart', amountMm: 5, asideMm: 0 }, context)
    expect(!refused.ok && refused.problem.code).toBe('reference-gone')
  })

  it.each([
    ['side dart', draftBlouse(), 'front side-dart', 'side'],
    ['waist dart', draftTrousers(TAPERED), 'back waist-dart', 'waist'],
    ['dart from the armhole', draftArmholeDart(), 'front side-dart', 'armhole'],
    ['dart from the shoulder', draftTwoDarts(), 'front side-dart-2', 'shoulder'],
  ] as const)('turns a %s to an apex beside it: its legs alike, its edge as long, about as wide', (_, garment, ref, role) => {
    const found = findDart(garment, ref) as FoundDart
    const was = apexOf(found)('one')
    const centre =
      found.piece.edges.find((e) => e.fold || e.role.startsWith('centre')) ?? found.piece.edges.find((e) => e.role === 'crotch')!
    const centreX = shapeOf(found.piece, 'one').edges[centre.id]![0]!.from.x
    const sideOf = (g: typeof garment) => {
      const piece = findPiece(g, found.piece.id)!
      const mm = [...new Set(besideDart(piece, shapeOf(piece, 'one'), found.dart))].reduce(
        (sum, f) => sum + familyMm(piece, shapeOf(piece, 'one'), f),
        0,
      )
      return { piece, mm, d: dartFigures(piece, shapeOf(piece, 'one'), found.dart) }
    }
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 16, noNaN: true }), fc.constantFrom(1, -1), (mm, way) => {
        const asideMm = mm * way
        const done = raiseDartKind.apply(garment, { dart: ref, amountMm: 0, asideMm }, context)
        if (!done.ok) throw new Error(done.problem.message)
        expect(done.value.held.filter((h) => !h.held)).toEqual([])
        const [before, after] = [sideOf(garment), sideOf(done.value.garment)]
        const apex = after.piece.points.filter((p) => p.role === 'apex').map((p) => shapeOf(after.piece, 'one').points[p.id]!)
        // Toward the side is further from the centre, at the same level.
        const outward = was.x >= centreX ? 1 : -1
        const reached = apex.some((p) => Math.abs((p.x - was.x) * outward - asideMm) < 1e-6 && Math.abs(p.y - was.y) < 1e-6)
        expect(reached).toBe(true)
        expect(Math.abs(after.d.intakeMm - before.d.intakeMm)).toBeLessThan(1.5)
        expect(distance(after.d.first, after.d.tip)).toBeCloseTo(distance(after.d.second, after.d.tip), 6)
        expect(Math.abs(after.mm - before.mm)).toBeLessThan(0.01)
        expect(after.d.before.role).toBe(role)
      }),
      { numRuns: 15 },
    )
  })
  it('raises and turns in one, and refuses to turn a dart over its own beginning with the most that it can', () => {
    const garment = draftBlouse()
    const both = apply(raiseDartKind, garment, { dart: DART, amountMm: 10, asideMm: -8 }).garment
    const from = apexOf(findDart(garment, DART) as FoundDart)('one')
    const to = apexOf(findDart(both, DART) as FoundDart)('one')
    expect([to.x - from.x, to.y - from.y].map((n) => Math.round(n * 1e6) / 1e6)).toEqual([-8, -10])
    const refused = raiseDartKind.apply(garment, { dart: DART, amountMm: 0, asideMm: 900 }, context)
    if (refused.ok) throw new Error('a dart was turned out of its piece')
    expect(refused.problem.remedy).toContain('toward the side')
    expect(raiseDartKind.apply(garment, { dart: DART, amountMm: 0, asideMm: refused.problem.largestMm! }, context).ok).toBe(true)
  })
  it('is turned by its second handle, away from the centre', () => {
    const inputs = { dart: DART, amountMm: 0, asideMm: 6 }
    const handles = raiseDartKind.handles(draftBlouse(), inputs, apply(raiseDartKind, draftBlouse(), inputs), context)
    expect(handles.map((h) => [h.id, h.axis.x, h.valueMm])).toEqual([
      ['amount', expect.closeTo(0), 0],
      ['aside', expect.closeTo(1), 6],
    ])
    expect(raiseDartKind.drag(draftBlouse(), inputs, 'aside', 4, context)).toEqual({ ...inputs, asideMm: 10 })
    expect(raiseDartKind.withAmount!(draftBlouse(), inputs, 3, context)).toEqual({ ...inputs, asideMm: 3 })
  })
})
