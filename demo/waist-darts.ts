import { narrowestPlace } from '../core/measure'
import { findPiece, ruleDoubleDart, shapeOf, type Garment, type Piece } from '../core/pattern'
import { draftSleeveless } from './dart-blouses'
import { at, SIZE } from './draft-piece'

/** Ferryman's waistcoat, mm: a dart with two tips at the waist of the back. */
const INTAKE = 18
const UP = 120
const DOWN = 90
/** Part of the way from the centre to the side. */
const ACROSS = 0.46

/** A sleeveless blouse whose back is shaped by a dart inside it. */
export function draftWaistDart(): Garment {
  const garment = draftSleeveless()
  const back = findPiece(garment, 'back')!
  const shape = shapeOf(back, SIZE)
  // The grain of the back runs along y, its centre is x = 0.
  const waist = narrowestPlace(back, shape)!
  const top = at(shape.edges['side']![0]!.from.x * ACROSS, waist - UP)
  const path = ruleDoubleDart(top, at(top.x, top.y + UP + DOWN), UP, INTAKE)
  const shaped: Piece = {
    ...back,
    lines: [...back.lines, { id: 'waist-dart', name: 'waist dart', role: 'dart' }],
    shapes: { [SIZE]: { ...shape, lines: { ...shape.lines, 'waist-dart': path } } },
  }
  return { ...garment, pieces: garment.pieces.map((p) => (p === back ? shaped : p)) }
}
