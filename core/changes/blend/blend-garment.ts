import { dot, measureLength, mix, movePath, nearestPlace, placeAt, scale, type Path, type Point } from '../../geometry'
import { blendPaths, blendStraight, easeIn, type ShareIn, type Weights } from '../../moves'
import {
  doubleDartFigures,
  edgePath,
  findPiece,
  frameOf,
  shapeOf,
  type EdgeRole,
  type Garment,
  type NotchPlace,
  type Piece,
  type Shape,
} from '../../pattern'
import { pointOnChain, sideChains, zonesOnChain } from '../../measure'
import { SAME_POINT_MM } from '../../tolerances'
import { evenSides } from '../shared/even-sides'
import { carryAlong, knotsOf } from './carry-along'
import { planChain, weightsAlong, whole, zoneOfFollower, zonesOfSides, type BlendPlan } from './plan-chain'
import type { BlendInputs, BlendZone } from './schema'

/** Straight or hollow edges that lead from the lower part of a piece to the upper one without being its side. */
const CONNECTORS: EdgeRole[] = ['centre-front', 'centre-back', 'crotch']

/** Every size of a piece laid over its base size: centre on centre. */
function alignedShapes(piece: Piece, sizeIds: Iterable<string>, baseSizeId: string): Map<string, Shape> {
  const base = frameOf(piece, shapeOf(piece, baseSizeId))
  return new Map(
    [...new Set(sizeIds)].map((id): [string, Shape] => {
      const shape = shapeOf(piece, id)
      const by = scale(base.across, base.middle - frameOf(piece, shape).middle)
      if (Math.abs(by.x) + Math.abs(by.y) <= SAME_POINT_MM) return [id, shape]
      const moved = (p: Point) => ({ x: p.x + by.x, y: p.y + by.y })
      const all = (paths: Record<string, Path>) => Object.fromEntries(Object.entries(paths).map(([k, p]) => [k, movePath(p, by)]))
      return [
        id,
        {
          ...shape,
          edges: all(shape.edges),
          lines: all(shape.lines),
          points: Object.fromEntries(Object.entries(shape.points).map(([k, p]) => [k, moved(p)])),
          grain: { from: moved(shape.grain.from), to: moved(shape.grain.to) },
        },
      ]
    }),
  )
}

const totalOf = (weights: Weights, f: (sizeId: string) => number): number => [...weights].reduce((sum, [id, part]) => sum + f(id) * part, 0)
const mixPoint = (weights: Weights, f: (sizeId: string) => Point): Point => ({
  x: totalOf(weights, (id) => f(id).x),
  y: totalOf(weights, (id) => f(id).y),
})

