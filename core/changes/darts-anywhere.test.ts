import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftJacket } from '../../demo/jacket'
import { measureLength } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { checkGarment, edgePath, shapeOf, type EdgeRole, type Garment } from '../pattern'
import { applyOrRefuse } from './apply-or-refuse'
import { contextOf } from './context-of'
import { CHANGE_KINDS, findKind } from './registry'
import { dartsOf } from './shared/darts/find-darts'
import type { ChangeKind } from './types'

/** Edges that a bust dart may be turned to. */
const PLACES: EdgeRole[] = ['armhole', 'neck', 'shoulder', 'side', 'waist', 'hem']

/** A garment with its first front dart turned to the middle of every edge that takes one. */
function turnedEverywhere(name: string, garment: Garment): [string, Garment][] {
  const context = contextOf(garment, null, null, DEFAULT_TOLERANCES)
  const move = findKind('move-dart')!
  const found = dartsOf(garment).find((d) => d.piece.kind === 'front')!
  return found.piece.edges
    .filter((e) => PLACES.includes(e.role) && !e.fold)
    .flatMap((edge): [string, Garment][] => {
      const half = measureLength(edgePath(shapeOf(found.piece, garment.baseSizeId), edge.id)) / 2
      const begun = move.begin(garment, context)
      if (!begun.ok) throw new Error(begun.problem.message)
      const inputs = { ...(begun.value as object), dart: found.ref, edgeId: edge.id, atMm: half, sharePct: 100 }
      const done = move.apply(garment, inputs as never, context)
      return done.ok ? [[`${name}, dart in the ${edge.name}`, done.value.garment]] : []
    })
}

const GARMENTS = [...turnedEverywhere('blouse', draftBlouse()), ...turnedEverywhere('jacket', draftJacket())]

/**
 * Promises that a dart there breaks, and rightly says so: a dart that runs across the level tapers over another length, so that it
 * takes in another amount at the waist.
 */
const RIGHTLY_BROKEN: Record<string, RegExp> = { lengthen: /^narrowest width$/ }

describe('a pattern whose dart lies anywhere', () => {
  it('is looked at with darts in every edge', () => expect(GARMENTS.length).toBeGreaterThan(9))
  it.each(GARMENTS)('%s: every change that begins holds what it promises, or refuses in a sentence', (_, garment) => {
    const context = contextOf(garment, null, null, DEFAULT_TOLERANCES)
    let applied = 0
    for (const kind of CHANGE_KINDS as readonly ChangeKind<unknown>[]) {
      const begun = kind.begin(garment, context)
      if (!begun.ok) continue
      for (const amountMm of kind.withAmount ? [-7, 11] : [0]) {
        const inputs = kind.withAmount ? kind.withAmount(garment, begun.value, amountMm, context) : begun.value
        const done = applyOrRefuse(kind, garment, inputs, context)
        const where = `${kind.kind} by ${amountMm}`
        if (!done.ok) {
          expect(done.problem.code, where).not.toBe('program-fault')
          expect(done.problem.remedy, where).toMatch(/\w{3}.*\.$/)
          continue
        }
        applied++
        const broken = done.value.held.filter((h) => !h.held && !RIGHTLY_BROKEN[kind.kind]?.test(h.label))
        expect(broken.map((h) => `${where}: ${h.where}, ${h.label} ${h.before} ${h.after}`)).toEqual([])
        expect(checkGarment(done.value.garment), where).toBeNull()
      }
    }
    expect(applied).toBeGreaterThan(20)
  })
  it.each(GARMENTS)('%s: a dart can be moved and shared from where it begins to be', (_, garment) => {
    const context = contextOf(garment, null, null, DEFAULT_TOLERANCES)
    for (const name of ['move-dart', 'split-dart']) {
      const kind = findKind(name)!
      const begun = kind.begin(garment, context)
      expect(begun.ok && kind.apply(garment, begun.value as never, context).ok, name).toBe(true)
    }
  })
})
