import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftArmholeDart, draftDartless, draftSlantedDart, draftTwoDarts } from '../../demo/dart-blouses'
import { distance, measureLength, nearestPlace, placeAt, subtract, turnRad } from '../geometry'
import { walkGarment } from '../match'
import { mapShapes, otherHalf, sideLength } from '../moves'
import { findZones, finishedMm } from '../size'
import {
  capReachMm,
  dartIn,
  checkGarment,
  dartFigures,
  edgePath,
  findPiece,
  outlineOf,
  shapeOf,
  type EdgeRole,
  type Garment,
  type Piece,
  type Seam,
} from '../pattern'
import { garmentOf, polygonPiece, seamOf } from '../pattern/test-pieces'
import { bustAmount, type BustAmountInputs } from './bust-amount'
import { finishDart, foldCap } from './finish-dart'
import { mergeDartsKind } from './merge-darts'
import { moveDartKind, splitDart, type MoveDartInputs } from './move-dart'
import { dartTrack } from './move-dart/places'
import { raiseDartKind } from './raise-dart'
import { straightenDart } from './straighten-dart'
import { takeInFoldKind } from './take-in-fold'
import type { Applied, ChangeKind } from './types'

const DEG = 180 / Math.PI
const context = { sizeId: 'one' }
const DART = 'front side-dart'

function apply<I>(kind: ChangeKind<I>, garment: Garment, inputs: I): Applied {
  const result = kind.apply(garment, inputs, context)
  if (!result.ok) throw new Error(`${result.problem.where}: ${result.problem.message}`)
  expect(checkGarment(result.value.garment)).toBeNull()
  expect(result.value.held.filter((h) => !h.held)).toEqual([])
  return result.value
}
const front = (garment: Garment) => findPiece(garment, 'front')!
const shape = (garment: Garment) => shapeOf(front(garment), 'one')
const figures = (garment: Garment, id = 'side-dart') => dartFigures(front(garment), shape(garment), dartIn(front(garment), id))
const roleMm = (garment: Garment, role: EdgeRole) =>
  front(garment)
    .edges.filter((e) => e.role === role)
    .reduce((sum, e) => sum + measureLength(edgePath(shape(garment), e.id)), 0)

describe('straighten a dart', () => {
  const exact = { dart: DART, way: 'exact' as const, lowerMm: 0, tipBackMm: 38, trued: true }
  it('lays the middle line on the cross-grain, exactly; half the intake by the ruler misses, and says by how much', () => {
    for (const garment of [draftSlantedDart(), draftBlouse()]) {
      const done = apply(straightenDart, garment, exact)
      const d = figures(done.garment)
      // The grain of these fronts runs along y: the middle of the mouth is as high as the apex, and the tip between them.
      const apex = shape(done.garment).points.apex!
      const middle = { x: (d.first.x + d.second.x) / 2, y: (d.first.y + d.second.y) / 2 }
      expect(Math.abs(turnRad({ x: 1, y: 0 }, subtract(middle, apex))) * DEG).toBeLessThan(0.01)
      expect(Math.abs(d.tip.y - apex.y)).toBeLessThan(0.01)
      expect(distance(d.tip, apex)).toBeCloseTo(38, 6)
      expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
      const ruler = apply(straightenDart, garment, { ...exact, way: 'ruler' })
      const missed = ruler.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(Number(/lies ([\d.]+) degrees/.exec(missed.message)![1])).toBeGreaterThan(0.01)
      expect(missed.mend!.inputs).toEqual(exact)
    }
  })
  it('goes lower where the cross-grain runs into the armhole, and says so', () => {
    // The apex as high as the hollow of the armhole, or just below it so that only the upper leg runs into it.
    for (const y of [240, 252, 264]) {
      const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y } } }))
      const done = straightenDart.apply(garment, exact, context)
      if (!done.ok) throw new Error(done.problem.message)
      const said = done.value.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(said.message).toContain('runs into the armhole, so the dart lies lower')
      const piece = front(done.value.garment)
      expect(dartFigures(piece, shape(done.value.garment), piece.darts[0]!).before.role).toBe('side')
      expect(done.value.cautions.map((c) => c.code)).not.toContain('near-armhole')
      // What cannot be straight is not promised to be; the mark lies far off the dart's line, so the side differs, and says so.
      expect(done.value.held.filter((h) => !h.held).map((h) => h.label)).toEqual(['side seam, difference of its sides'])
    }
  })
  it('says when an end comes near the armhole, and lowers it at a click', () => {
    // The apex little below the armhole.
    const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y: 295 } } }))
    const near = apply(straightenDart, garment, exact)
    const mend = near.cautions.find((c) => c.code === 'near-armhole')!.mend!
    const lower = apply(straightenDart, garment, mend.inputs as typeof exact)
    expect(figures(lower.garment).first.y).toBeGreaterThan(figures(near.garment).first.y)
  })
})

