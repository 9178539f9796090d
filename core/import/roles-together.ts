import { familyOf, type EdgeRole, type Piece } from '../pattern'
import type { Run } from './sides'

/** Words that say nothing of a piece. */
const EMPTY_WORDS = ['piece', 'part', 'pattern', 'cut', 'the', 'and']

/** The words of a piece’s name that two pieces may share. */
export const wordsOf = (piece: Piece): string[] =>
  (piece.name.toLowerCase().match(/[a-z]{3,}/g) ?? []).filter((word) => !EMPTY_WORDS.includes(word))

/** A panel that lies between front and back, and is of neither. */
const SIDE_PANEL = /\bside\b/i

/** What pieces a garment has that change what others are sewn to. */
export interface Among {
  /** A collar is sewn to its stand. */
  hasStand: boolean
  /** Front and back are sewn to the panel between them. */
  hasSidePanel: boolean
}

export const whatIsAmong = (pieces: readonly Piece[]): Among => ({
  hasStand: pieces.some((p) => /\bstand\b/i.test(p.name)),
  hasSidePanel: pieces.some((p) => p.kind === 'other' && SIDE_PANEL.test(p.name) && p.edges.filter((e) => e.role === 'panel').length === 2),
})

const CUFF = /\bcuff/i

/** Does a garment have a cuff for this piece: of a sleeve, or of a leg where there is no sleeve? */
export const hasCuffFor = (piece: Piece, pieces: readonly Piece[]): boolean =>
  pieces.some((p) => p.kind === 'band' && CUFF.test(p.name)) &&
  (piece.kind === 'sleeve' || (piece.kind.startsWith('leg-') && pieces.every((p) => p.kind !== 'sleeve')))

/** Roles that are sewn to the same role of another piece. */
const TO_ITS_LIKE: readonly EdgeRole[] = ['shoulder', 'side', 'underarm', 'inseam', 'outseam', 'panel']

/**
 * How well the roles of two runs go together; null where they are never sewn to each other.
 * @param among what other pieces the garment has
 */
export function rolesScore(a: Run, b: Run, { hasStand, hasSidePanel }: Among): number | null {
  const roles = [a.role, b.role]
  const is = (x: EdgeRole, y: EdgeRole) => roles.includes(x) && roles.includes(y) && (x === y ? a.role === b.role : true)
  if (is('cap', 'armhole')) return 2
  if (a.role === b.role && TO_ITS_LIKE.includes(a.role)) {
    const isPart = a.piece.kind === 'other' || b.piece.kind === 'other'
    if (familyOf(a.piece) !== familyOf(b.piece) && a.role !== 'panel' && !isPart) return null
    if (a.role === 'side' && hasSidePanel && familyOf(a.piece) === 'bodice') return null
    return a.role !== 'panel' && a.piece.kind === b.piece.kind && a.piece.kind !== 'sleeve' && a.piece.kind !== 'other' ? null : 2
  }
  // Between a front and a back with a panel at the side lies that.
  const isSidePanel = (r: Run) => r.role === 'panel' && r.piece.kind === 'other' && SIDE_PANEL.test(r.piece.name)
  if (is('side', 'panel') && [a, b].some(isSidePanel)) return 2
  const isYoke = (r: Run) => r.role === 'panel' && /\byoke\b/i.test(r.piece.name)
  if (is('panel', 'waist') && [a, b].some(isYoke) && [a, b].some((r) => /^(?:skirt|leg)-/.test(r.piece.kind))) return 1.5
  if (is('crotch', 'crotch')) return familyOf(a.piece) === 'bodice' && a.piece.kind !== b.piece.kind ? 2 : null
  // An edge of a band that is itself called waist or neckline is the one.
  if ((is('waist', 'waist') || is('neck', 'neck')) && (a.piece.kind === 'band') !== (b.piece.kind === 'band')) return 2.5
  if (is('waist', 'waist')) {
    const places = [a, b].map(({ piece }) => /front|back/.exec(piece.kind)?.[0])
    return familyOf(a.piece) !== familyOf(b.piece) && places[0] === places[1] ? 2 : null
  }
  if (is('band', 'hem') || is('band', 'leg-opening')) return CUFF.test((a.role === 'band' ? a : b).piece.name) ? 2 : null
  if (is('band', 'waist') || is('band', 'neck')) {
    const band = a.role === 'band' ? a.piece : b.piece
    if (CUFF.test(band.name) || (is('band', 'neck') && /\bwaist/i.test(band.name))) return null
    if (is('band', 'waist') && /\b(?:neck|collar)/i.test(band.name)) return null
    return is('band', 'neck') && hasStand && !/\bstand\b/i.test(band.name) ? null : 2
  }
  if (is('band', 'band')) return hasStand && [a, b].some(({ piece }) => /\bstand\b/i.test(piece.name)) ? 1.5 : null
  return roles.includes('other') || roles.includes('panel') ? 0 : null
}
