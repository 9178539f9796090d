import { dot, measureLength, reversePath, scale, type Path, type Point } from '../../geometry'
import { findZones, sideChains, zonesOnChain, zoneWidth, type SideChain, isNarrowest } from '../../measure'
import { displacePath, easeIn, redrawMoved } from '../../moves'
import { edgePath, frameOf, neighbours, shapeOf, type Garment, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { evenSides } from './even-sides'

/** How far every side goes out at each zone, mm; in when negative. */
export interface SideAmounts {
  bustMm: number
  waistMm: number
  hipMm: number
}

/** The amount of each zone that lies along a side. */
export const SIDE_KEYS = { bust: 'bustMm', waist: 'waistMm', hip: 'hipMm' } as const

export type SideZone = keyof typeof SIDE_KEYS

type ZonePlaces = ReturnType<typeof zonesOnChain>

/** How far a place of a side seam goes out, mm, by its length from the top: level at each zone, smooth between. */
export const outAlong = (garment: Garment, chain: SideChain, inputs: SideAmounts, sizeId: string): ((atMm: number) => number) | null =>
  outBetween(zonesOnChain(garment, chain, sizeId), inputs)

function outBetween(zones: ZonePlaces, inputs: SideAmounts): ((atMm: number) => number) | null {
  const places = zones.map((z) => ({ atMm: z.atMm, out: inputs[SIDE_KEYS[z.zone as SideZone]] }))
  if (places.length === 0) return null
  return (atMm) => {
    const k = places.findIndex((p) => p.atMm >= atMm)
    if (k === 0) return places[0]!.out
    if (k < 0) return places[places.length - 1]!.out
    const [a, b] = [places[k - 1]!, places[k]!]
    return a.out + (b.out - a.out) * easeIn((atMm - a.atMm) / (b.atMm - a.atMm))
  }
}

/** A side of a piece with the places of the zones along it. */
type LaidSide = SideChain & { zones: ZonePlaces }

function widenShape(piece: Piece, shape: Shape, sides: readonly LaidSide[], inputs: SideAmounts): Shape {
  const { across, middle } = frameOf(piece, shape)
  const edges: Record<string, Path> = { ...shape.edges }
  const notches: Record<string, NotchPlace> = { ...shape.notches }
  for (const chain of sides) {
    const out = outBetween(chain.zones, inputs)
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

/** Rounds in which the amounts of the pieces are set right by what they gave. */
const PASSES = 3

/**
 * One size with its sides let out or taken in so that each zone of every piece has grown by just what is asked, as sewn, and the
 * sides of its seams are even: where a level runs into a dart, or a side slants, an edge that goes out by an amount gives a little
 * more or less than that, and so does a side that is let down to meet its partner.
 *
 * @param inputs for every piece, or piece by piece
 */
export function widenSides(garment: Garment, inputs: SideAmounts | ((piece: Piece) => SideAmounts), sizeId: string): Garment {
  const asked = new Map(garment.pieces.map((p) => [p.id, typeof inputs === 'function' ? inputs(p) : inputs]))
  if ([...asked.values()].every((a) => Object.values(a).every((mm) => mm === 0))) return garment
  const zones = findZones(garment, { sewnTwice: true }).filter((z) => z.id in SIDE_KEYS)
  const sides = new Map(
    garment.pieces.map((p): [string, LaidSide[]] => [
      p.id,
      sideChains(p, shapeOf(p, sizeId)).map((chain) => ({ ...chain, zones: zonesOnChain(garment, chain, sizeId) })),
    ]),
  )
  const countOf = (pieceId: string) => sides.get(pieceId)!.length
  const parts = zones.flatMap((zone) =>
    zone.parts
      .filter((p) => !isNarrowest(p) && countOf(p.pieceId) > 0)
      .map((part) => ({ key: SIDE_KEYS[zone.id as SideZone], part, wasMm: zoneWidth(garment, part, sizeId) })),
  )
  const own = new Map<string, SideAmounts>()
  const draw = (): Garment => {
    const pieces = garment.pieces.map((piece) => {
      if (countOf(piece.id) === 0) return piece
      const amounts = own.get(piece.id) ?? asked.get(piece.id)!
      const shape = widenShape(piece, shapeOf(piece, sizeId), sides.get(piece.id)!, amounts)
      return { ...piece, shapes: { ...piece.shapes, [sizeId]: shape } }
    })
    return evenSides(garment, { ...garment, pieces }, sizeId).garment
  }
  let drawn = draw()
  for (let pass = 0; pass < PASSES; pass++) {
    const off = parts.map(({ key, part, wasMm }) => {
      const grew = zoneWidth(drawn, part, sizeId) - wasMm
      return { pieceId: part.pieceId, key, mm: asked.get(part.pieceId)![key] - grew / countOf(part.pieceId) }
    })
    if (off.every((o) => Math.abs(o.mm) <= EQUAL_MM)) break
    for (const { pieceId, key, mm } of off) {
      const now = own.get(pieceId) ?? asked.get(pieceId)!
      own.set(pieceId, { ...now, [key]: now[key] + mm })
    }
    drawn = draw()
  }
  return drawn
}

/** Along whichever direction an edge gets on more. */
function measured(path: Path, across: Point): Point {
  const chord = { x: path[path.length - 1]!.to.x - path[0]!.from.x, y: path[path.length - 1]!.to.y - path[0]!.from.y }
  const down = { x: -across.y, y: across.x }
  return Math.abs(dot(chord, across)) >= Math.abs(dot(chord, down)) ? across : down
}
