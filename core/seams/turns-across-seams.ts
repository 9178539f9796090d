import { add, cross, placeAt, scale, subtract, tangentAt, turnRad, unit } from '../geometry'
import { grainDirection, type Shape } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'
import { joinRuns } from './cap-parts'
import type { LaidPart, PartEnd } from './lay-cap'
import { endOf, startOf } from './walked'

/** How far a part of a cap turns at each of its ends, rad. */
export type SeamTurns = Record<PartEnd['which'], number>

/** An end of a part turns toward the straight line between its ends by no more than this part of the angle between them. */
const MOST_TURN_PART = 0.3

/**
 * How the parts of a cap in several pieces turn where sleeve seams end in it: the one with the top on it as it is lifted over the line
 * between its ends, which is an affine map, and the one beside it as much, so that the cap runs on across the seam as it did.
 *
 * @returns the turns of each part for a rise of the top, mm
 */
export function turnsAcrossSeams(parts: readonly { part: LaidPart; shape: Shape }[]): (riseMm: number) => SeamTurns[] {
  const k = parts.findIndex(({ part }) => part.topMm !== null && !part.isWhole)
  const none = parts.map((): SeamTurns => ({ first: 0, last: 0 }))
  if (k < 0) return () => none
  const laid = parts.map(({ part, shape }) => ({ ...part, path: joinRuns(shape, part.runs), up: scale(grainDirection(shape), -1) }))
  const upper = laid[k]!
  const along = unit(subtract(endOf(upper.path), startOf(upper.path)))
  const height = cross(along, subtract(placeAt(upper.path, upper.topMm!).point, startOf(upper.path)))
  if (Math.abs(height) <= SAME_POINT_MM) return () => none
  const directions = { first: tangentAt(upper.path[0]!, 0), last: tangentAt(upper.path[upper.path.length - 1]!, 1) }
  const beside = { first: laid[k - 1], last: laid[k + 1] }
  /** How far the part beside an end may turn there, toward the line between its own ends. */
  const roomAt = (which: PartEnd['which']): number | null => {
    const other = beside[which]
    if (!other) return null
    const chord = subtract(endOf(other.path), startOf(other.path))
    const own = which === 'first' ? tangentAt(other.path[other.path.length - 1]!, 1) : tangentAt(other.path[0]!, 0)
    return turnRad(own, chord) * MOST_TURN_PART
  }
  const rooms = { first: roomAt('first'), last: roomAt('last') }
  return (riseMm) => {
    const turns = parts.map((): SeamTurns => ({ first: 0, last: 0 }))
    for (const which of ['first', 'last'] as const) {
      const room = rooms[which]
      if (room === null || riseMm === 0) continue
      const direction = directions[which]
      const lifted = add(direction, scale(upper.up, (riseMm * cross(along, direction)) / height))
      const way = upper.runs[0]!.reversed === beside[which]!.runs[0]!.reversed ? 1 : -1
      const turn = turnRad(direction, lifted)
      const isTowardChord = Math.sign(turn * way) === Math.sign(room)
      const taken = isTowardChord ? Math.sign(turn) * Math.min(Math.abs(turn), Math.abs(room)) : turn
      turns[k]![which] = taken
      turns[which === 'first' ? k - 1 : k + 1]![which === 'first' ? 'last' : 'first'] = taken * way
    }
    return turns
  }
}
