import { expect } from 'vitest'
import { demoWardrobe } from './wardrobe'
import { measureLength } from '../core/geometry'
import { checkGarment, edgePath, findPiece, shapeOf, type Garment } from '../core/pattern'
import { armholesWithSleeve, measureArmhole, type ArmholeFigures } from '../core/seams'
import { applyOrRefuse } from '../core/changes/apply-or-refuse'
import { findKind } from '../core/changes/registry'
import { contextWith } from '../core/changes/test-context'
import type { Applied, ChangeContext, ChangeKind } from '../core/changes/types'

// What the tests of kinds share that walk all garments of the demo, in every size that each has.

const { projects } = demoWardrobe(new Date('2026-05-01'))

/** Every garment of the demo, once, with its name. */
export const DEMO: [string, Garment][] = projects
  .filter((p, i) => projects.findIndex((o) => o.garmentId === p.garmentId) === i)
  .map((p) => [p.name, p.garment])

/** The context of a garment as bought. */
export const contextFor = (garment: Garment): ChangeContext => contextWith({ sizeId: garment.baseSizeId, bought: garment })

/** The garments of the demo that a kind can be begun on, with what it begins with. */
export function begunOn<I>(kind: ChangeKind<I>, also: (garment: Garment) => boolean = () => true): [string, Garment, I][] {
  return DEMO.flatMap(([name, garment]): [string, Garment, I][] => {
    const begun = kind.begin(garment, contextFor(garment))
    return begun.ok && also(garment) ? [[name, garment, begun.value]] : []
  })
}

/** A change applied as a plan does: sound, every promise held; null where it is refused in a sentence. */
export function tried<I>(kind: ChangeKind<I>, garment: Garment, inputs: I, context = contextFor(garment)): Applied | null {
  const done = applyOrRefuse(kind, garment, inputs, context)
  if (!done.ok) {
    expect(done.problem.code).not.toBe('program-fault')
    expect(`${done.problem.message} ${done.problem.remedy}`).toMatch(/\w+.*\./)
    return null
  }
  expect(checkGarment(done.value.garment)).toBeNull()
  expect(done.value.held.filter((h) => !h.held).map((h) => `${h.where}: ${h.label} ${h.before} ${h.after}`)).toEqual([])
  return done.value
}

/** The same where it must work. */
export function done<I>(kind: ChangeKind<I>, garment: Garment, inputs: I, context = contextFor(garment)): Applied {
  const applied = tried(kind, garment, inputs, context)
  if (!applied) {
    const refused = applyOrRefuse(kind, garment, inputs, context)
    throw new Error(
      `${kind.kind} is refused: ${refused.ok ? '' : `${refused.problem.where}: ${refused.problem.message} ${refused.problem.remedy}`}`,
    )
  }
  return applied
}

/** The garment after a change of another kind, from what that begins with. */
export function changedBy(kindName: string, garment: Garment, inputs: object): Garment {
  const kind = findKind(kindName)!
  const begun = kind.begin(garment, contextFor(garment))
  if (!begun.ok) throw new Error(begun.problem.message)
  return done(kind as ChangeKind<unknown>, garment, { ...(begun.value as object), ...inputs }).garment
}

/** The length of all edges of a piece that have a role, mm. */
export const roleMm = (garment: Garment, pieceId: string, role: string, sizeId: string): number => {
  const piece = findPiece(garment, pieceId)!
  return piece.edges.filter((e) => e.role === role).reduce((sum, e) => sum + measureLength(edgePath(shapeOf(piece, sizeId), e.id)), 0)
}

/** Has a garment a sleeve that is sewn in? */
export const isSleeved = (garment: Garment): boolean => armholesWithSleeve(garment).ok

/** Armhole, cap and ease of its first armhole in a size. */
export function armholeFigures(garment: Garment, sizeId: string): ArmholeFigures {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) throw new Error(pairs.problem.message)
  return measureArmhole(garment, pairs.value[0]!, sizeId)
}
