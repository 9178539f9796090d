import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftOnePiece } from '../../demo/one-piece'
import { draftQuayDress } from '../../demo/quay-dress'
import { draftTrousers, FLARED } from '../../demo/trousers'
import { listFaults } from '../advice'
import { compareMeasures, measureGarment, NO_ZONING } from '../measure'
import { checkGarment, type Garment } from '../pattern'
import { deepFreeze } from '../pattern/test-pieces'
import { CHANGE_KINDS, ChangeSchema, foldPlan, type Change } from './index'
import { contextWith, stopWith } from './test-context'

/** Laws of whole plans, on plans of random changes by random amounts over every demo garment. */

const context = contextWith()
const GARMENTS = [draftBlouse(), draftTrousers(FLARED), draftOnePiece(), draftQuayDress()].map((g) => deepFreeze(g))

const plans = fc
  .record({
    garment: fc.constantFrom(...GARMENTS),
    asked: fc.array(
      fc.record({
        kind: fc.constantFrom(...CHANGE_KINDS),
        amountMm: fc.integer({ min: -60, max: 60 }),
        on: fc.boolean(),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  })
  .map(({ garment, asked }) => ({
    garment,
    plan: asked.flatMap(({ kind, amountMm, on }, i): Change[] => {
      const begun = kind.begin(garment, context)
      if (!begun.ok) return []
      const inputs = kind.withAmount?.(garment, begun.value, amountMm, context) ?? begun.value
      return [stopWith(kind.kind, inputs, `c${i}`, on)]
    }),
  }))

// A plan is folded several times a case here; the seed can be changed to try others (core/test-set-up.ts).
const FEWER = { numRuns: 20 }

const figures = (garment: Garment) => measureGarment(garment, 'one', NO_ZONING).map((m) => [m.id, m.mm])

describe('any plan', () => {
  it('leaves sound pieces with all their edges, notches, marks and seams, whatever was refused on the way', () => {
    fc.assert(
      fc.property(plans, ({ garment, plan }) => {
        const folded = foldPlan(garment, plan, context)
        for (const stop of folded.stops) {
          expect(checkGarment(stop.garment)).toBeNull()
          expect(stop.status === 'refused' ? stop.problem!.message : '').not.toMatch(/undefined|NaN/)
          if (stop.status !== 'applied') expect(stop.applied).toBeNull()
        }
        // Nothing that a later change may name is lost; a dart that was moved or split may add parts.
        const names = (g: Garment) =>
          [
            ...g.pieces.flatMap((p) => [...p.edges.filter((e) => e.role !== 'dart-leg'), ...p.notches, ...p.lines, ...p.points]),
            ...g.seams,
          ].map((x) => x.id)
        expect(names(folded.garment)).toEqual(expect.arrayContaining(names(garment)))
      }),
      { numRuns: 30 },
    )
  })

  it('comes out the same from its JSON', () => {
    fc.assert(
      fc.property(plans, ({ garment, plan }) => {
        const read = (JSON.parse(JSON.stringify(plan)) as unknown[]).map((c) => ChangeSchema.parse(c))
        expect(figures(foldPlan(garment, read, context).garment)).toEqual(figures(foldPlan(garment, plan, context).garment))
      }),
      FEWER,
    )
  })

  it('with a stop switched off is the plan without it', () => {
    fc.assert(
      fc.property(plans, ({ garment, plan }) => {
        const without = plan.filter((c) => c.on)
        expect(figures(foldPlan(garment, plan, context).garment)).toEqual(figures(foldPlan(garment, without, context).garment))
      }),
      FEWER,
    )
  })

  it('folded again after an edit reuses what did not change, and gives what a fresh fold gives', () => {
    fc.assert(
      fc.property(plans, fc.nat(), ({ garment, plan }, pick) => {
        fc.pre(plan.length > 0)
        const first = foldPlan(garment, plan, context)
        const edited = plan.map((c, i) => (i === pick % plan.length ? { ...c, on: !c.on } : c))
        const again = foldPlan(garment, edited, context, first)
        for (let i = 0; i < pick % plan.length; i++) expect(again.stops[i]).toBe(first.stops[i])
        expect(figures(again.garment)).toEqual(figures(foldPlan(garment, edited, context).garment))
      }),
      FEWER,
    )
  })

  it('has a ledger whose rows are the differences of the figures, no more and no fewer', () => {
    fc.assert(
      fc.property(plans, ({ garment, plan }) => {
        const after = foldPlan(garment, plan, context).garment
        const was = new Map(measureGarment(garment, 'one', NO_ZONING).map((m) => [m.id, m.mm]))
        const is = new Map(measureGarment(after, 'one', NO_ZONING).map((m) => [m.id, m.mm]))
        const rows = compareMeasures(garment, after, 'one', NO_ZONING)
        for (const row of rows) {
          expect(row.beforeMm).toBe(was.get(row.id) ?? null)
          expect(row.afterMm).toBe(is.get(row.id) ?? null)
        }
        const moved = [...is].filter(([id, mm]) => !was.has(id) || Math.abs(was.get(id)! - mm) > 0.01).map(([id]) => id)
        const gone = [...was.keys()].filter((id) => !is.has(id))
        expect(rows.map((r) => r.id).sort()).toEqual([...moved, ...gone].sort())
      }),
    )
  })

  it('gets its faults worst first, each a sentence with a figure', () => {
    fc.assert(
      fc.property(plans, ({ garment, plan }) => {
        const faults = listFaults(foldPlan(garment, plan, context), contextWith())
        const lengths = faults.filter((f) => !f.id.startsWith('corner:'))
        for (let i = 1; i < lengths.length; i++)
          if (lengths[i]!.verdict === lengths[i - 1]!.verdict) expect(lengths[i]!.size).toBeLessThanOrEqual(lengths[i - 1]!.size)
        for (const f of faults) {
          expect(f.message).toMatch(/\{(mm|between) -?[\d.e-]+|\d°/)
          expect(f.message).not.toMatch(/undefined|NaN/)
        }
      }),
      { numRuns: 30 },
    )
  })
})
