import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { withCups } from '../../demo/cups'
import { crotchReadings } from '../../demo/crotch-readings'
import { draftOnePiece } from '../../demo/one-piece'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTwoDarts } from '../../demo/dart-blouses'
import { nestOf } from '../../demo/nest'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { checkGarment, type Garment } from '../pattern'
import { deepFreeze } from '../pattern/test-pieces'
import { CHANGE_KINDS, ChangeSchema, findChanges, foldPlan } from './index'
import { bodyWith, contextWith, stopWith } from './test-context'

const GARMENTS: [string, Garment][] = [
  ['blouse', deepFreeze(draftBlouse())],
  ['trousers', deepFreeze(draftTrousers(TAPERED))],
  ['one-piece', deepFreeze(draftOnePiece())],
  ['dress', deepFreeze(draftQuayDress())],
]
/** For what needs two darts on a piece, or several sizes. */
const OWN: Record<string, [string, Garment][]> = {
  'merge-darts': [['two darts', deepFreeze(draftTwoDarts())]],
  'piece-size': [['nest', deepFreeze(nestOf(draftBlouse()))]],
  'take-cup': [['cups', deepFreeze(withCups(draftBlouse()))]],
}
const context = contextWith({
  body: bodyWith({ heel: 330 }),
  crotchCurves: crotchReadings(draftTrousers(TAPERED), '2026-11-02'),
})

/** Every registered change on every demo garment that it can begin on. */
const CASES = CHANGE_KINDS.flatMap((kind) =>
  (OWN[kind.kind] ?? GARMENTS).flatMap(([name, garment]) => {
    const begun = kind.begin(garment, context)
    return begun.ok ? [{ title: `${kind.kind} on the ${name}`, kind, garment, inputs: begun.value }] : []
  }),
)

