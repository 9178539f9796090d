import { measureLength, boundsOf, mapPath, dot, alongGrain } from '../../../geometry'
import { lineLevel, narrowestPlace } from '../../../measure'

import { cornerPoint, grainDirection, notchPlace, outlineOf, type Piece, type Shape } from '../../../pattern'
import { ok, refuse, type Result } from '../../../result'
import type { Level, Mark } from './schema'

/** How a mark is called on a piece. */
export function markName(piece: Piece, mark: Mark): string {
  if (mark.by === 'narrowest') return 'the narrowest place'
  const list = mark.by === 'line' ? piece.lines : mark.by === 'notch' ? piece.notches : piece.corners
  const name = list.find((x) => x.id === mark.id)?.name ?? 'a mark that has gone'
  return mark.by === 'notch' ? `notch “${name}”` : `the ${name}`
}

/** Grain coordinate of a mark, or undefined when the piece has no such mark. */
export function markLevel(piece: Piece, shape: Shape, mark: Mark): number | undefined {
  const grain = grainDirection(shape)
  if (mark.by === 'narrowest') return narrowestPlace(piece, shape) ?? undefined
  if (mark.by === 'line') return lineLevel(shape, mark.id) ?? undefined
  if (mark.by === 'notch') {
    const place = notchPlace(piece, shape, mark.id, measureLength)
    return place && alongGrain(place.point, grain)
  }
  const corner = cornerPoint(piece, shape, mark.id)
  return corner && alongGrain(corner, grain)
}

/** Extent of a piece along its grain, mm (grain coordinates of its top and its bottom). */
export function grainExtent(piece: Piece, shape: Shape): { topMm: number; bottomMm: number } {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const box = boundsOf(mapPath(outlineOf(piece, shape), (p) => ({ x: dot(p, across), y: dot(p, grain) })))
  return { topMm: box.minY, bottomMm: box.maxY }
}

/**
 * Grain coordinate of a level on a piece.
 * Refuses a mark that has gone ("reference-gone") and a line that misses the piece ("level-misses"), naming both.
 */
export function findLevel(piece: Piece, shape: Shape, level: Level): Result<number> {
  const at = markLevel(piece, shape, level.mark)
  const name = markName(piece, level.mark)
  if (at === undefined) {
    if (level.mark.by === 'narrowest')
      return refuse(
        'level-misses',
        piece.name,
        'it has no narrowest place between the ends of its side.',
        'Choose another mark for the line: a corner, a notch or a printed line.',
      )
    return refuse('reference-gone', piece.name, `${name} is not there.`, 'Choose another mark for the line.')
  }
  const levelMm = at + level.belowMm
  const { topMm, bottomMm } = grainExtent(piece, shape)
  if (levelMm <= topMm || levelMm >= bottomMm)
    return refuse('level-misses', piece.name, `the line measured from ${name} misses the piece.`, 'Move the line back onto the piece.')
  return ok(levelMm)
}
