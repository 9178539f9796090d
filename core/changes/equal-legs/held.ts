import { dartFigures, type Shape } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { DEG } from '../../units'
import type { FoundDart } from '../shared/darts/find-darts'
import { holdEdge, holdGrain, holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'
import { besideLeg } from './beside-leg'
import type { EqualLegsInputs } from './schema'

/** The dart’s angle, and every edge but the leg that grows and the one beside it. */
export function heldByEqualLegs({ piece, dart }: FoundDart, inputs: EqualLegsInputs, was: Shape, is: Shape): HeldPromise[] {
  const beside = besideLeg({ piece, dart }, was, inputs.leg).id
  const moving = dart.legs[inputs.leg === 'first' ? 0 : 1]
  const angleDeg = (shape: Shape) => dartFigures(piece, shape, dart).angleRad * DEG
  return [
    ...piece.edges.filter((e) => e.id !== beside && e.id !== moving).map((e) => holdEdge(piece, was, is, e.id)),
    holdMeasure('dart’s angle', piece.name, angleDeg(was), angleDeg(is), EQUAL_MM, 'deg'),
    holdGrain(piece, was, is),
  ]
}
