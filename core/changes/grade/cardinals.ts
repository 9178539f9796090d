import { neighbours, type EdgeRole, type Piece } from '../../pattern'
import type { Cardinal } from './schema'

const PAIRS: readonly [EdgeRole, EdgeRole, Cardinal][] = [
  ['neck', 'centre-front', 'neck-centre'],
  ['neck', 'centre-back', 'neck-centre'],
  ['neck', 'shoulder', 'neck-point'],
  ['shoulder', 'armhole', 'shoulder-tip'],
  ['armhole', 'side', 'underarm'],
  ['cap', 'underarm', 'cap-end'],
  ['underarm', 'hem', 'wrist'],
  ['side', 'waist', 'waist-side'],
  ['outseam', 'waist', 'waist-side'],
  ['waist', 'centre-front', 'waist-centre'],
  ['waist', 'centre-back', 'waist-centre'],
  ['waist', 'crotch', 'waist-centre'],
  ['side', 'hem', 'hem-side'],
  ['hem', 'centre-front', 'hem-centre'],
  ['hem', 'centre-back', 'hem-centre'],
  ['crotch', 'inseam', 'crotch-point'],
  ['outseam', 'leg-opening', 'opening-out'],
  ['inseam', 'leg-opening', 'opening-in'],
  ['side', 'leg-opening', 'leg-top'],
  ['leg-opening', 'crotch', 'crotch-corner'],
]

/** The cardinal point that each corner of a piece is, by the two edges that meet there; null for any other corner. */
export function cardinalsOf(piece: Piece): (Cardinal | null)[] {
  return piece.edges.map((edge) => {
    const roles = [neighbours(piece, edge.id).before.role, edge.role]
    return PAIRS.find(([a, b]) => roles.includes(a) && roles.includes(b) && roles[0] !== roles[1])?.[2] ?? null
  })
}

export const CARDINAL_WORDS: Record<Cardinal, string> = {
  'neck-centre': 'neck at the centre',
  'neck-point': 'neck point',
  'shoulder-tip': 'shoulder tip',
  underarm: 'underarm',
  'waist-side': 'waist at the side',
  'waist-centre': 'waist at the centre',
  'hem-side': 'hem at the side',
  'hem-centre': 'hem at the centre',
  apex: 'apex',
  'cap-end': 'ends of the cap',
  wrist: 'wrist',
  'hip-side': 'hip at the side',
  'crotch-point': 'crotch point',
  'opening-out': 'opening, outside',
  'opening-in': 'opening, inside',
  'leg-top': 'top of the leg',
  'crotch-corner': 'crotch corner',
}
