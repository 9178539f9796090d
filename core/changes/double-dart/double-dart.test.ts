import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftWaistDart } from '../../../demo/waist-darts'
import { draftOnePiece } from '../../../demo/one-piece'
import { listFaults } from '../../advice'
import { distance, type Path } from '../../geometry'
import { walkGarment } from '../../match'
import { compareMeasures, narrowestPlace, NO_ZONING, widthAt } from '../../measure'
import { checkGarment, doubleDartFigures, findPiece, shapeOf, type Garment } from '../../pattern'
import { deepFreeze } from '../../pattern/test-pieces'
import { foldPlan, findKind, type Applied } from '..'
import { doubleDart, doubleDartInputs, type DoubleDartInputs } from '.'
import { contextWith, stopWith } from '../test-context'

const context = contextWith()
const DART = 'back waist-dart'
const GARMENT = deepFreeze(draftWaistDart())

function apply(garment: Garment, change: Partial<DoubleDartInputs>, ref = DART): Applied {
  const result = doubleDart.apply(garment, { ...doubleDartInputs(garment, ref)!, ...change }, context)
  if (!result.ok) throw new Error(result.problem.message)
  expect(checkGarment(result.value.garment)).toBeNull()
  expect(result.value.held.filter((h) => !h.held)).toEqual([])
  return result.value
}
const back = (garment: Garment) => findPiece(garment, 'back')!
const shape = (garment: Garment) => shapeOf(back(garment), 'one')
const figures = (garment: Garment, id = 'waist-dart') => doubleDartFigures(shape(garment), id)
const at = (garment: Garment) => widthAt(back(garment), shape(garment), figures(garment).middle.y)

describe('a dart with two tips', () => {
  it('is taken off the width where it is widest, by half as much half way to its tip, and not beyond it', () => {
    const without = { ...back(GARMENT), lines: [] }
    const d = figures(GARMENT)
    const taken = (y: number) => widthAt(without, shape(GARMENT), y) - widthAt(back(GARMENT), shape(GARMENT), y)
    expect(taken(d.middle.y)).toBeCloseTo(18, 6)
    expect(taken(d.middle.y - d.upperMm / 2)).toBeCloseTo(9, 6)
    expect(taken(d.lower.y + 1)).toBe(0)
  })
  it('is found again from its line, however the line is drawn', () => {
    const d = figures(GARMENT)
    const { from: upper } = shape(GARMENT).lines['waist-dart']![0]!
    // The same dart with curved legs: two strokes from tip to tip.
    const bow = (x: number) => ({ x: upper.x + x, y: d.middle.y })
    const lens: Path = [
      { kind: 'cubic', from: d.upper, c1: bow(-12), c2: bow(-12), to: d.lower },
      { kind: 'cubic', from: d.lower, c1: bow(12), c2: bow(12), to: d.upper },
    ]
    const curved = doubleDartFigures({ ...shape(GARMENT), lines: { lens } }, 'lens')
    // A cubic with both handles at 12 bows out by three quarters of that.
    expect(curved.intakeMm).toBeCloseTo(18, 9)
    expect(curved.upperMm + curved.lowerMm).toBeCloseTo(210, 6)
    expect(curved.legsMm[0].above).toBeCloseTo(curved.legsMm[1].above, 6)
  })
})

