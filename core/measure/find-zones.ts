import { alongGrain } from '../geometry'
import {
  cornersBetween,
  edgePath,
  familyOf,
  findPiece,
  grainDirection,
  isBody,
  outlineOf,
  seamsOfEdge,
  shapeOf,
  type EdgeRole,
  type Garment,
  type Piece,
  type PieceFamily,
  type Shape,
} from '../pattern'
import { levelOfCorner, lineLevel } from './levels'
import { narrowestPlace } from './narrowest-place'
import { zoneLevel } from './zone-level'

export const ZONE_IDS = ['high-bust', 'bust', 'waist', 'hip', 'bicep', 'thigh', 'knee', 'hem', 'leg-opening'] as const
export type ZoneId = (typeof ZONE_IDS)[number]

/** Where a zone is measured on one piece: across at a level, or along edges; the bust of a front by way of its apex (see bust-width). */
export type ZonePart =
  | { pieceId: string; by: 'line'; lineId: string; belowMm: number; overApex?: true }
  | { pieceId: string; by: 'corner'; cornerId: string; belowMm: number; overApex?: true }
  | { pieceId: string; by: 'narrowest' }
  | { pieceId: string; by: 'edges'; edgeIds: string[] }
  /** At the level that its neighbour has, met across the seam between them. */
  | { pieceId: string; by: 'seam'; seamId: string; of: ZonePart }

/** Is a zone measured at a narrowest place there, its own or its neighbour's? It moves when what lies above and below it changes. */
export const isNarrowest = (part: ZonePart): boolean => part.by === 'narrowest' || (part.by === 'seam' && isNarrowest(part.of))

/** A level round the body or a limb that is measured on the pieces. */
export interface Zone {
  /** One of ZONE_IDS, or the id of a zone of one's own. */
  id: string
  name: string
  /** The body measure it is compared with; null for a hem or opening. */
  measureId: string | null
  /** Round one limb: a pair of pieces goes round two. */
  limb: boolean
  parts: ZonePart[]
}

/** A zone found by the names of lines and edges. */
export type FoundZone = Zone & { id: ZoneId }

/** What each zone is called, which body measure it is compared with, and whether it goes round one limb. */
export const ZONE_FACTS: Record<ZoneId, { name: string; measureId: string | null; limb: boolean }> = {
  'high-bust': { name: 'high bust', measureId: 'high-bust', limb: false },
  bust: { name: 'bust', measureId: 'bust', limb: false },
  waist: { name: 'waist', measureId: 'waist', limb: false },
  hip: { name: 'hip', measureId: 'hip', limb: false },
  bicep: { name: 'bicep', measureId: 'bicep', limb: true },
  thigh: { name: 'thigh', measureId: 'thigh', limb: true },
  knee: { name: 'knee', measureId: 'knee', limb: true },
  hem: { name: 'hem', measureId: null, limb: false },
  'leg-opening': { name: 'leg opening', measureId: null, limb: true },
}

const TRUNK: PieceFamily[] = ['bodice', 'skirt']
const BODICE: PieceFamily[] = ['bodice']

const LEGS: PieceFamily[] = ['leg']

/** The kinds of piece on which each zone is measured. */
const FOR: Record<ZoneId, PieceFamily[]> = {
  'high-bust': BODICE,
  bust: BODICE,
  waist: [...TRUNK, ...LEGS],
  hip: [...TRUNK, ...LEGS],
  bicep: ['sleeve'],
  thigh: LEGS,
  knee: LEGS,
  hem: TRUNK,
  'leg-opening': LEGS,
}

/** Below the underarm, mm: the high bust just under the arm, the bust where no line or apex says better. */
const HIGH_BUST_BELOW_MM = 10

const BUST_BELOW_MM = 40
/** Below the crotch point, mm: the thigh is measured close under the crotch. */
const THIGH_BELOW_MM = 25
/** Below the waist, mm: where a hip usually is, on pieces that reach so far but have no line for it. */
const HIP_BELOW_WAIST_MM = 185
/** A hem that is no more than this below the usual hip ends at the hip, mm. */
const AT_HEM_MM = 60

/** How close above a hem a body that ends there is measured, mm. */
const ABOVE_HEM_MM = 1

/** How far a hem rises above its corner at the side, mm: a line that ran below that would miss part of the piece. */
function hemRise(piece: Piece, shape: Shape, cornerId: string): number {
  const grain = grainDirection(shape)
  const hem = piece.edges.filter((e) => e.role === 'hem').flatMap((e) => edgePath(shape, e.id))
  const top = Math.min(...hem.flatMap((s) => [alongGrain(s.from, grain), alongGrain(s.to, grain)]))
  return Math.max(0, (levelOfCorner(piece, shape, cornerId) ?? top) - top)
}

