import { add, distance, dot, mix, scale, type Point, alongGrain, crossPoints } from '../../geometry'
import { narrowestPlace } from '../../measure'

import {
  doubleDartFigures,
  doubleDartsOf,
  findPiece,
  grainDirection,
  outlineOf,
  refOf,
  shapeOf,
  type DoubleDartFigures,
  type Garment,
  type Piece,
  type Shape,
} from '../../pattern'
import type { DoubleDartInputs } from './schema'

/** What stands for the line id where a dart is to be made. */
const NEW = '+'

export interface FoundDoubleDart {
  ref: string
  piece: Piece
  /** Null for one that is to be made. */
  lineId: string | null
  name: string
}

/** Every double-ended dart of a garment, and every piece with a waist inside it, where one could be made. */
export function doubleDartPlaces(garment: Garment): FoundDoubleDart[] {
  return garment.pieces.flatMap((piece) => {
    const there = doubleDartsOf(piece).map((l) => ({ ref: refOf(piece.id, l.id), piece, lineId: l.id, name: l.name }))
    const waist = waistAt(piece, shapeOf(piece, garment.baseSizeId))
    return waist ? [...there, { ref: refOf(piece.id, NEW), piece, lineId: null, name: 'waist dart' }] : there
  })
}

/** The dart, or the place of a new one, that a change names; undefined when it has gone. */
export const findDoubleDart = (garment: Garment, ref: string) => doubleDartPlaces(garment).find((d) => d.ref === ref)

/** Usual reach of a waist dart up and down from its widest place, mm; a front one ends further from the bust. */
const REACH_MM = { front: { up: 110, down: 100 }, other: { up: 130, down: 120 } }

/** The widest place of a new dart lies at least this far inside the piece, along the grain, mm. */
const ROOM_MM = 40

interface Waist {
  at: Point
  upMm: number
  downMm: number
}

/** Where a waist dart would lie on a piece: at its waist, where there is none yet, as long as there is room; null without a waist inside. */
function waistAt(piece: Piece, shape: Shape): Waist | null {
  const grain = grainDirection(shape)
  const line = piece.lines.find((l) => l.role === 'waist')
  const level = line ? alongGrain(shape.lines[line.id]![0]!.from, grain) : narrowestPlace(piece, shape)
  if (level === null) return null
  const across = { x: -grain.y, y: grain.x }
  const met = crossPoints(outlineOf(piece, shape), grain, level).sort((a, b) => dot(a, across) - dot(b, across))
  if (met.length < 2) return null
  const half = piece.edges.some((e) => e.fold || e.role === 'centre-front' || e.role === 'centre-back')
  // Half way across, or on each side of a whole piece's middle; a further one goes where none is yet.
  const spots = (half ? [0.5, 0.72, 0.28] : [0.75, 0.25]).map((share) => mix(met[0]!, met[met.length - 1]!, share))
  const free = (p: Point) => doubleDartsOf(piece).every((d) => distance(doubleDartFigures(shape, d.id).middle, p) > ROOM_MM)
  const at = spots.find(free) ?? spots[0]!
  // How far the piece goes on straight up and down from there.
  const ends = crossPoints(outlineOf(piece, shape), across, dot(at, across)).map((p) => alongGrain(p, grain) - level)
  const up = Math.min(...ends.filter((d) => d < 0).map((d) => -d))
  const down = Math.min(...ends.filter((d) => d > 0))
  if (!Number.isFinite(up) || !Number.isFinite(down) || up < ROOM_MM || down < ROOM_MM) return null
  const usual = piece.kind === 'front' ? REACH_MM.front : REACH_MM.other
  return { at, upMm: Math.min(usual.up, up - ROOM_MM / 2), downMm: Math.min(usual.down, down - ROOM_MM / 2) }
}

/** A dart's figures in one size as it is; those of one to be made have no intake yet. */
export function figuresOf(found: FoundDoubleDart, garment: Garment, sizeId: string): DoubleDartFigures {
  const piece = findPiece(garment, found.piece.id)!
  const shape = shapeOf(piece, sizeId)
  if (found.lineId) return doubleDartFigures(shape, found.lineId)
  const waist = waistAt(piece, shape)
  if (!waist) throw new Error(`${piece.name} has no waist in size ${sizeId}`)
  const down = grainDirection(shape)
  const at = (mm: number): Point => add(waist.at, scale(down, mm))
  return {
    upper: at(-waist.upMm),
    lower: at(waist.downMm),
    down,
    across: { x: -down.y, y: down.x },
    lips: [waist.at, waist.at],
    middle: waist.at,
    intakeMm: 0,
    upperMm: waist.upMm,
    lowerMm: waist.downMm,
    legsMm: [
      { above: waist.upMm, below: waist.downMm },
      { above: waist.upMm, below: waist.downMm },
    ],
  }
}

/** Inputs that leave a dart as it is, or begin a new one; null when it has gone. */
export function doubleDartInputs(garment: Garment, ref: string): DoubleDartInputs | null {
  const found = findDoubleDart(garment, ref)
  if (!found) return null
  const { upperMm, lowerMm } = figuresOf(found, garment, garment.baseSizeId)
  return { dart: ref, amountMm: 0, upperMm, lowerMm, raiseMm: 0, outMm: 0, legs: 'keep' }
}
