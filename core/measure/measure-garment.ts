import { distance, measureLength } from '../geometry'

import {
  dartFigures,
  doubleDartFigures,
  doubleDartsOf,
  edgeFamily,
  edgePath,
  shapeOf,
  type Garment,
  type InnerLineRole,
  type Piece,
  type Shape,
  sideLength,
} from '../pattern'
import { finishedMeasures, type Zoning } from './finished-measures'
import { lineLevel } from './levels'
import { narrowestPlace } from './narrowest-place'
import { widthAt } from './width-at'

/** What a figure measures. */
export type MeasureGroup = 'finished' | 'seam' | 'edge' | 'width' | 'dart'

export interface Measure {
  /** Stable: the same thing has the same id before and after a change. */
  id: string
  group: MeasureGroup
  label: string
  /** The piece, or the pieces joined. */
  where: string
  mm: number
}

/** Inner lines whose width is measured on each piece. */
const WIDTH_LINES: readonly InnerLineRole[] = ['bust', 'waist', 'hip', 'thigh', 'knee', 'bicep']

const measuredPieces = new WeakMap<Shape, { piece: Piece; measures: Measure[] }>()

function pieceMeasures(piece: Piece, shape: Shape): Measure[] {
  const known = measuredPieces.get(shape)
  if (known?.piece === piece) return known.measures
  const rows: Measure[] = []
  for (const edge of piece.edges) {
    if (edge.role === 'dart-leg') continue
    const path = edgePath(shape, edge.id)
    // The parts of an edge that a dart parts count as the one edge that they are when it is closed.
    const id = `edge:${piece.id}:${edgeFamily(edge.id)}`
    const whole = rows.find((r) => r.id === id)
    if (whole) whole.mm += measureLength(path)
    else rows.push({ id, group: 'edge', label: edge.name, where: piece.name, mm: measureLength(path) })
    if (edge.role === 'hem' || edge.role === 'leg-opening')
      rows.push({
        id: `width:${piece.id}:${edge.id}`,
        group: 'width',
        label: `${edge.name}, straight across`,
        where: piece.name,
        mm: distance(path[0]!.from, path[path.length - 1]!.to),
      })
  }
  for (const dart of piece.darts)
    rows.push({
      id: `dart:${piece.id}:${dart.id}`,
      group: 'dart',
      label: `${dart.name}, intake`,
      where: piece.name,
      mm: dartFigures(piece, shape, dart).intakeMm,
    })
  for (const dart of doubleDartsOf(piece))
    rows.push({
      id: `dart:${piece.id}:${dart.id}`,
      group: 'dart',
      label: `${dart.name}, intake`,
      where: piece.name,
      mm: doubleDartFigures(shape, dart.id).intakeMm,
    })
  for (const line of piece.lines) {
    const at = lineLevel(shape, line.id)
    if (at === null || !WIDTH_LINES.includes(line.role)) continue
    rows.push({ id: `width:${piece.id}:${line.id}`, group: 'width', label: line.name, where: piece.name, mm: widthAt(piece, shape, at) })
  }
  const narrow = narrowestPlace(piece, shape)
  if (narrow !== null)
    rows.push({
      id: `width:${piece.id}:narrowest`,
      group: 'width',
      label: 'narrowest place',
      where: piece.name,
      mm: widthAt(piece, shape, narrow),
    })
  measuredPieces.set(shape, { piece, measures: rows })
  return rows
}

/**
 * Every figure of a garment in one size, on the seam lines: the finished measures round the body and at the openings, edges,
 * widths at marked levels and at the narrowest place, dart intakes, both sides of every seam.
 */
export function measureGarment(garment: Garment, sizeId: string, zoning: Zoning): Measure[] {
  const pieces = garment.pieces.flatMap((piece) => pieceMeasures(piece, shapeOf(piece, sizeId)))
  const seams = garment.seams.flatMap((seam) =>
    ([0, 1] as const).map((side): Measure => {
      const names = [...new Set(seam.sides[side].map((r) => garment.pieces.find((p) => p.id === r.pieceId)!.name))]
      return {
        id: `seam:${seam.id}:${side}`,
        group: 'seam',
        label: seam.name,
        where: names.join(' + '),
        mm: sideLength(garment, seam, side, sizeId),
      }
    }),
  )
  return [...finishedMeasures(garment, sizeId, zoning), ...pieces, ...seams]
}
