import { figureMm, findMeasure, type MeasureSet } from '../body'
import { levelOfCorner, lineLevel, narrowestPlace } from '../measure'
import { cornersBetween, shapeOf, type EdgeRole, type Garment, type Piece, type PieceKind } from '../pattern'

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
const SIDE: EdgeRole[] = ['side', 'outseam']

function levelOf(piece: Piece, sizeId: string, place: LengthRow['from'] | LengthRow['to'], at: 'centre' | 'side'): number | null {
  const beside = at === 'centre' ? CENTRE : SIDE
  const lineOf = (role: 'waist' | 'hip' | 'knee') => {
    const line = piece.lines.find((l) => l.role === role)
    return line ? lineLevel(shapeOf(piece, sizeId), line.id) : null
  }
  switch (place) {
    case 'neck':
      return cornerLevel(piece, sizeId, ['neck'], CENTRE)
    case 'shoulder':
      return cornerLevel(piece, sizeId, ['neck'], ['shoulder'])
    case 'underarm':
      return cornerLevel(piece, sizeId, ['armhole'], ['side'])
    case 'waist':
      return lineOf('waist') ?? cornerLevel(piece, sizeId, ['waist'], beside) ?? narrowestPlace(piece, shapeOf(piece, sizeId))
    case 'hip':
    case 'knee':
      return lineOf(place)
    case 'hem':
      return cornerLevel(piece, sizeId, ['hem', 'leg-opening'], beside)
  }
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
      const top = levelOf(piece, garment.baseSizeId, from, at)
      const bottom = levelOf(piece, garment.baseSizeId, to, at)
      if (top === null || bottom === null || bottom <= top) continue
      const garmentMm = bottom - top
      const bodyMm = figureMm(set, id) ?? null
      const isAsked = bodyMm !== null && (to !== 'hem' || Math.abs(bodyMm - garmentMm) <= OTHER_HEM_MM)
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
