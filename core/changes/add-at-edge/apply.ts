import { dot, measureLength, reversePath, scale, type Path, type Point } from '../../geometry'
import { displacePath, easeIn, redrawMoved } from '../../moves'
import { edgePath, frameOf, neighbours, shapeOf, type Garment, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findZones, finishedMm, sideChains, zonesOnChain, zoneWidth, type SideChain } from '../../measure'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { evenSides, surplusOf } from '../shared/even-sides'
import { findLargest } from '../find-largest'
import { settleCaps } from '../../seams'
import { settleBands } from '../shared/settle-bands'
import { bothShapes, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import type { Applied, ChangeContext, HeldPromise } from '../types'
import type { AddAtEdgeInputs } from './schema'

const KEYS = { bust: 'bustMm', waist: 'waistMm', hip: 'hipMm' } as const
type ZoneKey = keyof typeof KEYS

/** How far a place of a side seam goes out, mm, by its length from the top: level at each zone, smooth between. */
export function outAlong(garment: Garment, chain: SideChain, inputs: AddAtEdgeInputs, sizeId: string): ((atMm: number) => number) | null {
  const places = zonesOnChain(garment, chain, sizeId).map((z) => ({ atMm: z.atMm, out: inputs[KEYS[z.zone as ZoneKey]] }))
  if (places.length === 0) return null
  return (atMm) => {
    const k = places.findIndex((p) => p.atMm >= atMm)
    if (k === 0) return places[0]!.out
    if (k < 0) return places[places.length - 1]!.out
    const [a, b] = [places[k - 1]!, places[k]!]
    return a.out + (b.out - a.out) * easeIn((atMm - a.atMm) / (b.atMm - a.atMm))
  }
}

function widenShape(garment: Garment, piece: Piece, inputs: AddAtEdgeInputs, sizeId: string): Shape {
  const shape = shapeOf(piece, sizeId)
  const { across, middle } = frameOf(piece, shape)
  const edges: Record<string, Path> = { ...shape.edges }
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const chain of sideChains(piece, shape)) {
    const out = outAlong(garment, chain, inputs, sizeId)
    if (!out) continue
    const first = edgePath(shape, chain.edges[0]!.edgeId)
    const outward = scale(across, Math.sign(dot(first[0]!.from, across) - middle))
    const moveBy = (atMm: number): Point => scale(outward, out(atMm))
    for (const part of chain.edges) {
      const path = edgePath(shape, part.edgeId)
      const downward = part.reversed ? reversePath(path) : path
      const moved = redrawMoved(downward, outward, (mm) => out(part.fromMm + mm))
      edges[part.edgeId] = part.reversed ? reversePath(moved) : moved
      const grown = measureLength(edges[part.edgeId]!) / measureLength(path)
      for (const n of piece.notches)
        if (n.edgeId === part.edgeId) notches[n.id] = { ...notches[n.id]!, distanceMm: notches[n.id]!.distanceMm * grown }
      // The edges that meet the side follow its ends; a dart inside it goes out as a whole.
      for (const [beside, atEnd] of [
        [neighbours(piece, part.edgeId).before, false],
        [neighbours(piece, part.edgeId).after, true],
      ] as const) {
        if (chain.edges.some((e) => e.edgeId === beside.id)) continue
        const atTop = atEnd === part.reversed
        const by = moveBy(part.fromMm + (atTop ? 0 : part.lengthMm))
        const none = { x: 0, y: 0 }
        const now = edges[beside.id]!
        if (beside.role === 'dart-leg') edges[beside.id] = displacePath(now, across, atEnd ? by : none, atEnd ? none : by)
        else edges[beside.id] = displacePath(now, measured(now, across), atEnd ? by : none, atEnd ? none : by, { eased: true })
      }
    }
  }
  return { ...shape, edges, notches }
}

/** Times that the amounts of a piece are set right by what they gave. */
const PASSES = 3

/**
 * A piece widened so that each of its zones has grown by just what is asked, as sewn: where a level runs into a dart, or a
 * side slants, an edge that goes out by an amount gives a little more or less than that.
 */
function widenSettled(garment: Garment, piece: Piece, inputs: AddAtEdgeInputs, sizeId: string): Shape {
  const sides = sideChains(piece, shapeOf(piece, sizeId)).length
  const parts = findZones(garment, { sewnTwice: true }).flatMap((zone) => {
    const part = zone.parts.find((p) => p.pieceId === piece.id && (p.by === 'line' || p.by === 'corner'))
    return part && zone.id in KEYS ? [{ key: KEYS[zone.id as ZoneKey], part }] : []
  })
  let own = inputs
  let shape = widenShape(garment, piece, own, sizeId)
  for (let pass = 0; pass < PASSES; pass++) {
    const widened = { ...piece, shapes: { ...piece.shapes, [sizeId]: shape } }
    const after = { ...garment, pieces: garment.pieces.map((p) => (p === piece ? widened : p)) }
    const off = parts.map(({ key, part }) => {
      const grew = zoneWidth(after, part, sizeId) - zoneWidth(garment, part, sizeId)
      return { key, mm: inputs[key] - grew / sides }
    })
    if (off.every((o) => Math.abs(o.mm) <= EQUAL_MM)) break
    own = off.reduce((sum, o) => ({ ...sum, [o.key]: sum[o.key] + o.mm }), own)
    shape = widenShape(garment, piece, own, sizeId)
  }
  return shape
}