function blendPiece(garment: Garment, piece: Piece, inputs: BlendInputs, sizeId: string): Shape {
  const base = shapeOf(piece, sizeId)
  const sizes = alignedShapes(piece, [inputs.bust, inputs.waist, inputs.hip], sizeId)
  const chains = sideChains(piece, base).flatMap((chain) => {
    const plan = planChain(garment, chain, inputs, sizeId)
    return plan ? [{ chain, plan }] : []
  })
  if (chains.length === 0) return sizes.get(inputs[zoneOfFollower(garment, piece)])!
  const n = piece.edges.length
  const index = (edgeId: string) => piece.edges.findIndex((e) => e.id === edgeId)
  /** Parts at each corner, from the side seams outward. */
  const corners: (Weights | undefined)[] = new Array<Weights | undefined>(n).fill(undefined)
  interface OnChain {
    plan: BlendPlan
    reversed: boolean
    fromMm: number
    lengthMm: number
    shareIn: ShareIn
  }
  const onChain = new Map<string, OnChain>()
  for (const [c, { chain, plan }] of chains.entries()) {
    const ids = [...new Set([sizeId, ...sizes.keys()])]
    const knots = knotsOf(garment, chain, ids, sizeId)
    const inSize = new Map(ids.map((id) => [id, sideChains(piece, shapeOf(piece, id))[c]!]))
    for (const [k, part] of chain.edges.entries()) {
      const shareIn: ShareIn = (id, share) => {
        const there = inSize.get(id)!.edges[k]!
        const down = part.reversed ? 1 - share : share
        const carried = (carryAlong(knots, sizeId, id, part.fromMm + down * part.lengthMm) - there.fromMm) / there.lengthMm
        const inside = Math.min(1, Math.max(0, carried))
        return part.reversed ? 1 - inside : inside
      }
      onChain.set(part.edgeId, { plan, ...part, shareIn })
      const i = index(part.edgeId)
      const top = weightsAlong(plan, inputs, part.fromMm)
      const bottom = weightsAlong(plan, inputs, part.fromMm + part.lengthMm)
      corners[i] = part.reversed ? bottom : top
      corners[(i + 1) % n] = part.reversed ? top : bottom
    }
  }
  // A dart in the side takes what the side takes there, its tip too.
  for (const dart of piece.darts) {
    const tip = index(dart.legs[1])
    corners[tip] ??= corners[index(dart.legs[0])]
  }
  // Corners beside the side seams take the same, up to the edge that leads to the other end of the piece.
  for (let round = 0; round < n; round++)
    for (let i = 0; i < n; i++) {
      const known = corners[i]
      if (!known) continue
      const after = piece.edges[i]!
      const before = piece.edges[(i + n - 1) % n]!
      if (!CONNECTORS.includes(after.role)) corners[(i + 1) % n] ??= known
      if (!CONNECTORS.includes(before.role)) corners[(i + n - 1) % n] ??= known
    }
  const { chain, plan } = chains[0]!
  const { down } = frameOf(piece, base)
  const knots = [0, ...zonesOnChain(garment, chain, sizeId).map((z) => z.atMm), chain.totalMm].map((atMm) => ({
    atMm,
    level: dot(pointOnChain(base, chain, atMm), down),
  }))
  /** Inner lines and points take what the side seam takes at their height. */
  const nearest = (p: Point): Weights => {
    const level = dot(p, down)
    const k = knots.findIndex((x, i) => i > 0 && x.level >= level)
    if (k < 0) return weightsAlong(plan, inputs, chain.totalMm)
    const [a, b] = [knots[k - 1]!, knots[k]!]
    const u = b.level > a.level ? Math.min(1, Math.max(0, (level - a.level) / (b.level - a.level))) : 0
    return weightsAlong(plan, inputs, a.atMm + (b.atMm - a.atMm) * u)
  }
  const fallback = whole(inputs[chains[0]!.plan.zones[0]!])
  const weightsAt = (edgeId: string): { at: (share: number) => Weights; breaks: number[]; shareIn?: ShareIn } => {
    const side = onChain.get(edgeId)
    if (side) {
      const share = (mm: number) => (side.reversed ? 1 - (mm - side.fromMm) / side.lengthMm : (mm - side.fromMm) / side.lengthMm)
      return {
        at: (u) => weightsAlong(side.plan, inputs, side.fromMm + (side.reversed ? 1 - u : u) * side.lengthMm),
        breaks: side.plan.transitions.flatMap((t) => [share(t.startMm), share(t.endMm)]).sort((a, b) => a - b),
        shareIn: side.shareIn,
      }
    }
    if (piece.edges[index(edgeId)]!.role === 'crotch') {
      const path = edgePath(base, edgeId)
      const length = measureLength(path)
      return { at: (u) => nearest(placeAt(path, u * length).point), breaks: [] }
    }
    const i = index(edgeId)
    const a = corners[i] ?? fallback
    const b = corners[(i + 1) % n] ?? fallback
    const ids = [...new Set([...a.keys(), ...b.keys()])]
    return { at: (u) => new Map(ids.map((id) => [id, (a.get(id) ?? 0) * (1 - easeIn(u)) + (b.get(id) ?? 0) * easeIn(u)])), breaks: [] }
  }

  const edges: Record<string, Path> = {}
  for (const edge of piece.edges) {
    const paths = new Map([...sizes].map(([id, s]) => [id, edgePath(s, edge.id)]))
    const { at, breaks, shareIn } = weightsAt(edge.id)
    const last = (p: Path) => p[p.length - 1]!.to
    const connector = CONNECTORS.includes(edge.role) || edge.role === 'dart-leg'
    const straight = connector
      ? blendStraight(
          paths,
          mixPoint(at(0), (id) => paths.get(id)![0]!.from),
          mixPoint(at(1), (id) => last(paths.get(id)!)),
        )
      : null
    edges[edge.id] = straight ?? blendPaths(paths, at, breaks, shareIn)
  }
  closeOutline(piece, edges)
  const notches = Object.fromEntries(
    piece.notches.map((notch): [string, NotchPlace] => {
      const place = base.notches[notch.id]!
      const own = measureLength(edgePath(base, notch.edgeId))
      const share = own > 0 ? (place.from === 'start' ? place.distanceMm : own - place.distanceMm) / own : 0
      const { at, shareIn } = weightsAt(notch.edgeId)
      // On a side seam the place is carried like the line itself; elsewhere it lies where the size's own notch does.
      const point = mixPoint(at(share), (id) => {
        const path = edgePath(sizes.get(id)!, notch.edgeId)
        const length = measureLength(path)
        const there = sizes.get(id)!.notches[notch.id]!
        const mm = shareIn ? shareIn(id, share) * length : there.from === 'start' ? there.distanceMm : length - there.distanceMm
        return placeAt(path, mm).point
      })
      const edge = edges[notch.edgeId]!
      const fromStart = nearestPlace(edge, point).lengthMm
      return [notch.id, { from: place.from, distanceMm: place.from === 'start' ? fromStart : measureLength(edge) - fromStart }]
    }),
  )
  const lines = Object.fromEntries(
    piece.lines.map(({ id, role }) => {
      const path = base.lines[id]!
      // A dart inside goes with its widest place.
      const middle = role === 'dart' ? doubleDartFigures(base, id).middle : mix(path[0]!.from, path[path.length - 1]!.to, 0.5)
      const weights = nearest(middle)
      return [id, blendPaths(new Map([...sizes].map(([k, s]) => [k, s.lines[id]!])), () => weights, [])]
    }),
  )
  const points = Object.fromEntries(
    Object.entries(base.points).map(([id, p]) => [id, mixPoint(nearest(p), (k) => sizes.get(k)!.points[id]!)]),
  )
  const grain = {
    from: mixPoint(nearest(base.grain.from), (k) => sizes.get(k)!.grain.from),
    to: mixPoint(nearest(base.grain.to), (k) => sizes.get(k)!.grain.to),
  }
  return { edges, notches, lines, points, grain }
}