describe('move and split a dart', () => {
  const begun = (garment: Garment) => {
    const inputs = moveDartKind.begin(garment, context)
    if (!inputs.ok) throw new Error(inputs.problem.message)
    return inputs.value
  }
  it('by dragging along the outline keeps the angle and shows another intake; it snaps to corners and across the grain', () => {
    const garment = draftArmholeDart()
    const inputs = begun(garment)
    expect(front(garment).edges.find((e) => e.id === inputs.edgeId)!.role).toBe('side')
    const one = apply(moveDartKind, garment, inputs)
    const dragged = moveDartKind.drag(garment, inputs, 'first', 70, context)
    const two = apply(moveDartKind, garment, dragged)
    const apex = shape(garment).points.apex!
    const angle = (g: Garment) => turnRad(subtract(figures(g).first, apex), subtract(figures(g).second, apex)) * DEG
    expect(Math.abs(angle(one.garment) - angle(garment))).toBeLessThan(0.001)
    expect(Math.abs(angle(two.garment) - angle(garment))).toBeLessThan(0.001)
    expect(figures(two.garment).intakeMm).not.toBeCloseTo(figures(one.garment).intakeMm, 0)
    // Within four millimetres of the corner at the underarm it rests on the corner.
    const back = moveDartKind.drag(garment, { ...inputs, atMm: 30 }, 'first', -28, context)
    expect(Math.min(back.atMm, measureLength(edgePath(shape(garment), back.edgeId)) - back.atMm)).toBeLessThan(0.011)
    const handle = moveDartKind.handles(garment, inputs, one, context)[0]!
    expect(nearestPlace(handle.track!, handle.at).distanceMm).toBeLessThan(0.01)
  })
  it('stays where it is when it is dragged into its own mouth, from either side', () => {
    const garment = draftBlouse()
    const upper = measureLength(edgePath(shape(garment), 'side-upper'))
    for (const place of [
      { edgeId: 'side-upper', atMm: upper },
      { edgeId: 'side-lower', atMm: 0 },
    ]) {
      const done = apply(moveDartKind, garment, { ...begun(garment), ...place, trued: false })
      expect(figures(done.garment).first).toEqual(figures(garment).first)
      expect(done.moves).toEqual([])
    }
  })
  it('has the whole open outline to lie on, and neither fold nor legs', () => {
    const garment = draftBlouse()
    const { edges, path } = dartTrack(front(garment), shape(garment))
    expect(edges.map((e) => e.edge.role)).not.toContain('dart-leg')
    expect(edges.every((e) => !e.edge.fold)).toBe(true)
    expect(measureLength(path)).toBeCloseTo(
      edges.reduce((sum, e) => sum + e.lengthMm, 0),
      3,
    )
  })
  it('splits by share, and refuses a place beside its edge with what is there', () => {
    const inputs = splitDart.begin(draftBlouse(), context)
    if (!inputs.ok) throw new Error('no dart')
    const done = apply(splitDart, draftBlouse(), { ...inputs.value, sharePct: 30 })
    expect(front(done.garment).darts).toHaveLength(2)
    const beside: MoveDartInputs = { ...begun(draftBlouse()), atMm: 9000 }
    const refused = moveDartKind.apply(draftBlouse(), beside, context)
    expect(!refused.ok && refused.problem.code).toBe('beside-edge')
  })
  it('warns of a tip on the apex, of an end near the armhole, and of so wide a dart that two are better; a click mends each', () => {
    const garment = draftBlouse()
    const mendOf = (inputs: MoveDartInputs, code: string, of = garment) => {
      const caution = apply(moveDartKind, of, inputs).cautions.find((c) => c.code === code)!
      const mended = apply(moveDartKind, of, caution.mend!.inputs as MoveDartInputs)
      expect(mended.cautions.map((c) => c.code)).not.toContain(code)
    }
    mendOf({ ...begun(garment), tipBackMm: 0 }, 'tip-on-apex')
    const slanted = draftSlantedDart()
    mendOf({ ...begun(slanted), edgeId: 'side-upper', atMm: 12, tipBackMm: 38 }, 'near-armhole', slanted)
    // A front whose side dart has well over 60 degrees.
    const tip = { x: 150, y: 260 }
    const corners = [
      { x: 0, y: 60 },
      { x: 90, y: 0 },
      { x: 200, y: 40 },
      { x: 260, y: 165 },
      tip,
      { x: 260, y: 355 },
      { x: 250, y: 520 },
      { x: 0, y: 520 },
    ]
    const roles: EdgeRole[] = ['neck', 'shoulder', 'armhole', 'dart-leg', 'dart-leg', 'side', 'hem', 'centre-front']
    const piece = polygonPiece('front', 'front', corners, roles, { fold: 7 })
    const wide = garmentOf([{ ...piece, darts: [{ id: 'side-dart', name: 'side dart', legs: ['e3', 'e4'], pressTo: 'after' }] }])
    mendOf({ ...begun(wide), edgeId: 'e6', atMm: 120, tipBackMm: 25 }, 'wide-dart', wide)
  })
  it('leaves a corner of the piece a corner when it is moved there and away again', () => {
    const garment = draftBlouse()
    const armhole = measureLength(edgePath(shape(garment), 'armhole'))
    const there = apply(moveDartKind, garment, { ...begun(garment), edgeId: 'armhole', atMm: armhole }).garment
    const away = apply(moveDartKind, there, { ...begun(there), edgeId: 'side-lower', atMm: 40 }).garment
    const corner = (g: Garment) => front(g).corners[front(g).edges.findIndex((e) => e.id === 'side-upper')]!
    expect(corner(away)).toEqual(corner(garment))
    const angle = (g: Garment) => {
      const [arm, side] = [edgePath(shape(g), 'armhole'), edgePath(shape(g), 'side-upper')]
      const end = placeAt(arm, measureLength(arm))
      return turnRad(end.tangent, placeAt(side, 0).tangent) * DEG
    }
    expect(angle(away)).toBeCloseTo(angle(garment), 1)
  })
})