/** Along whichever direction an edge gets on more. */
function measured(path: Path, across: Point): Point {
  const chord = { x: path[path.length - 1]!.to.x - path[0]!.from.x, y: path[path.length - 1]!.to.y - path[0]!.from.y }
  const down = { x: -across.y, y: across.x }
  return Math.abs(dot(chord, across)) >= Math.abs(dot(chord, down)) ? across : down
}

/** The garment with its sides let out or taken in, size by size, and what broke: sizes after one that breaks are not drawn. */
function widen(garment: Garment, inputs: AddAtEdgeInputs): { garment: Garment; broken: ReturnType<typeof findBrokenOutline> } {
  if (inputs.bustMm === 0 && inputs.waistMm === 0 && inputs.hipMm === 0) return { garment, broken: null }
  let g = garment
  for (const size of garment.sizes) {
    const now = g
    const pieces = now.pieces.map((piece) =>
      sideChains(piece, shapeOf(piece, size.id)).length === 0
        ? piece
        : { ...piece, shapes: { ...piece.shapes, [size.id]: widenSettled(now, piece, inputs, size.id) } },
    )
    const evened = evenSides({ ...now, pieces }, size.id, (seam) => [surplusOf(garment, seam, size.id)])
    // The cap and the bands follow what they are sewn to: their ease is what it was.
    const capped = settleCaps(garment, evened, size.id, size.id)
    g = settleBands(garment, capped.ok ? capped.value.garment : evened, size.id, size.id)
    const broken = findBrokenOutline(garment, g, [size])
    if (broken) return { garment: g, broken }
  }
  return { garment: g, broken: null }
}

/** What each zone of the garment has to measure after it: as many edges as carry it, times the amount. */
function heldByAdding(before: Garment, after: Garment, inputs: AddAtEdgeInputs, sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const zone of findZones(before)) {
    const key = KEYS[zone.id as ZoneKey]
    if (!key || zone.parts.some((p) => p.by === 'narrowest')) continue
    const edges = zone.parts.reduce((sum, part) => {
      const piece = before.pieces.find((p) => p.id === part.pieceId)!
      const times = piece.cut.count * (piece.edges.some((e) => e.fold) ? 2 : 1)
      return sum + sideChains(piece, shapeOf(piece, sizeId)).length * times
    }, 0)
    const grew = finishedMm(after, zone, sizeId) - finishedMm(before, zone, sizeId)
    held.push(holdMeasure(`${zone.name} grows by ${edges} edges`, 'finished', inputs[key] * edges, grew, 2 * SEAM_KEPT_MM))
  }
  for (const piece of before.pieces) {
    const { was, is } = bothShapes(before, after, piece.id, sizeId)
    held.push(holdGrain(piece, was, is))
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}

/**
 * Adds at the side seams, or takes away, by an amount at each of bust, waist and hip, the same on every edge (craft 6.12).
 * An amount of nothing at a zone keeps its corners where they are. The sleeve cap keeps its ease.
 * Refuses: a garment without side seams, an amount that would cross an outline (with the largest that works).
 */
export function applyAddAtEdge(garment: Garment, inputs: AddAtEdgeInputs, context: ChangeContext): Result<Applied> {
  const carrying = garment.pieces.filter((p) =>
    sideChains(p, shapeOf(p, context.sizeId)).some((c) => zonesOnChain(garment, c, context.sizeId).length > 0),
  )
  if (carrying.length === 0)
    return refuse(
      'reference-gone',
      'garment',
      'it has no side seam with a bust, waist or hip.',
      'Delete this change, or name the side seams.',
    )
  const { garment: after, broken } = widen(garment, inputs)
  if (broken) {
    const most = [inputs.bustMm, inputs.waistMm, inputs.hipMm].reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
    const largest = findLargest(most, (mm) => {
      const part = mm / most
      const tried = { bustMm: inputs.bustMm * part, waistMm: inputs.waistMm * part, hipMm: inputs.hipMm * part }
      return widen(garment, tried).broken === null
    })
    return refuse(
      'amount-too-large',
      broken.where,
      `${broken.what} by this amount.`,
      `All three can be taken together up to ${limitToken(Math.abs(largest))} an edge where most was asked.`,
      largest,
    )
  }
  return ok({
    garment: after,
    touched: carrying.map((p, i) => ({ pieceId: p.id, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByAdding(garment, after, inputs, context.sizeId),
    cautions: [],
  })
}
