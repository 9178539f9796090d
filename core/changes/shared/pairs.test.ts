import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bendsAnew, blemishes, edgesOf, sleeved, twoEdgeCap, yokedBlouse } from '../../../demo/test-garments'
import { PAIR_CHANGES } from '../../../demo/test-pair-changes'
import { draftBlouse } from '../../../demo/blouse'
import { draftJacket } from '../../../demo/jacket'
import { draftSleeveless } from '../../../demo/dart-blouses'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { nestOf } from '../../../demo/nest'
import { measureLength } from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import { armholesWithSleeve, findArmholes, HALVES, measureArmhole, runLength, shoulderAbove } from '../../seams'
import { applyOrRefuse } from '../apply-or-refuse'
import { CHANGE_KINDS, findKind } from '../registry'
import { contextWith } from '../test-context'
import type { Applied } from '../types'

const context = contextWith()

/** Applies a kind as a plan does; null where it is refused with an amount that works. */
function done(kind: string, garment: Garment, inputs: unknown): Applied | null {
  const result = applyOrRefuse(findKind(kind)!, garment, inputs, { ...context, bought: garment })
  if (result.ok) return result.value
  expect(`${result.problem.message} ${result.problem.remedy}`).toMatch(/\S/)
  expect(result.problem.code).not.toBe('program-fault')
  return null
}
const broken = (applied: Applied) => applied.held.filter((h) => !h.held).map((h) => `${h.where}: ${h.label} ${h.before} ${h.after}`)
const pairOf = (garment: Garment) => {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) throw new Error(pairs.problem.message)
  return pairs.value[0]!
}
const easesOf = (garment: Garment) => measureArmhole(garment, pairOf(garment), 'one').ease
/** Turns of the sewn outline that are sharper by more than 5 degrees than they were. */
const newTurns = (before: Garment, after: Garment) => {
  const was = new Map(cornersAsSewn(walkGarment(before, 'one')).map((c) => [c.id, c.turnDeg]))
  return cornersAsSewn(walkGarment(after, 'one'))
    .filter((c) => Math.abs(c.turnDeg) > Math.abs(was.get(c.id) ?? 0) + 5)
    .map((c) => `${c.where} ${c.turnDeg.toFixed(1)}`)
}

describe('armhole and cap are found', () => {
  it('on one and on two sleeve pieces, and over a yoke', () => {
    for (const garment of [draftBlouse(), draftJacket(), yokedBlouse()]) {
      const pair = pairOf(garment)
      expect(findPiece(garment, pair.front[0]!.pieceId)!.kind).toBe('front')
      const figures = measureArmhole(garment, pair, 'one')
      for (const half of HALVES) expect(figures.cap[half]).toBeCloseTo(figures.armhole[half] + figures.ease[half], 9)
    }
    expect(pairOf(yokedBlouse()).back.map((r) => r.pieceId)).toEqual(['yoke', 'back'])
  })
  it('and why not where there is none', () => {
    const why = (garment: Garment) => {
      const found = armholesWithSleeve(garment)
      return found.ok ? null : found.problem.code
    }
    expect(why(draftSleeveless())).toBe('no-sleeve')
    expect(why(draftTrousers(TAPERED))).toBe('no-armhole')
    expect(findArmholes(draftSleeveless())).toHaveLength(1)
  })
  it('a shoulder over a seam that is not there is refused by name', () => {
    const unsewn = { ...draftBlouse(), seams: draftBlouse().seams.filter((s) => s.id !== 'shoulder') }
    const begun = findKind('shoulder-forward').begin(unsewn, context)
    expect(!begun.ok && begun.problem.code).toBe('no-shoulder-seam')
  })
})