describe('merge, take in, raise', () => {
  it('merges into one dart with equal legs', () => {
    const inputs = mergeDartsKind.begin(draftTwoDarts(), context)
    if (!inputs.ok) throw new Error('no two darts')
    const done = apply(mergeDartsKind, draftTwoDarts(), inputs.value)
    expect(front(done.garment).darts).toHaveLength(1)
    const d = figures(done.garment, front(done.garment).darts[0]!.id)
    expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.02)
  })
  it('takes a pinned fold from the armhole into the dart; it is measured from either corner or a notch', () => {
    const garment = draftBlouse()
    const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 165, amountMm: 12, sides: 'both' as const, tipBackMm: 38 }
    const done = apply(takeInFoldKind, garment, inputs)
    expect(figures(done.garment).intakeMm).toBeGreaterThan(figures(garment).intakeMm)
    const lost = roleMm(garment, 'armhole') - roleMm(done.garment, 'armhole')
    expect(lost).toBeGreaterThan(8)
    expect(lost).toBeLessThan(13)
    const whole = measureLength(edgePath(shape(garment), 'armhole'))
    const fromEnd = apply(takeInFoldKind, garment, { ...inputs, from: 'at-side-upper', atMm: whole - 177 })
    expect(figures(fromEnd.garment).intakeMm).toBeCloseTo(figures(done.garment).intakeMm, 2)
    // The notch lies 86 mm before the underarm.
    const fromNotch = apply(takeInFoldKind, garment, { ...inputs, from: 'notch:armhole', atMm: 5 })
    const same = apply(takeInFoldKind, garment, { ...inputs, atMm: whole - 81 })
    expect(figures(fromNotch.garment).intakeMm).toBeCloseTo(figures(same.garment).intakeMm, 6)
    const beside = takeInFoldKind.apply(garment, { ...inputs, amountMm: 900 }, context)
    expect(!beside.ok && beside.problem.largestMm).toBeGreaterThan(20)
  })
  it('takes a fold of one side in on that side alone: the piece is opened out, each half as it would be by itself', () => {
    const garment = draftBlouse()
    const inputs = { dart: DART, edgeId: 'armhole', from: 'at-armhole', atMm: 165, amountMm: 12, sides: 'both' as const, tipBackMm: 38 }
    const both = apply(takeInFoldKind, garment, inputs).garment
    for (const [sides, changed, kept] of [
      ['one', (id: string) => id, otherHalf],
      ['other', otherHalf, (id: string) => id],
    ] as const) {
      const done = apply(takeInFoldKind, garment, { ...inputs, sides })
      expect(done.cautions.map((c) => c.code)).toContain('opened-out')
      expect(front(done.garment).edges.some((e) => e.fold)).toBe(false)
      const intake = (id: string) => figures(done.garment, id).intakeMm
      expect(intake(changed('side-dart'))).toBeCloseTo(figures(both).intakeMm, 6)
      expect(intake(kept('side-dart'))).toBeCloseTo(figures(garment).intakeMm, 6)
      const armholeMm = (g: Garment, id: string) => measureLength(edgePath(shape(g), id))
      expect(armholeMm(done.garment, changed('armhole'))).toBeCloseTo(armholeMm(both, 'armhole'), 6)
      expect(armholeMm(done.garment, kept('armhole'))).toBeCloseTo(armholeMm(garment, 'armhole'), 6)
      // The sleeve is not changed: only the side that was pinned has a cap too long for it.
      const off = walkGarment(done.garment, 'one').seams.filter((s) => s.verdict !== 'good')
      const asBoth = walkGarment(both, 'one').seams.filter((s) => s.verdict !== 'good')
      expect(off.map((s) => s.seam.id)).toEqual(asBoth.map((s) => changed(s.seam.id)))
    }
  })
  it('raises and lowers a side dart with its apex, and comes back', () => {
    fc.assert(
      fc.property(fc.double({ min: -35, max: 30, noNaN: true }), (mm) => {
        // Drawn once, both its legs are alike from the apex.
        const garment = apply(raiseDartKind, draftBlouse(), { dart: DART, amountMm: 0.01 }).garment
        const up = apply(raiseDartKind, garment, { dart: DART, amountMm: mm }).garment
        expect(shape(up).points.apex!.y).toBeCloseTo(shape(garment).points.apex!.y - mm, 6)
        const [a, b] = [figures(garment), figures(up)]
        expect(b.tip.y - a.tip.y).toBeCloseTo(-mm, 6)
        const back = apply(raiseDartKind, up, { dart: DART, amountMm: -mm }).garment
        expect(distance(figures(back).first, a.first)).toBeLessThan(0.5)
      }),
      { numRuns: 12 },
    )
  })
})

