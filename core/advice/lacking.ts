import { findZones } from '../measure'
import { centreLine, familyOf, type EdgeRole, type Garment, type PieceFamily } from '../pattern'
import type { Concept, Wish } from '../wishes'

/** Is there a piece of a kind, or one that is called so? */
const isOf = (garment: Garment, family: PieceFamily) =>
  garment.pieces.some((p) => familyOf(p) === family || p.name.toLowerCase().includes(family))
const hasEdge = (garment: Garment, ...roles: EdgeRole[]) => garment.pieces.some((p) => p.edges.some((e) => roles.includes(e.role)))
/** Is there a seam in the middle, where a piece is neither cut on the fold nor buttons over beyond it? */
const hasSeam = (garment: Garment, role: EdgeRole) =>
  garment.pieces.some((p) => centreLine(p) === undefined && p.edges.some((e) => e.role === role && !e.fold))

/** What a wish may be about that not every garment has, and what is said where it has none. */
const THINGS: readonly {
  said: readonly Concept[]
  /** It is meant only where one of these is said, too. */
  onlyWith?: readonly Concept[]
  /** With these something else is meant; with those it is meant all the same. */
  unless?: readonly Concept[]
  evenWith?: readonly Concept[]
  isThere: (garment: Garment) => boolean
  /** Another piece has it: what is said of it may be meant of that. */
  isCutIn?: true
  why: string
}[] = [
  {
    said: ['dart', 'dart-legs'],
    // A dart inside a piece is made where there is none; none is turned into another.
    unless: ['waist', 'two-tipped'],
    evenWith: ['move', 'into', 'split', 'merge', 'change'],
    isThere: (g) => g.pieces.some((p) => p.darts.length > 0),
    why: 'This garment has no dart: what a dart would take is added or taken at its seams.',
  },
  ...(['centre-back', 'centre-front'] as const).map((at) => ({
    said: [at],
    onlyWith: ['seam', 'in', 'out'] as const,
    unless: ['wedge', 'fold', 'level', 'sway', 'dart', 'hem', 'size', 'neckline', 'waist-seam'] as const,
    isThere: (g: Garment) => hasSeam(g, at) || isOf(g, 'leg'),
    isCutIn: true as const,
    why: `This garment has no seam at the ${at.replace('-', ' ')}: it is cut on the fold there, or closes there. Take its sides in or let them out, or make a waist dart.`,
  })),
  { said: ['panel-seam'], isThere: (g) => hasEdge(g, 'panel'), why: 'This garment has no seam between panels.' },
  { said: ['sleeve', 'bicep', 'sleeve-cap', 'cap-ease'], isThere: (g) => isOf(g, 'sleeve'), why: 'This garment has no sleeve.' },
  // Legs that are turned up have cuffs, too.
  { said: ['wrist'], isThere: (g) => isOf(g, 'sleeve') || isOf(g, 'leg'), why: 'This garment has no sleeve.' },
  {
    said: ['leg', 'inseam', 'thigh', 'calf', 'crotch-point'],
    unless: ['skirt'],
    isThere: (g) => isOf(g, 'leg'),
    why: 'This garment has no legs as pieces of their own.',
  },
  { said: ['shoulder'], isThere: (g) => hasEdge(g, 'shoulder'), why: 'No edge of this garment is called a shoulder.' },
  { said: ['bust'], isThere: (g) => isOf(g, 'bodice'), why: 'This garment does not reach the bust.' },
  {
    said: ['crotch-depth', 'crotch-curve', 'front-rise', 'back-rise'],
    isThere: (g) => hasEdge(g, 'crotch'),
    why: 'This garment has no crotch.',
  },
  {
    said: ['hip'],
    // Of a seam's part, of a size or of a skirt it is said all the same.
    unless: ['side', 'stretch-of-seam', 'size', 'skirt', 'longer', 'shorter', 'over'],
    isThere: (g) => findZones(g).some((z) => z.id === 'hip') || isOf(g, 'skirt') || isOf(g, 'leg'),
    isCutIn: true,
    why: 'No hip line is known on this pattern: a part of its side seam can be let out or taken in.',
  },
  {
    said: ['skirt'],
    isThere: (g) => isOf(g, 'skirt'),
    isCutIn: true,
    why: 'This garment has no skirt as a piece of its own: say it of its body, of its hem, or of its sides at the hip.',
  },
  {
    said: ['leg-opening'],
    isThere: (g) => isOf(g, 'leg'),
    why: 'A leg opening that is cut out of the body is not redrawn here yet: only by a cut and a swing of one’s own.',
  },
]

/** What a wish is about that a garment has not, and what is said of it. */
export interface Lacking {
  concept: Concept
  why: string
  /** Another piece has it. */
  isCutIn: boolean
}

/** What a wish is about that a garment lacks; null where it has all that is named. */
export function lacking({ said }: Pick<Wish, 'said'>, garment: Garment): Lacking | null {
  const says = (words: readonly Concept[]) => words.some((w) => said.has(w))
  for (const { said: words, onlyWith, unless = [], evenWith = [], isThere, isCutIn = false, why } of THINGS) {
    const concept = words.find((w) => said.has(w))
    if (concept && (!onlyWith || says(onlyWith)) && (!says(unless) || says(evenWith)) && !isThere(garment)) return { concept, why, isCutIn }
  }
  return null
}