describe('every change', () => {
  it('is registered under its own name and can begin somewhere', () => {
    expect(new Set(CHANGE_KINDS.map((k) => k.kind)).size).toBe(CHANGE_KINDS.length)
    for (const kind of CHANGE_KINDS) expect(CASES.some((c) => c.kind === kind)).toBe(true)
  })

  it('refuses to begin with a sentence where it does not apply', () => {
    const refusals = CHANGE_KINDS.flatMap((kind) => GARMENTS.map(([, g]) => kind.begin(g, context))).filter((r) => !r.ok)
    expect(refusals.length).toBeGreaterThan(0)
    for (const r of refusals) expect(!r.ok && r.problem.message && r.problem.remedy).toBeTruthy()
  })

  describe.each(CASES)('$title', ({ kind, garment, inputs }) => {
    it('survives a round trip through JSON and its schema', () => {
      const change = { id: 'x', kind: kind.kind, inputs, on: true, note: '' }
      const read = ChangeSchema.parse(JSON.parse(JSON.stringify(change)))
      expect(read).toEqual(change)
      expect(ChangeSchema.safeParse({ ...change, inputs: { nonsense: 1 } }).success).toBe(false)
    })

    it.runIf(kind.withAmount)('with no amount changes nothing', () => {
      const result = kind.apply(garment, kind.withAmount!(garment, inputs, 0, context), context)
      expect(result.ok).toBe(true)
      if (!result.ok) return
      for (const [i, piece] of garment.pieces.entries()) expect(result.value.garment.pieces[i]).toEqual(piece)
    })

    it.each(kind.withAmount ? [30, -20] : [0])('by %d mm holds what it promises, measured, and leaves sound pieces', (amountMm) => {
      // A dart can give only what it has: then as much of it as works.
      const whole = kind.apply(garment, kind.withAmount?.(garment, inputs, amountMm, context) ?? inputs, context)
      const most = whole.ok ? 0 : whole.problem.largestMm
      // A front without a dart has nothing to give at all, and says so.
      if (!whole.ok && most === 0) return
      const result = most ? kind.apply(garment, kind.withAmount!(garment, inputs, most, context), context) : whole
      expect(result.ok ? '' : result.problem.message).toBe('')
      if (!result.ok) return
      const { garment: after, held, touched, cautions } = result.value
      for (const c of cautions) if (c.mend) expect(kind.schema.safeParse(c.mend.inputs).success).toBe(true)
      expect(checkGarment(after)).toBeNull()
      expect(held.length).toBeGreaterThan(3)
      expect(
        held
          .filter((h) => !h.held)
          .map((h) => `${h.where}: ${h.label} ${h.before} ${h.after}`)
          .join(),
      ).toBe('')
      for (const h of held) expect(Number.isFinite(h.before) && Number.isFinite(h.after)).toBe(true)
      expect(touched.length).toBeGreaterThan(0)
      // Edges keep their ids; a dart that parts one adds a part, one that closes takes its legs away.
      for (const [i, piece] of garment.pieces.entries())
        expect(after.pieces[i]!.edges.map((e) => e.id)).toEqual(
          expect.arrayContaining(piece.edges.filter((e) => e.role !== 'dart-leg').map((e) => e.id)),
        )
    })

    it.runIf(kind.withAmount)('refuses what cannot be, with the largest amount that works', () => {
      const refused = kind.apply(garment, kind.withAmount!(garment, inputs, -4000, context), context)
      expect(refused.ok).toBe(false)
      expect(!refused.ok && refused.problem.largestMm).toBeTypeOf('number')
    })

    it('becomes a visible orphan when its piece has gone', () => {
      const gone = { ...garment, pieces: [], seams: [] }
      const [stop] = foldPlan(gone, [stopWith(kind.kind, inputs)], context).stops
      expect(stop!.status).toBe('orphan')
      expect(stop!.garment).toBe(gone)
    })

    it('prints steps with drawings, and figures in the asked units', () => {
      const shorter = kind.withAmount?.(garment, inputs, -20, context) ?? inputs
      const set = kind.apply(garment, shorter, context).ok ? shorter : kind.withAmount!(garment, inputs, 12, context)
      const result = kind.apply(garment, set, context)
      if (!result.ok) throw new Error(result.problem.message)
      for (const ruler of ['in', 'cm'] as const) {
        const steps = kind.paperSteps({ before: garment, inputs: set, applied: result.value, context, ruler })
        expect(steps.length).toBeGreaterThan(2)
        expect(steps.some((s) => s.drawing !== null && s.drawing.strokes.length > 1)).toBe(true)
        expect(steps.some((s) => new RegExp(`\\d ${ruler}\\b`).test(s.text))).toBe(true)
        for (const s of steps) expect(s.text).not.toMatch(/undefined|NaN|\{mm/)
      }
    })

    it.runIf(kind.withAmount)('drags its handles, and the drag is the input', () => {
      const set = kind.withAmount!(garment, inputs, 12, context)
      const result = kind.apply(garment, set, context)
      if (!result.ok) throw new Error(result.problem.message)
      const amount = kind.handles(garment, set, result.value, context).find((h) => h.kind === 'amount')!
      const dragged = kind.drag(garment, set, amount.id, 6, context)
      const again = kind.apply(garment, dragged, context)
      if (!again.ok) throw new Error(again.problem.message)
      const now = kind.handles(garment, dragged, again.value, context).find((h) => h.id === amount.id)!
      expect(now.valueMm - amount.valueMm).toBeCloseTo(6, 6)
      expect((now.at.x - amount.at.x) * amount.axis.x + (now.at.y - amount.at.y) * amount.axis.y).toBeCloseTo(6 * (amount.pace ?? 1), 0)
    })

    it('names its fields after its own inputs', () => {
      // The side of the body is said only where it is one.
      const own = [...Object.keys(inputs as object), ...(kind.sideOf ? ['side'] : [])]
      for (const f of kind.fields(garment, inputs)) expect(own).toContain(f.key)
      expect(kind.describe(garment, inputs).title.length).toBeGreaterThan(3)
    })
  })
})

describe('every change on a nest of sizes', () => {
  const nests: [string, Garment][] = [
    ['blouse', deepFreeze(nestOf(draftBlouse()))],
    ['trousers', deepFreeze(nestOf(draftTrousers(TAPERED)))],
    ['dress', deepFreeze(nestOf(draftQuayDress()))],
  ]
  it.each(nests)('works in every size of the %s', (_, nest) => {
    for (const kind of CHANGE_KINDS) {
      const begun = kind.begin(nest, context)
      // A grade adds sizes to a nest that has them already: its own tests do that.
      if (!begun.ok || kind.kind === 'grade') continue
      const result = kind.apply(nest, kind.withAmount?.(nest, begun.value, 14, context) ?? begun.value, context)
      expect(result.ok ? '' : `${kind.kind}, ${result.problem.where}: ${result.problem.message}`).toBe('')
      if (!result.ok) continue
      expect(checkGarment(result.value.garment), kind.kind).toBeNull()
      expect(
        result.value.held
          .filter((h) => !h.held)
          .map((h) => `${kind.kind} ${h.where}: ${h.label} ${h.before} ${h.after}`)
          .join(),
      ).toBe('')
    }
  })
})

describe('findChanges', () => {
  it.each([
    ['shorten', 'lengthen'],
    ['too long above the waist', 'lengthen'],
    ['shorten the body by 1 3/8 inch', 'lengthen'],
    ['hem drops at the back', 'uneven-hem'],
    ['waist seam too low', 'place-seam'],
    ['seam falls off the shoulder', 'shoulder-width'],
    ['skirt too full', 'hem-fullness'],
    ['back hem tilts', 'level-wedge'],
    ['squarer shoulder', 'pivot-slide'],
    ['cut and spread', 'slash-swing'],
    ['dart to the side', 'move-dart'],
    ['dart too wide', 'split-dart'],
    ['angled dart', 'straighten-dart'],
    ['two darts into one', 'merge-darts'],
    ['armhole gapes', 'take-in-fold'],
    ['dart too low', 'raise-dart'],
    ['dart makes a point', 'finish-dart'],
    ['tight over the bust', 'bust-amount'],
    ['hollow back', 'double-dart'],
    ['skirt in another size', 'piece-size'],
    ['front for another cup', 'take-cup'],
    // With a slip of the hand in the word that says what is meant.
    ['armhole gappes', 'take-in-fold'],
    ['uneven hemm at the back', 'uneven-hem'],
    ['straigthen a dart', 'straighten-dart'],
    ['SHORTEN', 'lengthen'],
  ])('finds for “%s” %s first', (question, kind) => {
    expect(findChanges(question)[0]?.kind).toBe(kind)
  })
  it('gives all for nothing, and none for what it does not know', () => {
    for (const nothing of ['', '  ', '1 3/8', 'the', 'It is at THE']) expect(findChanges(nothing)).toHaveLength(CHANGE_KINDS.length)
    expect(findChanges('zebra')).toHaveLength(0)
  })
})
