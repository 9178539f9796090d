import { cornersAsSewn, walkGarment, type WalkedCorner } from '../../match'
import type { Garment } from '../../pattern'
import type { AskedByBody } from '../types'
import { applyTrueCorner } from './apply'
import { roomFor } from './room'
import type { TrueCornerInputs } from './schema'

/** A line that turns by so much more than as bought, deg, is seen when the seam is sewn: it is drawn through anew. */
const SEEN_DEG = 3
/** How far to each side it is drawn anew, mm, where the edges have the room: the two ends of one edge take a third of it each. */
const REACH_MM = 60
const REACH_SHARE = 1 / 3
/** More corners than a garment has that a plan could turn: truing ends. */
const MOST = 20

/** A corner that turns more than it did as bought by what is seen, and how far beyond that it is, deg. */
interface Turned {
  corner: WalkedCorner
  beyondDeg: number
}

const cornersOf = (garment: Garment) => cornersAsSewn(walkGarment(garment, garment.baseSizeId))

/** Corners that are seen to turn more than they did, the worst first. */
function turnedMore(garment: Garment, wereDeg: ReadonlyMap<string, number>): Turned[] {
  return cornersOf(garment)
    .filter((c) => !c.designed)
    .map((corner) => ({ corner, beyondDeg: Math.abs(corner.turnDeg) - (wereDeg.get(corner.id) ?? 0) - SEEN_DEG }))
    .filter(({ beyondDeg }) => beyondDeg > 0)
    .sort((a, b) => b.beyondDeg - a.beyondDeg)
}

const sumOf = (list: readonly Turned[]) => list.reduce((sum, t) => sum + t.beyondDeg, 0)

/**
 * The last step of the work on paper (craft 1, step 6): where the plan has changed how a line runs through a seam, a closed dart or a
 * fold, it is drawn through smoothly, the worst first. Where two seams cross, truing one line turns the other: it is proposed only
 * where all turn less after it.
 */
export function proposeTruing(garmentNow: () => Garment, { stops, context }: AskedByBody): { inputs: TrueCornerInputs; note: string }[] {
  if (!stops.some((s) => s.isNew)) return []
  const wereDeg = new Map(context.bought ? cornersOf(context.bought).map((c) => [c.id, Math.abs(c.turnDeg)]) : [])
  const proposed: { inputs: TrueCornerInputs; note: string }[] = []
  const tried = new Set<string>()
  let garment = garmentNow()
  let turned = turnedMore(garment, wereDeg)
  for (let i = 0; i < MOST; i++) {
    const worst = turned.find((t) => !tried.has(t.corner.id))
    if (!worst) break
    const { corner } = worst
    tried.add(corner.id)
    const inputs = { cornerId: corner.id, reachMm: Math.min(REACH_MM, roomFor(garment, corner) * REACH_SHARE), firstTakes: 'half' as const }
    const done = applyTrueCorner(garment, inputs, context)
    if (!done.ok) continue
    const after = turnedMore(done.value.garment, wereDeg)
    if (sumOf(after) >= sumOf(turned)) continue
    garment = done.value.garment
    turned = after
    proposed.push({ inputs, note: 'What was changed beside it turned a corner here: the line is drawn through smoothly.' })
  }
  return proposed
}