describe('make or change a dart inside a piece', () => {
  it('takes in exactly what is asked, with legs alike, and gives it back', () => {
    fc.assert(
      fc.property(
        fc.record({
          amountMm: fc.double({ min: -17, max: 25, noNaN: true }),
          upperMm: fc.double({ min: 60, max: 140, noNaN: true }),
          lowerMm: fc.double({ min: 60, max: 120, noNaN: true }),
          outMm: fc.double({ min: -30, max: 30, noNaN: true }),
        }),
        (wish) => {
          const after = apply(GARMENT, wish).garment
          const d = figures(after)
          expect(d.intakeMm).toBeCloseTo(18 + wish.amountMm, 6)
          expect(d.upperMm).toBeCloseTo(wish.upperMm, 6)
          expect(d.lowerMm).toBeCloseTo(wish.lowerMm, 6)
          expect(d.legsMm[0]).toEqual({ above: expect.closeTo(d.legsMm[1].above, 6), below: expect.closeTo(d.legsMm[1].below, 6) })
          expect(at(GARMENT) - at(after)).toBeCloseTo(wish.amountMm, 6)
          const again = apply(after, { amountMm: -wish.amountMm, upperMm: 120, lowerMm: 90, outMm: -wish.outMm }).garment
          const was = figures(GARMENT)
          for (const point of ['upper', 'lower', 'middle'] as const) expect(distance(figures(again)[point], was[point])).toBeLessThan(0.01)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('changes the ledger by the waist and the dart alone', () => {
    const after = apply(GARMENT, { amountMm: 8 }).garment
    const rows = compareMeasures(GARMENT, after, 'one', NO_ZONING)
    expect(rows.find((r) => r.id === 'dart:back:waist-dart')).toMatchObject({
      beforeMm: expect.closeTo(18, 6),
      afterMm: expect.closeTo(26, 6),
    })
    // A back on the fold goes round twice.
    const waist = rows.find((r) => r.id === 'finished:waist')!
    expect(waist.beforeMm! - waist.afterMm!).toBeCloseTo(16, 1)
    expect(rows.filter((r) => r.id.startsWith('seam:') || r.id.startsWith('edge:'))).toEqual([])
  })
  it('lets out to nothing at most, and then the dart is gone', () => {
    const far = doubleDart.apply(GARMENT, { ...doubleDartInputs(GARMENT, DART)!, amountMm: -30 }, context)
    expect(!far.ok && far.problem).toMatchObject({ code: 'takes-too-much', largestMm: expect.closeTo(-18, 6) })
    const gone = apply(GARMENT, { amountMm: -18 }).garment
    expect(back(gone).lines.some((l) => l.role === 'dart')).toBe(false)
    expect(widthAt(back(gone), shape(gone), figures(GARMENT).middle.y) - at(GARMENT)).toBeCloseTo(18, 6)
  })
  it('refuses to run over an edge, with what there is room for', () => {
    const wide = doubleDart.apply(GARMENT, { ...doubleDartInputs(GARMENT, DART)!, amountMm: 900 }, context)
    expect(!wide.ok && wide.problem.code).toBe('no-room')
    const most = !wide.ok ? wide.problem.largestMm! : 0
    expect(most).toBeGreaterThan(100)
    expect(apply(GARMENT, { amountMm: most }).garment).not.toBe(GARMENT)
    expect(doubleDart.apply(GARMENT, { ...doubleDartInputs(GARMENT, DART)!, lowerMm: 900 }, context).ok).toBe(false)
  })
  it('makes a new one at the waist, clear of the one that is there', () => {
    const front = apply(draftOnePiece(), { amountMm: 20 }, 'front +')
    const piece = findPiece(front.garment, 'front')!
    const line = piece.lines.find((l) => l.role === 'dart')!
    const d = doubleDartFigures(shapeOf(piece, 'one'), line.id)
    expect(d.intakeMm).toBeCloseTo(20, 6)
    expect(d.middle.y).toBeCloseTo(
      narrowestPlace(findPiece(draftOnePiece(), 'front')!, shapeOf(findPiece(draftOnePiece(), 'front')!, 'one'))!,
      3,
    )
    const clear = apply(GARMENT, { amountMm: 12 }, 'back +').garment
    // Moved onto the one that is there it has no room.
    const over = figures(GARMENT).middle.x - figures(clear, 'waist-dart-2').middle.x
    const beside = doubleDart.apply(GARMENT, { ...doubleDartInputs(GARMENT, 'back +')!, amountMm: 12, outMm: over }, context)
    expect(!beside.ok && beside.problem.code).toBe('no-room')
    expect(
      back(clear)
        .lines.filter((l) => l.role === 'dart')
        .map((l) => l.name),
    ).toEqual(['waist dart', 'waist dart 2'])
  })
  it('says when it takes in a lot, comes near the apex, or its legs are not alike', () => {
    const codes = (done: Applied) => done.cautions.map((c) => c.code)
    expect(codes(apply(GARMENT, { amountMm: 30 }))).toEqual(['wide-dart'])
    const front = findPiece(GARMENT, 'front')!
    const apex = shapeOf(front, 'one').points.apex!
    const inputs = { ...doubleDartInputs(GARMENT, 'front +')!, amountMm: 12 }
    const middle = figuresOfNew(inputs)
    const near = apply(GARMENT, { ...inputs, outMm: apex.x - middle.x, upperMm: middle.y - apex.y - 10 }, 'front +')
    expect(codes(near)).toEqual(['tip-near-apex'])
    const mended = doubleDart.apply(GARMENT, near.cautions[0]!.mend!.inputs as DoubleDartInputs, context)
    expect(mended.ok && mended.value.cautions).toEqual([])
  })
})

/** Where the widest place of a new dart on the front would lie. */
function figuresOfNew(inputs: DoubleDartInputs) {
  const made = doubleDart.apply(GARMENT, { ...inputs, upperMm: 60 }, context)
  if (!made.ok) throw new Error(made.problem.message)
  const piece = findPiece(made.value.garment, 'front')!
  return doubleDartFigures(shapeOf(piece, 'one'), piece.lines.find((l) => l.role === 'dart')!.id).middle
}

describe('a dart inside a piece, when other changes come', () => {
  const through = (amountMm: number) => {
    const inputs = {
      amountMm,
      pieceId: 'back',
      levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
      leftOut: [],
    }
    return foldPlan(GARMENT, [stopWith('lengthen', inputs)], context)
  }
  it('is lengthened by a line through it: tips with the paper, intake and legs kept, and it is said', () => {
    for (const amountMm of [19, -14]) {
      const plan = through(amountMm)
      const [was, is] = [figures(GARMENT), figures(plan.garment)]
      expect(is.intakeMm).toBeCloseTo(18, 6)
      expect(is.upperMm + is.lowerMm - was.upperMm - was.lowerMm).toBeCloseTo(amountMm, 6)
      expect(is.legsMm[0].above).toBeCloseTo(is.legsMm[1].above, 6)
      expect(plan.stops[0]!.applied!.cautions.map((c) => c.code)).toContain('line-through-dart')
    }
  })
  it('keeps its intake and its legs in every size of a grade', () => {
    const grade = findKind('grade')
    const begun = grade.begin(GARMENT, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    const done = grade.apply(GARMENT, { ...begun.value, intervalMm: 38, up: 3, down: 2 }, context)
    if (!done.ok) throw new Error(done.problem.message)
    expect(done.value.garment.sizes).toHaveLength(6)
    for (const { id } of done.value.garment.sizes) {
      const d = doubleDartFigures(shapeOf(back(done.value.garment), id), 'waist-dart')
      expect(d.intakeMm).toBeCloseTo(18, 6)
      expect(d.upperMm).toBeCloseTo(120, 6)
    }
  })
  it('has its legs walked; unequal ones are named, and mended at a click', () => {
    const path = shape(GARMENT).lines['waist-dart']!
    const skew = path.map((s, i) => ({
      ...s,
      ...(i === 0 ? { to: { ...s.to, y: s.to.y - 12 } } : i === 1 ? { from: { ...s.from, y: s.from.y - 12 } } : {}),
    }))
    const skewed = {
      ...GARMENT,
      pieces: GARMENT.pieces.map((p) =>
        p.id === 'back' ? { ...p, shapes: { one: { ...shape(GARMENT), lines: { ...shape(GARMENT).lines, 'waist-dart': skew } } } } : p,
      ),
    } as Garment
    expect(walkGarment(GARMENT, 'one').darts.find((d) => d.dartId === 'waist-dart')).toMatchObject({ verdict: 'good', corner: null })
    const faults = listFaults(foldPlan(skewed, [], context), contextWith())
    expect(faults.map((f) => f.id)).toEqual(['dart:back:waist-dart'])
    const [mend] = faults[0]!.mends
    if (mend?.how !== 'add') throw new Error('no mend is offered')
    const plan = foldPlan(skewed, [{ ...mend.change, id: 'mend' }], context)
    expect(listFaults(plan, contextWith())).toEqual([])
  })
})