describe('finish a dart', () => {
  const leg = { x: 230, y: 245 }
  /** Worked case 4 with equal legs: the lower end as far from the tip as the upper. */
  it('worked case 4: the cap’s point lies where the folded edge is straight', () => {
    const tip = { x: 133, y: 268 }
    const [la, lb] = [distance(tip, leg), distance(tip, { x: 226, y: 275 })]
    const low = { x: tip.x + ((226 - tip.x) * la) / lb, y: tip.y + ((275 - tip.y) * la) / lb }
    const corners = [{ x: 0, y: 100 }, { x: 232, y: 232 }, leg, tip, low, { x: 205, y: 415 }, { x: 0, y: 415 }]
    const roles: EdgeRole[] = ['other', 'side', 'dart-leg', 'dart-leg', 'side', 'waist', 'centre-front']
    const piece = polygonPiece('front', 'front', corners, roles, { fold: 6 })
    const dart = { id: 'd', name: 'side dart', legs: ['e2', 'e3'] as [string, string], pressTo: 'after' as const }
    const own = { ...piece, darts: [dart] }
    const folded = foldCap(own, shapeOf(own, 'one'), dart)
    expect(folded.offMm).toBeLessThan(0.05)
    // L sin a / sin(a + t / 2), with a at the end where the seam goes on: only so does the fold come out straight.
    const t = Math.abs(turnRad(subtract(leg, tip), subtract(low, tip)))
    const a = Math.abs(turnRad(subtract(tip, low), subtract({ x: 205, y: 415 }, low)))
    const cap = folded.under[0]!.to
    expect(distance(cap, tip)).toBeCloseTo(capReachMm(la, a, t), 6)
  })
  it('worked case 4: its figure, from the leg’s end and the seam’s direction as they lie open', () => {
    const [tip, low, onward] = [
      { x: 133, y: 268 },
      { x: 226, y: 275 },
      { x: 205, y: 415 },
    ]
    const a = Math.abs(turnRad(subtract(tip, leg), subtract(onward, low)))
    const t = Math.abs(turnRad(subtract(leg, tip), subtract(low, tip)))
    expect(capReachMm(distance(tip, leg), a, t)).toBeCloseTo(94.967, 3)
  })
  it('on generated darts makes legs equal to 0.01 mm and folds flat to 0.05 mm, whichever way it is pressed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(draftBlouse(), draftArmholeDart(), draftSlantedDart(), draftTwoDarts()),
        fc.constantFrom('before' as const, 'after' as const),
        fc.double({ min: 10, max: 60, noNaN: true }),
        (garment, pressTo, tipBackMm) => {
          for (const dart of front(garment).darts) {
            const done = apply(finishDart, garment, { dart: `front ${dart.id}`, tipBackMm, legs: 'equal', pressTo })
            const d = figures(done.garment, dart.id)
            expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
            const now = dartIn(front(done.garment), dart.id)
            expect(now.pressTo).toBe(pressTo)
            expect(foldCap(front(done.garment), shape(done.garment), now).offMm).toBeLessThan(0.05)
          }
        },
      ),
      { numRuns: 15 },
    )
  })
})

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
      const done = bustAmount.apply(garment, { ...inputs, amountMm: 0 }, { sizeId: 'one', wearer: { fullBustMm, highBustMm }, bustEaseMm })
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
