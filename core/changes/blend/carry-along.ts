import { findPiece, shapeOf, type Garment, type Piece } from '../../pattern'
import { sideChains, zonesOnChain, type SideChain } from '../../measure'

/** A place of a side seam in every size, mm from its top. */
export type Knot = ReadonlyMap<string, number>

/** Knots nearer than this to one before are the same place, mm. */
const SAME_KNOT_MM = 3

/**
 * The same places of a side seam in every size: its ends, bust, waist and hip, and the ends of its edges (a dart), those
 * of the partners that it is sewn to included, so that both sides of a seam go over alike.
 */
export function knotsOf(garment: Garment, chain: SideChain, sizeIds: readonly string[], baseSizeId: string): Knot[] {
  const own = new Set(chain.edges.map((e) => `${chain.pieceId} ${e.edgeId}`))
  const isOwn = (r: { pieceId: string; edgeId: string }) => own.has(`${r.pieceId} ${r.edgeId}`)
  const joined = new Set(
    garment.seams.flatMap((s) => (s.sides.flat().some(isOwn) ? s.sides.flat().map((r) => `${r.pieceId} ${r.edgeId}`) : [])),
  )
  const here = (piece: Piece) =>
    sideChains(piece, shapeOf(piece, baseSizeId)).filter((c) => c.edges.some((e) => joined.has(`${c.pieceId} ${e.edgeId}`)))
  const partners = garment.pieces.flatMap(here).filter((c) => !c.edges.some((e) => isOwn({ pieceId: c.pieceId, edgeId: e.edgeId })))
  const knots = [chain, ...partners].flatMap((c): Knot[] => {
    const piece = findPiece(garment, c.pieceId)!
    const index = sideChains(piece, shapeOf(piece, baseSizeId)).findIndex((x) => x.edges[0]!.edgeId === c.edges[0]!.edgeId)
    const inSize = new Map(sizeIds.map((id) => [id, sideChains(piece, shapeOf(piece, id))[index]!]))
    const zones = new Map(sizeIds.map((id) => [id, zonesOnChain(garment, inSize.get(id)!, id)]))
    const at = (f: (id: string) => number | undefined): Knot[] => {
      const list = sizeIds.map((id) => [id, f(id)] as const)
      return list.every((x): x is readonly [string, number] => x[1] !== undefined) ? [new Map(list)] : []
    }
    return [
      ...c.edges.flatMap((_, i) => at((id) => inSize.get(id)!.edges[i]!.fromMm)),
      ...at((id) => inSize.get(id)!.totalMm),
      ...(['bust', 'waist', 'hip'] as const).flatMap((z) => at((id) => zones.get(id)!.find((x) => x.zone === z)?.atMm)),
    ]
  })
  const kept: Knot[] = []
  for (const knot of knots) if (kept.every((k) => Math.abs(k.get(baseSizeId)! - knot.get(baseSizeId)!) > SAME_KNOT_MM)) kept.push(knot)
  const inOrder = kept.sort((a, b) => a.get(baseSizeId)! - b.get(baseSizeId)!)
  // A place that lies above the one before it in some size would send the line back on itself: it is no place to go by.
  return inOrder.reduce<Knot[]>((run, knot) => {
    const before = run[run.length - 1]
    return before && sizeIds.some((id) => knot.get(id)! <= before.get(id)!) ? run : [...run, knot]
  }, [])
}

/**
 * Where a place of the base size lies in another size, mm from the top of the side seam: through the knots, and smooth,
 * since a change of pace would show as a corner in the blended line. Monotone cubic interpolation (Fritsch and Carlson,
 * SIAM J. Numer. Anal. 17, 1980, with the harmonic mean of Fritsch and Butland, 1984).
 */
export function carryAlong(knots: readonly Knot[], baseSizeId: string, sizeId: string, atMm: number): number {
  const x = knots.map((k) => k.get(baseSizeId)!)
  const y = knots.map((k) => k.get(sizeId)!)
  const last = knots.length - 1
  // With no two places to go by, it lies as far down as in the base size.
  if (last < 1) return atMm
  const secant = (i: number) => (y[i + 1]! - y[i]!) / (x[i + 1]! - x[i]!)
  const slope = (i: number): number => {
    if (i === 0) return secant(0)
    if (i === last) return secant(last - 1)
    const [a, b] = [secant(i - 1), secant(i)]
    if (a * b <= 0) return 0
    const [h, k] = [x[i]! - x[i - 1]!, x[i + 1]! - x[i]!]
    return (3 * (h + k)) / ((2 * k + h) / a + (k + 2 * h) / b)
  }
  const found = x.findIndex((v) => v >= atMm)
  const k = Math.min(last, Math.max(1, found < 0 ? last : found))
  const h = x[k]! - x[k - 1]!
  const t = Math.min(1, Math.max(0, (atMm - x[k - 1]!) / h))
  const [s, u] = [1 - t, t]
  return s * s * (1 + 2 * t) * y[k - 1]! + u * u * (1 + 2 * s) * y[k]! + s * s * u * h * slope(k - 1) - u * u * s * h * slope(k)
}
