import { easeIn, type Weights } from '../../moves'
import { findPiece, shapeOf, type Garment, type Piece } from '../../pattern'
import { pointOnChain, sideChains, zonesOnChain, type SideChain } from '../../measure'
import type { BlendInputs, BlendZone } from './schema'
import type { Point } from '../../geometry'

/** A change from one zone's size to the next one's, mm along the side seam. */
export interface Transition {
  from: BlendZone
  to: BlendZone
  startMm: number
  endMm: number
}

/** What one side of a piece takes from where: the zones it passes and the stretches in which it changes over. */
export interface BlendPlan {
  zones: BlendZone[]
  transitions: Transition[]
}

/** Where a side seam changes over, from its own bust, waist and hip; null for a piece without any of them. */
export function planChain(garment: Garment, chain: SideChain, inputs: BlendInputs, sizeId: string): BlendPlan | null {
  const places = zonesOnChain(garment, chain, sizeId) as { zone: BlendZone; atMm: number }[]
  if (places.length === 0) return null
  const transitions = places.slice(1).map((to, i): Transition => {
    const from = places[i]!
    const startMm = from.zone === 'bust' ? Math.max(from.atMm, inputs.startMm) : from.atMm
    const endMm = to.zone === 'hip' ? Math.min(chain.totalMm, Math.max(startMm, to.atMm + inputs.endMm)) : to.atMm
    return { from: from.zone, to: to.zone, startMm, endMm }
  })
  return { zones: places.map((p) => p.zone), transitions }
}

export const whole = (sizeId: string): Weights => new Map([[sizeId, 1]])

/** Parts of each size at a place of a side seam. */
export function weightsAlong(plan: BlendPlan, inputs: BlendInputs, atMm: number): Weights {
  for (const t of plan.transitions) {
    if (atMm <= t.startMm) return whole(inputs[t.from])
    if (atMm < t.endMm) return between(inputs[t.from], inputs[t.to], easeIn((atMm - t.startMm) / (t.endMm - t.startMm)))
  }
  return whole(inputs[plan.zones[plan.zones.length - 1]!])
}

function between(a: string, b: string, u: number): Weights {
  if (a === b) return whole(a)
  return new Map([
    [a, 1 - u],
    [b, u],
  ])
}

/** The zones that a garment's side seams pass, from the top down. */
export function zonesOfSides(garment: Garment): BlendZone[] {
  const there = new Set(
    garment.pieces.flatMap((p) =>
      sideChains(p, shapeOf(p, garment.baseSizeId)).flatMap((c) => zonesOnChain(garment, c, garment.baseSizeId).map((z) => z.zone)),
    ),
  )
  return (['bust', 'waist', 'hip'] as const).filter((z) => there.has(z))
}

/** The zone whose size a piece without a side takes: a waistband the waist's, everything else the bust's, or the nearest there is. */
export function zoneOfFollower(garment: Garment, piece: Piece): BlendZone {
  const has = new Set(
    garment.pieces.flatMap((p) =>
      sideChains(p, shapeOf(p, garment.baseSizeId)).flatMap((c) => zonesOnChain(garment, c, garment.baseSizeId).map((z) => z.zone)),
    ),
  )
  if (piece.kind === 'band' && piece.edges.some((e) => e.role === 'waist')) return 'waist'
  return has.has('bust') ? 'bust' : has.has('waist') ? 'waist' : 'hip'
}

/** The point of a side seam in the base size. */
export const placeOn = (garment: Garment, chain: SideChain, atMm: number): Point =>
  pointOnChain(shapeOf(findPiece(garment, chain.pieceId)!, garment.baseSizeId), chain, atMm)