describe('a forward shoulder on made garments', () => {
  const amounts = fc.integer({ min: -10, max: 22 }).filter((a) => a !== 0)
  it('keeps the armholes together, both shoulders, the ease of each half', () => {
    fc.assert(
      fc.property(sleeved, amounts, fc.boolean(), fc.integer({ min: 0, max: 8 }), (garment, amountMm, slides, acrossMm) => {
        const applied = done('shoulder-forward', garment, { amountMm, sleeve: slides ? 'slide' : 'notch', acrossMm })
        if (!applied) return
        expect(broken(applied).join()).toBe('')
        const after = applied.garment
        const [a] = findArmholes(garment)
        const sum = (g: Garment) => HALVES.reduce((mm, half) => mm + runLength(g, a![half], 'one'), 0)
        expect(Math.abs(sum(after) - sum(garment))).toBeLessThan(0.05)
        expect(runLength(after, a!.back, 'one') - runLength(garment, a!.back, 'one')).toBeCloseTo(amountMm, 1)
        for (const half of HALVES) {
          const runs = shoulderAbove(garment, a![half], 'one').shoulder.filter((s) => !s.isLeg)
          expect(Math.abs(runLength(after, runs, 'one') - runLength(garment, runs, 'one'))).toBeLessThan(0.05)
          expect(Math.abs(easesOf(after)[half] - easesOf(garment)[half])).toBeLessThan(0.3)
        }
        expect(checkGarment(after)?.message ?? '').toBe('')
        expect(newTurns(garment, after).join()).toBe('')
      }),
      { numRuns: 60 },
    )
  })
})

describe('a fuller or slimmer bicep on made garments', () => {
  it('opens by the amount, keeps wrist, seams and ease; each armhole takes half of what the cap grows by', () => {
    fc.assert(
      fc.property(
        sleeved,
        fc.integer({ min: -25, max: 60 }).filter((a) => a !== 0),
        fc.constantFrom('lower', 'out'),
        (garment, amountMm, armhole) => {
          const applied = done('bicep-width', garment, { amountMm, armhole })
          if (!applied) return
          expect(broken(applied).join()).toBe('')
          const [was, is] = [
            measureArmhole(garment, pairOf(garment), 'one'),
            measureArmhole(applied.garment, pairOf(applied.garment), 'one'),
          ]
          const grew = is.cap.front + is.cap.back - was.cap.front - was.cap.back
          for (const half of HALVES) {
            expect(Math.abs(is.armhole[half] - was.armhole[half] - grew / 2)).toBeLessThan(0.05)
            expect(Math.abs(is.ease[half] - was.ease[half])).toBeLessThan(0.3)
          }
          expect(checkGarment(applied.garment)?.message ?? '').toBe('')
          expect(newTurns(garment, applied.garment).join()).toBe('')
        },
      ),
      { numRuns: 50 },
    )
  })
  it('is refused beyond sense, with an amount that works', () => {
    const refused = applyOrRefuse(findKind('bicep-width'), draftJacket(), { amountMm: 900, armhole: 'out' }, context)
    expect(refused.ok).toBe(false)
    const most = refused.ok ? 0 : refused.problem.largestMm!
    expect(most).toBeGreaterThan(20)
    expect(done('bicep-width', draftJacket(), { amountMm: most, armhole: 'out' })).not.toBeNull()
  })
})

