import { applyAffine, dot, measureLength, placeAt, type Point, alongGrain } from '../../geometry'

import { findPiece, frameOf, grainDirection, shapeOf, type Garment } from '../../pattern'
import { ok, type Result } from '../../result'
import {
  averageReadings,
  crotchDepth,
  crotchOf,
  HALVES,
  joinRuns,
  layCrotch,
  letOutAt,
  scoopedPlace,
  scoopLeg,
  unlay,
  type BodyCurve,
  type Crotch,
  type CrotchDepth,
  type Half,
} from '../../seams'
import type { CrotchShapeInputs } from './schema'

/** How far below and above its level width that is given back at the outseam fades to nothing, mm. */
const GIVE_BACK_FADE_MM = 160

/** What the readings say of one size. */
export interface CrotchRead {
  curve: BodyCurve
  depth: Record<Half, CrotchDepth>
  /** Most width that the scoop takes from each leg, and the level of the grain where it does, mm. */
  taken: Record<Half, { mm: number; levelMm: number }>
}

const shareOf = (inputs: CrotchShapeInputs, half: Half) => (half === 'front' ? inputs.frontShare : inputs.backShare)

/** The body’s curve on the legs of one size, and how deep it lies below them. */
export function readCrotch(garment: Garment, crotch: Crotch, inputs: CrotchShapeInputs, sizeId: string): CrotchRead {
  const laid = layCrotch(garment, crotch, sizeId)
  const curve = averageReadings(inputs.readings, laid)
  const home = unlay(laid.back)
  const own: Record<Half, Point[]> = { front: curve.front, back: [...curve.back].reverse().map((p) => applyAffine(home, p)) }
  const depth = { front: crotchDepth(garment, crotch.front, sizeId, own.front), back: crotchDepth(garment, crotch.back, sizeId, own.back) }
  const takenOf = (half: Half) => {
    const leg = crotch[half]
    const shape = shapeOf(leg.piece, sizeId)
    const { across } = frameOf(leg.piece, shape)
    const grain = grainDirection(shape)
    const share = shareOf(inputs, half)
    const places = Array.from({ length: SAMPLES + 1 }, (_, i) => (depth[half].totalMm * i) / SAMPLES)
    return places
      .map((atMm) => {
        const { point, into } = scoopedPlace(leg, sizeId, depth[half], 0, atMm)
        return { mm: share * depth[half].scoop(atMm) * Math.abs(dot(into, across)), levelMm: alongGrain(point, grain) }
      })
      .reduce((a, b) => (b.mm > a.mm ? b : a))
  }
  return { curve, depth, taken: { front: takenOf('front'), back: takenOf('back') } }
}

const SAMPLES = 40

/** Both legs scooped in every size, and their outseams let out by what is given back. */
export function scoopCrotch(garment: Garment, inputs: CrotchShapeInputs): Result<{ garment: Garment; reads: Map<string, CrotchRead> }> {
  const crotch = crotchOf(garment)
  if (!crotch.ok) return crotch
  const reads = new Map<string, CrotchRead>()
  let drawn = garment
  if (inputs.readings.length === 0) return ok({ garment, reads })
  for (const size of garment.sizes) {
    const read = readCrotch(garment, crotch.value, inputs, size.id)
    reads.set(size.id, read)
    for (const half of HALVES) {
      const leg = { ...crotch.value[half], piece: findPiece(drawn, crotch.value[half].piece.id)! }
      drawn = scoopLeg(drawn, leg, size.id, read.depth[half], shareOf(inputs, half))
      if (inputs.giveBackMm > 0) drawn = giveBack(drawn, leg.piece.id, size.id, read.taken[half].levelMm, inputs.giveBackMm)
    }
  }
  return ok({ garment: drawn, reads })
}

/** Width let out at a leg’s outseam at a level. */
function giveBack(garment: Garment, pieceId: string, sizeId: string, levelMm: number, outMm: number): Garment {
  const piece = findPiece(garment, pieceId)!
  const shape = shapeOf(piece, sizeId)
  const edge = piece.edges.find((e) => e.role === 'outseam')
  if (!edge) return garment
  const runs = [{ pieceId, edgeId: edge.id, reversed: false }]
  const path = joinRuns(shape, runs)
  const grain = grainDirection(shape)
  const total = measureLength(path)
  const places = Array.from({ length: SAMPLES * 4 + 1 }, (_, i) => (total * i) / (SAMPLES * 4))
  const atMm = places.reduce((a, b) =>
    Math.abs(alongGrain(placeAt(path, b).point, grain) - levelMm) < Math.abs(alongGrain(placeAt(path, a).point, grain) - levelMm) ? b : a,
  )
  const { across, middle } = frameOf(piece, shape)
  const side = Math.sign(dot(placeAt(path, atMm).point, across) - middle) || 1
  const out = { x: across.x * side, y: across.y * side }
  const edges = letOutAt(shape, runs, out, outMm, atMm, GIVE_BACK_FADE_MM)
  const drawn = { ...shape, edges: { ...shape.edges, ...edges } }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === pieceId ? { ...p, shapes: { ...p.shapes, [sizeId]: drawn } } : p)) }
}
