import { alongGrain } from '../geometry'
import { edgePath, grainDirection, type Piece, type Shape } from '../pattern'
import { EQUAL_MM, SAME_POINT_MM } from '../tolerances'
import { widthAt } from './width-at'

const LONG_ROLES = new Set(['side', 'outseam', 'inseam', 'underarm', 'panel'])

/** Step of the search for the narrowest place, mm along the grain, before it is closed in on. */
const SEARCH_STEP_MM = 16

const GOLDEN = (Math.sqrt(5) - 1) / 2

/** The narrowest place must be this much narrower than both ends of its range to be a waist, mm. */
const WAIST_DIP_MM = 2

/**
 * Grain coordinate of a piece's narrowest place along its side edges (the waist of a body part), or null when it has no
 * narrow place between its ends. A corner counts (a waist drawn as a corner of the side).
 */
export function narrowestPlace(piece: Piece, shape: Shape): number | null {
  const known = narrowest.get(shape)
  if (known?.piece.edges === piece.edges) return known.at
  const at = findNarrowest(piece, shape)
  narrowest.set(shape, { piece, at })
  return at
}

/** Kept per shape: it is asked for by levels, promises and the ledger alike. */
const narrowest = new WeakMap<Shape, { piece: Piece; at: number | null }>()

function findNarrowest(piece: Piece, shape: Shape): number | null {
  const grain = grainDirection(shape)
  // Between the levels at which every upright edge of the piece runs: a leg counts from the crotch down.
  const reach = new Map<string, { top: number; bottom: number }>()
  for (const e of piece.edges) {
    if (!LONG_ROLES.has(e.role)) continue
    const path = edgePath(shape, e.id)
    const ends = [path[0]!.from, path[path.length - 1]!.to].map((p) => alongGrain(p, grain))
    const known = reach.get(e.role) ?? { top: Infinity, bottom: -Infinity }
    reach.set(e.role, { top: Math.min(known.top, ...ends), bottom: Math.max(known.bottom, ...ends) })
  }
  if (reach.size === 0) return null
  const top = Math.max(...[...reach.values()].map((r) => r.top))
  const bottom = Math.min(...[...reach.values()].map((r) => r.bottom))
  if (bottom - top < 4 * SEARCH_STEP_MM) return null
  const width = (at: number) => widthAt(piece, shape, at)
  // Just inside the ends: at a corner the line would touch, not cross.
  const first = top + SAME_POINT_MM * 10
  const last = bottom - SAME_POINT_MM * 10
  const steps = Math.ceil((last - first) / SEARCH_STEP_MM)
  const stops = Array.from({ length: steps + 1 }, (_, i) => first + ((last - first) * i) / steps)
  let best = 0
  const widths = stops.map(width)
  for (let i = 1; i < stops.length; i++) if (widths[i]! < widths[best]!) best = i
  let low = stops[Math.max(0, best - 1)]!
  let high = stops[Math.min(steps, best + 1)]!
  // Golden section: one new width a step, down to a hundredth of a millimetre along the grain.
  let a = high - GOLDEN * (high - low)
  let b = low + GOLDEN * (high - low)
  let atA = width(a)
  let atB = width(b)
  while (high - low > EQUAL_MM) {
    if (atA <= atB) {
      high = b
      b = a
      atB = atA
      a = high - GOLDEN * (high - low)
      atA = width(a)
    } else {
      low = a
      a = b
      atA = atB
      b = low + GOLDEN * (high - low)
      atB = width(b)
    }
  }
  const at = (low + high) / 2
  const narrow = width(at)
  if (width(first) - narrow < WAIST_DIP_MM || width(last) - narrow < WAIST_DIP_MM) return null
  return at
}