describe('armhole and shoulder slope on made garments', () => {
  it('a lowered armhole takes as much off both sides, and the cap follows in every way', () => {
    fc.assert(
      fc.property(
        sleeved,
        fc.integer({ min: -8, max: 30 }).filter((a) => a !== 0),
        fc.constantFrom('height', 'width', 'both'),
        (garment, amountMm, cap) => {
          const applied = done('lower-armhole', garment, { amountMm, cap })
          if (!applied) return
          expect(broken(applied).join()).toBe('')
          for (const half of HALVES) expect(Math.abs(easesOf(applied.garment)[half] - easesOf(garment)[half])).toBeLessThan(0.3)
          expect(newTurns(garment, applied.garment).join()).toBe('')
        },
      ),
      { numRuns: 50 },
    )
  })
  it('a squarer or more sloping shoulder keeps its length and the armhole’s', () => {
    fc.assert(
      fc.property(
        sleeved,
        fc.integer({ min: -16, max: 16 }).filter((a) => a !== 0),
        fc.constantFrom('kept', 'grows'),
        (garment, amountMm, armhole) => {
          const applied = done('shoulder-slope', garment, { amountMm, armhole })
          if (!applied) return
          expect(broken(applied).join()).toBe('')
          expect(checkGarment(applied.garment)?.message ?? '').toBe('')
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('redrawn lines look drawn by hand', () => {
  const CASES: [string, unknown][] = [
    ['shoulder-forward', { amountMm: 14, sleeve: 'slide', acrossMm: 0 }],
    ['shoulder-forward', { amountMm: 6, sleeve: 'notch', acrossMm: 6 }],
    ['bicep-width', { amountMm: 30, armhole: 'out' }],
    ['lower-armhole', { amountMm: 12, cap: 'height' }],
    ['lower-armhole', { amountMm: 12, cap: 'width' }],
    ['shoulder-slope', { amountMm: 9, armhole: 'kept' }],
    ['shoulder-slope', { amountMm: -9, armhole: 'kept' }],
  ]
  it.each(CASES)('%s %o: no corner and no bend back that was not there', (kind, inputs) => {
    // Over a yoke an armhole cannot go up as a whole: its length is brought back at the underarm, and that may show.
    for (const garment of [draftBlouse(), draftJacket(), ...(kind === 'shoulder-slope' ? [] : [yokedBlouse()])]) {
      const applied = done(kind, garment, inputs)
      // A hollow sleeve seam that is widest at the bicep has to bend out there and back: that is the change itself.
      const seams = kind === 'bicep-width' ? /seam-front|seam-back/ : /^$/
      expect(applied && blemishes(garment, applied.garment).filter((b) => !seams.test(b))).toEqual([])
    }
  })
})

describe('on made garments, with made amounts', () => {
  it.each(PAIR_CHANGES)('$kind: no armhole, cap or neckline bends back where it did not', ({ kind, inputs }) => {
    let redrawn = 0
    fc.assert(
      fc.property(sleeved, inputs, (garment, set) => {
        const applied = done(kind, garment, set)
        if (!applied) return
        const was = new Map(edgesOf(garment).map((e) => [e.name, e.path]))
        for (const piece of applied.garment.pieces)
          for (const edge of piece.edges.filter((e) => ['cap', 'armhole', 'neck'].includes(e.role))) {
            const [old, path] = [was.get(`${piece.id} ${edge.id}`)!, edgePath(shapeOf(piece, 'one'), edge.id)]
            if (path !== old) redrawn += 1
            expect(path !== old && bendsAnew(old, path), `${piece.name}, ${edge.name}`).toBe(false)
          }
      }),
      { numRuns: 30 },
    )
    expect(redrawn).toBeGreaterThan(20)
  })
})

describe('cap and armhole follow each other', () => {
  const lowered = (garment: Garment) => done('lower-armhole', garment, { amountMm: 14, cap: 'left' })!.garment
  it.each(['height', 'width', 'both'] as const)('the cap by %s: the ease as bought, in every size', (way) => {
    const bought = nestOf(draftJacket())
    const off = lowered(bought)
    const applied = applyOrRefuse(findKind('cap-to-armhole'), off, { way, frontMm: 0, backMm: 0 }, { ...context, bought })
    if (!applied.ok) throw new Error(applied.problem.message)
    for (const size of bought.sizes)
      for (const half of HALVES) {
        const ease = (g: Garment) => measureArmhole(g, pairOf(g), size.id).ease[half]
        expect(Math.abs(ease(applied.value.garment) - ease(bought))).toBeLessThan(0.3)
        expect(Math.abs(ease(off) - ease(bought))).toBeGreaterThan(2)
      }
  })
  it('the ease that is asked for, front and back each', () => {
    const applied = done('cap-to-armhole', draftBlouse(), { way: 'height', frontMm: 4, backMm: -3 })!
    expect(easesOf(applied.garment).front - easesOf(draftBlouse()).front).toBeCloseTo(4, 2)
    expect(easesOf(applied.garment).back - easesOf(draftBlouse()).back).toBeCloseTo(-3, 2)
  })
  it('also where the cap is drawn as two edges that meet at the shoulder, in every way', () => {
    const bought = twoEdgeCap()
    expect(checkGarment(bought)?.message ?? '').toBe('')
    const off = lowered(bought)
    for (const way of ['height', 'width', 'both']) {
      const applied = applyOrRefuse(findKind('cap-to-armhole')!, off, { way, frontMm: 4, backMm: -3 }, { ...context, bought })
      if (!applied.ok) throw new Error(applied.problem.message)
      expect(broken(applied.value)).toEqual([])
      expect(easesOf(applied.value.garment).front - easesOf(bought).front).toBeCloseTo(4, 2)
      expect(easesOf(applied.value.garment).back - easesOf(bought).back).toBeCloseTo(-3, 2)
    }
  })
  it('the armhole: sleeve untouched, side seams equal', () => {
    const bought = draftBlouse()
    const off = lowered(bought)
    const applied = applyOrRefuse(findKind('armhole-to-cap'), off, { way: 'lower', frontMm: 0, backMm: 0 }, { ...context, bought })
    if (!applied.ok) throw new Error(applied.problem.message)
    expect(findPiece(applied.value.garment, 'sleeve')!.shapes.one!.edges).toEqual(findPiece(off, 'sleeve')!.shapes.one!.edges)
    expect(applied.value.held.filter((h) => !h.held)).toEqual([])
  })
  it('a length that no cap has is refused with the nearest', () => {
    const refused = applyOrRefuse(findKind('cap-to-armhole'), draftBlouse(), { way: 'height', frontMm: 480, backMm: 480 }, context)
    expect(!refused.ok && refused.problem.message).toContain('at the nearest')
  })
})

describe('no stop leaves a cap behind without saying so', () => {
  const garments: [string, Garment][] = [
    ['blouse', draftBlouse()],
    ['jacket', draftJacket()],
    ['nest', nestOf(draftJacket())],
  ]
  it.each(garments)('on the %s', (_, garment) => {
    for (const kind of CHANGE_KINDS) {
      const begun = kind.begin(garment, context)
      if (!begun.ok) continue
      const inputs = kind.withAmount?.(garment, begun.value, 12, context) ?? begun.value
      const applied = applyOrRefuse(kind, garment, inputs, { ...context, bought: garment })
      if (!applied.ok || applied.value.setsEase) continue
      const sleeves = armholesWithSleeve(applied.value.garment)
      if (!sleeves.ok) continue
      const off = HALVES.some((half) => Math.abs(easesOf(applied.value.garment)[half] - easesOf(garment)[half]) > 0.3)
      const says = applied.value.cautions.some((c) => c.code === 'cap-left-behind')
      expect(`${kind.kind} ${says}`).toBe(`${kind.kind} ${off}`)
    }
  })
})

describe('a front that was opened out for a fold on one side', () => {
  const bought = draftBlouse()
  const fold = { dart: 'front side-dart', edgeId: 'armhole', from: 'at-armhole', atMm: 110, amountMm: 13, sides: 'one', tipBackMm: 38 }
  const opened = done('take-in-fold', bought, fold)!.garment
  it('has two armholes that share the back', () => {
    const armholes = findArmholes(opened)
    expect(armholes.map((a) => a.back)).toEqual([armholes[0]!.back, armholes[0]!.back])
    expect(armholes[0]!.front).not.toEqual(armholes[1]!.front)
  })
  it.each([
    ['shoulder-forward', { amountMm: 8, sleeve: 'slide', acrossMm: 6 }],
    ['lower-armhole', { amountMm: 10, cap: 'height' }],
    ['shoulder-slope', { amountMm: 6, armhole: 'kept' }],
    ['bicep-width', { amountMm: 20, armhole: 'out' }],
    ['armhole-to-cap', { way: 'out', frontMm: 2, backMm: 2 }],
  ])('%s changes the shared back once, and both sides alike', (kind, inputs) => {
    const applied = applyOrRefuse(findKind(kind)!, opened, inputs, { ...context, bought })
    if (!applied.ok) throw new Error(applied.problem.message)
    expect(broken(applied.value)).toEqual([])
  })
  it('one sleeve cannot follow two armholes that differ: the one that it does not fit is named', () => {
    const applied = applyOrRefuse(findKind('cap-to-armhole'), opened, { way: 'height', frontMm: 0, backMm: 0 }, { ...context, bought })
    if (!applied.ok) throw new Error(applied.problem.message)
    expect(broken(applied.value).join()).toContain('right: front cap, ease')
  })
})

describe('promises measure the result', () => {
  it('that the bicep opened by so much is read off the turned sleeve seams', () => {
    for (const garment of [draftBlouse(), draftJacket()])
      for (const amountMm of [7, 26, -12]) {
        const applied = done('bicep-width', garment, { amountMm, armhole: 'out' })!
        const promise = applied.held.find((h) => h.label === 'bicep opens by')!
        expect(promise.after).toBeCloseTo(amountMm, 2)
        expect(promise.after).not.toBe(amountMm)
      }
  })
})

describe('what does not change', () => {
  it('the sleeve seams of a two-piece sleeve keep their lengths in all ways of a cap', () => {
    for (const cap of ['height', 'width', 'both'] as const) {
      const before = draftJacket()
      const after = done('lower-armhole', before, { amountMm: 15, cap })!.garment
      for (const id of ['upper-sleeve', 'under-sleeve'])
        for (const edge of ['seam-front', 'seam-back', 'hem']) {
          const mm = (g: Garment) => measureLength(edgePath(shapeOf(findPiece(g, id)!, 'one'), edge))
          expect(Math.abs(mm(after) - mm(before))).toBeLessThan(0.05)
        }
    }
  })
})
