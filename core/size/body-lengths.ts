import { figureMm, findMeasure, type MeasureSet } from '../body'
import { alongGrain, crossPoints, dot } from '../geometry'
import { findZones, levelOfCorner, lineLevel, narrowestPlace, zoneLevel } from '../measure'
import {
  cornersBetween,
  edgePath,
  grainDirection,
  neighbours,
  shapeOf,
  type EdgeRole,
  type Garment,
  type Piece,
  type PieceKind,
} from '../pattern'

/** One length of the body beside the same length of the garment. */
export interface LengthRow {
  /** The body measure's id. */
  id: string
  name: string
  bodyMm: number | null
  garmentMm: number
  /** How much longer than the body it is meant to be, mm: an armhole lies a little below the arm. */
  easeMm: number
  /** Where the garment would have to grow (or shrink, when negative), mm: body and ease less garment; null without a body figure that was meant for it. */
  missingMm: number | null
  /** The piece it is measured on. */
  pieceId: string
  /** Grain coordinate of its lower end on that piece, mm. */
  toLevelMm: number
  /** Between which places the length lies: a change belongs between them. */
  from: 'neck' | 'shoulder' | 'underarm' | 'waist'
  to: 'waist' | 'hip' | 'knee' | 'hem'
}

/** A hem further off than this is wanted on another garment, mm: a skirt’s length is no fault of a tunic. */
const OTHER_HEM_MM = 80

/** An armhole lies this far below the arm where nothing else is said, mm: our own figure. */
const ARMHOLE_BELOW_MM = 20

/** A back neckline that lies this far below where it meets the shoulder does not begin at the neck: how far down it lies is its maker's, mm. */
const LOW_NECK_MM = 60

const FRONT: PieceKind[] = ['front']
const BACK: PieceKind[] = ['back']
const LOWER_FRONT: PieceKind[] = ['front', 'skirt-front']
const LOWER_BACK: PieceKind[] = ['back', 'skirt-back']
const LEG: PieceKind[] = ['leg-front']

/** Level along the grain of the corner at which two roles meet; of several, the one nearest to the top. */
function cornerLevel(piece: Piece, sizeId: string, a: EdgeRole[], b: EdgeRole[]): number | null {
  const shape = shapeOf(piece, sizeId)
  const levels = cornersBetween(piece, a, b).map((id) => levelOfCorner(piece, shape, id)!)
  return levels.length > 0 ? Math.min(...levels) : null
}

const CENTRE: EdgeRole[] = ['centre-front', 'centre-back']

/**
 * Level along the grain at which edges of some roles meet the centre: at its edge, or, on a piece that is whole, at the middle of their run
 * from side to side; of that, the place that is met when one goes on along the grain halfway between both its ends.
 */
function centreLevel(piece: Piece, sizeId: string, roles: EdgeRole[]): number | null {
  const atEdge = cornerLevel(piece, sizeId, roles, CENTRE)
  if (atEdge !== null || piece.edges.some((e) => e.fold)) return atEdge
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const run = piece.edges.filter((e) => roles.includes(e.role))
  const ends = run.flatMap((e) => {
    const path = edgePath(shape, e.id)
    const { before, after } = neighbours(piece, e.id)
    const isEnd = (role: EdgeRole) => !roles.includes(role) && role !== 'dart-leg'
    return [
      ...(isEnd(before.role) ? [{ p: path[0]!.from, beside: before.role }] : []),
      ...(isEnd(after.role) ? [{ p: path.at(-1)!.to, beside: after.role }] : []),
    ]
  })
  const [a, b] = ends
  if (!a || !b || ends.length > 2 || a.beside !== b.beside) return null
  const middle = (dot(a.p, across) + dot(b.p, across)) / 2
  const met = run.flatMap((e) => crossPoints(edgePath(shape, e.id), across, middle))
  return met.length > 0 ? Math.min(...met.map((p) => alongGrain(p, grain))) : null
}
const SIDE: EdgeRole[] = ['side', 'outseam']

