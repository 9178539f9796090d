import { alongGrain, dot } from '../../geometry'
import { widthAt } from '../../measure'
import { type Garment, findPiece, doubleDartFigures, grainDirection } from '../../pattern'
import { EQUAL_MM, GRADE_MM } from '../../tolerances'
import { bothShapes, holdEdge, holdGrain, holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'
import { type FoundDoubleDart, figuresOf } from './find'
import type { DoubleDartInputs } from './schema'

/** No edge of the outline changes; both halves of the dart are alike, and it takes in what was asked. */
export function heldByDoubleDart(
  before: Garment,
  after: Garment,
  found: FoundDoubleDart,
  lineId: string,
  inputs: DoubleDartInputs,
  sizeId: string,
): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, found.piece.id, sizeId)
  const held = piece.edges.filter((e) => e.role !== 'dart-leg').map((e) => holdEdge(piece, was, is, e.id))
  held.push(holdGrain(piece, was, is))
  const now = findPiece(after, piece.id)!
  if (now.lines.some((l) => l.id === lineId)) {
    const [a, b] = doubleDartFigures(is, lineId).legsMm
    if (inputs.legs === 'ruled' || !found.lineId) held.push(holdMeasure('both legs alike', piece.name, a.above, b.above, EQUAL_MM))
  }
  if (inputs.raiseMm === 0) {
    const level = alongGrain(figuresOf(found, before, sizeId).middle, grainDirection(was))
    const wanted = widthAt(piece, was, level) - inputs.amountMm
    const upright = Math.abs(dot(figuresOf(found, before, sizeId).across, grainDirection(was))) < EQUAL_MM
    if (upright)
      held.push(holdMeasure('width at its widest place, less what it takes in', piece.name, wanted, widthAt(now, is, level), GRADE_MM))
  }
  return held
}
