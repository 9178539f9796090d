import { DEG } from '../units'
import { measureSegment } from './measure-length'
import { tangentAt } from './segment'
import type { Path } from './types'
import { turnRad } from './vector'

/** How far apart a path is looked at, mm. */
const STEP_MM = 3

/** How often a path changes the way it bends; a bend back of less than `noiseDeg` is none: no eye sees it. */
export function countInflections(path: Path, noiseDeg = 0.75): number {
  const turns = path.flatMap((s) => {
    const steps = Math.max(2, Math.ceil(measureSegment(s) / STEP_MM))
    return Array.from({ length: steps }, (_, i) => turnRad(tangentAt(s, i / steps), tangentAt(s, (i + 1) / steps)) * DEG)
  })
  let way = 0
  let reached = 0
  let heading = 0
  let count = 0
  for (const t of turns) {
    heading += t
    if (way === 0) {
      if (Math.abs(heading - reached) > noiseDeg) {
        way = Math.sign(heading - reached)
        reached = heading
      }
    } else if ((heading - reached) * way > 0) reached = heading
    else if (Math.abs(heading - reached) > noiseDeg) {
      way = -way
      reached = heading
      count++
    }
  }
  return count
}
