import { distance, measureLength } from '../geometry'
import { alongGrain, edgeFamily, sideLength } from '../moves'
import {
  dartFigures,
  doubleDartFigures,
  doubleDartsOf,
  edgePath,
  grainDirection,
  shapeOf,
  timesCut,
  type EdgeRole,
  type Garment,
  type Piece,
  type Shape,
} from '../pattern'
import { narrowestPlace, widthAt } from './width-at'

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

const ZONE_NAMES: Record<string, string> = {
  bust: 'bust',
  waist: 'waist',
  hip: 'hip',
  thigh: 'thigh',
  knee: 'knee',
  bicep: 'bicep',
}

/** Grain coordinate of an inner line: the middle of its two ends. */
export function lineLevel(shape: Shape, lineId: string): number | null {
  const path = shape.lines[lineId]
  if (!path) return null
  const grain = grainDirection(shape)
  return (alongGrain(path[0]!.from, grain) + alongGrain(path[path.length - 1]!.to, grain)) / 2
}

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
    if (at === null || !(line.role in ZONE_NAMES)) continue
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

/** Sum over pieces of a width, times how often each is cut: what the sewn garment measures round the body. */
function finishedRound(garment: Garment, rows: { piece: Piece; mm: number }[]): number {
  return rows.reduce((sum, r) => sum + r.mm * timesCut(r.piece), 0)
}

/**
 * Every figure of a garment in one size, on the seam lines: edges, widths at marked levels and at the narrowest place,
 * dart intakes, both sides of every seam, and the finished measures round the body and at the openings.
 */
export function measureGarment(garment: Garment, sizeId: string): Measure[] {
  const rows: Measure[] = []
  const zones = new Map<string, { piece: Piece; mm: number }[]>()
  const rounds = new Map<EdgeRole, { piece: Piece; mm: number }[]>()
  for (const piece of garment.pieces) {
    const shape = shapeOf(piece, sizeId)
    const own = pieceMeasures(piece, shape)
    rows.push(...own)
    for (const line of piece.lines) {
      const name = ZONE_NAMES[line.role]
      const width = own.find((r) => r.id === `width:${piece.id}:${line.id}`)
      if (name && width) zones.set(name, [...(zones.get(name) ?? []), { piece, mm: width.mm }])
    }
    for (const edge of piece.edges)
      if (edge.role === 'hem' || edge.role === 'leg-opening') {
        const key = piece.kind === 'sleeve' ? 'cap' : edge.role
        rounds.set(key, [...(rounds.get(key) ?? []), { piece, mm: measureLength(edgePath(shape, edge.id)) }])
      }
  }
  const finished: Measure[] = [...zones].map(([name, parts]) => ({
    id: `finished:${name}`,
    group: 'finished',
    // A sleeve or leg goes round one limb; a pair of them is two limbs, not one.
    label: `finished ${name}`,
    where: parts.map((p) => p.piece.name).join(', '),
    mm: name === 'bicep' || name === 'thigh' || name === 'knee' ? finishedRound(garment, parts) / 2 : finishedRound(garment, parts),
  }))
  const legs = rounds.get('leg-opening')
  if (legs)
    finished.push({
      id: 'finished:leg-opening',
      group: 'finished',
      label: 'finished leg opening, one leg',
      where: legs.map((p) => p.piece.name).join(', '),
      mm: finishedRound(garment, legs) / 2,
    })
  const hems = rounds.get('hem')
  if (hems)
    finished.push({
      id: 'finished:hem',
      group: 'finished',
      label: 'finished hem',
      where: hems.map((p) => p.piece.name).join(', '),
      mm: finishedRound(garment, hems),
    })
  for (const seam of garment.seams)
    for (const side of [0, 1] as const) {
      const names = [...new Set(seam.sides[side].map((r) => garment.pieces.find((p) => p.id === r.pieceId)!.name))]
      rows.push({
        id: `seam:${seam.id}:${side}`,
        group: 'seam',
        label: seam.name,
        where: names.join(' + '),
        mm: sideLength(garment, seam, side, sizeId),
      })
    }
  return [...finished, ...rows]
}
