import { expect } from 'vitest'
import { measureLength } from '../../../geometry'
import { checkGarment, dartFigures, dartIn, edgePath, findPiece, shapeOf, type EdgeRole, type Garment } from '../../../pattern'
import type { Applied, ChangeKind } from '../../types'
import { contextWith } from '../../test-context'

// What the tests of changes to darts share: fronts are called “front”, in one size, their bust dart “side-dart”.

export const context = contextWith()
export const DART = 'front side-dart'

/** Applies a change that must succeed with a sound garment and every promise held. */
export function apply<I>(kind: ChangeKind<I>, garment: Garment, inputs: I): Applied {
  const result = kind.apply(garment, inputs, context)
  if (!result.ok) throw new Error(`${result.problem.where}: ${result.problem.message}`)
  expect(checkGarment(result.value.garment)).toBeNull()
  expect(result.value.held.filter((h) => !h.held)).toEqual([])
  return result.value
}
export const front = (garment: Garment) => findPiece(garment, 'front')!
export const shape = (garment: Garment) => shapeOf(front(garment), 'one')
export const figures = (garment: Garment, id = 'side-dart') => dartFigures(front(garment), shape(garment), dartIn(front(garment), id))
export const roleMm = (garment: Garment, role: EdgeRole) =>
  front(garment)
    .edges.filter((e) => e.role === role)
    .reduce((sum, e) => sum + measureLength(edgePath(shape(garment), e.id)), 0)