/** The corner at which two roles meet, if the piece has one. */
const cornerBetween = (piece: Piece, a: EdgeRole, b: EdgeRole): string | null => cornersBetween(piece, [a], [b])[0] ?? null

/** Kept per piece: a change leaves most pieces as they are, and every place along every side asks for its zones. */
const partsOf = new WeakMap<Piece, Map<string, ZonePart | null>>()

/** Where a zone is measured on one piece of a kind that has it; null where the piece has no such place. */
export function zonePartOf(garment: Garment, zone: ZoneId, piece: Piece): ZonePart | null {
  if (!FOR[zone].includes(familyOf(piece))) return null
  const known = partsOf.get(piece) ?? new Map<string, ZonePart | null>()
  partsOf.set(piece, known)
  const key = `${garment.baseSizeId} ${zone}`
  const part = known.has(key) ? known.get(key)! : findPart(garment, zone, piece)
  known.set(key, part)
  return part
}

function findPart(garment: Garment, zone: ZoneId, piece: Piece): ZonePart | null {
  const apex = zone === 'bust' && piece.kind === 'front' ? { overApex: true as const } : {}
  const line = piece.lines.find((l) => l.role === zone)
  if (line) return { pieceId: piece.id, by: 'line', lineId: line.id, belowMm: 0, ...apex }
  const underarm = familyOf(piece) === 'bodice' ? cornerBetween(piece, 'armhole', 'side') : null
  if (zone === 'high-bust' && underarm) return { pieceId: piece.id, by: 'corner', cornerId: underarm, belowMm: HIGH_BUST_BELOW_MM }
  if (zone === 'bust' && underarm) return { pieceId: piece.id, by: 'corner', cornerId: underarm, belowMm: BUST_BELOW_MM, ...apex }
  if (zone === 'waist') {
    const edges = piece.edges.filter((e) => e.role === 'waist')
    if (edges.length > 0) return { pieceId: piece.id, by: 'edges', edgeIds: edges.map((e) => e.id) }
    // A panel between others may be narrowest anywhere.
    const hasSide = piece.edges.some((e) => e.role === 'side' || e.role === 'outseam')
    if (hasSide && narrowestPlace(piece, shapeOf(piece, garment.baseSizeId)) !== null) return { pieceId: piece.id, by: 'narrowest' }
  }
  if (zone === 'hip') {
    const shape = shapeOf(piece, garment.baseSizeId)
    const waist = piece.lines.find((l) => l.role === 'waist')
    const atSide = cornerBetween(piece, 'waist', 'side')
    const level = waist ? lineLevel(shape, waist.id) : atSide ? levelOfCorner(piece, shape, atSide) : null
    const bottom = Math.max(...outlineOf(piece, shape).map((s) => alongGrain(s.to, grainDirection(shape))))
    // A body that ends about the hip is measured just above its hem, in every size.
    const hem = cornerBetween(piece, 'hem', 'side')
    if (level !== null && hem && bottom - level > HIP_BELOW_WAIST_MM && bottom - level < HIP_BELOW_WAIST_MM + AT_HEM_MM)
      return { pieceId: piece.id, by: 'corner', cornerId: hem, belowMm: -ABOVE_HEM_MM - hemRise(piece, shape, hem) }
    if (level !== null && bottom - level > HIP_BELOW_WAIST_MM) {
      if (waist) return { pieceId: piece.id, by: 'line', lineId: waist.id, belowMm: HIP_BELOW_WAIST_MM }
      if (atSide) return { pieceId: piece.id, by: 'corner', cornerId: atSide, belowMm: HIP_BELOW_WAIST_MM }
    }
  }
  if (zone === 'thigh' && familyOf(piece) === 'leg') {
    const crotch = cornerBetween(piece, 'crotch', 'inseam')
    if (crotch) return { pieceId: piece.id, by: 'corner', cornerId: crotch, belowMm: THIGH_BELOW_MM }
  }
  if (zone === 'hem' || zone === 'leg-opening') {
    const edges = piece.edges.filter((e) => e.role === zone)
    if (edges.length > 0) return { pieceId: piece.id, by: 'edges', edgeIds: edges.map((e) => e.id) }
  }
  return null
}

