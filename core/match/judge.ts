import { tangentAt, turnRad, type Path } from '../geometry'
import { EQUAL_MM } from '../tolerances'
import { ROLE_NAMES, type Edge } from '../pattern'
import type { Tolerances, Verdict } from './types'
import { DEG } from '../units'

/** Good, to be eased in, or a fault: by how far off it is, mm. */
export function verdictOf(offMm: number, t: Tolerances): Verdict {
  const off = Math.abs(offMm)
  if (off <= t.goodMm + EQUAL_MM) return 'good'
  return off <= t.easeMm + EQUAL_MM ? 'ease' : 'fault'
}

/** Inner angle of the outline at a corner between an edge's arriving and the next edge's leaving direction, deg. */
export function innerAngle(arriving: Path, leaving: Path): number {
  return 180 - turnRad(tangentAt(arriving[arriving.length - 1]!, 1), tangentAt(leaving[0]!, 0)) * DEG
}

/** What an edge is called that runs on over several pieces, or over a closed dart: by what it is, not by its stretch. */
export const nameWhereItRuns = (edge: Edge): string => (edge.role === 'other' ? edge.name : ROLE_NAMES[edge.role])