/** Corners at which two edges came out a rounding apart are made one point. */
function closeOutline(piece: Piece, edges: Record<string, Path>): void {
  const n = piece.edges.length
  for (let i = 0; i < n; i++) {
    const path = edges[piece.edges[i]!.id]!
    const next = edges[piece.edges[(i + 1) % n]!.id]!
    const corner = next[0]!.from
    const last = path[path.length - 1]!
    edges[piece.edges[i]!.id] = [...path.slice(0, -1), { ...last, to: corner }]
  }
}

/** The size that a garment is called by after a blend: “3”, or “3 bust, 4 waist, 6 hip”. */
function blendName(garment: Garment, inputs: BlendInputs, zones: readonly BlendZone[]): string {
  const nameOf = (id: string) => garment.sizes.find((s) => s.id === id)!.name
  const names = zones.map((z) => nameOf(inputs[z]))
  return new Set(names).size === 1 ? names[0]! : zones.map((z, i) => `${names[i]} ${z}`).join(', ')
}

/**
 * Puts the blend of several sizes in the place of the base size, on every piece: one size above the first change, another
 * below it, a smooth line between (craft 6.6). Pieces without a side follow the zone that they are sewn to.
 */
export function blendGarment(garment: Garment, inputs: BlendInputs): Garment {
  const sizeId = garment.baseSizeId
  const zones = zonesOfSides(garment)
  if (zones.every((z) => inputs[z] === sizeId)) return garment
  const pieces = garment.pieces.map((piece) => {
    const shape = blendPiece(garment, findPiece(garment, piece.id)!, inputs, sizeId)
    return shape === piece.shapes[sizeId] ? piece : { ...piece, shapes: { ...piece.shapes, [sizeId]: shape } }
  })
  const name = blendName(garment, inputs, zones).slice(0, 120)
  const used = [inputs.bust, inputs.waist, inputs.hip]
  const evened = evenSides(garment, { ...garment, pieces }, sizeId, { from: used }).garment
  return { ...evened, sizes: garment.sizes.map((s) => (s.id === sizeId ? { ...s, name } : s)) }
}