function levelOf(garment: Garment, piece: Piece, place: LengthRow['from'] | LengthRow['to'], at: 'centre' | 'side'): number | null {
  const sizeId = garment.baseSizeId
  const levelBeside = (roles: EdgeRole[]) => (at === 'centre' ? centreLevel(piece, sizeId, roles) : cornerLevel(piece, sizeId, roles, SIDE))
  const lineOf = (role: 'waist' | 'hip' | 'knee') => {
    const line = piece.lines.find((l) => l.role === role)
    return line ? lineLevel(shapeOf(piece, sizeId), line.id) : null
  }
  switch (place) {
    case 'neck':
      return centreLevel(piece, sizeId, ['neck'])
    case 'shoulder':
      return cornerLevel(piece, sizeId, ['neck'], ['shoulder'])
    case 'underarm':
      return cornerLevel(piece, sizeId, ['armhole'], ['side'])
    case 'waist':
      return lineOf('waist') ?? levelBeside(['waist']) ?? waistOverSeam(garment, piece) ?? narrowestPlace(piece, shapeOf(piece, sizeId))
    case 'hip':
    case 'knee':
      return lineOf(place)
    case 'hem':
      return levelBeside(['hem', 'leg-opening'])
  }
}

/** Does a length begin at a neckline that does not lie at the neck? Then the body's length says nothing of it. */
function isLowNeck(piece: Piece, sizeId: string, from: LengthRow['from'], topMm: number): boolean {
  const shoulder = from === 'neck' ? cornerLevel(piece, sizeId, ['neck'], ['shoulder']) : null
  return shoulder !== null && topMm - shoulder > LOW_NECK_MM
}

/** The waist of a panel that has no place for it itself: where that of its neighbour meets their seam. */
function waistOverSeam(garment: Garment, piece: Piece): number | null {
  const waist = findZones(garment, { sewnTwice: true }).find((z) => z.id === 'waist')
  const part = waist?.parts.find((p) => p.pieceId === piece.id && p.by === 'seam')
  return part ? zoneLevel(garment, part, garment.baseSizeId) : null
}

type Wanted = [id: string, kinds: PieceKind[], from: LengthRow['from'], to: LengthRow['to'], at: 'centre' | 'side']

const LENGTHS: readonly Wanted[] = [
  ['back-neck-to-waist', BACK, 'neck', 'waist', 'centre'],
  ['front-to-waist', FRONT, 'shoulder', 'waist', 'centre'],
  ['underarm-to-waist', BACK, 'underarm', 'waist', 'side'],
  ['waist-to-hip', [...LEG, ...LOWER_BACK], 'waist', 'hip', 'side'],
  ['waist-to-knee', LEG, 'waist', 'knee', 'side'],
  ['waist-to-hem-back', LOWER_BACK, 'waist', 'hem', 'centre'],
  ['waist-to-hem-side', [...LOWER_FRONT, ...LEG], 'waist', 'hem', 'side'],
  ['waist-to-hem-front', LOWER_FRONT, 'waist', 'hem', 'centre'],
]

/**
 * Lengths of the body beside those of the garment in its base size, measured along the grain on the first piece that has
 * both places.
 *
 * @param wantedMm ease by measure id where a person has set it, mm
 */
export function bodyLengths(garment: Garment, set: MeasureSet | null, wantedMm: Readonly<Record<string, number>> = {}): LengthRow[] {
  return LENGTHS.flatMap(([id, kinds, from, to, at]): LengthRow[] => {
    for (const piece of garment.pieces.filter((p) => kinds.includes(p.kind))) {
      const top = levelOf(garment, piece, from, at)
      const bottom = levelOf(garment, piece, to, at)
      if (top === null || bottom === null || bottom <= top) continue
      const garmentMm = bottom - top
      const bodyMm = figureMm(set, id) ?? null
      const isAsked =
        bodyMm !== null &&
        (to !== 'hem' || Math.abs(bodyMm - garmentMm) <= OTHER_HEM_MM) &&
        !isLowNeck(piece, garment.baseSizeId, from, top)
      const easeMm = wantedMm[id] ?? (from === 'underarm' ? -ARMHOLE_BELOW_MM : 0)
      return [
        {
          id,
          name: findMeasure(id)!.name,
          bodyMm,
          garmentMm,
          easeMm,
          missingMm: isAsked ? bodyMm + easeMm - garmentMm : null,
          pieceId: piece.id,
          toLevelMm: bottom,
          from,
          to,
        },
      ]
    }
    return []
  })
}