/**
 * The zones of a garment, found by the names of lines and edges: printed lines first, then corners and edges. Of two
 * pieces sewn to each other at the waist only the upper one counts, or the same waist would be counted twice.
 *
 * @param options.sewnTwice leaves the lower pieces in, for work along the seams instead of measuring round the body
 */
export function findZones(garment: Garment, options: { sewnTwice?: boolean } = {}): readonly FoundZone[] {
  const known = (options.sewnTwice ? alongSeams : roundBody).get(garment)
  if (known) return known
  const found = ZONE_IDS.flatMap((id): FoundZone[] => {
    let parts = garment.pieces.flatMap((p) => zonePartOf(garment, id, p) ?? [])
    if (ROUND_TRUNK.includes(id)) parts = overPanels(garment, id, parts)
    if (id === 'hip') {
      const hips = new Set(parts.map((part) => part.pieceId))
      parts = parts.filter((part) => reachesHip(garment, findPiece(garment, part.pieceId)!, hips))
    }
    if ((id === 'waist' || id === 'hip') && !options.sewnTwice) {
      const under = new Set(parts.filter((part) => joinsUpper(garment, part, parts)).map((p) => p.pieceId))
      parts = parts.filter((p) => !under.has(p.pieceId))
    }
    return parts.length > 0 ? [{ id, ...ZONE_FACTS[id], parts }] : []
  })
  ;(options.sewnTwice ? alongSeams : roundBody).set(garment, found)
  return found
}

/** Seams that such a zone crosses. */
const UPRIGHT: readonly EdgeRole[] = ['panel', 'side', 'centre-back', 'centre-front']
/** Zones that go round the body over every panel. */
const ROUND_TRUNK: readonly ZoneId[] = ['high-bust', 'bust', 'waist', 'hip']

/**
 * The parts of a zone with those of pieces that have neither its line nor its corner, as panels: the zone goes on there at the level at
 * which it meets their seam, or they would be left out of the round.
 */
function overPanels(garment: Garment, zone: ZoneId, parts: readonly ZonePart[]): ZonePart[] {
  const found = [...parts]
  const on = (pieceId: string) => found.find((p) => p.pieceId === pieceId)
  const isUpright = (runs: Garment['seams'][number]['sides'][0]) =>
    runs.every((r) => findPiece(garment, r.pieceId)!.edges.some((e) => e.id === r.edgeId && UPRIGHT.includes(e.role)))
  const beside = garment.seams.filter((s) => s.sides.every(isUpright)).flatMap((s) => ([0, 1] as const).map((side) => ({ s, side })))
  for (let before = -1; before < found.length;) {
    before = found.length
    for (const { s, side } of beside) {
      const pieceId = s.sides[side][0]!.pieceId
      const of = on(s.sides[side === 0 ? 1 : 0][0]!.pieceId)
      if (!of || of.by === 'edges' || on(pieceId) || !FOR[zone].includes(familyOf(findPiece(garment, pieceId)!))) continue
      const part: ZonePart = { pieceId, by: 'seam', seamId: s.id, of }
      if (zoneLevel(garment, part, garment.baseSizeId) !== null) found.push(part)
    }
  }
  return garment.pieces.flatMap((p) => found.filter((part) => part.pieceId === p.id))
}

/** Kept per garment: every place along every side asks for them. */
const roundBody = new WeakMap<Garment, FoundZone[]>()

const alongSeams = new WeakMap<Garment, FoundZone[]>()

/** A hip goes all the way round: where one of the pieces that have a waist ends above it, none of them measures it. */
function reachesHip(garment: Garment, piece: Piece, hips: ReadonlySet<string>): boolean {
  return garment.pieces
    .filter((p) => isBody(p) && familyOf(p) === familyOf(piece) && zonePartOf(garment, 'waist', p) !== null)
    .every((p) => hips.has(p.id))
}

/** Is this part's edge sewn to an edge of another part of the same zone, on a piece higher up? */
function joinsUpper(garment: Garment, part: ZonePart, all: readonly ZonePart[]): boolean {
  if (part.by !== 'edges' || !findPiece(garment, part.pieceId)!.kind.startsWith('skirt')) return false
  return part.edgeIds.some((edgeId) =>
    seamsOfEdge(garment, part.pieceId, edgeId).some(({ seam, side }) =>
      seam.sides[side === 0 ? 1 : 0].some((run) =>
        all.some((p) => p.pieceId === run.pieceId && p.by === 'edges' && p.edgeIds.includes(run.edgeId)),
      ),
    ),
  )
}
